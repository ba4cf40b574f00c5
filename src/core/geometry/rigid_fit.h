// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

#include <vector>

namespace deft {

/// Image-plane pose: q = scale · R(angle) · S · p + shift. `angleRad` turns x toward y, so clockwise on the screen. S
/// makes everything `stretch` times as long along `axis` (a unit vector, or zero: nothing is stretched): a limb that
/// comes toward the camera.
struct Pose2 {
    double angleRad = 0;
    double scale = 1;
    Vector2 shift = Vector2::Zero();
    double stretch = 1;
    Vector2 axis = Vector2::Zero();

    Point2 operator()(const Point2& p) const;
    Point2 inverse(const Point2& q) const;
};

struct PoseFit {
    Pose2 pose;
    double rms = 0;              ///< weighted residual, px
    double angleSdRad = 0;       ///< standard deviation of the angle, from the residual and the given weights
    std::vector<double> weights; ///< weights after the robust loss; 0 = left out
    int inliers = 0;
};

struct PoseFitOptions {
    bool withScale = false;
    double scalePrior = 0; ///< weight of "scale is 1", in units of Σ w|p|²; 0 = free
    double tukeyPx = 0;    ///< residual at which a point is left out; 0 = plain least squares
    int iterations = 8;    ///< of the robust loss
    double minTukeyPx = 0.5;
    Vector2 axis = Vector2::Zero(); ///< along which a stretch of its own is fitted; zero = none
    double stretchPrior = 0;        ///< weight of "as long as in the start pose", in units of Σ w along²
};

/// Weighted fit of `to` by a turned, shifted (and scaled) `from`; same length, at least two points apart.
/// Plain fit: closed form of Umeyama (IEEE PAMI 13, 1991) in two dimensions, here with weights.
/// Robust: Tukey's biweight, iterated, starting from the pose given in `start` if there is one.
/// @errors TooShort (fewer than two usable points), Degenerate (all in one place)
Result<PoseFit> fitPose(const std::vector<Point2>& from, const std::vector<Point2>& to,
                        const std::vector<double>& weights, const PoseFitOptions& options = {},
                        const Pose2* start = nullptr);

} // namespace deft
