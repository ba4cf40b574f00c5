// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/angle.h"

#include <cmath>

namespace deft {
namespace {

double cross(const Vector2& u, const Vector2& v) { return u.x() * v.y() - u.y() * v.x(); }

Result<void> usable(const Vector2& v, const char* what) {
    if (!v.allFinite())
        return fail(Errc::NotFinite, {"{what} has a missing coordinate", {{"what", std::string(what)}}});
    if (v.norm() < kMinSegmentPx)
        return fail(Errc::Degenerate, {"{what} has no length", {{"what", std::string(what)}}});
    return {};
}

} // namespace

double wrapDeg(double degrees) {
    if (degrees > -180.0 && degrees <= 180.0) return degrees; // nearly always, and much quicker
    const double r = std::remainder(degrees, 360.0);
    return r <= -180.0 ? r + 360.0 : r;
}

void unwrapDeg(std::vector<double>& series) {
    double before = std::nan(""), as = 0; // the last value as it was, and as it is told
    for (double& v : series) {
        if (!std::isfinite(v)) continue;
        const double raw = v;
        if (std::isfinite(before)) {
            double step = wrapDeg(raw - before);
            if (step == 180 && raw < before) step = -180;
            v = as + step;
        }
        before = raw, as = v;
    }
}

Result<double> directionDeg(const Point2& p, const Point2& q) {
    const Vector2 d = q - p;
    if (auto ok = usable(d, "the segment"); !ok) return tl::unexpected(ok.error());
    return wrapDeg(degrees(std::atan2(-d.y(), d.x())));
}

Result<double> slopeDeg(const Point2& p, const Point2& q) {
    return directionDeg(p, q).map([](double direction) {
        const double r = std::remainder(direction, 180.0);
        return r <= -90.0 ? r + 180.0 : r;
    });
}

Result<double> leanDeg(const Point2& p, const Point2& q) {
    return directionDeg(p, q).map([](double direction) { return wrapDeg(90.0 - direction); });
}

Result<double> signedAngleDeg(const Vector2& from, const Vector2& to) {
    const double lengths = from.squaredNorm() * to.squaredNorm();
    if (!(lengths > 1e-6 && lengths < 1e18)) { // else there is nothing to ask
        if (auto ok = usable(from, "the first segment"); !ok) return tl::unexpected(ok.error());
        if (auto ok = usable(to, "the second segment"); !ok) return tl::unexpected(ok.error());
    }
    return wrapDeg(degrees(std::atan2(-cross(from, to), from.dot(to))));
}

Result<double> includedAngleDeg(const Point2& a, const Point2& b, const Point2& c) {
    return signedAngleDeg(a - b, c - b).map([](double signedAngle) { return std::abs(signedAngle); });
}

Result<double> jointAngleDeg(const Point2& a, const Point2& b, const Point2& c, bool counterClockwise) {
    return signedAngleDeg(a - b, c - b).map([&](double signedAngle) {
        const double onSide = counterClockwise ? signedAngle : -signedAngle;
        return onSide < 0 ? onSide + 360.0 : onSide;
    });
}

Result<double> lineOffsetPx(const Point2& p, const Point2& a, const Point2& b) {
    const Vector2 line = b - a;
    if (auto ok = usable(line, "the line"); !ok) return tl::unexpected(ok.error());
    const Vector2 w = p - a;
    if (!w.allFinite()) return fail(Errc::NotFinite, "the point has a missing coordinate");
    return cross(line, w) / line.norm();
}

} // namespace deft
