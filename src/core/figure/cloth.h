// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/mesh.h"

#include <functional>

namespace deft::figure {

/// A T-shirt and joggers that hang, slide over the body and fold: position-based dynamics (Mueller and others, Journal
/// of Visual Communication and Image Representation 18, 2007) in small steps (Macklin and others, SCA 2019), every
/// vertex kept out of the skin that it lies over and off the floor, with friction on both. They are held at the neck,
/// the waistband and the ankles. Cloth does not meet cloth. The same scene gives the same bytes.
class Cloth {
public:
    using SkinAt = std::function<std::vector<Vec3>(double seconds)>; ///< deformed vertices of the body, mH
    /// @param looseness 1 = about 3 cm of air under the shirt, 2 under the trousers; 0 = lies on the skin
    Cloth(const Mesh& mesh, float looseness, SkinAt skinAt);
    /// The clothed surface: cloth where there is some, else skin. Thirty steps a second, whatever the film's rate, and
    /// straight on between them. Begins anew, hanging still, where time goes back.
    /// @param skin of this time
    const std::vector<Vec3>& worn(double seconds, const std::vector<Vec3>& skin);
    const std::vector<Vec3>& rest() const { return rest_; } ///< uncreased

private:
    struct Edge {
        int a, b;
        float length;
    };
    void begin();
    /// One step of length `dt`, the skin moving from `from` to `to`.
    void step(const std::vector<Vec3>& from, const std::vector<Vec3>& to, float dt);
    void keepOutOf(const std::vector<Vec3>& skin, const std::vector<Vec3>& before, const std::vector<Vec3>& normals);

    const Mesh& mesh_;
    SkinAt skinAt_;
    std::vector<Vec3> rest_;
    std::vector<float> ease_; ///< air under each vertex at rest; negative = no cloth
    std::vector<int> free_;   ///< vertices that move by themselves
    std::vector<int> held_;   ///< vertices of a seam that goes with the skin
    std::vector<Edge> edges_;
    std::vector<int> over_;                ///< the skin vertex that each lies over
    std::vector<Vec3> at_, before_, skin_; ///< at `time_`, the newest step
    std::vector<Vec3> lay_, worn_;         ///< at the step before; what was last asked for
    double time_ = -1;
};

} // namespace deft::figure
