// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/clip_facts.h"

#include "marks/names.h"
#include "measures/turned.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// How far the camera is known to stand off square: by the mat along which somebody lies, else by the limbs.
std::optional<double> knownTurn(const Review& r) {
    const auto& context = r.series().context;
    if (context.mat && context.position != Position::Upright) return std::abs(context.mat->turnDeg);
    if (const auto limbs = turnOfLimbs(r.tracks(), context.axes)) return limbs->deg;
    return std::nullopt;
}

/// Time after the set-up and outside the reps in which the mover was not seen, s: a rep may have been missed there.
/// Without a rep nobody knows when the set-up ended.
double lostBetweenReps(const Review& r) {
    const double from_s = r.events.reps.empty() ? 0 : r.events.setupEnd_s;
    const Series* mover = r.series().find(moverPlan(r.exercise).measure);
    double lost = 0;
    for (size_t i = 1; mover && i < mover->value.size(); ++i) {
        const double t = r.series().time_s[i];
        const bool inRep = std::any_of(r.events.reps.begin(), r.events.reps.end(),
                                       [t](const Rep& rep) { return t >= rep.start_s && t <= rep.end_s; });
        if (!std::isfinite(mover->value[i]) && t > from_s && !inRep) lost += t - r.series().time_s[i - 1];
    }
    return lost;
}

} // namespace

std::vector<ClipCheck> checkClip(const Review& r) {
    std::vector<ClipCheck> out;
    const BodyAxes& axes = r.series().context.axes;
    out.push_back(levelCheck(axes.matMarked ? std::optional(axes.rollDeg) : std::nullopt));
    if (r.exercise.view == "side")
        if (const auto turn = knownTurn(r)) out.push_back(squareCheck(*turn));
    out.push_back(frameRateCheck(r.clip()));
    out.push_back(stillStartCheck(r.events.setupEnd_s));
    double moving = 0, lost = 0;
    for (const Rep& rep : r.events.reps) moving += rep.hold.end_s - rep.start_s, lost += rep.lost_s;
    if (const double between = lostBetweenReps(r); between > 1) moving += between, lost += between;
    if (moving > 0) {
        const double kept = 100 * (1 - std::min(lost, moving) / moving); // what is lost may reach beyond the hold
        out.push_back(
            {"marks-kept",
             kept >= 90   ? "good"
             : kept >= 60 ? "poor"
                          : "unusable",
             kept, "%",
             kept >= 90
                 ? ""
                 : "Tight clothes with a pattern, or a few stickers on your joints, would let me see much more."});
    }
    double margin = 1e9;
    for (const auto& [name, points] : r.tracks().landmark) {
        if (isSceneLandmark(name)) continue; // the body must be in the picture, not the whole mat
        for (const TrackPoint& p : points)
            if (p.usable())
                margin = std::min(
                    {margin, p.at.x(), p.at.y(), r.clip().width - 1 - p.at.x(), r.clip().height - 1 - p.at.y()});
    }
    out.push_back(
        {"in-frame", margin > 10 ? "good" : "poor", margin, "px",
         margin > 10 ? "" : "Please move the phone back until your whole body fits with a hand's width to spare."});
    return out;
}

} // namespace deft
