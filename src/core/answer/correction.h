// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/compose.h"

namespace deft {

/// The part of an answer that gives one cue: what was seen, what to do, what it rests on, and its pictures.
/// Its title is numberCorrections()'.
AnswerPart correction(const Speaker& speaker, const ChosenCue& cue);

} // namespace deft
