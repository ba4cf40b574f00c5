// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Pictures of the made figure in its positions, for whoever has to recognise it.

#include "base/json.h"
#include "figure/film.h"
#include "figure/positions.h"

namespace deft::test {

struct FigureView {
    std::string position, exercise; ///< of the scene, and the exercise that a client would be asked for
    std::string lies;               ///< what the body finder should say
    Json movement = Json::object();
    std::string view = "side";
};

inline const std::vector<FigureView>& figureViews() {
    static const std::vector<FigureView> views = {
        {"bridge", "bridge", "supine", {{"trunk_deg", {{0, 24}}}}},
        {"on-back",
         "arm-leg-lower",
         "supine",
         {{"hip_left_deg", {{0, 90}}},
          {"knee_left_deg", {{0, 90}}},
          {"hip_right_deg", {{0, 90}}},
          {"knee_right_deg", {{0, 90}}},
          {"arm_left_deg", {{0, 85}}},
          {"arm_right_deg", {{0, 85}}}}},
        {"all-fours",
         "arm-leg-reach",
         "all-fours",
         {{"leg_left_deg", {{0.1, 0}, {0.4, 78}}}, {"arm_right_deg", {{0.1, 0}, {0.4, 75}}}}},
        {"forearm-plank", "forearm-plank", "plank"},
        {"hand-plank", "hand-plank", "plank"},
        {"side-lying", "open-knee", "side-lying", {{"open_deg", {{0, 12}}}}, "front"},
        {"side-plank", "side-plank", "side-lying", Json::object(), "front"},
        {"standing", "one-leg-stand", "standing", {{"lift_left_deg", {{0, 40}}}}, "front"},
        {"standing", "posture-scan", "standing"},
        {"prone", "prone-back-raise", "prone", {{"raise_deg", {{0, 12}}}}}};
    return views;
}

inline figure::Scene figureScene(const FigureView& v, bool headLeft, bool stickers) {
    const bool stands = v.position == "standing";
    const Json camera = {{"width", 960},
                         {"height", 540},
                         {"focal_px", stands ? 780 : 1120},
                         {"distance_m", 3},
                         {"height_m", stands ? 0.9 : 0.6},
                         {"aim_m", stands ? 0.85 : 0.3}};
    const Json scene = {{"format", "deft-mirror-scene"},
                        {"version", 1},
                        {"position", v.position},
                        {"view", v.view},
                        {"head", headLeft ? "left" : "right"},
                        {"tremor_deg", 0},
                        {"person", {{"stickers", stickers}, {"height_m", 1.7}}},
                        {"camera", camera},
                        {"film", {{"duration_s", 0.4}, {"fps", 5}, {"room_samples", 1}, {"seed", 3}}},
                        {"movement", v.movement}};
    return figure::parseScene(scene, "scene").value();
}

} // namespace deft::test
