// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/room.h"
#include "figure/scene.h"

namespace deft::figure {

/// Positions that a scene can name.
const std::vector<std::string>& positionNames();

/// Curves of movement that a position knows; empty for a position that does not exist.
std::vector<std::string> curveNames(const std::string& position);

/// Views that a position can be filmed from; empty for a position that does not exist.
std::vector<std::string> viewNames(const std::string& position);

/// The camera of a scene where its view puts it. @param camera as beside the body
Camera placed(const Scene& scene, Camera camera);

/// What stands in the room for a scene: a bench, a wall to lean on, a wall behind what is filmed from an end.
std::vector<Block> blocksOf(const Scene& scene);

/// How the body lies in the room, for the truth: signs of docs/measures.md hang on these.
struct Bearings {
    Vec3 cranial;   ///< along the mat toward the head; up when standing
    Vec3 front;     ///< the body's own front in that position
    bool bothSides; ///< seen from the front, rear or above: both sides are named
};
Bearings bearings(const Scene& scene);

} // namespace deft::figure
