// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/light.h"

#include <algorithm>
#include <cmath>

namespace deft::figure {

const std::vector<LightDirection>& skyDirections() {
    static const auto directions = [] {
        std::vector<LightDirection> d;
        const Vec3 window = Vec3(-0.7f, 0.45f, 0.6f).normalized();
        float total = 0;
        constexpr int n = 36;
        for (int i = 0; i < n; ++i) {
            // Even spread over the upper half by the golden angle.
            const float y = (float(i) + 0.5f) / n, r = std::sqrt(1 - y * y), a = 2.39996323f * float(i);
            const Vec3 v(r * std::cos(a), y, r * std::sin(a));
            const float power = 0.55f + 0.9f * std::max(0.f, v.dot(window));
            d.push_back({v, power});
            total += power * v.y();
        }
        for (auto& l : d) l.power /= total; // an open floor receives 1
        return d;
    }();
    return directions;
}

const std::vector<LightDirection>& keyDirections() {
    static const auto directions = [] {
        std::vector<LightDirection> d;
        const Vec3 middle = Vec3(-0.62f, 0.78f, 0.72f).normalized();
        const Vec3 right = middle.cross(Vec3::UnitY()).normalized(), up = right.cross(middle);
        for (int i = 0; i < 10; ++i) {
            const float r = 0.24f * std::sqrt((float(i) + 0.5f) / 10), a = 2.39996323f * float(i);
            d.push_back({(middle + right * (r * std::cos(a)) + up * (r * std::sin(a))).normalized(), 0.1f});
        }
        return d;
    }();
    return directions;
}

BodyShadows::BodyShadows(const std::vector<Vec3>& points) {
    Vec3 low = points[0], high = points[0];
    for (const Vec3& p : points) low = low.cwiseMin(p), high = high.cwiseMax(p);
    middle_ = (low + high) / 2;
    reach_ = (high - low).norm() / 2 * 1.02f;
    auto add = [&](const LightDirection& l, bool key) {
        Map m{l.toLight.unitOrthogonal(), {}, l.toLight, l.power, key, std::vector<float>(kSize * kSize, -1e9f)};
        m.up = l.toLight.cross(m.right);
        for (const Vec3& p : points) {
            const Vec3 q = (p - middle_) / reach_;
            const int x = int((q.dot(m.right) + 1) * (kSize / 2 - 1)), y = int((q.dot(m.up) + 1) * (kSize / 2 - 1));
            const float depth = (p - middle_).dot(l.toLight);
            for (const int i : {y * kSize + x, y * kSize + x + 1, (y + 1) * kSize + x, (y + 1) * kSize + x + 1})
                if (i >= 0 && i < kSize * kSize) m.nearest[i] = std::max(m.nearest[i], depth);
        }
        maps_.push_back(std::move(m));
    };
    for (const auto& l : skyDirections()) add(l, false);
    for (const auto& l : keyDirections()) add(l, true);
}

Received BodyShadows::at(const Vec3& place, const Vec3& normal, float bias, float wrap) const {
    Received out;
    const Vec3 offset = place - middle_;
    for (const Map& m : maps_) {
        const float cosine = (normal.dot(m.toLight) + wrap) / (1 + wrap);
        if (cosine <= 0) continue;
        const Vec3 q = offset / reach_;
        const int x = int((q.dot(m.right) + 1) * (kSize / 2 - 1) + 0.5f),
                  y = int((q.dot(m.up) + 1) * (kSize / 2 - 1) + 0.5f);
        float seen = 1;
        if (x >= 0 && y >= 0 && x < kSize && y < kSize)
            seen = m.nearest[y * kSize + x] > offset.dot(m.toLight) + bias ? 0.f : 1.f;
        (m.key ? out.key : out.sky) += m.power * cosine * seen;
    }
    return out;
}

} // namespace deft::figure
