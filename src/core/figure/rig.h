// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/skeleton.h"

#include <array>
#include <initializer_list>

namespace deft::figure {

/// A body that is being put into a position: lies, kneels or stands along two directions, then is bent joint by joint.
///
/// Angles in radians about the body's own left-right axis: + tips the upper end of a part to the front.
class Rig {
public:
    /// @param cranial toward the head @param front where the face looks; both unit, at right angles, in the world
    Rig(const Vec3& cranial, const Vec3& front);

    Posed pose;
    Vec3 cranial, front, left;

    Eigen::Quaternionf pitched(float angle) const;
    /// Turned about the direction of the face: + toward the body's own left.
    Eigen::Quaternionf leaned(float angle) const;
    /// Pelvis and chest at two turns, the spine shared out between them; all above follows the chest.
    void spine(const Eigen::Quaternionf& pelvis, const Eigen::Quaternionf& chest);
    struct Leg {
        float flex = 0; ///< of the hip from straight, + knee to the front
        float knee = 0; ///< bend
        float foot = 0; ///< turned from the shank, + toes down
        float open = 0; ///< thigh turned about the trunk, away from the middle
        float in = 0;   ///< toward the other leg
    };
    /// @param side 0 left, 1 right
    void leg(int side, const Leg& leg);
    /// Knee bent toward `pole`, sole flat on the floor toward `toes`.
    void plantFoot(int side, const Vec3& ankle, const Vec3& pole, const Vec3& toes);
    /// A planted leg on its way to hanging free. @param way 0 planted … 1 free
    void leaveFloor(int side, const Leg& free, float way);
    /// The same of an arm that stands or lies on the floor, on its way to being held straight.
    void armLeavesFloor(int side, const Vec3& direction, const Vec3& elbowToward, float way);
    void arm(int side, const Vec3& wrist, const Vec3& elbowToward);
    /// The hand's own turn: fingers along `fingers`, palm facing `palm`.
    void hand(int side, const Vec3& fingers, const Vec3& palm);

    /// A limb on its way from how it was planted to how it is now. @param limb from the body outward
    void blendFrom(const Posed& planted, const std::array<Bone, 3>& limb, float way);

    struct Contact {
        Bone bone;
        Vec3 rest;
    };
    /// Moves the body up or down until the lowest of these places lies on the mat.
    void settle(std::initializer_list<Contact> contacts);

    static constexpr int step(int side) { return side * (ClavicleRight - ClavicleLeft); }
    Vec3 shoulder(int side) const { return pose.joint[UpperArmLeft + step(side)]; }
    Vec3 hip(int side) const { return pose.joint[ThighLeft + step(side)]; }
    /// Away from the middle of the body.
    Vec3 outward(int side) const { return side ? Vec3(-left) : left; }
};

} // namespace deft::figure
