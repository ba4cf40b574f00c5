// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

#include <optional>
#include <vector>

namespace deft {

/// How a point wandered about its mean place, in its own unit. RMS and speed as usual in posturography (after Prieto
/// et al., IEEE Trans. Biomed. Eng. 1996, from memory); the ellipse is that of the sample covariance (n − 1) with the
/// 95 % point of chi-square with two degrees of freedom, so about 95 % of a normal scatter lie inside it.
struct Sway {
    size_t samples = 0;
    double duration_s = 0; ///< of the stretches without gaps
    double rms = 0;        ///< of the distance from the mean place
    double pathPerSecond = 0;
    double ellipseArea = 0, semiMajor = 0, semiMinor = 0;
    double majorDeg = 0; ///< direction of the long axis, (−90, 90], counter-clockwise from the first coordinate
};

/// @param points NaN = gap: left out, and no way is counted across it
/// @returns nothing for fewer than three points
std::optional<Sway> swayOf(const std::vector<double>& time_s, const std::vector<Point2>& points);

} // namespace deft
