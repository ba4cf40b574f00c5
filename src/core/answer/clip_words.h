// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

// What the letter says of a clip, in the words of the exercise that it is given.

/// What was asked for and what the clip shows of it, as sentences.
Messages shownWords(const Review& review, const Exercise& words);
/// The rep that deserves praise: clean, finished and as long and far as asked; of several the longest or farthest.
/// −1 = none.
int praisedRep(const Review& review);
/// A finding in the words of its fault, with the side it was on.
Message toldWords(const Review& review, const FaultPlan& plan, const Fault& fault);

} // namespace deft
