// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/body_shape.h"

#include <Eigen/Geometry>

namespace deft::figure {

/// Pinhole camera. World in metres: X along the mat to the right of the main view, Y up, Z toward the main view's
/// camera. Picture: x right, y down, (0,0) the middle of the top left pixel.
struct Camera {
    Vec3 position{0, 0.6f, 3};
    Vec3 aim{0, 0.4f, 0};
    float rollDeg = 0; ///< + turns the camera clockwise, so the picture's content turns counter-clockwise
    float focalPx = 1700;
    int width = 1280, height = 720;

    Eigen::Matrix3f axes() const; ///< rows: right, down, forward
    /// Pixel position and depth (m) of a world point; depth ≤ 0 lies behind the camera.
    Vec3 project(const Vec3& world) const;
    /// Direction of the ray through a pixel (unit).
    Vec3 ray(float x, float y) const;
};

inline Eigen::Matrix3f Camera::axes() const {
    const Vec3 forward = (aim - position).normalized();
    const Vec3 right = forward.cross(Vec3::UnitY()).normalized(), down = forward.cross(right);
    const float c = std::cos(rollDeg * float(M_PI) / 180), s = std::sin(rollDeg * float(M_PI) / 180);
    Eigen::Matrix3f m;
    m.row(0) = c * right + s * down;
    m.row(1) = -s * right + c * down;
    m.row(2) = forward;
    return m;
}

inline Vec3 Camera::project(const Vec3& world) const {
    const Vec3 q = axes() * (world - position);
    return {0.5f * float(width - 1) + focalPx * q.x() / q.z(), 0.5f * float(height - 1) + focalPx * q.y() / q.z(),
            q.z()};
}

inline Vec3 Camera::ray(float x, float y) const {
    const Vec3 q((x - 0.5f * float(width - 1)) / focalPx, (y - 0.5f * float(height - 1)) / focalPx, 1);
    return (axes().transpose() * q).normalized();
}

} // namespace deft::figure
