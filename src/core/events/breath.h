// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"

namespace deft {

/// A breath that the coach heard: its beginning.
struct BreathTap {
    double time_s = 0;
    bool out = true; ///< out or in
    bool operator==(const BreathTap&) const = default;
};

/// How well the effort lies on breathing out: the way out of each rep fits when at least half of it does.
struct BreathFit {
    int fits = 0, efforts = 0;
    int unsure = 0; ///< that would be told otherwise if every tap came a quarter of a second earlier or later
    double share() const { return efforts ? 100.0 * fits / efforts : kGap; }
    double u95() const { return efforts ? 100.0 * unsure / efforts : kGap; }
};

/// A breath out lasts until the next breath in; where no breath in was tapped, for half of the way to the next breath
/// out and at most three seconds (chosen here).
/// @param taps rising times @returns nothing without taps or reps
std::optional<BreathFit> breathFit(const std::vector<BreathTap>& taps, const Events& events);

} // namespace deft
