// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/followed.h"

#include "figure/noise.h"
#include "figure/positions.h"
#include "figure/room.h"

#include <algorithm>

namespace deft::figure {
namespace {

constexpr double kOff_px = 0.5, kTold_px = 1; // wander of a followed mark, and what is told of it (chosen here)
constexpr double kOff_Hz = 1.5;

/// The bone that carries a landmark of the left side or the middle.
Bone boneOf(const std::string& name) {
    static const std::map<std::string, Bone> bones = {
        {"ear", Head},          {"nose", Head},      {"c7", Chest},      {"sternum", Chest}, {"shoulder", UpperArmLeft},
        {"elbow", ForearmLeft}, {"wrist", HandLeft}, {"rib", Thoracic},  {"t12", Thoracic},  {"back_mid", Lumbar2},
        {"knee", ShankLeft},    {"ankle", FootLeft}, {"heel", FootLeft}, {"toe", FootLeft},  {"hip", Pelvis}};
    const auto it = bones.find(name);
    return it == bones.end() ? Pelvis : it->second;
}

Bone onSide(Bone left, int side) {
    return left >= ClavicleLeft && side ? Bone(int(left) + ClavicleRight - ClavicleLeft) : left;
}

} // namespace

Tracks followedIn(const Scene& scene) {
    Tracks tracks;
    tracks.time_s = scene.frameTimes();
    const Bearings b = bearings(scene);
    const Vec3 left = b.cranial.cross(b.front);
    const int near = (scene.view == "above" ? left.y() : left.z()) > 0 ? 0 : 1;
    const auto metre = float(scene.heightM / 1000);
    const auto put = [&](const std::string& name, double t, const Vec3& world) {
        const Vec3 seen = scene.camera.project(world);
        const auto which = std::find(scene.marks.begin(), scene.marks.end(), name) - scene.marks.begin();
        const int channel = 97 * int(which) + 1009 * scene.seed; // each wanders by itself
        const Point2 off(wander(t, channel, kOff_Hz), wander(t, channel + 41, kOff_Hz));
        tracks.landmark[name].push_back(
            {Point2(double(seen.x()), double(seen.y())) + kOff_px * off, kTold_px, PointState::Seen});
    };
    for (const double t : tracks.time_s) {
        const Posed pose = poseAt(scene, t);
        for (const RestLandmark& l : restLandmarks())
            for (const int side : {0, 1}) {
                const bool both = b.bothSides && !l.midline;
                if (!both && side != (l.midline ? 0 : near)) continue;
                const std::string name = l.name + std::string(!both ? "" : side ? "_r" : "_l");
                if (std::find(scene.marks.begin(), scene.marks.end(), name) == scene.marks.end()) continue;
                const Vec3 rest(side ? -l.point.x() : l.point.x(), l.point.y(), l.point.z());
                put(name, t, pose.carry(onSide(boneOf(l.name), side), rest) * metre + Vec3(0, kMatTop, 0));
            }
        for (const auto& [name, x] :
             {std::pair{"floor_a", scene.headLeft ? 0.62f : -0.62f}, {"floor_b", scene.headLeft ? -0.72f : 0.72f}})
            put(name, t, {x, kMatTop, 0.13f});
    }
    return tracks;
}

} // namespace deft::figure
