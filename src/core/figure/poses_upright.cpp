// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/poses.h"

#include <algorithm>

namespace deft::figure {

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
    if (now.has("band_left_deg") || now.has("band_right_deg")) { // the elbows bent by the sides, turned outward
        for (const int side : {0, 1}) {
            const float turn = now.side("band_left_deg", "band_right_deg", side, 0);
            rig.arm(side,
                    rig.shoulder(side) - kUp * 172 + rig.outward(side) * 8 +
                        (rig.front * std::cos(turn) + rig.outward(side) * std::sin(turn)) * 146,
                    -rig.front * std::cos(turn) - rig.outward(side) * std::sin(turn) - 0.2f * kUp);
        }
        return rig.pose;
    }
    for (const int side : {0, 1})
        rig.arm(side, rig.shoulder(side) - kUp * 306 + rig.outward(side) * 52 + rig.front * 24,
                -rig.front + 0.3f * rig.outward(side));
    return rig.pose;
}

/// Leaning on a wall with both forearms, and turning in one piece; seen from behind.
Posed atWall(Rig& rig, const Now& now) {
    const float turn = now.angle("turn_deg"), ahead = now.angle("chest_turn_deg", 1); // + toward the body's left
    const Vec3 toWall = rig.front;
    const auto upright = rig.pitched(0.22f);
    const auto about = [](float angle) { return Eigen::Quaternionf(Eigen::AngleAxisf(angle, Vec3::UnitY())); };
    rig.spine(upright * about(turn), upright * about(turn + ahead));
    rig.pose.shift(Vec3(0, 519, 0) - rig.pose.joint[Pelvis]);
    for (const int side : {0, 1}) {
        rig.plantFoot(side, kUp * 42 + rig.outward(side) * 62 - toWall * 110, toWall, toWall);
        const Vec3 shoulder = rig.shoulder(side), wrist = shoulder + kUp * 90 + toWall * 175;
        rig.arm(side, wrist, -kUp);
    }
    return rig.pose;
}

} // namespace deft::figure
