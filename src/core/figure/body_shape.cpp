// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/body_shape.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace deft::figure {
namespace {

/// One cross-section: reach of the outline to the four sides of the axis.
struct Section {
    float at, left, right, front, back;
};

float hermite(float f) { return f * f * (3 - 2 * f); }

Section between(const std::vector<Section>& s, float at) {
    if (at <= s.front().at) return s.front();
    if (at >= s.back().at) return s.back();
    size_t i = 0;
    while (s[i + 1].at < at) ++i;
    // Cubic through the neighbours (Catmull-Rom) keeps the outline free of kinks at the sections.
    const Section &b = s[i], &c = s[i + 1];
    const Section &a = i > 0 ? s[i - 1] : b, &d = i + 2 < s.size() ? s[i + 2] : c;
    const float span = c.at - b.at, f = (at - b.at) / span;
    auto mix = [&](float Section::*m) {
        const float slopeB = (c.*m - a.*m) / std::max(1.f, c.at - a.at) * span;
        const float slopeC = (d.*m - b.*m) / std::max(1.f, d.at - b.at) * span;
        const float f2 = f * f, f3 = f2 * f;
        return (2 * f3 - 3 * f2 + 1) * (b.*m) + (f3 - 2 * f2 + f) * slopeB + (3 * f2 - 2 * f3) * (c.*m) +
               (f3 - f2) * slopeC;
    };
    return {at, mix(&Section::left), mix(&Section::right), mix(&Section::front), mix(&Section::back)};
}

/// Distance to a loft: side = offset to the left, front = offset to the front, along = place on the axis.
float loft(const std::vector<Section>& sections, float side, float front, float along) {
    const float low = sections.front().at, high = sections.back().at;
    const float over = along < low ? low - along : along > high ? along - high : 0;
    const Section s = between(sections, along);
    const float rx = side > 0 ? s.left : s.right, rz = front > 0 ? s.front : s.back;
    const float cap = 0.8f * std::min(rx, rz);
    const float qx = side / rx, qz = front / rz, qy = over / cap;
    const float e = std::sqrt(qx * qx + qz * qz + qy * qy);
    const float gx = qx / rx, gz = qz / rz, gy = qy / cap;
    const float g = std::sqrt(gx * gx + gz * gz + gy * gy);
    if (g < 1e-6f) return -std::min(rx, rz);
    return (e - 1) * e / g;
}

float ellipsoid(const Vec3& p, const Vec3& centre, const Vec3& radii) {
    const Vec3 q = (p - centre).cwiseQuotient(radii);
    const float e = q.norm(), g = q.cwiseQuotient(radii).norm();
    return g < 1e-6f ? -radii.minCoeff() : (e - 1) * e / g;
}

float cone(const Vec3& p, const Vec3& a, const Vec3& b, float ra, float rb) {
    const Vec3 ab = b - a;
    const float f = std::clamp((p - a).dot(ab) / ab.squaredNorm(), 0.f, 1.f);
    return (p - a - f * ab).norm() - (ra + f * (rb - ra));
}

float join(float a, float b, float k) {
    const float h = std::max(k - std::abs(a - b), 0.f) / k;
    return std::min(a, b) - h * h * k * 0.25f;
}

const std::vector<Section> kTorso = {{478, 78, 78, 45, 56}, {518, 100, 100, 58, 72}, {572, 91, 91, 58, 60},
                                     {632, 77, 77, 57, 46}, {702, 88, 88, 62, 56},   {775, 97, 97, 60, 62},
                                     {820, 74, 74, 38, 50}, {852, 38, 38, 25, 33}};
const std::vector<Section> kLeg = {{0, 50, 43, 53, 54},   {62, 53, 51, 55, 56},  {150, 43, 43, 46, 44},
                                   {250, 32, 32, 33, 30}, {338, 32, 32, 25, 42}, {418, 20, 20, 19, 24},
                                   {478, 19, 19, 18, 20}};
const std::vector<Section> kArm = {{14, 35, 29, 35, 35},  {85, 27, 27, 28, 29},  {172, 21, 22, 21, 23},
                                   {200, 24, 23, 24, 23}, {318, 12, 13, 16, 16}, {345, 11, 12, 24, 20},
                                   {374, 10, 9, 25, 22},  {410, 7, 7, 19, 16}};

/// Right-side queries are mirrored to the left side; x > 0 below.
float legDistance(const Vec3& p) {
    static const Vec3 hip{52, 525, 0}, ankle{98, 42, -4};
    static const Vec3 axis = (ankle - hip).normalized();
    static const Vec3 front = (Vec3::UnitZ() - axis * axis.z()).normalized(), out = front.cross(-axis).normalized();
    const Vec3 q = p - hip;
    float d = loft(kLeg, q.dot(out), q.dot(front), q.dot(axis));

    // The foot: half-widths and heights along z, on a flat sole.
    static const std::vector<Section> foot = {{-24, 15, 15, 22, 9}, {-8, 19, 19, 30, 10}, {12, 20, 20, 34, 10},
                                              {35, 21, 21, 23, 10}, {64, 26, 25, 13, 9},  {84, 27, 24, 9, 8},
                                              {103, 21, 16, 5, 7}};
    const float f = std::max(loft(foot, p.x() - 100 - 0.08f * p.z(), p.y() - 10, p.z()), 1.5f - p.y());
    return join(d, f, 20);
}

float armDistance(const Vec3& p) {
    static const Vec3 shoulder{108, 812, -8}, axis{kArmSlope, -kArmSlope, 0}, out{kArmSlope, kArmSlope, 0};
    const Vec3 q = p - shoulder;
    float d = loft(kArm, q.dot(out), q.z(), q.dot(axis));
    // Thumb, held forward of the palm.
    const Vec3 root = shoulder + axis * 332 + Vec3(0, 0, 14), tip = shoulder + axis * 372 + Vec3(0, 0, 38);
    d = join(d, cone(p, root, tip, 10, 7.5f), 10);
    return d;
}

float trunkDistance(const Vec3& p) {
    const float x = std::abs(p.x());
    const Vec3 m{x, p.y(), p.z()};
    float d = loft(kTorso, p.x(), p.z(), p.y());
    d = join(d, ellipsoid(m, {43, 512, -36}, {46, 52, 44}), 26); // seat
    d = join(d, ellipsoid(m, {38, 742, 40}, {40, 38, 26}), 24);  // chest
    d = join(d, ellipsoid(m, {52, 772, -40}, {34, 44, 22}), 24); // shoulder blades
    d = join(d, cone(m, {28, 866, -20}, {100, 824, -12}, 18, 24), 24);
    return d;
}

float headDistance(const Vec3& p) {
    const Vec3 m{std::abs(p.x()), p.y(), p.z()};
    float d = ellipsoid(m, {0, 932, -2}, {45, 53, 56});
    d = join(d, ellipsoid(m, {0, 894, 22}, {33, 36, 34}), 20); // jaw
    d = join(d, ellipsoid(m, {0, 880, 44}, {11, 9, 11}), 14);  // chin
    d = join(d, cone(p, {0, 838, -22}, {0, 900, -10}, 33, 30), 20);
    d = join(d, cone(p, {0, 921, 52}, {0, 906, 63}, 4, 6.5f), 10); // nose
    d = join(d, ellipsoid(m, {14, 922, 46}, {12, 8, 10}), 10);     // brow and cheek, no features
    d = join(d, ellipsoid(m, {46, 915, -8}, {5, 16, 10}), 3);      // ear
    return d;
}

/// Straight pieces through (at, value) pairs with falling `at`.
float pieces(std::initializer_list<std::pair<float, float>> points, float at) {
    auto it = points.begin();
    if (at >= it->first) return it->second;
    for (auto next = it + 1; next != points.end(); it = next++)
        if (at >= next->first)
            return next->second + (at - next->first) / (it->first - next->first) * (it->second - next->second);
    return it->second;
}

/// Height above the hairline; hair grows where it is positive.
float aboveHairline(const Vec3& p) {
    // Brow, temple, sideburn, over the ear, behind it, nape.
    const float line = pieces({{52, 966},
                               {36, 961},
                               {25, 944},
                               {15, 916},
                               {8, 914},
                               {3, 932},
                               {-17, 934},
                               {-24, 902},
                               {-40, 884},
                               {-62, 876}},
                              p.z());
    return p.y() - line;
}

float edge(float value, float at, float width) { return hermite(std::clamp((value - at) / width + 0.5f, 0.f, 1.f)); }

/// How far down the arm, or −1 for a place that is not on an arm.
float alongArm(const Vec3& p) {
    const Vec3 q = Vec3(std::abs(p.x()), p.y(), p.z()) - Vec3(108, 812, -8);
    const float along = q.dot(Vec3(kArmSlope, -kArmSlope, 0)), across = q.dot(Vec3(kArmSlope, kArmSlope, 0));
    return along > 6 && std::abs(across) < 58 ? along : -1;
}

/// A round collar: low at the throat, above the shoulder line farther out.
float neckline(const Vec3& p) {
    return (p.z() > 0 ? 834.f : 850.f) + 70 * hermite(std::clamp((std::abs(p.x()) - 26) / 34, 0.f, 1.f));
}

constexpr float kSleeveEnd = 92, kLegHem = 66;

} // namespace

