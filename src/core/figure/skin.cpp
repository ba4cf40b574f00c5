// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/skin.h"

#include <algorithm>
#include <cmath>

namespace deft::figure {
namespace {

using AllWeights = Eigen::Matrix<float, kBones, 1>;
constexpr int kMushSteps = 8;

float ramp(float value, float from, float to) {
    const float f = std::clamp((value - from) / (to - from), 0.f, 1.f);
    return f * f * (3 - 2 * f);
}

/// Chain of bones along one coordinate: full weight between the joints, blended over `blend` around each.
void chain(AllWeights& w, float share, float at, std::initializer_list<std::pair<Bone, float>> joints, float blend) {
    float left = share;
    for (auto it = joints.end(); it-- != joints.begin() + 1;) {
        const float take = left * ramp(at, it->second - blend, it->second + blend);
        w[it->first] += take;
        left -= take;
    }
    w[joints.begin()->first] += left;
}

AllWeights rawWeights(const Vec3& p) {
    const auto d = partDistances(p);
    std::array<float, kParts> share;
    float total = 0;
    const float nearest = *std::min_element(d.begin(), d.end());
    for (int i = 0; i < kParts; ++i) {
        share[i] = std::exp(-std::pow((d[i] - nearest) / 9.f, 2.f));
        total += share[i];
    }
    AllWeights w = AllWeights::Zero();
    for (int i = 0; i < kParts; ++i) {
        const float s = share[i] / total;
        if (s < 1e-4f) continue;
        const bool right = Part(i) == Part::ArmRight || Part(i) == Part::LegRight;
        const int o = right ? ClavicleRight - ClavicleLeft : 0;
        const Vec3 q{right ? -p.x() : p.x(), p.y(), p.z()};
        switch (Part(i)) {
        case Part::Trunk:
            chain(w, s, p.y(),
                  {{Pelvis, 0}, {Lumbar1, 586}, {Lumbar2, 618}, {Thoracic, 656}, {Chest, 710}, {Neck, 852}}, 20);
            break;
        case Part::Head:
            chain(w, s, p.y(), {{Chest, 0}, {Neck, 846}, {Head, 890}}, 16);
            break;
        case Part::ArmLeft:
        case Part::ArmRight: {
            const float along = (q - Vec3(108, 812, -8)).dot(Vec3(kArmSlope, -kArmSlope, 0));
            chain(w, s, along,
                  {{Bone(ClavicleLeft + o), -99},
                   {Bone(UpperArmLeft + o), 4},
                   {Bone(ForearmLeft + o), 170},
                   {Bone(HandLeft + o), 318}},
                  24);
            break;
        }
        case Part::LegLeft:
        case Part::LegRight: {
            // The groin line runs obliquely: outside the thigh begins higher than inside.
            const float along = 525 - p.y() + 0.12f * (q.x() - 52) + 0.35f * p.z();
            chain(w, s, along,
                  {{Pelvis, -999}, {Bone(ThighLeft + o), 8}, {Bone(ShankLeft + o), 242}, {Bone(FootLeft + o), 478}},
                  30);
            break;
        }
        }
    }
    return w;
}

/// Orthonormal frames of the smoothed mesh: normal and the direction to the first neighbour.
std::vector<Eigen::Matrix3f> localFrames(const Mesh& mesh, const std::vector<Vec3>& points) {
    const auto normals = vertexNormals(mesh, points);
    std::vector<Eigen::Matrix3f> frames(points.size());
    for (size_t i = 0; i < points.size(); ++i) {
        const Vec3& n = normals[i];
        Vec3 t = points[mesh.neighbours[i][0]] - points[i];
        t = (t - n * n.dot(t)).normalized();
        frames[i].col(0) = n;
        frames[i].col(1) = t;
        frames[i].col(2) = n.cross(t);
    }
    return frames;
}

} // namespace

Skin::Skin(const Mesh& mesh) : mesh_(mesh) {
    std::vector<AllWeights> all;
    all.reserve(mesh.rest.size());
    for (const Vec3& p : mesh.rest) all.push_back(rawWeights(p));
    relax(mesh, all, 0.6f, 6);
    for (const AllWeights& w : all) {
        std::array<int, kBones> order;
        for (int i = 0; i < kBones; ++i) order[i] = i;
        std::partial_sort(order.begin(), order.begin() + 6, order.end(), [&](int a, int b) { return w[a] > w[b]; });
        Weight kept;
        float total = 0;
        for (int i = 0; i < 6; ++i) total += w[order[i]];
        for (int i = 0; i < 6; ++i) kept.bone[i] = order[i], kept.amount[i] = w[order[i]] / total;
        weights_.push_back(kept);
    }
    auto smooth = mesh.rest;
    relax(mesh, smooth, 0.7f, kMushSteps);
    const auto frames = localFrames(mesh, smooth);
    for (size_t i = 0; i < smooth.size(); ++i) delta_.push_back(frames[i].transpose() * (mesh.rest[i] - smooth[i]));
}

std::vector<Vec3> Skin::posed(const Posed& pose, float floorHeight) const {
    struct Dual {
        Eigen::Vector4f real, dual;
    };
    std::array<Dual, kBones> bones;
    for (int b = 0; b < kBones; ++b) {
        const Eigen::Quaternionf q = pose.turn[b].normalized();
        const Vec3 t = pose.joint[b] - q * restBones()[b].joint;
        const Eigen::Quaternionf d = Eigen::Quaternionf(0, t.x(), t.y(), t.z()) * q;
        bones[b] = {q.coeffs(), d.coeffs() * 0.5f};
    }
    std::vector<Vec3> points(mesh_.rest.size());
    for (size_t i = 0; i < points.size(); ++i) {
        const Weight& w = weights_[i];
        Eigen::Vector4f real = Eigen::Vector4f::Zero(), dual = real;
        for (int k = 0; k < 6; ++k) {
            const Dual& b = bones[w.bone[k]];
            const float sign = b.real.dot(bones[w.bone[0]].real) < 0 ? -w.amount[k] : w.amount[k];
            real += sign * b.real;
            dual += sign * b.dual;
        }
        const float n = real.norm();
        const Eigen::Quaternionf q(Eigen::Vector4f(real / n)), d(Eigen::Vector4f(dual / n));
        const Eigen::Quaternionf t = d * q.conjugate();
        points[i] = q * mesh_.rest[i] + 2 * t.vec();
    }
    relax(mesh_, points, 0.7f, kMushSteps);
    const auto frames = localFrames(mesh_, points);
    for (size_t i = 0; i < points.size(); ++i) points[i] += frames[i] * delta_[i];
    // Flesh gives way at the floor, the more the deeper it would have sunk.
    for (Vec3& p : points) {
        const float deep = floorHeight + 4 - p.y();
        if (deep > 0) p.y() = floorHeight + 4 * std::exp(-deep / 4) - 0.02f * deep;
    }
    return points;
}

} // namespace deft::figure
