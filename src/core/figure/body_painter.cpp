// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/body_painter.h"

#include "figure/noise.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft::figure {
namespace {

float band(float value, float middle, float half) {
    return std::clamp(1.5f - std::abs(value - middle) / half * 1.5f, 0.f, 1.f);
}

/// Colour of the cloth or skin at a place at rest. @param pixel size of a pixel on it, mH: fine knit fades with it
Vec3 albedo(const Scene& s, const Vec3& p, float pixel) {
    const float x = std::abs(p.x());
    const float fine = std::clamp(1.6f - pixel / 1.6f, 0.f, 1.f);
    auto noise = [](const Vec3& q, float grain) { return valueNoise(q / grain) - 0.5f; };
    switch (materialAt(p)) {
    case Material::Shirt: {
        float tone = 1 + 0.34f * noise(p, 8) + 0.26f * noise(p + Vec3(31, 7, 3), 16) + 0.20f * fine * noise(p, 2.2f);
        const float hem =
            std::max(band(p.y(), kHemHeight + 10, 1.2f), band(p.z(), -6, 0.9f) * float(x > 50 && p.y() < 760));
        tone *= 1 - 0.35f * hem;
        return s.shirt * std::max(0.2f, tone);
    }
    case Material::Leggings: {
        float tone = 1 + 0.45f * noise(p, 6.5f) + 0.30f * noise(p + Vec3(5, 11, 2), 13) + 0.22f * fine * noise(p, 2.0f);
        Vec3 c = s.leggings * std::max(0.2f, tone);
        // Light stripe down the outer seam.
        const float front = p.z() + (p.y() > 300 ? 0.f : 0.01f * (300 - p.y()));
        if (x > 60 && p.y() < 578) {
            const float stripe = band(front, 2, 3.4f);
            c = c * (1 - stripe) + Vec3(0.34f, 0.34f, 0.35f) * stripe * (0.9f + 0.3f * noise(p, 3));
        }
        if (p.y() > 580) c *= 1 - 0.4f * band(p.y(), 584, 1.0f);
        c *= 1 - 0.35f * band(p.y(), 76, 1.0f);
        return c;
    }
    case Material::Hair: {
        const float strands = valueNoise(Vec3(p.x() * 0.12f, p.y() * 0.35f, std::atan2(p.z(), x + 1) * 22)) - 0.5f;
        return s.hair * (1 + 0.7f * strands + 0.3f * noise(p, 3));
    }
    case Material::Skin: {
        Vec3 c = s.skin * (1 + 0.05f * noise(p, 22) + 0.05f * fine * noise(p, 2.5f));
        const bool foot = p.y() < 66, hand = p.y() < 610 && p.y() > 480 && x > 300;
        const float along = (Vec3(x, p.y(), p.z()) - Vec3(108, 812, -8)).dot(Vec3(kArmSlope, -kArmSlope, 0));
        if (foot && p.z() > 74) { // grooves between the toes
            for (const float g : {84.f, 97.f, 106.f, 115.f}) c *= 1 - 0.38f * band(x - 0.04f * p.z(), g, 1.4f);
            c = c.cwiseProduct(Vec3(1.03f, 0.93f, 0.92f));
        }
        if (hand && along > 372)
            for (const float g : {-13.f, -2.f, 9.f}) c *= 1 - 0.36f * band(p.z(), g, 1.3f);
        if (foot || along > 340) c = c.cwiseProduct(Vec3(1.02f, 0.96f, 0.94f));
        if (p.y() > 868 && p.z() > 20) { // warmth of the cheeks, a hint of brow and lips; the face stays plain
            c = c.cwiseProduct(Vec3(1.02f, 0.965f, 0.95f));
            c *= 1 - 0.35f * band(p.y(), 936, 2.2f) * band(x, 18, 11);
            c *= 1 - 0.16f * band(p.y(), 892, 2.0f) * band(x, 0, 13);
            c *= 1 - 0.22f * band(p.y(), 925, 1.6f) * band(x, 18, 8);
        }
        return c;
    }
    }
    return s.skin;
}

/// A white disc with two dark quarters: its middle is a corner in both directions.
bool stickerColour(const std::vector<Sticker>& stickers, const Vec3& p, const Vec3& normal, Vec3& colour) {
    constexpr float radius = 8.0f;
    for (const Sticker& s : stickers) {
        const Vec3 d = p - s.rest;
        const float r = d.norm();
        if (r > radius) continue;
        const Vec3 u = (s.across - normal * normal.dot(s.across)).normalized(), v = normal.cross(u);
        const bool dark = r < 0.74f * radius && (d.dot(u) > 0) == (d.dot(v) > 0);
        colour = dark ? Vec3(0.02f, 0.02f, 0.02f) : Vec3(0.72f, 0.72f, 0.70f);
        return true;
    }
    return false;
}

} // namespace

