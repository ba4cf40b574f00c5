// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/mesh.h"
#include "figure/skeleton.h"

namespace deft::figure {

/// Moves the mesh with the bones: dual quaternions (Kavan and others, ACM TOG 27, 2008), then delta mush (Mancewicz and
/// others, DigiPro 2014), which takes out the pinches of the first at hip, knee and shoulder.
class Skin {
public:
    explicit Skin(const Mesh& mesh);
    /// Deformed vertices in world mH. Flesh below `floorHeight` is flattened onto it.
    std::vector<Vec3> posed(const Posed& pose, float floorHeight) const;

private:
    struct Weight {
        std::array<int, 6> bone;
        std::array<float, 6> amount;
    };
    const Mesh& mesh_;
    std::vector<Weight> weights_;
    std::vector<Vec3> delta_; ///< what smoothing takes away at rest, in the local frame of the smoothed mesh
};

} // namespace deft::figure
