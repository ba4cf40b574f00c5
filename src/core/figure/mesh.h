// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/body_shape.h"

namespace deft::figure {

struct Mesh {
    std::vector<Vec3> rest;                    ///< vertices at rest, mH
    std::vector<std::array<int, 3>> triangles; ///< counter-clockwise seen from outside
    std::vector<std::vector<int>> neighbours;  ///< of each vertex
};

/// Surface nets over the body's distance field, with two Newton steps onto it. About 33,000 vertices at 5.2 mH.
Mesh buildBodyMesh(float cell);

/// One step of the umbrella operator on any per-vertex quantity: each value moves by `amount` to its neighbours' mean.
template <class T> void relax(const Mesh& mesh, std::vector<T>& values, float amount, int steps) {
    std::vector<T> next(values.size());
    for (int s = 0; s < steps; ++s) {
        for (size_t i = 0; i < values.size(); ++i) {
            T mean = values[mesh.neighbours[i][0]];
            for (size_t k = 1; k < mesh.neighbours[i].size(); ++k) mean += values[mesh.neighbours[i][k]];
            mean = mean * (1.f / float(mesh.neighbours[i].size()));
            next[i] = values[i] + (mean - values[i]) * amount;
        }
        values.swap(next);
    }
}

/// Area-weighted unit normals of a deformed mesh.
std::vector<Vec3> vertexNormals(const Mesh& mesh, const std::vector<Vec3>& points);

/// A point fixed to the skin: a triangle and its barycentric weights.
struct SkinPoint {
    int triangle = 0;
    Vec3 weights = Vec3::Zero();
    Vec3 on(const Mesh& mesh, const std::vector<Vec3>& points) const;
};
/// The skin point nearest to a place at rest.
SkinPoint nearestOnSkin(const Mesh& mesh, const Vec3& restPoint);

} // namespace deft::figure
