#include "figure/positions.h"

#include "figure/noise.h"
#include "figure/rig.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace deft::figure {
namespace {

constexpr float kRad = float(M_PI) / 180;
constexpr float kArmIsFree = 25 * kRad;               ///< raised so far it no longer shows how it stood
constexpr float kWristHeight = 17, kElbowHeight = 20; ///< above the mat when the arm rests on it (mH)
const Vec3 kUp = Vec3::UnitY();

/// Curves of a scene at one time, in radians, with the unsteadiness of a living body.
struct Now {
    const Scene& scene;
    double t;
    float angle(const char* curve, int channel = 0, double hertz = 2.0) const {
        return float((scene.value(curve, t) + scene.tremorDeg * wander(t, scene.seed + channel, hertz)) * double(kRad));
    }
    bool has(const char* curve) const { return scene.movement.count(curve) > 0; }
    float side(const char* left, const char* right, int s, float otherwise) const {
        const char* name = s ? right : left;
        return has(name) ? angle(name, 3 + s) : otherwise * kRad;
    }
};

/// Head and neck follow the chest but for `nod`.
void nod(Rig& rig, const Eigen::Quaternionf& chest, float angle) {
    rig.pose.turn[Neck] = chest * Eigen::Quaternionf(Eigen::AngleAxisf(0.5f * angle, Vec3::UnitX()));
    rig.pose.turn[Head] = chest * Eigen::Quaternionf(Eigen::AngleAxisf(angle, Vec3::UnitX()));
    rig.pose.placeBelow(Neck);
}

Posed bridge(Rig& rig, const Now& now) {
    const float lift = now.angle("trunk_deg", 0, 2.3), bend = now.angle("bend_deg", 7, 1.7);
    const Vec3 caudal = -rig.cranial;
    Posed& pose = rig.pose;
    rig.spine(rig.pitched(-lift + 0.75f * bend), rig.pitched(-lift - 0.25f * bend));
    const Vec3 backOnMat(0, 806, -52);
    const Vec3 spot = -caudal * 250 + kUp * 10;
    pose.shift(spot - pose.carry(Chest, backOnMat));

    // The head stays on the mat: the neck bends as the chest tips.
    const float wanted = 62, rise = std::clamp((wanted - pose.joint[Neck].y()) / 61.7f, -0.9f, 0.9f);
    pose.turn[Neck] = rig.pitched(std::asin(rise) - std::atan2(18.f, 59.f));
    pose.turn[Head] = rig.pitched(0.10f);
    pose.placeBelow(Neck);
    for (const int side : {0, 1}) {
        const Vec3 out = rig.outward(side);
        rig.plantFoot(side, spot + caudal * float(now.scene.feet) + out * 62 - kUp * 10 + kUp * 43,
                      (kUp + 0.06f * out).normalized(), caudal);
        rig.arm(side, spot + caudal * 285 + out * 178 - kUp * 10 + kUp * kWristHeight,
                (out + 0.25f * kUp).normalized());
    }
    return pose;
}

/// On the back: feet planted, or legs held at the hip's and knee's own angles.
Posed onBack(Rig& rig, const Now& now) {
    const float curl = now.angle("curl_deg");
    const auto chest = rig.pitched(0.55f * curl);
    rig.spine(rig.pitched(now.angle("tilt_deg", 1)), chest);
    nod(rig, chest, 0.45f * curl);
    rig.settle({{Pelvis, {43, 512, -76}}, {Chest, {0, 780, -56}}});
    for (const int side : {0, 1}) {
        const Vec3 out = rig.outward(side);
        const char* knee = side ? "knee_right_deg" : "knee_left_deg";
        if (now.has(side ? "hip_right_deg" : "hip_left_deg"))
            rig.leg(side,
                    {now.side("hip_left_deg", "hip_right_deg", side, 0), now.has(knee) ? now.angle(knee, 5) : 0, 0.3f});
        else
            rig.plantFoot(side, Vec3(0, 43, 0) - rig.cranial * 235 + out * 62, kUp, -rig.cranial);
        const Vec3 shoulder = rig.shoulder(side);
        rig.arm(side,
                Vec3(shoulder.x(), shoulder.y() * 0.35f + kWristHeight, shoulder.z()) - rig.cranial * 290 + out * 60,
                out + 0.25f * kUp);
        if (const float raised = now.side("arm_left_deg", "arm_right_deg", side, 0); raised > 0)
            rig.armLeavesFloor(side, kUp * std::sin(raised) - rig.cranial * std::cos(raised),
                               out + 0.25f * (kUp * std::cos(raised) + rig.cranial * std::sin(raised)),
                               raised / kArmIsFree);
    }
    return rig.pose;
}

Posed allFours(Rig& rig, const Now& now) {
    const float level = -7 * kRad, round = now.angle("round_deg");
    const auto chest = rig.pitched(level + 0.5f * round);
    rig.spine(rig.pitched(level - 0.5f * round + now.angle("tilt_deg", 1)), chest);
    nod(rig, chest, -0.25f);
    // The hips are where the standing knees carry them; a leg that lifts leaves the other one in its place.
    for (const int side : {0, 1}) rig.leg(side, {90 * kRad, 90 * kRad, 90 * kRad});
    rig.settle({{ShankLeft, {75, 283, 30}}, {ShankRight, {-75, 283, 30}}});
    for (const int side : {0, 1}) {
        const float out = now.side("leg_left_deg", "leg_right_deg", side, 0);
        rig.leg(side, {90 * kRad - out, 90 * kRad - out, 90 * kRad - 0.44f * out});
        const Vec3 shoulder = rig.shoulder(side);
        rig.arm(side, Vec3(shoulder.x(), kWristHeight + 8, shoulder.z()), -rig.cranial);
        rig.hand(side, rig.cranial, -kUp);
        if (const float raised = now.side("arm_left_deg", "arm_right_deg", side, 0); raised > 0)
            rig.armLeavesFloor(side, -kUp * std::cos(raised) + rig.cranial * std::sin(raised),
                               -rig.cranial * std::cos(raised) - kUp * std::sin(raised), raised / kArmIsFree);
    }
    return rig.pose;
}

/// Turn that brings the shoulder to a height; the body rests on the feet.
float turnFor(float height, const std::function<float(float)>& shoulderAt) {
    float low = -10 * kRad, high = 50 * kRad;
    for (int i = 0; i < 20; ++i) {
        const float middle = 0.5f * (low + high);
        (shoulderAt(middle) < height ? low : high) = middle;
    }
    return 0.5f * (low + high);
}

Posed plank(Rig& rig, const Now& now, bool onHands) {
    const float sag = now.angle("sag_deg"), tilt = now.angle("tilt_deg", 1);
    auto place = [&](float pitch) {
        const auto chest = rig.pitched(-pitch - 0.5f * sag);
        rig.spine(rig.pitched(-pitch - 0.2f * sag + tilt), chest);
        nod(rig, chest, -0.12f);
        for (const int side : {0, 1}) rig.leg(side, {pitch - 0.5f * sag, 0.02f, -pitch + 0.5f * sag - 0.35f});
        rig.settle({{FootLeft, {100, 12, 98}}, {FootRight, {-100, 12, 98}}});
        return rig.shoulder(0).y();
    };
    const float height = onHands ? 322 + kWristHeight : 170 + kElbowHeight;
    place(turnFor(height, place));
    for (const int side : {0, 1}) {
        const Vec3 shoulder = rig.shoulder(side);
        if (onHands) {
            rig.arm(side, Vec3(shoulder.x(), kWristHeight + 8, shoulder.z()), -rig.cranial);
            rig.hand(side, rig.cranial, -kUp);
        } else {
            rig.arm(side, Vec3(shoulder.x(), kWristHeight, shoulder.z()) + rig.cranial * 146, -kUp - rig.cranial);
            rig.hand(side, rig.cranial, -kUp);
        }
    }
    return rig.pose;
}

int upperSide(const Rig& rig) { return rig.left.y() > 0 ? 0 : 1; }

Posed sideLying(Rig& rig, const Now& now) {
    const int top = upperSide(rig), under = 1 - top;
    const float roll = now.angle("roll_deg") * (top ? -1.f : 1.f); // + top hip back
    const Eigen::Quaternionf back(Eigen::AngleAxisf(-roll, Vec3::UnitY()));
    const auto chest = rig.pitched(0);
    rig.spine(chest * back, chest);
    rig.pose.turn[Neck] = rig.leaned(top ? 0.10f : -0.10f);
    rig.pose.turn[Head] = rig.leaned(top ? 0.16f : -0.16f);
    rig.pose.placeBelow(Neck);
    const float flex = now.side("hip_deg", "hip_deg", 0, 50), knee = now.side("knee_deg", "knee_deg", 0, 90);
    rig.leg(under, {flex, knee, 0.2f});
    rig.leg(top, {flex, knee, 0.2f, now.angle("open_deg", 4), 0.22f});
    const float s = under ? -1.f : 1.f;
    rig.settle({{Pelvis, {s * 88, 520, 0}}, {Bone(ThighLeft + Rig::step(under)), {s * 105, 330, 0}}});
    const Vec3 below = rig.shoulder(under), above = rig.shoulder(top);
    rig.arm(under, Vec3(below.x(), kWristHeight, below.z()) + rig.cranial * 215 + rig.front * 130,
            rig.front - 0.3f * kUp);
    rig.arm(top, Vec3(above.x(), kWristHeight + 6, above.z()) + rig.front * 150 - rig.cranial * 60,
            rig.front * 0.6f - rig.cranial);
    return rig.pose;
}

Posed sidePlank(Rig& rig, const Now& now) {
    const int top = upperSide(rig), under = 1 - top;
    const float s = top ? -1.f : 1.f, sag = now.angle("sag_deg");
    auto place = [&](float pitch) {
        // Leaning toward the upper side lifts the shoulders.
        rig.spine(rig.leaned(s * pitch), rig.leaned(s * (pitch + 0.5f * sag)));
        for (const int side : {0, 1}) { // the upper leg comes down onto the lower one
            const auto leg = rig.leaned(s * (pitch - 0.5f * sag + (side == top ? 0.20f : -0.06f)));
            for (const Bone b : {ThighLeft, ShankLeft, FootLeft}) rig.pose.turn[b + Rig::step(side)] = leg;
            rig.pose.placeBelow(Bone(ThighLeft + Rig::step(side)));
        }
        rig.settle({{Bone(FootLeft + Rig::step(under)), {-s * 124, 14, 20}}});
        return rig.shoulder(under).y();
    };
    place(turnFor(170 + kElbowHeight, place));
    const Vec3 below = rig.shoulder(under), hip = rig.hip(top);
    rig.arm(under, Vec3(below.x(), kWristHeight, below.z()) + rig.front * 146, -kUp - rig.front);
    rig.hand(under, rig.front, -kUp);
    rig.arm(top, hip + kUp * 52 - rig.cranial * 10 + rig.front * 30,
            rig.outward(top) - rig.front * 0.4f + rig.cranial * 0.2f);
    return rig.pose;
}

Posed standing(Rig& rig, const Now& now) {
    // + lean and drop: toward the body's own right, as they are measured without a stance side.
    const float lean = -now.angle("lean_deg"), drop = -now.angle("drop_deg", 1), forward = now.angle("forward_deg", 2);
    const Eigen::Quaternionf tip(Eigen::AngleAxisf(forward, Vec3::UnitX()));
    const auto chest = rig.leaned(lean) * tip;
    rig.spine(rig.leaned(-drop) * Eigen::Quaternionf(Eigen::AngleAxisf(now.angle("tilt_deg", 3), Vec3::UnitX())),
              chest);
    const float lift[2] = {now.side("lift_left_deg", "lift_right_deg", 0, 0),
                           now.side("lift_left_deg", "lift_right_deg", 1, 0)};
    const int stance = lift[0] > lift[1] ? 1 : 0;
    const float weight = std::clamp(std::abs(lift[0] - lift[1]) / (30 * kRad), 0.f, 1.f);
    // The hips move over the foot that carries.
    rig.pose.shift(Vec3(0, 521, 0) - rig.pose.joint[Pelvis] + rig.outward(stance) * (46 * weight));
    for (const int side : {0, 1}) rig.plantFoot(side, kUp * 42 + rig.outward(side) * 72, rig.front, rig.front);
    const int free = 1 - stance;
    rig.leaveFloor(free, {lift[free], 1.15f * lift[free], 0.2f}, weight);
    for (const int side : {0, 1})
        rig.arm(side, rig.shoulder(side) - kUp * 306 + rig.outward(side) * 52 + rig.front * 24,
                -rig.front + 0.3f * rig.outward(side));
    return rig.pose;
}

Posed prone(Rig& rig, const Now& now) {
    const float raised = now.angle("raise_deg");
    const auto chest = rig.pitched(-raised);
    rig.spine(rig.pitched(now.angle("tilt_deg", 1)), chest);
    nod(rig, chest, -0.10f);
    for (const int side : {0, 1})
        rig.leg(side, {-now.side("leg_left_deg", "leg_right_deg", side, 0), 0.03f, 62 * kRad});
    rig.settle({{Pelvis, {40, 560, 58}}, {Chest, {30, 760, 66}}, {ThighLeft, {60, 420, 42}}});
    for (const int side : {0, 1}) {
        const Vec3 shoulder = rig.shoulder(side);
        rig.arm(side,
                Vec3(shoulder.x(), std::max(kWristHeight, shoulder.y() - 40), shoulder.z()) + rig.cranial * 120 -
                    rig.outward(side) * 62,
                rig.outward(side) + 0.3f * rig.cranial);
    }
    return rig.pose;
}

struct Position {
    const char* name;
    enum class Lies { OnBack, FaceDown, OnSide, Stands } lies;
    Posed (*pose)(Rig&, const Now&);
    std::vector<std::string> curves; ///< that its pose looks at
};

const std::vector<Position>& positions() {
    using L = Position::Lies;
    static const std::vector<Position> all = {
        {"bridge", L::OnBack, bridge, {"trunk_deg", "bend_deg"}},
        {"on-back",
         L::OnBack,
         onBack,
         {"curl_deg", "tilt_deg", "hip_left_deg", "hip_right_deg", "knee_left_deg", "knee_right_deg", "arm_left_deg",
          "arm_right_deg"}},
        {"all-fours",
         L::FaceDown,
         allFours,
         {"round_deg", "tilt_deg", "leg_left_deg", "leg_right_deg", "arm_left_deg", "arm_right_deg"}},
        {"forearm-plank",
         L::FaceDown,
         [](Rig& r, const Now& n) { return plank(r, n, false); },
         {"sag_deg", "tilt_deg"}},
        {"hand-plank", L::FaceDown, [](Rig& r, const Now& n) { return plank(r, n, true); }, {"sag_deg", "tilt_deg"}},
        {"side-lying", L::OnSide, sideLying, {"roll_deg", "hip_deg", "knee_deg", "open_deg"}},
        {"side-plank", L::OnSide, sidePlank, {"sag_deg"}},
        {"standing",
         L::Stands,
         standing,
         {"lean_deg", "drop_deg", "forward_deg", "tilt_deg", "lift_left_deg", "lift_right_deg"}},
        {"prone", L::FaceDown, prone, {"raise_deg", "tilt_deg", "leg_left_deg", "leg_right_deg"}}};
    return all;
}

const Position& positionOf(const Scene& scene) {
    const auto& all = positions();
    return *std::find_if(all.begin(), all.end(), [&](const Position& p) { return p.name == scene.position; });
}

} // namespace

const std::vector<std::string>& positionNames() {
    static const auto names = [] {
        std::vector<std::string> n;
        for (const Position& p : positions()) n.push_back(p.name);
        return n;
    }();
    return names;
}

std::vector<std::string> curveNames(const std::string& position) {
    for (const Position& p : positions())
        if (position == p.name) return p.curves;
    return {};
}

Bearings bearings(const Scene& scene) {
    const Vec3 toHead = scene.headLeft ? Vec3(-1, 0, 0) : Vec3(1, 0, 0), toCamera = Vec3::UnitZ();
    switch (positionOf(scene).lies) {
    case Position::Lies::OnBack:
        return {toHead, kUp, false};
    case Position::Lies::FaceDown:
        return {toHead, -kUp, false};
    case Position::Lies::OnSide:
        return {toHead, toCamera, true};
    case Position::Lies::Stands:
        break;
    }
    if (scene.view == "side") return {kUp, toHead, false};
    return {kUp, scene.view == "rear" ? Vec3(-toCamera) : toCamera, true};
}

Posed poseAt(const Scene& scene, double seconds) {
    const Bearings b = bearings(scene);
    Rig rig(b.cranial, b.front);
    return positionOf(scene).pose(rig, {scene, seconds});
}

} // namespace deft::figure
