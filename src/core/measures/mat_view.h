// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "measures/context.h"
#include "measures/lens.h"

#include <array>

namespace deft {

/// The scene marks mat_a … mat_d in order: near left, near right, far right, far left, as the camera sees them; the
/// long sides run across the picture. Nothing unless all four are marked.
std::optional<std::array<Point2, 4>> matCorners(const Tracks& tracks);

/// What the four corners of a mat tell of the camera.
struct MatView {
    double turnDeg = 0; ///< off square to the mat's long side, + when its end on the picture's right is farther away
    double turnU95 = 0; ///< 95 % half-width
    double rollDeg = 0; ///< slope of the level on the screen, + right end higher
    double rollSd_deg = 0;
    double focalPx = 0;
    double pxPerCm = 0; ///< across the picture, halfway between the mat's long sides
};

/// @param corners in any order; the long sides run across the picture. @param lens its centre is the picture's; its
/// focal length is what is thought of it beforehand, give or take a half
/// @return nothing when they are no corners of a mat that lies on the floor seen from above it
std::optional<MatView> matView(const std::array<Point2, 4>& corners, const MatSize& size, const Lens& lens);

/// From the scene marks.
std::optional<MatView> matView(const Tracks& tracks, const MatSize& size, const Lens& lens);

} // namespace deft
