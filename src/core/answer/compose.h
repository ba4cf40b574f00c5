// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

namespace deft {

/// An answer that tells only some of a review's corrections: the others wait.
/// @param told of the decision's cues, in order @param first number of the first one in the letter, from 1
Answer composeTelling(const Review& review, const std::vector<ChosenCue>& told, int first);

} // namespace deft
