// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/context.h"

#include "measures/mat_view.h"
#include "signal/resample.h"

#include <array>
#include <cmath>

namespace deft {
namespace {

struct Floor {
    Vector2 along{1, 0};
    std::optional<Point2> point;
    double sd_deg = kUnmarkedRollSd_deg;
};

/// @param levelCounts and not the floor's own line @param level what the mat tells of the camera
Floor floorOf(const Tracks& tracks, bool levelCounts, const MatView* level) {
    using Line = std::optional<std::pair<Point2, Vector2>>;
    auto line = [&](const char* from, const char* to) -> Line {
        const auto a = medianPlace(tracks, from), b = medianPlace(tracks, to);
        if (!a || !b || (*b - *a).norm() <= 20) return std::nullopt;
        return std::pair(*a, Vector2(*b - *a));
    };
    auto matMiddle = [&]() -> Line {
        const auto c = matCorners(tracks);
        if (!c) return std::nullopt;
        return std::pair(Point2(((*c)[0] + (*c)[3]) / 2), Vector2(((*c)[1] + (*c)[2] - (*c)[0] - (*c)[3]) / 2));
    };
    auto sd = [&](const Vector2& span) { return degrees(std::sqrt(2.0) * kSceneMarkingSd_px / span.norm()); };
    Floor floor;
    auto mat = line("floor_a", "floor_b");
    if (!mat) mat = matMiddle();
    const auto plumb = line("plumb_a", "plumb_b");
    if (mat) floor.point = mat->first;
    if (plumb && (levelCounts || !mat)) {
        floor.along = Vector2(-plumb->second.y(), plumb->second.x()).normalized();
        floor.sd_deg = sd(plumb->second);
    } else if (levelCounts && level) {
        floor.along = {std::cos(radians(level->rollDeg)), -std::sin(radians(level->rollDeg))};
        floor.sd_deg = level->rollSd_deg;
    } else if (mat) {
        floor.along = mat->second.normalized();
        floor.sd_deg = sd(mat->second);
    }
    return floor;
}

std::optional<Point2> middle(const Tracks& tracks, const std::string& left, const std::string& right) {
    const auto l = medianPlace(tracks, left), r = medianPlace(tracks, right);
    if (!l || !r) return std::nullopt;
    return Point2(0.5 * (*l + *r));
}

/// A body that lies on its side, seen from above, is seen from its own side: there is no floor line in the picture.
Result<void> fromAbove(BodyAxes& axes, const Tracks& tracks, const Point2& hip, const Point2& head) {
    axes.cranial = (head - hip).normalized();
    axes.anterior = Vector2(-axes.cranial.y(), axes.cranial.x());
    axes.up = axes.anterior;
    auto front = medianPlace(tracks, "asis");
    if (!front) front = medianPlace(tracks, "toe");
    if (!front) return fail(Errc::NotFound, "mark a front hip point or a toe: they tell where the front is");
    if ((*front - hip).dot(axes.anterior) < 0) axes.anterior = -axes.anterior;
    return {};
}

/// Directions when the body is seen from the side: landmarks without a side.
Result<void> sideAxes(BodyAxes& axes, const Tracks& tracks, Position position, const Vector2& along) {
    const auto hip = medianPlace(tracks, "hip");
    auto head = medianPlace(tracks, "shoulder");
    if (!head) head = medianPlace(tracks, "ear");
    if (!hip || !head)
        return fail(Errc::NotFound,
                    "mark the side of the hip and the shoulder: the body's direction follows from them");
    if (!axes.matMarked) axes.matPoint = *hip;
    if (position == Position::Upright) {
        axes.cranial = axes.up;
        const auto toe = medianPlace(tracks, "toe"), heel = medianPlace(tracks, "heel"),
                   front = medianPlace(tracks, "asis");
        auto back = medianPlace(tracks, "psis");
        if (!back) back = medianPlace(tracks, "crest"); // the top of the hip lies behind its front, too
        Vector2 forward = along;
        if (front && back)
            forward = *front - *back;
        else if (toe && heel)
            forward = *toe - *heel;
        axes.anterior = forward.dot(along) >= 0 ? along : Vector2(-along);
        return {};
    }
    if (position == Position::SideLying) return fromAbove(axes, tracks, *hip, *head);
    axes.cranial = (*head - *hip).dot(along) >= 0 ? along : Vector2(-along);
    axes.anterior = position == Position::Supine ? axes.up : Vector2(-axes.up);
    return {};
}

/// Directions when left and right can be told apart in the picture.
Result<void> pairedAxes(BodyAxes& axes, const Tracks& tracks, Position position, View view, const Vector2& along) {
    const auto pair = hipPair(tracks, view);
    if (!pair) return fail(Errc::NotFound, "mark a left and a right hip point: the body's direction follows from them");
    const Point2 left = *medianPlace(tracks, pair->first), right = *medianPlace(tracks, pair->second);
    const Point2 hips = 0.5 * (left + right);
    if (!axes.matMarked) axes.matPoint = hips;
    axes.right = (right - left).dot(along) >= 0 ? along : Vector2(-along);
    axes.cranial = axes.up;
    axes.anterior = axes.right;
    if (position != Position::SideLying && view != View::Above) return {};
    if (isEnd(view)) { // lying on the side, left and right are stacked, and the knees lie in front
        const auto knees = middle(tracks, "knee_l", "knee_r");
        if (!knees) return fail(Errc::NotFound, "mark both knees: they tell where the front is");
        axes.right = (right - left).dot(axes.up) < 0 ? Vector2(-axes.up) : axes.up;
        axes.anterior = (*knees - hips).dot(along) >= 0 ? along : Vector2(-along);
        return {};
    }
    const auto shoulders = middle(tracks, "shoulder_l", "shoulder_r");
    if (!shoulders) return fail(Errc::NotFound, "mark both shoulders: the direction of the head follows from them");
    if (view == View::Above) {
        axes.cranial = (*shoulders - hips).normalized();
        axes.right = (right - left).normalized();
        axes.up = axes.cranial;
    } else {
        axes.cranial = (*shoulders - hips).dot(along) >= 0 ? along : Vector2(-along);
        axes.right = axes.up; // lying on the left side; left and right are stacked
        if ((right - left).dot(axes.up) < 0) axes.right = -axes.up;
    }
    axes.anterior = axes.up;
    return {};
}

} // namespace

View viewOf(const std::string& name) {
    if (name == "front") return View::Front;
    if (name == "rear") return View::Rear;
    if (name == "foot-end") return View::FootEnd;
    if (name == "head-end") return View::HeadEnd;
    return name == "above" ? View::Above : View::Side;
}

std::optional<Point2> medianPlace(const Tracks& tracks, const std::string& name) {
    const auto it = tracks.landmark.find(name);
    if (it == tracks.landmark.end()) return std::nullopt;
    std::vector<double> x, y;
    for (const TrackPoint& p : it->second)
        if (p.usable()) x.push_back(p.at.x()), y.push_back(p.at.y());
    if (x.empty()) return std::nullopt;
    return Point2(medianOf(x), medianOf(y));
}

std::optional<std::pair<std::string, std::string>> hipPair(const Tracks& tracks, View view) {
    const bool behind = view == View::Rear || view == View::Above;
    for (const std::string name : {behind ? "psis" : "asis", "hip", behind ? "asis" : "psis", "crest"})
        if (medianPlace(tracks, name + "_l") && medianPlace(tracks, name + "_r"))
            return std::pair(name + "_l", name + "_r");
    return std::nullopt;
}

bool BodyAxes::frontIsCounterClockwise() const { return cranial.x() * anterior.y() < cranial.y() * anterior.x(); }

Result<double> BodyAxes::towardFrontDeg(const Vector2& direction) const {
    return signedAngleDeg(cranial, direction).map([&](double ccw) { return frontIsCounterClockwise() ? ccw : -ccw; });
}

Result<BodyAxes> bodyAxes(const Tracks& tracks, Position position, View view, const MatView* mat) {
    const Floor floor = floorOf(tracks, position == Position::Upright, mat);
    BodyAxes axes;
    axes.rollSd_deg = floor.sd_deg;
    axes.matMarked = floor.point.has_value();
    if (floor.point) axes.matPoint = *floor.point;
    axes.rollDeg = slopeDeg(Point2::Zero(), floor.along).value_or(0);
    const Vector2 perpendicular(-floor.along.y(), floor.along.x());
    axes.up = perpendicular.y() < 0 ? perpendicular : Vector2(-perpendicular);
    const auto done = view == View::Side ? sideAxes(axes, tracks, position, floor.along)
                                         : pairedAxes(axes, tracks, position, view, floor.along);
    if (!done) return tl::unexpected(done.error());
    return axes;
}

} // namespace deft