std::array<float, kParts> partDistances(const Vec3& p) {
    const Vec3 mirrored{-p.x(), p.y(), p.z()};
    return {trunkDistance(p),      headDistance(p), armDistance(p),
            armDistance(mirrored), legDistance(p),  legDistance(mirrored)};
}

Material materialAt(const Vec3& p) {
    if (p.y() > 868) return aboveHairline(p) > 0 ? Material::Hair : Material::Skin;
    if (const float arm = alongArm(p); arm >= 0) return arm > kSleeveEnd ? Material::Skin : Material::Shirt;
    if (p.y() >= neckline(p)) return Material::Skin;
    if (p.y() > kHemHeight) return Material::Shirt;
    return p.y() > kLegHem ? Material::Leggings : Material::Skin;
}

float bodyDistance(const Vec3& p) {
    const auto part = partDistances(p);
    const auto [trunk, head, armL, armR, legL, legR] = part;
    float d = join(trunk, std::min(armL, armR), 22);
    const float legs = std::min(legL, legR);
    d = join(d, legs, 24);
    d = join(d, head, 18);
    if (d > 30 || d < -30) return d;
    // Cloth lies on the skin as a thin layer that ends in a real edge.
    const float arm = alongArm(p);
    const bool onArm = arm >= 0;
    const float shirt =
        onArm ? 1 - edge(arm, kSleeveEnd, 3) : edge(p.y(), kHemHeight, 3) * (1 - edge(p.y(), neckline(p), 3));
    const float waist = std::exp(-std::pow((p.y() - 636) / 34.f, 2.f));
    const float ease = 3.2f + (onArm ? 2.2f * edge(arm, 70, 40) : 4.0f * waist);
    const float leggings = onArm ? 0 : (1 - edge(p.y(), kHemHeight, 2)) * edge(p.y(), kLegHem, 3);
    d -= ease * shirt + 1.2f * leggings;
    if (p.y() > 868) d -= 6.5f * edge(aboveHairline(p), 4, 10);
    return d;
}

const std::vector<RestLandmark>& restLandmarks() {
    // Where a sticker would be put for a side view; bony points are seen through the skin that lies over them.
    static const std::vector<RestLandmark> points = {{"ear", {51, 915, -8}},
                                                     {"shoulder", {131, 805, -24}},
                                                     {"elbow", {232, 700, -34}},
                                                     {"wrist", {333, 587, -26}},
                                                     {"rib", {82, 672, 28}},
                                                     {"t12", {78, 664, -22}},
                                                     {"crest", {92, 590, -4}},
                                                     {"asis", {80, 566, 36}},
                                                     {"psis", {40, 562, -62}},
                                                     {"hip", {104, 520, 0}},
                                                     {"knee", {108, 285, 4}},
                                                     {"ankle", {118, 46, -4}},
                                                     {"heel", {98, 18, -24}},
                                                     {"toe", {122, 16, 74}},
                                                     {"back_mid", {36, 618, -50}, false},
                                                     {"nose", {0, 908, 72}, false, true},
                                                     {"c7", {0, 846, -60}, false, true},
                                                     {"sternum", {0, 786, 66}, false, true},
                                                     {"sacrum", {0, 566, -74}, false, true}};
    return points;
}

} // namespace deft::figure
