// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

#include <Eigen/Dense>
#include <array>

namespace deft {

/// How one plane is seen on another: straight lines stay straight. (x, y, 1) → m (x, y, 1), divided by its last entry.
struct Homography {
    Eigen::Matrix3d m = Eigen::Matrix3d::Identity();

    /// Not finite for points on the line that is seen at infinity.
    Point2 operator()(const Point2& p) const { return (m * p.homogeneous()).hnormalized(); }
    Homography inverse() const { return {m.inverse()}; }
};

/// The one that takes four points to four others, in double precision (OpenCV's takes single). Normalised direct linear
/// transformation: Hartley and Zisserman, Multiple View Geometry in Computer Vision, 2nd ed. 2004, algorithm 4.2.
/// @errors NotFinite, Degenerate (three of the four on one line)
Result<Homography> fitHomography(const std::array<Point2, 4>& from, const std::array<Point2, 4>& to);

} // namespace deft
