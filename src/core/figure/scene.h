// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json.h"
#include "figure/camera.h"
#include "figure/skeleton.h"

#include <map>

namespace deft::figure {

/// A value that rests at each key and moves between them along a minimum-jerk curve (Flash and Hogan, 1985).
struct Curve {
    std::vector<std::pair<double, double>> keys; ///< time (s), value
    double at(double seconds) const;
};

/// Something passes between camera and body, over one landmark.
struct Cover {
    double from_s = 0, to_s = 0;
    std::string landmark;
};

/// Everything a made clip is made of; file format `deft-mirror-scene` 1 (docs/scenes.md).
struct Scene {
    std::string position = "bridge";
    std::string view = "side"; ///< of a standing body: side, front or rear
    bool headLeft = true;      ///< standing seen from the side: the face looks left
    double heightM = 1.68;
    bool stickers = true;
    double loose = 0; ///< clothes that hang and slide: 1 = T-shirt and joggers; 0 = they lie on the skin
    Vec3 skin{0.72f, 0.50f, 0.39f}, shirt{0.25f, 0.10f, 0.12f}, leggings{0.045f, 0.05f, 0.075f},
        hair{0.06f, 0.035f, 0.02f}, mat{0.06f, 0.22f, 0.25f};
    std::string room = "rehearsal-room";
    Camera camera;
    double duration_s = 10, fps = 30, grain = 0.008, exposure = 1;
    double shakePx = 0; ///< standard deviation of a hand-held camera's wander
    double shutter = 0; ///< share of the frame time in which light comes in: motion blur; 0 = none
    std::vector<Cover> covers;
    bool variableRate = false, mirrored = false;
    int rotationDeg = 0, crf = 23, seed = 1;
    int supersample = 2, roomSamples = 4;
    double tremorDeg = 0.12;
    std::vector<std::string> marks; ///< landmarks in the marks file
    std::map<std::string, Curve> movement;
    double feet = 470; ///< ankle from the upper back along the mat (mH)

    std::vector<double> frameTimes() const;
    double value(const std::string& curve, double seconds) const;
};

/// @errors BadFormat with the path of the wrong entry
Result<Scene> readScene(const std::filesystem::path& path);
Result<Scene> parseScene(const Json& json, const std::string& where);

/// The body's pose at a time. World mH; the mat's surface at y = 0, the middle of the body near x = 0.
Posed poseAt(const Scene& scene, double seconds);

} // namespace deft::figure
