// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The body at rest as a signed distance field: lofted cross-sections joined by smooth unions.
//
// Units: thousandths of the body height (mH). Y up from the soles, Z to the front, X to the body's left. Arms hang 45°
// from the trunk, so that no part touches another one. Clothes are part of the shape.

#include <Eigen/Geometry>
#include <array>
#include <vector>

namespace deft::figure {

using Vec3 = Eigen::Vector3f;

enum class Part { Trunk, Head, ArmLeft, ArmRight, LegLeft, LegRight };
constexpr int kParts = 6;

enum class Material { Skin, Shirt, Leggings, Hair };

/// Distances to each part alone; used for the skin weights.
std::array<float, kParts> partDistances(const Vec3& p);

/// Distance to the clothed body, negative inside. Exact enough near the surface for meshing.
float bodyDistance(const Vec3& p);

Material materialAt(const Vec3& restPoint);

/// Landmarks of coaching on the body's left side at rest, before they are put onto the skin. Right: x mirrored.
struct RestLandmark {
    const char* name;
    Vec3 point;
    bool sticker = true; ///< a sticker is put there when the scene wants stickers
    bool midline = false;
};
const std::vector<RestLandmark>& restLandmarks();

constexpr float kArmSlope = 0.70710678f; // cos 45°
constexpr float kHemHeight = 604;        // lower edge of the shirt
constexpr float kWaistband = 596;        // upper edge of the leggings where the shirt has ridden up

} // namespace deft::figure
