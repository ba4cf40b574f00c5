// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Angles in the image plane. Square pixels, x right, y DOWN; "counter-clockwise" means as seen on the screen.

#include "base/result.h"
#include "base/units.h"

#include <Eigen/Core>
#include <vector>

namespace deft {

using Point2 = Eigen::Vector2d;
using Vector2 = Eigen::Vector2d;

/// A segment shorter than this has no direction worth naming (px).
constexpr double kMinSegmentPx = 1e-9;

/// Wraps degrees to (-180, 180].
double wrapDeg(double degrees);

/// Takes the jumps of 360 out of a series of angles, so that neighbours differ by at most 180; the first stays. Gaps
/// (NaN) are stepped over. A step of exactly 180 keeps its sign, like numpy.unwrap.
void unwrapDeg(std::vector<double>& series);

/// Direction of p→q in degrees, (-180, 180], 0 = right, counter-clockwise positive.
/// @errors NotFinite, Degenerate (shorter than kMinSegmentPx)
Result<double> directionDeg(const Point2& p, const Point2& q);

/// Slope of the undirected line through p and q, (-90, 90], + when its right-hand end is higher on the screen.
/// @errors as directionDeg
Result<double> slopeDeg(const Point2& p, const Point2& q);

/// Lean of q seen from p against straight up, (-180, 180], + toward the right of the screen. @errors as directionDeg
Result<double> leanDeg(const Point2& p, const Point2& q);

/// Angle that turns `from` onto `to`, (-180, 180], counter-clockwise positive.
/// atan2(cross, dot): acos(dot) loses digits near 0° and 180°. @errors NotFinite, Degenerate
Result<double> signedAngleDeg(const Vector2& from, const Vector2& to);

/// Included angle at b, [0, 180]. Folds at 180°, so noise makes a straight joint read low: 2 px on 100 px arms
/// read 2.2° low. Near straight use jointAngleDeg. @errors NotFinite, Degenerate
Result<double> includedAngleDeg(const Point2& a, const Point2& b, const Point2& c);

/// Joint angle at b measured from b→a to b→c on a fixed side, [0, 360): 180 is straight, above it the joint has bent
/// the other way. @param counterClockwise the side on which flexion closes the joint. @errors NotFinite, Degenerate
Result<double> jointAngleDeg(const Point2& a, const Point2& b, const Point2& c, bool counterClockwise);

/// Signed distance (px) of p from the line a→b: + to the RIGHT of the walk a→b as seen on the screen.
/// @errors NotFinite, Degenerate
Result<double> lineOffsetPx(const Point2& p, const Point2& a, const Point2& b);

} // namespace deft
