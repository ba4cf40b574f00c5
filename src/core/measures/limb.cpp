// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

Measure joint(const char* id, const char* name, std::vector<std::string> landmarks, bool closesAtTheFront) {
    return {.id = id,
            .name = name,
            .unit = "deg",
            .landmarks = std::move(landmarks),
            .needed = 3,
            .value = [closesAtTheFront](const MeasureInput& in, const MeasureContext& c) {
                // From the proximal to the distal segment by way of the side on which the joint folds.
                const bool ccw = c.axes.frontIsCounterClockwise() == closesAtTheFront;
                const auto angle = jointAngleDeg(in.at[0], in.at[1], in.at[2], ccw);
                if (!angle) return kGap;
                return *angle > 270 ? *angle - 360 : *angle; // a folded joint, or an arm behind the body
            }};
}

/// A limb against the floor: 0 = it lies along the body toward the feet (legs, upright arms) or toward the head (arms
/// of a body that lies or kneels), 90 = square to that, away from the floor or, upright, to the front.
double limbDeg(const Vector2& d, bool arm, const MeasureContext& c) {
    const bool upright = c.position == Position::Upright;
    const Vector2 from = arm && !upright ? c.axes.cranial : Vector2(-c.axes.cranial);
    return elevationDeg(d, from, upright ? c.axes.anterior : c.axes.up);
}

Measure limb(const char* id, const char* name, const char* near, const char* far, bool arm) {
    return {.id = id,
            .name = name,
            .unit = "deg",
            .landmarks = {near, far},
            .needed = 2,
            .againstMat = true,
            .value = [arm](const MeasureInput& in, const MeasureContext& c) {
                return limbDeg(in.at[1] - in.at[0], arm, c);
            }};
}

/// The same from the front or behind, on the working side: upright, 90 = straight out to that side.
Measure pairedLimb(const char* id, const char* name, const char* near, const char* far) {
    return {.id = id,
            .name = name,
            .unit = "deg",
            .landmarks = bothSides({near, far}),
            .needed = 0,
            .againstMat = true,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                const Vector2 d = onSide(in, 1, c.side) - onSide(in, 0, c.side);
                if (c.position == Position::SideLying) return elevationDeg(d, -c.axes.cranial, c.axes.up);
                return elevationDeg(d, -c.axes.up, c.side == "left" ? Vector2(-c.axes.right) : c.axes.right);
            }};
}

/// 0 = in line with the trunk, + behind it.
Measure onTrunk(const char* id, const char* name, const char* far) {
    return {.id = id,
            .name = name,
            .unit = "deg",
            .landmarks = {"shoulder", "hip", far},
            .needed = 3,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                const auto trunk = c.axes.towardFrontDeg(in.at[1] - in.at[0]),
                           limb = c.axes.towardFrontDeg(in.at[2] - in.at[1]);
                return trunk && limb ? wrapDeg(*limb - *trunk) : kGap;
            }};
}

/// The upper arm against the trunk: what the elbow has travelled besides the shoulder.
Measure armTravel() {
    Measure m =
        joint("arm_travel", "upper arm against the trunk, since the start", {"hip", "shoulder", "elbow"}, false);
    m.zero = Zero::Start;
    return m;
}

} // namespace

std::vector<Measure> limbMeasures() {
    return {
        joint("hip_angle", "hip angle", {"shoulder", "hip", "knee"}, true),
        joint("knee_angle", "knee angle", {"hip", "knee", "ankle"}, false),
        // Seen from above or the side the hips lie one behind the other, so the near one stands for both.
        joint("far_knee_angle", "knee angle of the far leg", {"hip", "far_knee", "far_ankle"}, false),
        joint("ankle_angle", "ankle angle", {"knee", "ankle", "toe"}, true),
        joint("shoulder_angle", "shoulder angle", {"hip", "shoulder", "elbow"}, false), // 0 by the side, then forward
        armTravel(),
        joint("elbow_angle", "elbow angle", {"shoulder", "elbow", "wrist"}, true),
        joint("wrist_angle", "wrist angle", {"elbow", "wrist", "hand"}, true),
        limb("leg", "leg elevation", "hip", "ankle", false),
        limb("thigh", "thigh elevation", "hip", "knee", false),
        limb("arm", "arm elevation", "shoulder", "wrist", true),
        onTrunk("leg_on_trunk", "leg against trunk", "ankle"),
        onTrunk("thigh_on_trunk", "thigh against trunk", "knee"),
        pairedLimb("leg_out", "leg elevation, seen from the front", "hip", "ankle"),
        pairedLimb("thigh_out", "thigh elevation, seen from the front", "hip", "knee"),
        pairedLimb("arm_out", "upper arm, seen from the front", "shoulder", "elbow"),
        pairedLimb("forearm_out", "forearm, seen from the front", "elbow", "wrist"),
        {.id = "shank",
         .name = "shin against upright",
         .unit = "deg",
         .landmarks = {"ankle", "knee"},
         .needed = 2,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // + knee toward the feet; 0 = the shin stands square on the mat.
                 const auto angle = c.axes.towardFrontDeg(in.at[1] - in.at[0]);
                 return angle ? wrapDeg(*angle - 90) : kGap;
             }},
        {.id = "foot",
         .name = "foot on the mat",
         .unit = "deg",
         .landmarks = {"heel", "toe"},
         .needed = 2,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // + toes lifted.
                 const auto angle = c.axes.towardFrontDeg(in.at[0] - in.at[1]);
                 return angle ? -*angle : kGap;
             }},
    };
}

} // namespace deft
