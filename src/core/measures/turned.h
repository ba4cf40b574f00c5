// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "measures/mat_view.h"

namespace deft {

/// A phone that was set down by eye stands square to the body within this many degrees (95 %; chosen here).
constexpr double kUnknownTurn_deg = 4;
/// Of the width of a line between left and right, by skin and marks (chosen here): near square it is eleven degrees.
constexpr double kWidthNoise = 0.02;
/// A body lies along its mat within this many degrees (95 %; chosen here).
constexpr double kAlongMat_deg = 3;
/// Where a point of an upright plane would be seen if the plane stood square to the camera, when it is turned by
/// `turnDeg` about the plumb line through `pivot`, the picture's + side of the floor direction away from the camera.
///
/// Closed form; on one line it gives tan(seen) = tan(true) / cos(turn) for slopes, and the false tilt of a level line
/// above or below the camera's own height.
/// @param up unit, plumb in the picture
Point2 seenSquare(const Point2& p, double turnDeg, const Point2& pivot, const Vector2& up, const Lens& lens);

/// How far a camera beside the body stands off square, degrees.
struct LimbTurn {
    double deg = 0;      ///< best estimate, 0 = square as far as limbs tell
    double most_deg = 0; ///< 95 %
};
/// Read from thigh and shank, whose length does not change while they turn in the picture's plane: off square
/// length² = upright part² + level part² / cos²(turn). Perspective and skin that slides over joints look like a
/// turn of up to some fourteen degrees, so smaller ones are not seen.
/// @return nothing when no limb turned far enough to tell
std::optional<LimbTurn> turnOfLimbs(const Tracks& tracks, const BodyAxes& axes);

/// How far the body may be turned out of the picture's plane in each frame, degrees, 95 %. From the side: what is
/// unknown of the camera, or what the mat tells of it, and what limbs tell of it where that is more. Where left and
/// right are seen: by how much the hip points lie closer together than they do at their widest (95th percentile), too.
/// @param mat of a body that lies or kneels along it
std::vector<double> possibleTurn(const Tracks& tracks, View view, const BodyAxes& axes,
                                 const std::optional<MatView>& mat = {});

/// The tracks as a camera would see them that stood square, if it stands off by `sign` times what is possible.
Tracks asIfSquare(const Tracks& tracks, const std::vector<double>& turnDeg, double sign, View view,
                  const BodyAxes& axes, const Lens& lens);

} // namespace deft
