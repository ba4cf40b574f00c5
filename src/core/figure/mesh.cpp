// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/mesh.h"

#include <Eigen/Geometry>
#include <algorithm>
#include <cmath>
#include <unordered_map>

namespace deft::figure {
namespace {

struct Grid {
    Vec3 low{-440, -8, -130};
    int nx, ny, nz;
    float cell;
    std::vector<float> value;
    size_t at(int x, int y, int z) const { return (size_t(z) * ny + y) * nx + x; }
    Vec3 place(int x, int y, int z) const { return low + cell * Vec3(float(x), float(y), float(z)); }
};

Grid sampled(float cell) {
    Grid g;
    g.cell = cell;
    const Vec3 size = Vec3(880, 1010, 270) / cell;
    g.nx = int(size.x()) + 1, g.ny = int(size.y()) + 1, g.nz = int(size.z()) + 1;
    g.value.assign(size_t(g.nx) * g.ny * g.nz, 1e3f);
    constexpr int block = 6; // most of the box is far from the body: one look at the middle of a block settles it
    const float reach = 0.9f * block * cell + 2 * cell;
    for (int z = 0; z < g.nz; z += block)
        for (int y = 0; y < g.ny; y += block)
            for (int x = 0; x < g.nx; x += block) {
                const float middle = bodyDistance(g.place(x, y, z) + Vec3::Constant(0.5f * block * cell));
                const bool near = std::abs(middle) < 2.2f * reach; // the field is not exact, so be generous
                for (int k = z; k < std::min(z + block, g.nz); ++k)
                    for (int j = y; j < std::min(y + block, g.ny); ++j)
                        for (int i = x; i < std::min(x + block, g.nx); ++i)
                            g.value[g.at(i, j, k)] = near ? bodyDistance(g.place(i, j, k)) : middle;
            }
    return g;
}

Vec3 gradient(const Vec3& p) {
    constexpr float h = 0.8f;
    return Vec3(bodyDistance(p + Vec3(h, 0, 0)) - bodyDistance(p - Vec3(h, 0, 0)),
                bodyDistance(p + Vec3(0, h, 0)) - bodyDistance(p - Vec3(0, h, 0)),
                bodyDistance(p + Vec3(0, 0, h)) - bodyDistance(p - Vec3(0, 0, h))) /
           (2 * h);
}

} // namespace

Mesh buildBodyMesh(float cell) {
    const Grid g = sampled(cell);
    Mesh mesh;
    std::vector<int> vertexOf(g.value.size(), -1);
    for (int z = 0; z + 1 < g.nz; ++z)
        for (int y = 0; y + 1 < g.ny; ++y)
            for (int x = 0; x + 1 < g.nx; ++x) {
                float v[8];
                int inside = 0;
                for (int c = 0; c < 8; ++c) {
                    v[c] = g.value[g.at(x + (c & 1), y + (c >> 1 & 1), z + (c >> 2))];
                    inside += v[c] < 0;
                }
                if (inside == 0 || inside == 8) continue;
                Vec3 sum = Vec3::Zero();
                int crossings = 0;
                for (int c = 0; c < 8; ++c)
                    for (int bit = 1; bit < 8; bit <<= 1) {
                        const int d = c | bit;
                        if (d == c || (v[c] < 0) == (v[d] < 0)) continue;
                        const float f = v[c] / (v[c] - v[d]);
                        const Vec3 pc(float(c & 1), float(c >> 1 & 1), float(c >> 2)),
                            pd(float(d & 1), float(d >> 1 & 1), float(d >> 2));
                        sum += pc + f * (pd - pc);
                        ++crossings;
                    }
                Vec3 p = g.place(x, y, z) + cell * sum / float(crossings);
                for (int step = 0; step < 2; ++step) {
                    const Vec3 n = gradient(p);
                    p -= n * std::clamp(bodyDistance(p) / std::max(0.2f, n.squaredNorm()), -0.5f * cell, 0.5f * cell);
                }
                vertexOf[g.at(x, y, z)] = int(mesh.rest.size());
                mesh.rest.push_back(p);
            }
    // Each grid edge that crosses the surface joins its four cells by a quad.
    auto quad = [&](int a, int b, int c, int d, bool turn) {
        if (a < 0 || b < 0 || c < 0 || d < 0) return;
        if (turn) std::swap(b, d);
        mesh.triangles.push_back({a, b, c});
        mesh.triangles.push_back({a, c, d});
    };
    for (int z = 1; z + 1 < g.nz; ++z)
        for (int y = 1; y + 1 < g.ny; ++y)
            for (int x = 1; x + 1 < g.nx; ++x) {
                const bool here = g.value[g.at(x, y, z)] < 0;
                auto cellAt = [&](int i, int j, int k) { return vertexOf[g.at(i, j, k)]; };
                if (here != (g.value[g.at(x + 1, y, z)] < 0))
                    quad(cellAt(x, y - 1, z - 1), cellAt(x, y, z - 1), cellAt(x, y, z), cellAt(x, y - 1, z), !here);
                if (here != (g.value[g.at(x, y + 1, z)] < 0))
                    quad(cellAt(x - 1, y, z - 1), cellAt(x - 1, y, z), cellAt(x, y, z), cellAt(x, y, z - 1), !here);
                if (here != (g.value[g.at(x, y, z + 1)] < 0))
                    quad(cellAt(x - 1, y - 1, z), cellAt(x, y - 1, z), cellAt(x, y, z), cellAt(x - 1, y, z), !here);
            }
    mesh.neighbours.resize(mesh.rest.size());
    for (const auto& t : mesh.triangles)
        for (int k = 0; k < 3; ++k)
            for (const int other : {t[(k + 1) % 3], t[(k + 2) % 3]}) {
                auto& n = mesh.neighbours[t[k]];
                if (std::find(n.begin(), n.end(), other) == n.end()) n.push_back(other);
            }
    return mesh;
}

std::vector<Vec3> vertexNormals(const Mesh& mesh, const std::vector<Vec3>& points) {
    std::vector<Vec3> normals(points.size(), Vec3::Zero());
    for (const auto& t : mesh.triangles) {
        const Vec3 n = (points[t[1]] - points[t[0]]).cross(points[t[2]] - points[t[0]]);
        for (const int v : t) normals[v] += n;
    }
    for (Vec3& n : normals) n.normalize();
    return normals;
}

Vec3 SkinPoint::on(const Mesh& mesh, const std::vector<Vec3>& points) const {
    const auto& t = mesh.triangles[triangle];
    return weights[0] * points[t[0]] + weights[1] * points[t[1]] + weights[2] * points[t[2]];
}

SkinPoint nearestOnSkin(const Mesh& mesh, const Vec3& p) {
    SkinPoint best;
    float bestDistance = 1e9f;
    for (size_t i = 0; i < mesh.triangles.size(); ++i) {
        const auto& t = mesh.triangles[i];
        const Vec3 a = mesh.rest[t[0]], ab = mesh.rest[t[1]] - a, ac = mesh.rest[t[2]] - a;
        if ((a - p).squaredNorm() > 900 && bestDistance < 900) continue;
        // Project onto the plane and clamp: fine for the small triangles here.
        const float d00 = ab.dot(ab), d01 = ab.dot(ac), d11 = ac.dot(ac), d20 = (p - a).dot(ab), d21 = (p - a).dot(ac);
        const float det = d00 * d11 - d01 * d01;
        if (det < 1e-9f) continue;
        float v = std::clamp((d11 * d20 - d01 * d21) / det, 0.f, 1.f),
              w = std::clamp((d00 * d21 - d01 * d20) / det, 0.f, 1.f);
        if (v + w > 1) {
            const float s = v + w;
            v /= s, w /= s;
        }
        const float d = (a + v * ab + w * ac - p).squaredNorm();
        if (d < bestDistance) bestDistance = d, best = {int(i), {1 - v - w, v, w}};
    }
    return best;
}

} // namespace deft::figure
