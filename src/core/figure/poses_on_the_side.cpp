// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/poses.h"

#include <algorithm>

namespace deft::figure {

namespace {
int upperSide(const Rig& rig) { return rig.left.y() > 0 ? 0 : 1; }
} // namespace

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
    // A leg that is lifted goes up with its knee as it is; one that sweeps goes forward.
    const float both = now.angleIfAny("lift_both_deg", 5), lift = both + now.angleIfAny("lift_deg", 6),
                sweep = now.angleIfAny("sweep_deg", 7);
    const float topKnee = now.has("sweep_deg") ? now.side("top_knee_deg", "top_knee_deg", 0, 80) : knee;
    rig.leg(under, {flex, knee, 0.2f, 0, both});
    rig.leg(top, {now.has("sweep_deg") ? sweep : flex, topKnee, 0.2f, now.angle("open_deg", 4), 0.22f - lift});
    const float s = under ? -1.f : 1.f;
    rig.settle({{Pelvis, {s * 88, 520, 0}}, {Bone(ThighLeft + Rig::step(under)), {s * 105, 330, 0}}});
    const Vec3 below = rig.shoulder(under), above = rig.shoulder(top);
    rig.arm(under, Vec3(below.x(), kWristHeight, below.z()) + rig.cranial * 215 + rig.front * 130,
            rig.front + 0.3f * kUp);
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

} // namespace deft::figure
