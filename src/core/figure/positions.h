#pragma once
#include "figure/scene.h"

namespace deft::figure {

/// Positions that a scene can name.
const std::vector<std::string>& positionNames();

/// Curves of movement that a position knows; empty for a position that does not exist.
std::vector<std::string> curveNames(const std::string& position);

/// How the body lies in the room, for the truth: signs of docs/measures.md hang on these.
struct Bearings {
    Vec3 cranial;   ///< along the mat toward the head; up when standing
    Vec3 front;     ///< the body's own front in that position
    bool bothSides; ///< seen from the front, rear or above: both sides are named
};
Bearings bearings(const Scene& scene);

} // namespace deft::figure
