// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/skeleton.h"

#include <algorithm>
#include <cmath>

namespace deft::figure {

const std::array<RestBone, kBones>& restBones() {
    static const auto bones = [] {
        constexpr float a = kArmSlope;
        std::array<RestBone, kBones> b{{
            {"pelvis", -1, {0, 525, 0}},
            {"lumbar 1", Pelvis, {0, 572, -22}},
            {"lumbar 2", Lumbar1, {0, 614, -18}},
            {"thoracic", Lumbar2, {0, 662, -22}},
            {"chest", Thoracic, {0, 722, -32}},
            {"neck", Chest, {0, 846, -24}},
            {"head", Neck, {0, 905, -6}},
            {"clavicle", Chest, {24, 826, -6}},
            {"upper arm", ClavicleLeft, {108, 812, -8}},
            {"forearm", UpperArmLeft, {108 + 170 * a, 812 - 170 * a, -8}},
            {"hand", ForearmLeft, {108 + 318 * a, 812 - 318 * a, -8}},
            {"thigh", Pelvis, {52, 525, 0}},
            {"shank", ThighLeft, {75.05f, 283, -2}},
            {"foot", ShankLeft, {98, 42, -4}},
        }};
        for (int i = ClavicleRight; i < kBones; ++i) {
            const int left = i - (ClavicleRight - ClavicleLeft);
            b[i] = b[left];
            b[i].joint.x() *= -1;
            if (b[i].parent >= ClavicleLeft) b[i].parent += ClavicleRight - ClavicleLeft;
        }
        return b;
    }();
    return bones;
}

void Posed::place(const Vec3& root) {
    joint[Pelvis] = root;
    placeBelow(Pelvis);
}

void Posed::placeBelow(Bone bone) {
    const auto& rest = restBones();
    std::array<bool, kBones> moved{};
    moved[bone] = true;
    for (int i = bone + 1; i < kBones; ++i) {
        const int p = rest[i].parent;
        if (!moved[p]) continue;
        joint[i] = carry(Bone(p), rest[i].joint);
        moved[i] = true;
    }
}

void Posed::shift(const Vec3& by) {
    for (Vec3& j : joint) j += by;
}

void reach(Posed& pose, Bone upper, Bone lower, Bone end, const Vec3& target, const Vec3& pole, const Vec3& restPole) {
    const auto& rest = restBones();
    const Vec3 upperRest = rest[lower].joint - rest[upper].joint, lowerRest = rest[end].joint - rest[lower].joint;
    const float a = upperRest.norm(), b = lowerRest.norm();
    const Vec3 from = pose.joint[upper];
    const float d = std::clamp((target - from).norm(), std::abs(a - b) + 1, a + b - 0.05f);
    const Vec3 along = (target - from).normalized();
    const Vec3 side = (pole - along * pole.dot(along)).normalized();
    const float cosine = std::clamp((a * a + d * d - b * b) / (2 * a * d), -1.f, 1.f);
    const Vec3 middle = from + along * (a * cosine) + side * (a * std::sqrt(1 - cosine * cosine));
    // The frame (limb direction, bend direction) at rest is turned onto the frame wanted.
    auto frame = [](const Vec3& direction, const Vec3& bend) {
        Eigen::Matrix3f m;
        m.col(0) = direction.normalized();
        m.col(1) = (bend - m.col(0) * bend.dot(m.col(0))).normalized();
        m.col(2) = m.col(0).cross(m.col(1));
        return m;
    };
    pose.turn[upper] = Eigen::Quaternionf(frame(middle - from, side) * frame(upperRest, restPole).transpose());
    pose.turn[lower] =
        Eigen::Quaternionf(frame(from + along * d - middle, side) * frame(lowerRest, restPole).transpose());
    pose.placeBelow(upper);
}

} // namespace deft::figure
