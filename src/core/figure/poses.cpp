// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/poses.h"

namespace deft::figure {

void nod(Rig& rig, const Eigen::Quaternionf& chest, float angle) {
    rig.pose.turn[Neck] = chest * Eigen::Quaternionf(Eigen::AngleAxisf(0.5f * angle, Vec3::UnitX()));
    rig.pose.turn[Head] = chest * Eigen::Quaternionf(Eigen::AngleAxisf(angle, Vec3::UnitX()));
    rig.pose.placeBelow(Neck);
}

float turnFor(float height, const std::function<float(float)>& shoulderAt) {
    float low = -10 * kRad, high = 50 * kRad;
    for (int i = 0; i < 20; ++i) {
        const float middle = 0.5f * (low + high);
        (shoulderAt(middle) < height ? low : high) = middle;
    }
    return 0.5f * (low + high);
}

} // namespace deft::figure
