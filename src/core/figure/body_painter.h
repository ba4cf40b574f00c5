// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/film.h"
#include "figure/light.h"

namespace deft::figure {

constexpr float kSkyGain = 0.60f, kKeyGain = 0.95f;

/// Linear light of the body over nothing, at the film's size: colour premultiplied by coverage, and coverage.
struct BodyLayer {
    cv::Mat4f picture; ///< B, G, R, coverage
    cv::Mat1f depth;   ///< metres from the camera at the supersampled size, large where empty
    int scale = 1;
};

struct Sticker {
    Vec3 rest;   ///< centre on the skin, mH
    Vec3 across; ///< direction in the skin that its pattern is aligned with
};

/// Draws the deformed mesh with z-buffer, light per vertex and cloth texture that is fixed to the cloth.
BodyLayer paintBody(const Scene& scene, const Mesh& mesh, const std::vector<Vec3>& points,
                    const std::vector<Vec3>& normals, const std::vector<Received>& light,
                    const std::vector<float>& crease, const std::vector<Sticker>& stickers);

} // namespace deft::figure
