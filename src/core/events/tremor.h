// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

#include <optional>
#include <vector>

namespace deft {

/// How much of a point's movement is shaking: the share of its power (variance about its mean place, both axes) that
/// lies between 4 and 12 Hz, per cent. Shaking with the position kept has a high share, a position that is lost a low
/// one.
struct Tremor {
    double share = 0;
    double u95 = 0; ///< jitter of the marks can be all of it or none: half of the difference that this makes
    double rms = 0; ///< of the shaking alone, with the jitter, in the points' unit
};

constexpr double kTremorFromHz = 4, kTremorToHz = 12;

/// Power of the longest stretch without a gap, at even times, under a Hann window.
/// @param sd standard deviation of each coordinate from frame to frame
/// @returns nothing for stretches under two seconds or fewer than 24 samples a second
std::optional<Tremor> tremorOf(const std::vector<double>& time_s, const std::vector<Point2>& points, double sd);

} // namespace deft
