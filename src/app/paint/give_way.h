// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

#include <QPainter>

namespace deft::ui {

/// How far the anchor strayed (up) over how far the mover went (across), one thread a rep; where a thread leaves the
/// tolerance, the control range is read off. Where the mover only holds, across is the time held, and the clean time is
/// read off. @param chosenRep the one that stands out, -1 = none
void drawGiveWay(QPainter& p, const QRectF& box, const Review& review, int chosenRep);
/// "pelvis against trunk over lift", "hip drop over time"; empty for an exercise without an anchor.
QString giveWayWords(const Exercise& exercise);

} // namespace deft::ui
