// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "records/client_story.h"

#include <QPainter>
#include <QString>

namespace deft::ui {

/// What became of a cue: "gone", "less by 5.2°", "no real change, 1.6° of 2.2°", …
QString effectWords(const ClientStory& story, const CueSpell& spell);
/// What is told below a version on the ladder.
QString ladderWords(const ClientStory& story, const LadderStep& step);

constexpr double kCueRow = 24, kLadderRow = 44;

/// One row a cue, on the days of the reviews, with what became of it; the last ones where not all fit.
void drawCues(QPainter& painter, const QRectF& body, const ClientStory& story);
/// The exercise's ladder, the hardest version on top: what has been done, where the client is, what waits or is locked.
void drawLadder(QPainter& painter, const QRectF& body, const ClientStory& story);

} // namespace deft::ui
