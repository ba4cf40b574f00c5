// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A person made of lengths and joint angles, seen from the side or the front, independent of the drawings in the
// exercise files: what is judged right there could only agree with itself.

#include "geometry/angle.h"

#include <map>
#include <string>

namespace deft::test {

/// Lengths in cm. Proportions of a grown-up, from memory of anthropometric tables (certainty about 80 %).
struct Person {
    double trunk = 50, thigh = 42, shank = 40, foot = 20, upperArm = 30, forearm = 26, neck = 17;
    double pelvisWidth = 24, shoulderWidth = 36;

    /// The same person, longer or shorter in one part.
    static Person longLegs() { return {.trunk = 48, .thigh = 47, .shank = 45}; }
    static Person longTrunk() { return {.trunk = 56, .thigh = 39, .shank = 37}; }
};

using Points = std::map<std::string, Point2>; ///< cm, y up, the mat at 0

/// A body from the side, head to the left. Angles in degrees.
struct SidePose {
    bool faceUp = true; ///< lying on the back, or facing down; upright: facing left = false
    Point2 hip{0, 9};
    double trunk = 0;                 ///< hip → shoulder above the line toward the head
    double pelvis = 0;                ///< the pelvis above the same line, without its tilt
    double tilt = 0;                  ///< + arching
    double thigh = 0, shank = 0;      ///< hip → knee → ankle above the line toward the feet
    double upperArm = 0, forearm = 0; ///< shoulder → elbow → wrist above the line toward the head
    double neck = 0;                  ///< + head toward the front
    double backUp = 0;                ///< the middle of the low back off its place, away from the mat, cm
    double hunch = 0;                 ///< the upper back off its place, toward the back, cm
    double ribs = 0;                  ///< the lower rib away from the pelvis, share of its distance
    double foot = 0;                  ///< heel → toe above the line toward the feet; 0 = flat on the mat
};
Points sidePoints(const Person& p, const SidePose& pose);

inline Point2 along(double deg) { return {std::cos(radians(deg)), std::sin(radians(deg))}; }

} // namespace deft::test
