// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A bridge drawn with a ruler: joints from given angles, so that every measure has a known answer.

#include "geometry/angle.h"
#include "marks/tracks.h"

#include <cmath>
#include <functional>

namespace deft::test {

/// Angles of the body in one frame, degrees; signs of docs/measures.md.
struct StickPose {
    double trunk = 0;         ///< shoulder → hip above the mat
    double pelvisOnTrunk = 0; ///< change from the still start, + anterior
};

struct StickCamera {
    bool headLeft = true;
    double rollDeg = 0; ///< + right end of the mat higher on the screen
    double pxPerUnit = 1;
};

constexpr double kStickTrunk = 260, kStickThigh = 230, kStickShank = 220, kStickFeet = 400;

/// Landmarks of one frame (px). The shoulders stay, the feet stay, the knee follows from the two leg lengths.
inline std::map<std::string, Point2> stickPoints(const StickPose& pose, const StickCamera& camera) {
    // Body frame: x from the head toward the feet, y up, the mat at y = 0.
    const double a = radians(pose.trunk);
    const Point2 shoulder(0, 25), hip = shoulder + kStickTrunk * Point2(std::cos(a), std::sin(a)),
                                  ankle(kStickFeet, 25);
    const Vector2 d = ankle - hip;
    const double reach = std::min(d.norm(), kStickThigh + kStickShank - 1e-6);
    const double at =
        std::acos((kStickThigh * kStickThigh + reach * reach - kStickShank * kStickShank) / (2 * kStickThigh * reach));
    const double direction = std::atan2(d.y(), d.x()) + at; // the knee points up
    const Point2 knee = hip + kStickThigh * Point2(std::cos(direction), std::sin(direction));
    // The pelvis is rigid, turns with the trunk and then by its own part; anterior = its top tips toward the feet
    // when the front is up, which is clockwise in this frame.
    const double turn = a - radians(pose.pelvisOnTrunk);
    auto onPelvis = [&](double x, double y) -> Point2 {
        return hip + Point2(x * std::cos(turn) - y * std::sin(turn), x * std::sin(turn) + y * std::cos(turn));
    };
    std::map<std::string, Point2> out = {{"shoulder", shoulder},
                                         {"hip", hip},
                                         {"knee", knee},
                                         {"ankle", ankle},
                                         {"heel", {kStickFeet - 20, 5}},
                                         {"toe", {kStickFeet + 80, 5}},
                                         {"asis", onPelvis(-20, 55)},
                                         {"crest", onPelvis(-75, 15)},
                                         {"floor_a", {-150, 0}},
                                         {"floor_b", {550, 0}}};
    const double roll = radians(camera.rollDeg);
    for (auto& [name, p] : out) {
        Point2 q(camera.headLeft ? p.x() - 200 : 200 - p.x(), -p.y()); // screen: y down
        q *= camera.pxPerUnit;
        p = Point2(640 + q.x() * std::cos(roll) + q.y() * std::sin(roll),
                   500 - q.x() * std::sin(roll) + q.y() * std::cos(roll));
    }
    return out;
}

/// Tracks of a whole movement; the first frame counts as marked by hand. `noise(landmark, axis)` is added to every
/// point.
inline Tracks stickTracks(int frames, double fps, const std::function<StickPose(double)>& pose,
                          const StickCamera& camera, double sd = 0.2, const std::function<double()>& noise = {}) {
    Tracks t;
    for (int i = 0; i < frames; ++i) {
        t.time_s.push_back(i / fps);
        for (auto& [name, p] : stickPoints(pose(i / fps), camera)) {
            Point2 q = p;
            if (noise && i > 0) q += Point2(noise(), noise());
            t.landmark[name].push_back({q, i == 0 ? 1e-3 : sd, i == 0 ? PointState::ByHand : PointState::Seen});
        }
    }
    return t;
}

/// Rests at `low`, moves along a minimum-jerk curve to `high` between a and b, back between c and d.
inline double outAndBack(double t, double a, double b, double c, double d, double low, double high) {
    auto jerk = [](double s) { return s <= 0 ? 0 : s >= 1 ? 1 : s * s * s * (10 - 15 * s + 6 * s * s); };
    return low + (high - low) * (jerk((t - a) / (b - a)) - jerk((t - c) / (d - c)));
}

} // namespace deft::test
