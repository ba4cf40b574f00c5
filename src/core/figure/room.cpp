// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/room.h"

#include "figure/light.h"
#include "figure/noise.h"

#include <opencv2/core/utility.hpp>

namespace deft::figure {
namespace {

enum class Surface { Boards, Wall, Brick, Mat, Paint, Wood, Case, Metal, Cloth };

struct Box {
    Vec3 low, high;
    Surface surface;
    Vec3 colour;
};

struct RoomPlan {
    const char* name;
    Surface wall;
    Vec3 wallColour, floorColour;
    std::vector<Box> things;
};

/// Corner and size read more easily than two corners.
Box box(float x, float y, float z, float w, float h, float d, Surface s, Vec3 c) {
    return {{x, y, z}, {x + w, y + h, z + d}, s, c};
}

const std::vector<RoomPlan>& plans() {
    static const Vec3 white{0.80f, 0.79f, 0.76f}, black{0.035f, 0.036f, 0.04f}, steel{0.42f, 0.43f, 0.45f};
    static const auto all = [] {
        std::vector<RoomPlan> p;
        // Rehearsal room: pale wall, a door, flight cases, a rail with costumes, a painted flat leaning on the wall.
        RoomPlan a{"rehearsal-room", Surface::Wall, {0.60f, 0.56f, 0.50f}, {0.47f, 0.29f, 0.15f}, {}};
        const float z = -1.5f;
        a.things = {
            box(-4, 0, z - 0.02f, 8, 0.11f, 0.04f, Surface::Paint, white),
            box(0.86f, 0, z - 0.02f, 0.09f, 2.1f, 0.07f, Surface::Paint, white), // door frame
            box(1.83f, 0, z - 0.02f, 0.09f, 2.1f, 0.07f, Surface::Paint, white),
            box(0.95f, 0, z - 0.02f, 0.88f, 2.04f, 0.035f, Surface::Paint, {0.66f, 0.67f, 0.66f}),
            box(1.06f, 0.22f, z - 0.02f, 0.66f, 0.62f, 0.043f, Surface::Paint, {0.63f, 0.64f, 0.63f}),
            box(1.06f, 1.02f, z - 0.02f, 0.66f, 0.82f, 0.043f, Surface::Paint, {0.63f, 0.64f, 0.63f}),
            box(1.00f, 0.97f, z, 0.11f, 0.022f, 0.07f, Surface::Metal, steel),
            box(-1.72f, 0.03f, z + 0.10f, 0.80f, 0.50f, 0.46f, Surface::Case, black), // flight cases
            box(-1.70f, 0.54f, z + 0.12f, 0.50f, 0.34f, 0.40f, Surface::Case, {0.05f, 0.07f, 0.11f}),
            box(-0.66f, 0.02f, z + 0.03f, 1.05f, 1.45f, 0.03f, Surface::Cloth, {0.16f, 0.26f, 0.30f}), // painted flat
            box(-0.70f, 0.0f, z + 0.02f, 0.04f, 1.49f, 0.05f, Surface::Wood, {0.40f, 0.27f, 0.15f}),
            box(0.39f, 0.0f, z + 0.02f, 0.04f, 1.49f, 0.05f, Surface::Wood, {0.40f, 0.27f, 0.15f}),
            box(0.56f, 0.25f, z, 0.075f, 0.12f, 0.012f, Surface::Paint, white), // socket
        };
        p.push_back(a);
        // Backstage corridor: grey brick, a steel door, pipes and a lamp box.
        RoomPlan b{"backstage-corridor", Surface::Brick, {0.50f, 0.51f, 0.51f}, {0.23f, 0.24f, 0.25f}, {}};
        b.things = {
            box(-4, 0, z - 0.02f, 8, 0.09f, 0.03f, Surface::Paint, {0.20f, 0.21f, 0.22f}),
            box(-1.95f, 0, z - 0.02f, 0.08f, 2.1f, 0.06f, Surface::Metal, {0.25f, 0.27f, 0.28f}),
            box(-1.02f, 0, z - 0.02f, 0.08f, 2.1f, 0.06f, Surface::Metal, {0.25f, 0.27f, 0.28f}),
            box(-1.87f, 0, z - 0.02f, 0.85f, 2.04f, 0.03f, Surface::Metal, {0.28f, 0.36f, 0.36f}),
            box(-1.82f, 0.95f, z + 0.01f, 0.75f, 0.05f, 0.05f, Surface::Metal, steel),
            box(-4, 1.34f, z + 0.02f, 8, 0.05f, 0.05f, Surface::Paint, {0.55f, 0.50f, 0.38f}), // pipe
            box(1.0f, 0.02f, z + 0.08f, 0.85f, 0.62f, 0.50f, Surface::Case, {0.11f, 0.05f, 0.05f}),
            box(0.30f, 0.55f, z, 0.32f, 0.42f, 0.02f, Surface::Paint, {0.72f, 0.70f, 0.60f}), // call board
            box(0.34f, 0.62f, z, 0.10f, 0.15f, 0.024f, Surface::Paint, white),
            box(0.47f, 0.70f, z, 0.10f, 0.15f, 0.024f, Surface::Paint, {0.60f, 0.66f, 0.70f}),
        };
        p.push_back(b);
        return p;
    }();
    return all;
}

const RoomPlan* planOf(const std::string& name) {
    for (const RoomPlan& p : plans())
        if (name == p.name) return &p;
    return nullptr;
}

bool enters(const Box& b, const Vec3& from, const Vec3& inverse, float& nearest, Vec3* normal) {
    float in = 1e-4f, out = nearest;
    int axis = -1;
    for (int a = 0; a < 3; ++a) {
        float t0 = (b.low[a] - from[a]) * inverse[a], t1 = (b.high[a] - from[a]) * inverse[a];
        if (t0 > t1) std::swap(t0, t1);
        if (t0 > in) in = t0, axis = a;
        if (t1 < out) out = t1;
        if (in > out) return false;
    }
    if (axis < 0) return false;
    nearest = in;
    if (normal) {
        *normal = Vec3::Zero();
        (*normal)[axis] = inverse[axis] > 0 ? -1.f : 1.f;
    }
    return true;
}

Vec3 surfaceColour(const Box& b, const Vec3& p, const Vec3& normal) {
    auto noise = [&](float grain, float along = 1) {
        return valueNoise(Vec3(p.x() / (grain * along), p.y() / grain, p.z() / grain)) - 0.5f;
    };
    switch (b.surface) {
    case Surface::Boards: {
        const float width = 0.125f;
        const int row = int(std::floor(p.z() / width));
        const float shift = hashed(row, 3, 7) * 1.4f, length = 1.4f;
        const int plank = int(std::floor((p.x() + shift) / length));
        const float inRow = p.z() / width - float(row), inPlank = (p.x() + shift) / length - float(plank);
        float tone = 0.84f + 0.30f * hashed(row, plank, 1);
        tone *= 1 + 0.26f * (valueNoise(Vec3(p.x() * 6 + float(plank) * 9, float(row) * 3, p.z() * 70)) - 0.5f);
        tone *= 1 + 0.14f * (valueNoise(Vec3(p.x() * 40, float(row), p.z() * 260)) - 0.5f);
        if (inRow < 0.018f || inRow > 0.988f || inPlank < 0.0022f) tone *= 0.42f;
        return b.colour * tone;
    }
    case Surface::Wall:
        return b.colour * (1 + 0.035f * noise(0.35f) + 0.05f * noise(0.009f));
    case Surface::Brick: {
        const float h = 0.075f, w = 0.225f;
        const int row = int(std::floor(p.y() / h));
        const float x = p.x() / w + 0.5f * float(row & 1);
        const int col = int(std::floor(x));
        const float fx = x - float(col), fy = p.y() / h - float(row);
        float tone = 0.88f + 0.22f * hashed(row, col, 5);
        if (fx < 0.04f || fy < 0.11f) tone = 0.72f;
        return b.colour * tone * (1 + 0.10f * noise(0.012f));
    }
    case Surface::Mat: {
        const float x0 = p.x() - b.low.x(), x1 = b.high.x() - p.x(), z0 = p.z() - b.low.z(), z1 = b.high.z() - p.z();
        const float rim = std::min(std::min(x0, x1), std::min(z0, z1));
        float tone = 1 + 0.24f * noise(0.006f) + 0.10f * noise(0.05f);
        if (rim < 0.012f) tone *= 0.78f;
        if (normal.y() < 0.5f) tone *= 0.8f;
        return b.colour * tone;
    }
    case Surface::Wood:
        return b.colour * (1 + 0.4f * (valueNoise(Vec3(p.x() * 60, p.y() * 4, p.z() * 60)) - 0.5f));
    case Surface::Case: {
        // Laminated sides with aluminium edges and corners.
        const Vec3 size = b.high - b.low;
        int edges = 0;
        for (int a = 0; a < 3; ++a) {
            if (std::abs(normal[a]) > 0.5f) continue;
            const float d = std::min(p[a] - b.low[a], b.high[a] - p[a]);
            edges += d < 0.022f;
            if (a == 1 && std::abs(p[a] - b.low[a] - 0.68f * size[a]) < 0.012f) ++edges;
        }
        if (edges) return Vec3(0.50f, 0.51f, 0.53f) * (0.9f + 0.2f * valueNoise(p * 90));
        return b.colour * (1 + 0.5f * noise(0.004f));
    }
    case Surface::Metal:
        return b.colour * (1 + 0.08f * noise(0.02f, 4));
    case Surface::Cloth: {
        // Scene painting: hills under an evening sky.
        const float x = p.x(), y = p.y();
        const float far = 0.78f + 0.08f * std::sin(5 * x) + 0.04f * std::sin(13 * x + 1),
                    near = 0.46f + 0.10f * std::sin(4 * x + 2);
        Vec3 c = Vec3(0.50f, 0.36f, 0.26f) * (1 - 0.4f * (y - 0.8f)) + Vec3(0, 0.04f, 0.16f) * std::max(0.f, y - 0.8f);
        if (y < far) c = Vec3(0.20f, 0.27f, 0.29f);
        if (y < near) c = Vec3(0.13f, 0.20f, 0.13f);
        return c * (1 + 0.3f * noise(0.05f, 2) + 0.14f * noise(0.008f));
    }
    case Surface::Paint:
        return b.colour * (1 + 0.03f * noise(0.05f));
    }
    return b.colour;
}

} // namespace

bool roomExists(const std::string& name) { return planOf(name) != nullptr; }

std::vector<std::string> roomNames() {
    std::vector<std::string> names;
    for (const RoomPlan& p : plans()) names.push_back(p.name);
    return names;
}

RoomPicture renderRoom(const std::string& name, const Camera& camera, const Vec3& matColour, int samples,
                       const std::vector<Block>& blocks) {
    const RoomPlan& plan = *planOf(name);
    std::vector<Box> boxes = plan.things;
    for (const Block& b : blocks) boxes.push_back({b.low, b.high, Surface::Wall, b.colour});
    boxes.push_back(
        {{-6, -0.1f, -6}, {6, 0, 6}, name == "rehearsal-room" ? Surface::Boards : Surface::Wall, plan.floorColour});
    boxes.push_back({{-6, 0, -1.7f}, {6, 4, -1.5f}, plan.wall, plan.wallColour});
    boxes.push_back(
        {{-kMatLength / 2, 0, -kMatWidth / 2}, {kMatLength / 2, kMatTop, kMatWidth / 2}, Surface::Mat, matColour});

    RoomPicture out;
    out.sky.create(camera.height, camera.width);
    out.key.create(camera.height, camera.width);
    out.floorSpot.create(camera.height, camera.width);
    const auto &sky = skyDirections(), &key = keyDirections();
    auto blocked = [&](const Vec3& from, const Vec3& direction) {
        const Vec3 inverse = direction.cwiseInverse();
        for (const Box& b : boxes) {
            float far = 30;
            if (enters(b, from, inverse, far, nullptr)) return true;
        }
        return false;
    };
    cv::parallel_for_({0, camera.height}, [&](const cv::Range& rows) {
        for (int y = rows.start; y < rows.end; ++y)
            for (int x = 0; x < camera.width; ++x) {
                Vec3 bySky = Vec3::Zero(), byKey = Vec3::Zero();
                cv::Vec2f spot(std::nanf(""), std::nanf(""));
                for (int s = 0; s < samples; ++s) {
                    const float jx = (float(s & 1) + 0.5f) / 2 - 0.5f, jy = (float(s >> 1 & 1) + 0.5f) / 2 - 0.5f;
                    const Vec3 d = camera.ray(float(x) + (samples > 1 ? jx : 0), float(y) + (samples > 1 ? jy : 0));
                    const Vec3 inverse = d.cwiseInverse();
                    float nearest = 30;
                    const Box* hit = nullptr;
                    Vec3 normal;
                    for (const Box& b : boxes)
                        if (enters(b, camera.position, inverse, nearest, &normal)) hit = &b;
                    if (!hit) continue;
                    Vec3 n;
                    float again = 30;
                    enters(*hit, camera.position, inverse, again, &n);
                    const Vec3 p = camera.position + d * nearest, lifted = p + n * 2e-3f;
                    if (n.y() > 0.5f && p.y() < 0.05f) spot = {p.x(), p.z()};
                    float open = 0, lit = 0;
                    // A different third of the directions for each sample and pixel; the film's blur joins them.
                    const int phase = (s + int(hashed(x, y, 0) * 3)) % 3;
                    for (size_t k = size_t(phase); k < sky.size(); k += 3) {
                        const float cosine = n.dot(sky[k].toLight);
                        if (cosine > 0 && !blocked(lifted, sky[k].toLight)) open += 3 * cosine * sky[k].power;
                    }
                    for (size_t k = size_t(phase); k < key.size(); k += 3) {
                        const float cosine = n.dot(key[k].toLight);
                        if (cosine > 0 && !blocked(lifted, key[k].toLight)) lit += 3 * cosine * key[k].power;
                    }
                    const Vec3 colour = surfaceColour(*hit, p, n);
                    const float bounce = 0.16f * std::exp(-p.y() * 1.2f);
                    bySky += colour * (open + bounce) / float(samples);
                    byKey += colour * lit / float(samples);
                }
                out.sky(y, x) = {bySky.z(), bySky.y(), bySky.x()};
                out.key(y, x) = {byKey.z(), byKey.y(), byKey.x()};
                out.floorSpot(y, x) = spot;
            }
    });
    return out;
}

} // namespace deft::figure
