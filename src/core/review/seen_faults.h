// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

/// The coach's own faults in the events: an anchor that was seen to give way ends the clean part of the hold, or the
/// control range on the way out, where the coach says it did, if nothing that was measured ends it before. So an own
/// fault never makes a reading better.
void breakWhereSeen(Events& events, const Review& review, const MoverPlan& mover);

/// The coach's own faults in the findings, each read where it was worst within its span. One that overlaps what was
/// measured of the same fault becomes one stretch with it; what was turned down goes when there is an own one instead.
/// Then orders the findings. Faults that the exercise does not know are passed over.
void addSeenFaults(Findings& findings, const Review& review);

/// Does what was measured of a fault in a rep count for nothing: turned down, or replaced by the coach's own?
bool isPassedOver(const Review& review, const std::string& fault, int rep);

/// The rep that a span belongs to: the one that it overlaps longest, else the nearest; -1 without reps.
int repOfSpan(const Events& events, double start_s, double end_s);

} // namespace deft
