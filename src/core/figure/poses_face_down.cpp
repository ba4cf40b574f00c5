// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/poses.h"

#include <algorithm>

namespace deft::figure {

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

/// The hips on the edge of a bench, the legs beyond it.
Posed overBench(Rig& rig, const Now& now) {
    const auto chest = rig.pitched(0);
    rig.spine(rig.pitched(now.angle("tilt_deg", 1)), chest);
    nod(rig, chest, -0.10f);
    for (const int side : {0, 1}) {
        const char* knee = side ? "knee_right_deg" : "knee_left_deg";
        rig.leg(side, {-now.side("leg_left_deg", "leg_right_deg", side, -60),
                       now.has(knee) ? now.angle(knee, 5) : 0.05f, 40 * kRad});
    }
    rig.settle({{Pelvis, {40, 560, 58}}, {Chest, {30, 760, 66}}});
    rig.pose.shift(kUp * kBenchHeight);
    for (const int side : {0, 1})
        rig.arm(side, rig.shoulder(side) - 190 * kUp + 60 * rig.cranial + 50 * rig.outward(side), rig.outward(side));
    return rig.pose;
}

} // namespace deft::figure
