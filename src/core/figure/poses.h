// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The body in each position that a scene can name, at one time. What the curves mean: docs/scenes.md.

#include "figure/noise.h"
#include "figure/rig.h"
#include "figure/scene.h"

#include <cmath>
#include <functional>

namespace deft::figure {

constexpr float kRad = float(M_PI) / 180;
constexpr float kArmIsFree = 25 * kRad;               ///< raised so far it no longer shows how it stood
constexpr float kWristHeight = 17, kElbowHeight = 20; ///< above the mat when the arm rests on it (mH)
constexpr float kBenchHeight = 270;                   ///< (mH)
constexpr float kStandingArm = 314;                   ///< nearly straight: the elbow gives a little (mH)
constexpr float kArmLength = 322;                     ///< of an arm that stands, shoulder to wrist (mH)
constexpr float kWheelRadius = 55, kBallRadius = 145; ///< of what hands roll and a seat pushes back into (mH)
const Vec3 kUp = Vec3::UnitY();

/// Curves of a scene at one time, in radians, with the unsteadiness of a living body.
struct Now {
    const Scene& scene;
    double t;
    float angle(const char* curve, int channel = 0, double hertz = 2.0) const {
        return float((scene.value(curve, t) + scene.tremorDeg * wander(t, scene.seed + channel, hertz)) * double(kRad));
    }
    /// Of a curve that most scenes do not have: without it not even unsteady.
    float angleIfAny(const char* curve, int channel) const { return has(curve) ? angle(curve, channel) : 0; }
    bool has(const char* curve) const { return scene.movement.count(curve) > 0; }
    float side(const char* left, const char* right, int s, float otherwise) const {
        const char* name = s ? right : left;
        return has(name) ? angle(name, 3 + s) : otherwise * kRad;
    }
};

/// Head and neck follow the chest but for `angle`.
void nod(Rig& rig, const Eigen::Quaternionf& chest, float angle);
/// Turn that brings the shoulder to a height; the body rests on the feet.
float turnFor(float height, const std::function<float(float)>& shoulderAt);

Posed bridge(Rig& rig, const Now& now);
Posed onBack(Rig& rig, const Now& now);
Posed reversePlank(Rig& rig, const Now& now);
Posed sideLying(Rig& rig, const Now& now);
Posed sidePlank(Rig& rig, const Now& now);
Posed prone(Rig& rig, const Now& now);
Posed overBench(Rig& rig, const Now& now);
Posed allFours(Rig& rig, const Now& now);
/// Middle of the ball behind somebody on all fours: it touches the seat where nobody pushes yet, and stays (mH).
Vec3 pressedBall(const Scene& scene);
Posed rollout(Rig& rig, const Now& now);
Posed halfKneeling(Rig& rig, const Now& now);
Posed plank(Rig& rig, const Now& now, bool onHands);
Posed standing(Rig& rig, const Now& now);
Posed atWall(Rig& rig, const Now& now);

} // namespace deft::figure
