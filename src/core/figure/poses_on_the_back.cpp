// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/poses.h"

#include <algorithm>

namespace deft::figure {

Posed bridge(Rig& rig, const Now& now) {
    const float lift = now.angle("trunk_deg", 0, 2.3), bend = now.angle("bend_deg", 7, 1.7);
    const Vec3 caudal = -rig.cranial;
    Posed& pose = rig.pose;
    // + drop: the left hip lower; a foot that leaves the mat leaves it while the other one carries.
    const Eigen::Quaternionf tip(Eigen::AngleAxisf(now.angleIfAny("drop_deg", 8), Vec3::UnitY()));
    rig.spine(rig.pitched(-lift + 0.75f * bend) * tip, rig.pitched(-lift - 0.25f * bend));
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
        if (const float raised = now.side("leg_left_deg", "leg_right_deg", side, 0); raised > 0)
            rig.leaveFloor(side, {raised - lift, 100 * kRad, 0.2f}, raised / (60 * kRad));
        rig.arm(side, spot + caudal * 285 + out * 178 - kUp * 10 + kUp * kWristHeight,
                (out + 0.25f * kUp).normalized());
    }
    return pose;
}

/// On the back: feet planted, or legs held at the hip's and knee's own angles.
Posed onBack(Rig& rig, const Now& now) {
    const float curl = now.angle("curl_deg");
    const auto chest = rig.pitched(0.55f * curl);
    const float turn = now.angleIfAny("knees_turn_deg", 9); // + both knees to the body's left
    const Eigen::Quaternionf follows(Eigen::AngleAxisf(0.25f * turn, Vec3::UnitY()));
    rig.spine(rig.pitched(now.angle("tilt_deg", 1)) * follows, chest);
    nod(rig, chest, 0.45f * curl);
    rig.settle({{Pelvis, {43, 512, -76}}, {Chest, {0, 780, -56}}});
    for (const int side : {0, 1}) {
        const Vec3 out = rig.outward(side);
        const char* knee = side ? "knee_right_deg" : "knee_left_deg";
        if (now.has(side ? "hip_right_deg" : "hip_left_deg"))
            rig.leg(side, {now.side("hip_left_deg", "hip_right_deg", side, 0), now.has(knee) ? now.angle(knee, 5) : 0,
                           0.3f, side ? -turn : turn});
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

/// Face up on hands and heels.
Posed reversePlank(Rig& rig, const Now& now) {
    const float sag = now.angle("sag_deg"), head = now.angle("head_deg", 2);
    auto place = [&](float pitch) {
        const auto chest = rig.pitched(pitch - 0.5f * sag);
        rig.spine(rig.pitched(pitch - 0.2f * sag), chest);
        nod(rig, chest, head - 0.1f);
        for (const int side : {0, 1}) rig.leg(side, {-pitch - 0.5f * sag, 0.02f, 0.35f});
        rig.settle({{FootLeft, {100, 8, -26}}, {FootRight, {-100, 8, -26}}});
        return rig.shoulder(0).y();
    };
    place(turnFor(kArmLength + kWristHeight, place));
    for (const int side : {0, 1}) {
        const Vec3 shoulder = rig.shoulder(side);
        rig.arm(side, Vec3(shoulder.x(), kWristHeight + 8, shoulder.z()), rig.cranial);
        rig.hand(side, rig.cranial, -kUp);
    }
    return rig.pose;
}

} // namespace deft::figure
