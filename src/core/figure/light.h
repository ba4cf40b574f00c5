// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/mesh.h"

namespace deft::figure {

/// Where light comes from: a window to the left front, a dimmer rest of the sky, and bounce from the floor.
struct LightDirection {
    Vec3 toLight;
    float power;
};
const std::vector<LightDirection>& skyDirections();
const std::vector<LightDirection>& keyDirections();

/// Light that reaches a surface: from the sky (ambient) and from the window (key), 0…about 1.
struct Received {
    float sky = 0, key = 0;
    Received operator+(const Received& o) const { return {sky + o.sky, key + o.key}; }
    Received operator-(const Received& o) const { return {sky - o.sky, key - o.key}; }
    Received operator*(float f) const { return {sky * f, key * f}; }
    Received& operator+=(const Received& o) { return *this = *this + o; }
};

/// Shadow maps of the body, one for each direction; made anew each frame.
class BodyShadows {
public:
    /// @param points deformed vertices, m
    explicit BodyShadows(const std::vector<Vec3>& points);
    /// Light at a place with a normal, after the body's own shadow. @param bias distance within which nothing shades
    /// (m)
    Received at(const Vec3& place, const Vec3& normal, float bias, float wrap = 0) const;

private:
    struct Map {
        Vec3 right, up, toLight;
        float power;
        bool key;
        std::vector<float> nearest;
    };
    static constexpr int kSize = 176;
    Vec3 middle_;
    float reach_ = 1;
    std::vector<Map> maps_;
};

} // namespace deft::figure
