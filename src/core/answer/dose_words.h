// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "judgement/case.h"

namespace deft {

/// "three holds of 15 seconds": what was asked for, to stand in a sentence.
Message askedWords(const Exercise& exercise, const Target& target);
/// A target in words: "three holds of 15 seconds, every other day, with a good rest between them."
/// @param version another one than before, which is named
Message doseWords(const Exercise& exercise, const Target& target, const Version* version);
/// So many of this exercise's movements; of holds where a rep is held.
Message movements(const Exercise& exercise, int n, bool byHold);

} // namespace deft
