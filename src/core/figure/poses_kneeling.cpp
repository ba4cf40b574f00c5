// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/poses.h"
#include "figure/positions.h"

#include <algorithm>

namespace deft::figure {

namespace {

/// On hands and knees; the knees stay while the hips press back.
void kneel(Rig& rig, const Now& now, float press) {
    const float level = -7 * kRad, round = now.angle("round_deg"), tilt = now.angle("tilt_deg", 1);
    // The hips are where the standing knees carry them, and the shoulders where straight arms do; a leg that lifts
    // leaves the other one in its place.
    auto place = [&](float turn) {
        const auto chest = rig.pitched(-turn + 0.5f * round);
        rig.spine(rig.pitched(level - 0.5f * round + tilt), chest);
        nod(rig, chest, -0.25f);
        for (const int side : {0, 1}) rig.leg(side, {90 * kRad + press, 90 * kRad + press, 90 * kRad});
        rig.settle({{ShankLeft, {75, 283, 30}}, {ShankRight, {-75, 283, 30}}});
        return rig.shoulder(0).y();
    };
    place(turnFor(kWristHeight + 8 + kStandingArm, place));
}

} // namespace

Posed allFours(Rig& rig, const Now& now) {
    const float press = now.angleIfAny("press_deg", 10);
    kneel(rig, now, 0);
    const Vec3 knee = rig.pose.joint[ShankLeft], hand[2] = {rig.shoulder(0), rig.shoulder(1)};
    if (press != 0) {
        kneel(rig, now, press);
        rig.pose.shift(rig.cranial * (knee - rig.pose.joint[ShankLeft]).dot(rig.cranial));
    }
    for (const int side : {0, 1}) {
        const float out = now.side("leg_left_deg", "leg_right_deg", side, 0);
        rig.leg(side, {90 * kRad + press - out, 90 * kRad + press - out, 90 * kRad - 0.44f * out});
        rig.arm(side, Vec3(hand[side].x(), kWristHeight + 8, hand[side].z()), -rig.cranial);
        rig.hand(side, rig.cranial, -kUp);
        if (const float raised = now.side("arm_left_deg", "arm_right_deg", side, 0); raised > 0)
            rig.armLeavesFloor(side, -kUp * std::cos(raised) + rig.cranial * std::sin(raised),
                               -rig.cranial * std::cos(raised) - kUp * std::sin(raised), raised / kArmIsFree);
    }
    return rig.pose;
}

Vec3 pressedBall(const Scene& scene) {
    constexpr float kSeat = 78; // behind the hip joints (mH)
    const Bearings b = bearings(scene);
    Rig rig(b.cranial, b.front);
    kneel(rig, {scene, 0}, 0);
    return 0.5f * (rig.hip(0) + rig.hip(1)) - b.cranial * (kSeat + kBallRadius);
}

/// Kneeling behind a wheel: thighs and arms lean forward together, the back rounded.
Posed rollout(Rig& rig, const Now& now) {
    const float out = now.angle("out_deg"), round = now.angle("round_deg", 1), hips = now.angle("hips_back_deg", 2);
    const float lean = 15 * kRad + out;
    auto place = [&](float turn) {
        const float down = 40 * kRad - turn; // the shoulders lie lower than the hips
        const auto chest = rig.pitched(down + 0.5f * round);
        rig.spine(rig.pitched(down - 0.5f * round), chest);
        nod(rig, chest, -0.1f);
        for (const int side : {0, 1})
            rig.leg(side, {90 * kRad - 0.7f * out + hips, 90 * kRad - 0.7f * out + hips, 90 * kRad});
        rig.settle({{ShankLeft, {75, 283, 30}}, {ShankRight, {-75, 283, 30}}});
        return rig.shoulder(0).y();
    };
    place(turnFor(kWheelRadius + kArmLength * std::cos(lean), place));
    for (const int side : {0, 1})
        rig.arm(side, rig.shoulder(side) + kArmLength * (std::sin(lean) * rig.cranial - std::cos(lean) * kUp),
                rig.outward(side) - rig.cranial);
    return rig.pose;
}

/// One knee on the mat, the other foot ahead.
Posed halfKneeling(Rig& rig, const Now& now) {
    const float forward = now.angle("forward_deg"), lean = now.angle("lean_deg", 2);
    const Eigen::Quaternionf tip(Eigen::AngleAxisf(lean, Vec3::UnitX())),
        tilt(Eigen::AngleAxisf(now.angle("tilt_deg", 1), Vec3::UnitX()));
    const auto upright = rig.pitched(0);
    rig.spine(upright * tilt, upright * tip);
    const int back = now.scene.headLeft ? 0 : 1, ahead = 1 - back; // the knee that is nearer to the camera kneels
    rig.leg(back, {-forward, 90 * kRad - forward, 60 * kRad});
    rig.settle({{Bone(ShankLeft + Rig::step(back)), {back ? -75.f : 75.f, 283, 30}}});
    const Vec3 knee = rig.pose.joint[ShankLeft + Rig::step(back)];
    rig.pose.shift(-Vec3(knee.x(), 0, knee.z())); // it stays where it kneels
    rig.plantFoot(ahead, 250 * rig.front + 43 * kUp + 60 * rig.outward(ahead), rig.front, rig.front);
    for (const int side : {0, 1})
        rig.arm(side, rig.shoulder(side) - 306 * kUp + 52 * rig.outward(side) + 24 * rig.front,
                -rig.front + 0.3f * rig.outward(side));
    return rig.pose;
}

} // namespace deft::figure
