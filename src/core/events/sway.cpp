// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/sway.h"

#include <Eigen/Eigenvalues>
#include <cmath>

namespace deft {

std::optional<Sway> swayOf(const std::vector<double>& time_s, const std::vector<Point2>& points) {
    Sway s;
    Point2 mean = Point2::Zero();
    double way = 0;
    for (size_t i = 0; i < points.size(); ++i) {
        if (!points[i].allFinite()) continue;
        mean += points[i], ++s.samples;
        if (i == 0 || !points[i - 1].allFinite()) continue;
        way += (points[i] - points[i - 1]).norm();
        s.duration_s += time_s[i] - time_s[i - 1];
    }
    if (s.samples < 3 || !(s.duration_s > 0)) return std::nullopt;
    mean /= double(s.samples);
    Eigen::Matrix2d scatter = Eigen::Matrix2d::Zero();
    for (const Point2& p : points)
        if (p.allFinite()) scatter += (p - mean) * (p - mean).transpose();
    s.rms = std::sqrt(scatter.trace() / double(s.samples));
    s.pathPerSecond = way / s.duration_s;
    const double chi2 = -2 * std::log(0.05); // exact for two degrees of freedom
    const Eigen::SelfAdjointEigenSolver<Eigen::Matrix2d> axes(scatter / double(s.samples - 1)); // rising
    s.semiMinor = std::sqrt(chi2 * std::max(0.0, axes.eigenvalues()[0]));
    s.semiMajor = std::sqrt(chi2 * std::max(0.0, axes.eigenvalues()[1]));
    s.ellipseArea = M_PI * s.semiMinor * s.semiMajor;
    const Vector2 major = axes.eigenvectors().col(1);
    s.majorDeg = degrees(std::atan(major.y() / major.x()));
    return s;
}

} // namespace deft
