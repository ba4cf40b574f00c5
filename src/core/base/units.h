// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <limits>
#include <numbers>

namespace deft {

constexpr double kPi = std::numbers::pi;
constexpr double kDegPerRad = 180.0 / kPi;
constexpr double radians(double degrees) { return degrees / kDegPerRad; }
constexpr double degrees(double radians) { return radians * kDegPerRad; }

/// Marks a gap inside a series. Only series and tracks use it; single values use std::optional or Result.
constexpr double kGap = std::numeric_limits<double>::quiet_NaN();

/// Half-width of a two-sided 95 % interval of a normal quantity, in standard deviations.
constexpr double kU95 = 1.959963984540054;

/// Radius of the circle that holds 95 % of a point whose two coordinates are normal with the same standard deviation,
/// in standard deviations: sqrt(-2 ln 0.05).
constexpr double kU95Circle = 2.447746830680816;

} // namespace deft