BodyLayer paintBody(const Scene& scene, const Mesh& mesh, const std::vector<Vec3>& points,
                    const std::vector<Vec3>& normals, const std::vector<Received>& light,
                    const std::vector<float>& crease, const std::vector<Sticker>& stickers) {
    const Camera& camera = scene.camera;
    const int S = scene.supersample, W = camera.width * S, H = camera.height * S;
    const Eigen::Matrix3f axes = camera.axes();
    std::vector<Vec3> onFilm(points.size());
    for (size_t i = 0; i < points.size(); ++i) {
        const Vec3 q = axes * (points[i] - camera.position);
        onFilm[i] = {(0.5f * float(camera.width - 1) + camera.focalPx * q.x() / q.z() + 0.5f) * float(S) - 0.5f,
                     (0.5f * float(camera.height - 1) + camera.focalPx * q.y() / q.z() + 0.5f) * float(S) - 0.5f,
                     q.z()};
    }
    // First pass: which triangle is nearest at each subpixel. Second: shade what is seen.
    cv::Mat1f depth(H, W, 1e9f);
    cv::Mat1i owner(H, W, -1);
    int top = H, bottom = -1;
    auto edge = [](const Vec3& a, const Vec3& b, float x, float y) {
        return (b.x() - a.x()) * (y - a.y()) - (b.y() - a.y()) * (x - a.x());
    };
    for (size_t i = 0; i < mesh.triangles.size(); ++i) {
        const auto& t = mesh.triangles[i];
        const Vec3 &a = onFilm[t[0]], &b = onFilm[t[1]], &c = onFilm[t[2]];
        if (a.z() < 0.1f || b.z() < 0.1f || c.z() < 0.1f) continue;
        const float area = edge(a, b, c.x(), c.y());
        if (area >= 0) continue; // turned away (y is down)
        const int x0 = std::max(0, int(std::ceil(std::min({a.x(), b.x(), c.x()})))),
                  x1 = std::min(W - 1, int(std::max({a.x(), b.x(), c.x()})));
        const int y0 = std::max(0, int(std::ceil(std::min({a.y(), b.y(), c.y()})))),
                  y1 = std::min(H - 1, int(std::max({a.y(), b.y(), c.y()})));
        for (int y = y0; y <= y1; ++y)
            for (int x = x0; x <= x1; ++x) {
                const float u = edge(b, c, float(x), float(y)) / area, v = edge(c, a, float(x), float(y)) / area,
                            w = 1 - u - v;
                if (u < 0 || v < 0 || w < 0) continue;
                const float z = u * a.z() + v * b.z() + w * c.z();
                if (z >= depth(y, x)) continue;
                depth(y, x) = z;
                owner(y, x) = int(i);
                top = std::min(top, y), bottom = std::max(bottom, y);
            }
    }
    cv::Mat4f fine(H, W, cv::Vec4f(0, 0, 0, 0));
    const float mH = float(scene.heightM) / 1000;
    cv::parallel_for_({std::max(0, top), bottom + 1}, [&](const cv::Range& rows) {
        for (int y = rows.start; y < rows.end; ++y)
            for (int x = 0; x < W; ++x) {
                const int i = owner(y, x);
                if (i < 0) continue;
                const auto& t = mesh.triangles[i];
                const Vec3 &a = onFilm[t[0]], &b = onFilm[t[1]], &c = onFilm[t[2]];
                const float area = edge(a, b, c.x(), c.y());
                // Perspective-correct weights, or textures swim on near triangles.
                float u = edge(b, c, float(x), float(y)) / area / a.z(),
                      v = edge(c, a, float(x), float(y)) / area / b.z(),
                      w = edge(a, b, float(x), float(y)) / area / c.z();
                const float sum = u + v + w;
                u /= sum, v /= sum, w /= sum;
                const Vec3 rest = u * mesh.rest[t[0]] + v * mesh.rest[t[1]] + w * mesh.rest[t[2]];
                const Vec3 n = (u * normals[t[0]] + v * normals[t[1]] + w * normals[t[2]]).normalized();
                const Received l = light[t[0]] * u + light[t[1]] * v + light[t[2]] * w;
                const float z = depth(y, x);
                const float fold = u * crease[t[0]] + v * crease[t[1]] + w * crease[t[2]];
                Vec3 colour;
                const Vec3 view =
                    -(camera.ray((float(x) + 0.5f) / float(S) - 0.5f, (float(y) + 0.5f) / float(S) - 0.5f));
                const Vec3 face =
                    (mesh.rest[t[1]] - mesh.rest[t[0]]).cross(mesh.rest[t[2]] - mesh.rest[t[0]]).normalized();
                const bool sticker = !stickers.empty() && stickerColour(stickers, rest, face, colour);
                if (!sticker) colour = albedo(scene, rest, z / camera.focalPx / mH / float(S));
                const Material m = materialAt(rest);
                const float facing = std::clamp(n.dot(view), 0.f, 1.f);
                const float bounce = 0.16f * (0.6f - 0.4f * n.y());
                Vec3 out = colour * (kSkyGain * l.sky + kKeyGain * l.key);
                out += colour.cwiseProduct(Vec3(1.0f, 0.86f, 0.70f)) * bounce;
                if (!sticker && m != Material::Skin) {
                    out *= 1 - fold;
                    out += Vec3::Constant(0.020f) * std::pow(1 - facing, 3.f) * (l.sky + l.key); // sheen of cloth
                }
                if (!sticker && m == Material::Skin)
                    out += Vec3(0.030f, 0.012f, 0.008f) * std::pow(1 - facing, 2.f) * (l.sky + l.key);
                fine(y, x) = {out.z(), out.y(), out.x(), 1};
            }
    });
    BodyLayer layer;
    layer.scale = S;
    layer.depth = depth;
    if (S == 1)
        layer.picture = fine;
    else
        cv::resize(fine, layer.picture, {camera.width, camera.height}, 0, 0, cv::INTER_AREA);
    return layer;
}

} // namespace deft::figure
