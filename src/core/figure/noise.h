// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/body_shape.h"

#include <cmath>
#include <cstdint>

namespace deft::figure {

/// The same number in [0, 1) for the same three whole numbers.
inline float hashed(int x, int y, int z) {
    uint32_t h = uint32_t(x) * 374761393u + uint32_t(y) * 668265263u + uint32_t(z) * 2147483647u;
    h = (h ^ (h >> 13)) * 1274126177u;
    h ^= h >> 16;
    return float(h & 0xffffff) / float(0x1000000);
}

/// Smooth noise in [0, 1) with a grain of 1.
inline float valueNoise(const Vec3& p) {
    const float fx = std::floor(p.x()), fy = std::floor(p.y()), fz = std::floor(p.z());
    const int x = int(fx), y = int(fy), z = int(fz);
    auto ease = [](float f) { return f * f * (3 - 2 * f); };
    const float u = ease(p.x() - fx), v = ease(p.y() - fy), w = ease(p.z() - fz);
    auto row = [&](int j, int k) { return hashed(x, j, k) + u * (hashed(x + 1, j, k) - hashed(x, j, k)); };
    const float a = row(y, z) + v * (row(y + 1, z) - row(y, z));
    const float b = row(y, z + 1) + v * (row(y + 1, z + 1) - row(y, z + 1));
    return a + w * (b - a);
}

/// Slow smooth wander with standard deviation about 1.
inline double wander(double seconds, int channel, double hertz) {
    return 4.2 * (double(valueNoise({float(seconds * hertz), float(channel), 0.5f})) - 0.5);
}

} // namespace deft::figure
