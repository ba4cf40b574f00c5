// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A review of a demo scene whose landmarks are followed without filming it: any exercise in a few milliseconds.

#include "figure/followed.h"
#include "marks/clip_of_tracks.h"
#include "review/review.h"
#include "support/catalogue.h"

namespace deft::test {

inline figure::Scene demoScene(const std::string& name) {
    return figure::readScene(DEFT_SOURCE_DIR "/demo/scenes/" + name + ".json").value();
}

/// @param change of what people decide @param scale of every curve: 0 = nothing moves
inline Review sceneReview(const std::string& scene, const std::string& exercise,
                          const std::function<void(ReviewInputs&)>& change = {}, double scale = 1) {
    figure::Scene made = demoScene(scene);
    for (auto& [name, curve] : made.movement)
        for (auto& [time_s, value] : curve.keys)
            if (name != "trunk_deg" && !name.starts_with("l")) value *= scale; // lifts stay, what goes wrong is scaled
    Tracks tracks = figure::followedIn(made);
    ReviewInputs in;
    in.clipPath = "/nowhere/" + scene + ".mp4", in.clipSha256 = std::string(64, 'a');
    for (const auto& [name, points] : tracks.landmark) in.marks.set(0, name, points.front().at);
    in.exercise = exercise, in.client = "Ruta Kalniņa", in.coach = "Jonna", in.date = "2026-05-14";
    in.asked = {"", 2, std::nullopt, 5.0, std::nullopt, 3};
    if (change) change(in);
    ClipInfo clip = clipOf(tracks);
    return measureReview(shippedCatalogue(), std::move(in), std::move(clip), std::move(tracks)).value();
}

} // namespace deft::test
