// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/positions.h"

#include "figure/poses.h"

#include <algorithm>

namespace deft::figure {
namespace {

struct Position {
    const char* name;
    enum class Lies { OnBack, FaceDown, OnSide, Stands } lies;
    Posed (*pose)(Rig&, const Now&);
    std::vector<std::string> curves; ///< that its pose looks at
};

const std::vector<Position>& positions() {
    using L = Position::Lies;
    static const std::vector<Position> all = {
        {"bridge", L::OnBack, bridge, {"trunk_deg", "bend_deg", "drop_deg", "leg_left_deg", "leg_right_deg"}},
        {"on-back",
         L::OnBack,
         onBack,
         {"curl_deg", "tilt_deg", "hip_left_deg", "hip_right_deg", "knee_left_deg", "knee_right_deg", "arm_left_deg",
          "arm_right_deg", "knees_turn_deg"}},
        {"reverse-plank", L::OnBack, reversePlank, {"sag_deg", "head_deg"}},
        {"rollout", L::FaceDown, rollout, {"out_deg", "round_deg", "hips_back_deg"}},
        {"half-kneeling", L::Stands, halfKneeling, {"forward_deg", "lean_deg", "tilt_deg"}},
        {"at-wall", L::Stands, atWall, {"turn_deg", "chest_turn_deg"}},
        {"over-bench",
         L::FaceDown,
         overBench,
         {"tilt_deg", "leg_left_deg", "leg_right_deg", "knee_left_deg", "knee_right_deg"}},
        {"all-fours",
         L::FaceDown,
         allFours,
         {"round_deg", "tilt_deg", "press_deg", "leg_left_deg", "leg_right_deg", "arm_left_deg", "arm_right_deg"}},
        {"forearm-plank",
         L::FaceDown,
         [](Rig& r, const Now& n) { return plank(r, n, false); },
         {"sag_deg", "tilt_deg"}},
        {"hand-plank", L::FaceDown, [](Rig& r, const Now& n) { return plank(r, n, true); }, {"sag_deg", "tilt_deg"}},
        {"side-lying",
         L::OnSide,
         sideLying,
         {"roll_deg", "hip_deg", "knee_deg", "open_deg", "lift_deg", "lift_both_deg", "sweep_deg", "top_knee_deg"}},
        {"side-plank", L::OnSide, sidePlank, {"sag_deg"}},
        {"standing",
         L::Stands,
         standing,
         {"lean_deg", "drop_deg", "forward_deg", "tilt_deg", "lift_left_deg", "lift_right_deg", "band_left_deg",
          "band_right_deg"}},
        {"prone", L::FaceDown, prone, {"raise_deg", "tilt_deg", "leg_left_deg", "leg_right_deg"}}};
    return all;
}

const Position& positionOf(const Scene& scene) {
    const auto& all = positions();
    return *std::find_if(all.begin(), all.end(), [&](const Position& p) { return p.name == scene.position; });
}

} // namespace

const std::vector<std::string>& positionNames() {
    static const auto names = [] {
        std::vector<std::string> n;
        for (const Position& p : positions()) n.push_back(p.name);
        return n;
    }();
    return names;
}

std::vector<std::string> curveNames(const std::string& position) {
    for (const Position& p : positions())
        if (position == p.name) return p.curves;
    return {};
}

std::vector<std::string> viewNames(const std::string& position) {
    for (const Position& p : positions())
        if (position == p.name) switch (p.lies) {
            case Position::Lies::OnBack:
            case Position::Lies::FaceDown:
                return {"side", "foot-end", "head-end", "above"};
            case Position::Lies::OnSide:
                return {"side", "head-end", "above"};
            case Position::Lies::Stands:
                return {"side", "front", "rear"};
            }
    return {};
}

Bearings bearings(const Scene& scene) {
    const Vec3 toHead = scene.headLeft ? Vec3(-1, 0, 0) : Vec3(1, 0, 0), toCamera = Vec3::UnitZ();
    const bool besides = scene.view == "side", above = scene.view == "above";
    switch (positionOf(scene).lies) {
    case Position::Lies::OnBack:
        return {toHead, kUp, !besides};
    case Position::Lies::FaceDown:
        return {toHead, -kUp, !besides};
    case Position::Lies::OnSide: // from above the body is seen from its own side
        return {toHead, toCamera, !above};
    case Position::Lies::Stands:
        break;
    }
    if (besides) return {kUp, toHead, false};
    return {kUp, scene.view == "rear" ? Vec3(-toCamera) : toCamera, true};
}

Camera placed(const Scene& scene, Camera camera) {
    const float far = camera.position.z(), height = camera.position.y();
    const float toHead = scene.headLeft ? -1.f : 1.f;
    if (scene.view == "foot-end" || scene.view == "head-end") {
        const float side = scene.view == "head-end" ? toHead : -toHead;
        camera.position = Vec3(side * far, height, camera.position.x());
    } else if (scene.view == "above") {
        camera.position = Vec3(0, far, 0.02f * far), camera.aim = Vec3(0, 0, 0);
    }
    return camera;
}

std::vector<Block> blocksOf(const Scene& scene) {
    const float toHead = scene.headLeft ? -1.f : 1.f, metre = float(scene.heightM / 1000);
    const Vec3 wood(0.42f, 0.30f, 0.18f), plaster(0.60f, 0.56f, 0.50f);
    const auto alongX = [&](float from, float to) { // low and high
        return std::pair(std::min(toHead * from, toHead * to), std::max(toHead * from, toHead * to));
    };
    std::vector<Block> blocks;
    if (scene.position == "over-bench") {
        const auto [low, high] = alongX(-0.02f, 0.95f);
        blocks.push_back({{low, 0, -0.2f}, {high, kBenchHeight * metre - 0.01f, 0.2f}, wood});
    } else if (scene.movement.count("press_deg")) { // the wall that holds the ball
        const float behind = (pressedBall(scene).x() * toHead - kBallRadius) * metre;
        const auto [low, high] = alongX(behind - 0.1f, behind);
        blocks.push_back({{low, 0, -0.9f}, {high, 2.4f, 0.9f}, plaster});
    } else if (scene.position == "at-wall") {
        const float z = scene.view == "rear" ? -1.f : 1.f;
        blocks.push_back(
            {{-1.5f, 0, std::min(z * 0.44f, z * 0.5f)}, {1.5f, 2.4f, std::max(z * 0.44f, z * 0.5f)}, plaster});
    }
    if (scene.view == "foot-end" || scene.view == "head-end") {
        const float far = scene.view == "foot-end" ? 2.2f : -2.2f;
        const auto [low, high] = alongX(far, far * 1.05f);
        blocks.push_back({{low, 0, -3}, {high, 4, 3}, plaster});
    }
    return blocks;
}

Posed poseAt(const Scene& scene, double seconds) {
    const Bearings b = bearings(scene);
    Rig rig(b.cranial, b.front);
    return positionOf(scene).pose(rig, {scene, seconds});
}

} // namespace deft::figure
