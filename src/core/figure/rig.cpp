// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/rig.h"

#include <algorithm>

namespace deft::figure {

using Quat = Eigen::Quaternionf;

namespace {

Eigen::Matrix3f frame(const Vec3& left, const Vec3& cranial, const Vec3& front) {
    Eigen::Matrix3f m;
    m << left, cranial, front;
    return m;
}

Quat about(const Vec3& axis, float angle) { return Quat(Eigen::AngleAxisf(angle, axis)); }

} // namespace

Rig::Rig(const Vec3& c, const Vec3& f) : cranial(c), front(f), left(c.cross(f)) {
    pose.turn.fill(pitched(0));
    pose.place(Vec3::Zero());
}

Quat Rig::pitched(float angle) const { return Quat(frame(left, cranial, front)) * about(Vec3::UnitX(), angle); }

Quat Rig::leaned(float angle) const { return Quat(frame(left, cranial, front)) * about(Vec3::UnitZ(), -angle); }

void Rig::spine(const Quat& pelvis, const Quat& chest) {
    pose.turn.fill(chest);
    pose.turn[Pelvis] = pelvis;
    pose.turn[Lumbar1] = pelvis.slerp(0.25f, chest);
    pose.turn[Lumbar2] = pelvis.slerp(0.6f, chest);
    pose.turn[Thoracic] = pelvis.slerp(0.9f, chest);
    for (const int side : {0, 1})
        for (const Bone b : {ThighLeft, ShankLeft, FootLeft}) pose.turn[b + step(side)] = pelvis;
    pose.place(pose.joint[Pelvis]);
}

void Rig::leg(int side, const Leg& l) {
    const float s = side ? -1.f : 1.f;
    const Quat base =
        Quat(frame(left, cranial, front)) * about(Vec3::UnitZ(), -s * l.in) * about(Vec3::UnitY(), s * l.open);
    const int o = step(side);
    pose.turn[ThighLeft + o] = base * about(Vec3::UnitX(), -l.flex);
    pose.turn[ShankLeft + o] = base * about(Vec3::UnitX(), l.knee - l.flex);
    pose.turn[FootLeft + o] = base * about(Vec3::UnitX(), l.knee - l.flex + l.foot);
    pose.placeBelow(Bone(ThighLeft + o));
}

void Rig::plantFoot(int side, const Vec3& ankle, const Vec3& pole, const Vec3& toes) {
    const int o = step(side);
    const Vec3 up = Vec3::UnitY();
    pose.turn[FootLeft + o] = Quat(frame(up.cross(toes), up, toes));
    reach(pose, Bone(ThighLeft + o), Bone(ShankLeft + o), Bone(FootLeft + o), ankle, pole, Vec3::UnitZ());
}

void Rig::leaveFloor(int side, const Leg& free, float way) {
    const Posed planted = pose;
    leg(side, free);
    blendFrom(planted, {Bone(ThighLeft + step(side)), Bone(ShankLeft + step(side)), Bone(FootLeft + step(side))}, way);
}

/// The elbow gives a little, as it does in people, and keeps the bend defined (mH).
constexpr float kStraightArm = 314;

void Rig::armLeavesFloor(int side, const Vec3& direction, const Vec3& elbowToward, float way) {
    const Posed planted = pose;
    arm(side, shoulder(side) + direction.normalized() * kStraightArm, elbowToward);
    blendFrom(planted, {Bone(UpperArmLeft + step(side)), Bone(ForearmLeft + step(side)), Bone(HandLeft + step(side))},
              way);
}

void Rig::blendFrom(const Posed& planted, const std::array<Bone, 3>& limb, float way) {
    for (const Bone bone : limb) {
        const auto b = size_t(bone);
        pose.turn[b] = planted.turn[b].slerp(std::min(1.0f, way), pose.turn[b]);
    }
    pose.placeBelow(limb[0]);
}

void Rig::arm(int side, const Vec3& wrist, const Vec3& elbowToward) {
    const int o = step(side);
    reach(pose, Bone(UpperArmLeft + o), Bone(ForearmLeft + o), Bone(HandLeft + o), wrist, elbowToward, -Vec3::UnitZ());
    pose.turn[HandLeft + o] = pose.turn[ForearmLeft + o];
}

void Rig::hand(int side, const Vec3& fingers, const Vec3& palm) {
    const float s = side ? -1.f : 1.f;
    const Vec3 alongRest(s * kArmSlope, -kArmSlope, 0), palmRest(-s * kArmSlope, -kArmSlope, 0);
    const Quat turn(frame(fingers, palm, fingers.cross(palm)) *
                    frame(alongRest, palmRest, alongRest.cross(palmRest)).transpose());
    pose.turn[HandLeft + step(side)] = turn;
}

void Rig::settle(std::initializer_list<Contact> contacts) {
    float low = 1e9f;
    for (const Contact& c : contacts) low = std::min(low, pose.carry(c.bone, c.rest).y());
    pose.shift(Vec3(0, -low, 0));
}

} // namespace deft::figure
