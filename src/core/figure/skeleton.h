// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/body_shape.h"

#include <Eigen/Geometry>

namespace deft::figure {

enum Bone {
    Pelvis,
    Lumbar1,
    Lumbar2,
    Thoracic,
    Chest,
    Neck,
    Head,
    ClavicleLeft,
    UpperArmLeft,
    ForearmLeft,
    HandLeft,
    ThighLeft,
    ShankLeft,
    FootLeft,
    ClavicleRight,
    UpperArmRight,
    ForearmRight,
    HandRight,
    ThighRight,
    ShankRight,
    FootRight,
    kBones
};

struct RestBone {
    const char* name;
    int parent; ///< −1 for the pelvis
    Vec3 joint; ///< rest position of the bone's own joint, mH
};
const std::array<RestBone, kBones>& restBones();

/// Orientation of every bone in the world, and where its joint is. Lengths in mH.
struct Posed {
    std::array<Eigen::Quaternionf, kBones> turn;
    std::array<Vec3, kBones> joint;

    /// Carries a point that is rigidly fixed to a bone at rest.
    Vec3 carry(Bone bone, const Vec3& rest) const {
        return turn[bone] * (rest - restBones()[bone].joint) + joint[bone];
    }
    /// Joints from orientations, pelvis at `root`.
    void place(const Vec3& root);
    void shift(const Vec3& by);
    /// Joints of the bones below `bone` again after its own turn or place was changed.
    void placeBelow(Bone bone);
};

/// Turns thigh and shank (or upper arm and forearm) so that the end of the chain reaches `target`, bending toward
/// `pole`. A target out of reach is approached with a straight limb. @param rest rest direction of bend, for the twist
void reach(Posed& pose, Bone upper, Bone lower, Bone end, const Vec3& target, const Vec3& pole, const Vec3& restPole);

} // namespace deft::figure
