// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/steadied.h"

#include "marks/names.h"
#include "measures/context.h"

#include <algorithm>

namespace deft {
namespace {
// A mark of the scene that was set anew elsewhere is no motion of the camera: then the others stay where they were.
constexpr double kTogether_px = 1.5;
} // namespace

Tracks steadied(Tracks tracks) {
    std::map<std::string, Point2> home;
    for (const auto& [name, points] : tracks.landmark)
        if (isSceneLandmark(name))
            if (const auto place = medianPlace(tracks, name)) home[name] = *place;
    Vector2 shift = Vector2::Zero();
    for (size_t i = 0; home.size() > 1 && i < tracks.frames(); ++i) {
        std::vector<Vector2> ways;
        Vector2 mean = Vector2::Zero();
        for (const auto& [name, place] : home)
            if (const TrackPoint* p = tracks.find(name, i); p && p->usable())
                ways.push_back(p->at - place), mean += ways.back();
        mean /= std::max(1.0, double(ways.size()));
        double apart = 0;
        for (const Vector2& way : ways) apart = std::max(apart, (way - mean).norm());
        if (ways.size() > 1 && apart < kTogether_px) shift = mean;
        for (auto& [name, points] : tracks.landmark) points[i].at -= shift;
    }
    return tracks;
}

} // namespace deft
