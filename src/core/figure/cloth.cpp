// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/cloth.h"

#include <algorithm>
#include <cmath>

namespace deft::figure {
namespace {

constexpr float kShirtEase = 18, kTrousersEase = 12; // mH: thousandths of the body height
constexpr float kGap = 1.5f;                         // mH between skin and cloth
constexpr float kGravity = 5840;                     // mH / s², of a body of 1.68 m
constexpr float kFriction = 0.45f, kDrag = 0.985f;   // of cotton on skin and mat; what is left of a step's way
constexpr float kBending = 0.03f;
constexpr int kSteps = 4, kPasses = 5; // small steps a frame, passes over the edges each
constexpr double kFrame_s = 1 / 30.0, kSettled_s = 1.5;

float ramp(float value, float from, float to) {
    const float f = std::clamp((value - from) / (to - from), 0.f, 1.f);
    return f * f * (3 - 2 * f);
}

/// Air under the cloth at a place at rest; negative where there is no cloth.
float easeAt(const Vec3& p) {
    switch (materialAt(p)) {
    case Material::Shirt: // close at the neck and over the shoulders, wide below the chest and in the sleeves
        return kShirtEase * std::max(1 - ramp(p.y(), 690, 800), 0.6f * ramp(std::abs(p.x()), 140, 175));
    case Material::Leggings:
        return kTrousersEase * (1 - ramp(p.y(), 540, 590)) * ramp(p.y(), 66, 110);
    default:
        return -1;
    }
}

/// Neck, waistband and cuffs go with the skin.
bool isHeld(const Vec3& p) {
    if (materialAt(p) == Material::Leggings) return p.y() > 588 || p.y() < 74;
    return p.y() > 812 && std::abs(p.x()) < 70;
}

} // namespace

Cloth::Cloth(const Mesh& mesh, float looseness, SkinAt skinAt)
    : mesh_(mesh), skinAt_(std::move(skinAt)), rest_(mesh.rest), over_(mesh.rest.size()) {
    const auto normals = vertexNormals(mesh, mesh.rest);
    std::vector<Material> garment;
    for (size_t i = 0; i < rest_.size(); ++i) {
        garment.push_back(materialAt(rest_[i]));
        ease_.push_back(easeAt(rest_[i]) * (easeAt(rest_[i]) > 0 ? looseness : 1));
        if (ease_[i] < 0) continue;
        (isHeld(mesh.rest[i]) ? held_ : free_).push_back(int(i));
        rest_[i] += normals[i] * ease_[i];
    }
    for (size_t i = 0; i < rest_.size(); ++i)
        for (const int n : mesh.neighbours[i])
            if (size_t(n) > i && ease_[i] >= 0 && garment[i] == garment[size_t(n)])
                edges_.push_back({int(i), n, (rest_[i] - rest_[size_t(n)]).norm()});
}

const std::vector<Vec3>& Cloth::worn(double seconds, const std::vector<Vec3>& skin) {
    if (time_ < 0 || seconds < time_ - kFrame_s) begin();
    while (seconds - time_ > 1e-9) {
        const double next = time_ + kFrame_s;
        const auto now = skinAt_(next);
        lay_ = at_;
        step(skin_, now, float(kFrame_s));
        skin_ = now, time_ = next;
    }
    const auto back = float((time_ - seconds) / kFrame_s);
    worn_ = skin;
    for (size_t i = 0; i < worn_.size(); ++i)
        if (ease_[i] >= 0) worn_[i] = at_[i] + back * (lay_[i] - at_[i]);
    return worn_;
}

/// Blown up around the body, then left to settle.
void Cloth::begin() {
    skin_ = skinAt_(0);
    const auto normals = vertexNormals(mesh_, skin_);
    at_ = skin_;
    for (size_t i = 0; i < at_.size(); ++i) {
        over_[i] = int(i);
        if (ease_[i] > 0) at_[i] += normals[i] * ease_[i];
    }
    before_ = at_;
    for (double t = 0; t < kSettled_s; t += kFrame_s) step(skin_, skin_, float(kFrame_s));
    lay_ = at_;
    time_ = 0;
}

void Cloth::step(const std::vector<Vec3>& from, const std::vector<Vec3>& to, float dt) {
    const float h = dt / kSteps;
    const auto normals = vertexNormals(mesh_, to);
    std::vector<Vec3> skin = from, last;
    for (int s = 1; s <= kSteps; ++s) {
        last = skin;
        const float share = float(s) / kSteps;
        for (size_t i = 0; i < skin.size(); ++i) skin[i] = from[i] + share * (to[i] - from[i]);
        for (const int i : free_) {
            const Vec3 way = (at_[size_t(i)] - before_[size_t(i)]) * kDrag;
            before_[size_t(i)] = at_[size_t(i)];
            at_[size_t(i)] += way - Vec3(0, kGravity * h * h, 0);
        }
        for (const int i : held_)
            at_[size_t(i)] = skin[size_t(i)] + normals[size_t(i)] * std::max(kGap, ease_[size_t(i)]);
        for (int pass = 0; pass < kPasses; ++pass)
            for (const Edge& e : edges_) {
                Vec3 &a = at_[size_t(e.a)], &b = at_[size_t(e.b)];
                const Vec3 d = b - a;
                const float length = d.norm();
                if (length < 1e-6f) continue;
                const Vec3 half = d * (0.5f * (length - e.length) / length);
                a += half, b -= half;
            }
        for (const int i : free_) { // cloth does not like to bend
            Vec3 mean = Vec3::Zero();
            int count = 0;
            for (const int n : mesh_.neighbours[size_t(i)])
                if (ease_[size_t(n)] >= 0) mean += at_[size_t(n)], ++count;
            if (count > 3) at_[size_t(i)] += kBending * (mean / float(count) - at_[size_t(i)]);
        }
        keepOutOf(skin, last, normals);
    }
}

void Cloth::keepOutOf(const std::vector<Vec3>& skin, const std::vector<Vec3>& before,
                      const std::vector<Vec3>& normals) {
    const auto rubbed = [](const Vec3& slip, float pressed) -> Vec3 {
        const float way = slip.norm(), held = kFriction * pressed;
        return way <= held ? slip : Vec3(slip * (held / way));
    };
    for (const int i : free_) {
        Vec3& p = at_[size_t(i)];
        int& c = over_[size_t(i)];
        for (int walk = 0; walk < 2; ++walk) {
            int nearest = c;
            for (const int n : mesh_.neighbours[size_t(c)])
                if ((skin[size_t(n)] - p).squaredNorm() < (skin[size_t(nearest)] - p).squaredNorm()) nearest = n;
            if (nearest == c) break;
            c = nearest;
        }
        const Vec3& n = normals[size_t(c)];
        const float deep = kGap - (p - skin[size_t(c)]).dot(n);
        if (deep > 0) {
            p += deep * n;
            const Vec3 slip = (p - before_[size_t(i)]) - (skin[size_t(c)] - before[size_t(c)]);
            p -= rubbed(slip - n * n.dot(slip), deep);
        }
        if (const float under = kGap - p.y(); under > 0) {
            p.y() += under;
            const Vec3 slip = p - before_[size_t(i)];
            p -= rubbed({slip.x(), 0, slip.z()}, under);
        }
    }
}

} // namespace deft::figure
