// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"

namespace deft {

/// How the back left the mat and came down again in one rep of a bridge that is rolled up and down.
struct RollOrder {
    std::vector<std::string> marks;        ///< from the pelvis toward the head, those that were seen
    std::vector<double> leaves_s, meets_s; ///< when each is half way up, and half way down again
    double outOfOrder = kGap; ///< per cent of neighbours that go in the wrong order, or as one piece: up pelvis first,
                              ///< down last
    double evenness = kGap; ///< shortest step between neighbours over the mean step on the way up, per cent
    double u95 = 0;         ///< of outOfOrder: neighbours for which half a frame more or less would change that
};

/// Marks along the back and side, from the pelvis toward the head.
inline const std::vector<std::string> kRollMarks = {"hip", "crest", "back_mid", "rib"};

/// @errors none; fewer than three marks seen leave gaps
RollOrder rollOrder(const Tracks& tracks, const BodyAxes& axes, const Rep& rep);

/// Adds the series `roll_order` and `roll_evenness`, constant over each hold.
void addRollOrder(SeriesSet& set, const Tracks& tracks, const Events& events);

} // namespace deft
