// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/rigid_fit.h"

#include <algorithm>
#include <cmath>
#include <complex>

namespace deft {
namespace {

using Complex = std::complex<double>;
Complex z(const Point2& p) { return {p.x(), p.y()}; }
Point2 point(const Complex& c) { return {c.real(), c.imag()}; }

struct Moments {
    Complex from, to, covariance;
    double spread = 0, total = 0;
};

Moments moments(const std::vector<Point2>& from, const std::vector<Point2>& to, const std::vector<double>& w) {
    Moments m;
    for (size_t i = 0; i < from.size(); ++i) {
        m.total += w[i];
        m.from += w[i] * z(from[i]);
        m.to += w[i] * z(to[i]);
    }
    if (m.total <= 0) return m;
    m.from /= m.total;
    m.to /= m.total;
    for (size_t i = 0; i < from.size(); ++i) {
        const Complex p = z(from[i]) - m.from, q = z(to[i]) - m.to;
        m.covariance += w[i] * q * std::conj(p);
        m.spread += w[i] * std::norm(p);
    }
    return m;
}

Pose2 solve(const Moments& m, const PoseFitOptions& options) {
    Pose2 pose;
    pose.angleRad = std::arg(m.covariance);
    if (options.withScale) {
        const double prior = options.scalePrior * m.spread;
        pose.scale = (std::abs(m.covariance) + prior) / (m.spread + prior);
    }
    pose.shift = point(m.to - std::polar(pose.scale, pose.angleRad) * m.from);
    return pose;
}

/// The same with a stretch along an axis: what it is along it and across, in turns with the angle, which hardly
/// depends on them.
Pose2 solveStretched(const std::vector<Point2>& from, const std::vector<Point2>& to, const std::vector<double>& w,
                     const PoseFitOptions& options, const Pose2& before) {
    const Vector2 along = options.axis, across(-along.y(), along.x());
    const Moments m = moments(from, to, w);
    double k = before.scale * before.stretch, s = before.scale, angle = before.angleRad;
    for (int turn = 0; turn < 3; ++turn) {
        Complex covariance;
        double xq = 0, xx = 0, yq = 0, yy = 0;
        for (size_t i = 0; i < from.size(); ++i) {
            if (w[i] <= 0) continue;
            const Vector2 p = from[i] - point(m.from);
            const Vector2 drawn = k * p.dot(along) * along + s * p.dot(across) * across;
            covariance += w[i] * (z(to[i]) - m.to) * std::conj(z(drawn));
        }
        angle = std::arg(covariance);
        for (size_t i = 0; i < from.size(); ++i) {
            if (w[i] <= 0) continue;
            const Vector2 p = from[i] - point(m.from);
            const Vector2 back = point((z(to[i]) - m.to) * std::polar(1.0, -angle));
            const double x = p.dot(along), y = p.dot(across);
            xq += w[i] * x * back.dot(along), xx += w[i] * x * x;
            yq += w[i] * y * back.dot(across), yy += w[i] * y * y;
        }
        const double hold = options.stretchPrior * xx, toOne = options.scalePrior * (xx + yy);
        if (xx + hold > 0) k = (xq + hold * before.scale * before.stretch) / (xx + hold);
        if (yy + toOne > 0) s = (yq + toOne) / (yy + toOne);
    }
    Pose2 pose;
    pose.angleRad = angle, pose.scale = s, pose.stretch = k / s, pose.axis = along;
    pose.shift = point(m.to) - pose(point(m.from));
    return pose;
}

} // namespace

Point2 Pose2::operator()(const Point2& p) const {
    return point(std::polar(scale, angleRad) * z(p + (stretch - 1) * p.dot(axis) * axis)) + shift;
}

Point2 Pose2::inverse(const Point2& q) const {
    const Point2 p = point(z(q - shift) / std::polar(scale, angleRad));
    return p + (1 / stretch - 1) * p.dot(axis) * axis;
}

Result<PoseFit> fitPose(const std::vector<Point2>& from, const std::vector<Point2>& to,
                        const std::vector<double>& weights, const PoseFitOptions& options, const Pose2* start) {
    const size_t n = from.size();
    PoseFit fit;
    fit.weights = weights;
    const auto usable = std::count_if(weights.begin(), weights.end(), [](double w) { return w > 0; });
    if (usable < 2) return fail(Errc::TooShort, "a pose needs at least two points");

    const Pose2 before = start ? *start : Pose2{};
    auto residual = [&](size_t i) { return (to[i] - fit.pose(from[i])).norm(); };
    auto refit = [&]() -> bool {
        const Moments m = moments(from, to, fit.weights);
        if (m.total <= 0 || m.spread < 1e-18) return false;
        fit.pose = options.axis.isZero() ? solve(m, options) : solveStretched(from, to, fit.weights, options, before);
        return true;
    };
    if (start)
        fit.pose = *start;
    else if (!refit())
        return fail(Errc::Degenerate, "the points of the pose lie in one place");

    if (options.tukeyPx > 0) {
        // The cut shrinks from wide to its final size, so that a poor start does not throw out the good points.
        for (int k = 0; k < options.iterations; ++k) {
            const double widen = start ? 1.0 + 1.0 / (1 + k) : std::max(1.0, 4.0 - k);
            const double cut = std::max(options.minTukeyPx, options.tukeyPx * widen);
            for (size_t i = 0; i < n; ++i) {
                if (weights[i] <= 0) continue;
                const double u = residual(i) / cut;
                fit.weights[i] = u >= 1 ? 0 : weights[i] * (1 - u * u) * (1 - u * u);
            }
            if (!refit()) return fail(Errc::Degenerate, "no points agree on a pose");
        }
    } else if (start && !refit()) {
        return fail(Errc::Degenerate, "the points of the pose lie in one place");
    }

    double sum = 0, total = 0;
    for (size_t i = 0; i < n; ++i) {
        if (fit.weights[i] <= 0) continue;
        ++fit.inliers;
        sum += fit.weights[i] * std::pow(residual(i), 2);
        total += fit.weights[i];
    }
    const Moments m = moments(from, to, fit.weights);
    fit.rms = total > 0 ? std::sqrt(sum / total) : 0;
    const double perAxis = fit.rms / std::sqrt(2.0);
    const double meanWeight = total / std::max(1, fit.inliers);
    fit.angleSdRad = m.spread > 0 ? perAxis * std::sqrt(meanWeight / m.spread) : 0;
    return fit;
}

} // namespace deft
