// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/body_painter.h"

namespace deft::figure {

/// What a client works with, as it is at one moment: an ellipsoid in the room (m). A ball is round, a wheel flat, a
/// band thin and long.
struct Thing {
    std::string landmark; ///< its middle in the truth; empty = it has none
    Vec3 middle;
    Eigen::Matrix3f halfAxes; ///< columns
    Vec3 colour;              ///< linear light
};

/// The wheel that hands roll, the band between them, the ball that the seat pushes back into. @param pose as it is at
/// that moment
std::vector<Thing> thingsOf(const Scene& scene, const Posed& pose);

/// Points all over it, close enough for a shadow (m).
std::vector<Vec3> surfaceOf(const Thing& thing);

/// Draws them into the layer, before and behind the body's parts.
void paintThings(BodyLayer& layer, const Scene& scene, const std::vector<Thing>& things, const BodyShadows& shadows);

} // namespace deft::figure
