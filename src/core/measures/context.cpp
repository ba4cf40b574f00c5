#include "measures/context.h"

#include "signal/resample.h"

#include <cmath>

namespace deft {
namespace {

/// Median place over all usable frames: robust against single wrong frames.
std::optional<Point2> medianPlace(const Tracks& tracks, const std::string& name) {
    const auto it = tracks.landmark.find(name);
    if (it == tracks.landmark.end()) return std::nullopt;
    std::vector<double> x, y;
    for (const TrackPoint& p : it->second)
        if (p.usable()) x.push_back(p.at.x()), y.push_back(p.at.y());
    if (x.empty()) return std::nullopt;
    return Point2(medianOf(x), medianOf(y));
}

} // namespace

bool BodyAxes::frontIsCounterClockwise() const { return signedAngleDeg(cranial, anterior).value_or(0) > 0; }

Result<double> BodyAxes::towardFrontDeg(const Vector2& direction) const {
    return signedAngleDeg(cranial, direction).map([&](double ccw) { return frontIsCounterClockwise() ? ccw : -ccw; });
}

double BodyAxes::aboveMatPx(const Point2& p) const { return (p - matPoint).dot(anterior); }

Result<BodyAxes> bodyAxes(const Tracks& tracks, Position position) {
    const auto hip = medianPlace(tracks, "hip");
    auto head = medianPlace(tracks, "shoulder");
    if (!head) head = medianPlace(tracks, "ear");
    if (!hip || !head)
        return fail(Errc::NotFound,
                    "mark the side of the hip and the shoulder: the body's direction follows from them");
    BodyAxes axes;
    axes.rollSd_deg = kUnmarkedRollSd_deg;
    Vector2 along(1, 0);
    const auto a = medianPlace(tracks, "floor_a"), b = medianPlace(tracks, "floor_b");
    if (a && b && (*b - *a).norm() > 20) {
        along = (*b - *a).normalized();
        axes.matPoint = *a;
        axes.matMarked = true;
        axes.rollSd_deg = degrees(std::sqrt(2.0) * kMarkingSdPx / (*b - *a).norm());
    } else {
        axes.matPoint = *hip;
    }
    axes.rollDeg = slopeDeg(Point2::Zero(), along).value_or(0);
    const Vector2 towardHead = *head - *hip;
    if (position == Position::Upright) {
        const Vector2 up(along.y(), -along.x());
        axes.cranial = up.y() < 0 ? up : Vector2(-up);
        const auto toe = medianPlace(tracks, "toe"), heel = medianPlace(tracks, "heel"),
                   front = medianPlace(tracks, "asis"), back = medianPlace(tracks, "psis");
        Vector2 forward = along;
        if (front && back)
            forward = *front - *back;
        else if (toe && heel)
            forward = *toe - *heel;
        axes.anterior = forward.dot(along) >= 0 ? along : Vector2(-along);
        return axes;
    }
    axes.cranial = towardHead.dot(along) >= 0 ? along : Vector2(-along);
    const Vector2 perpendicular(-along.y(), along.x());
    const Vector2 up = perpendicular.y() < 0 ? perpendicular : Vector2(-perpendicular);
    axes.anterior = position == Position::Supine ? up : Vector2(-up);
    return axes;
}

} // namespace deft
