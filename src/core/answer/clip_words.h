// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

// What a clip showed, in words to the client.

/// What was asked and what was shown: how many, how long, on which side, how fast where that matters.
std::string shownWords(const Review& review);
/// The rep, from 0, that deserves praise: nothing stands against it and it reached what was asked. -1 = none.
int praisedRep(const Review& review);
/// What was seen of a fault, with its side in words: "your left hip sank". @param fault one of its findings
std::string toldWords(const Review& review, const FaultPlan& plan, const Fault& fault);

} // namespace deft
