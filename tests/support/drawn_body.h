// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// An exercise file's own drawing set in motion: from its start to its far end and back, with or without one fault.

#include "exercises/exercise.h"
#include "review/review.h"
#include "support/catalogue.h"
#include "support/stick_body.h"

#include <random>

namespace deft::test {

struct DrawnMovement {
    int reps = 2;
    double hold_s = 3, fps = 25, noisePx = 0.15;
    std::string fault;     ///< which of the file's wrong drawings is shown, empty = none
    bool mirrored = false; ///< the whole picture the other way round
    double pxPerUnit = 5;
};

constexpr double kDrawnStart_s = 2, kDrawnOut_s = 1.2, kDrawnRest_s = 1.2;

/// No faster than the exercise asks for.
inline double drawnOut_s(const Exercise& e) { return std::max(kDrawnOut_s, e.tempoOut_s.value_or(0)); }
inline double drawnBack_s(const Exercise& e) { return std::max(kDrawnOut_s, e.tempoBack_s); }

/// How far the drawing has gone from start (0) to end (1), and how much of the fault is on.
inline std::pair<double, double> drawnPhase(const Exercise& e, const DrawnMovement& m, double t) {
    if (e.mover.isWindow()) return {1, outAndBack(t, 3, 4, 1e9, 2e9, 0, 1)};
    const double way = drawnOut_s(e), cycle = way + drawnBack_s(e) + m.hold_s + kDrawnRest_s;
    const double s = std::fmod(std::max(0.0, t - kDrawnStart_s), cycle);
    const double out = outAndBack(s, 0, way, way + m.hold_s, way + m.hold_s + drawnBack_s(e), 0, 1);
    return {out, out};
}

inline double drawnLength_s(const Exercise& e, const DrawnMovement& m) {
    return e.mover.isWindow()
               ? 4 + m.hold_s
               : kDrawnStart_s + m.reps * (drawnOut_s(e) + drawnBack_s(e) + m.hold_s + kDrawnRest_s) - 0.1;
}

/// Landmarks of one frame, px.
inline std::map<std::string, Point2> drawnPoints(const Exercise& e, const DrawnMovement& m, double t) {
    const auto [out, wrong] = drawnPhase(e, m, t);
    const Sketch none;
    const auto fault = e.wrong.find(m.fault);
    const Sketch& strays = fault == e.wrong.end() ? none : fault->second;
    std::map<std::string, Point2> points;
    for (const auto& [name, end] : e.end) {
        const auto at = e.start.find(name);
        Point2 p = at == e.start.end() ? end : Point2(at->second + out * (end - at->second));
        if (const auto s = strays.find(name); s != strays.end()) p += wrong * s->second;
        points[name] = {640 + (m.mirrored ? -1 : 1) * m.pxPerUnit * p.x(), 620 - m.pxPerUnit * p.y()};
    }
    const double away = m.mirrored ? -1 : 1;
    points["floor_a"] = {640 - away * 600, 620};
    points["floor_b"] = {640 + away * 600, 620};
    return points;
}

inline Tracks drawnTracks(const Exercise& e, const DrawnMovement& m) {
    std::mt19937 random(7);
    std::normal_distribution<double> noise(0, m.noisePx);
    Tracks tracks;
    const int frames = int(drawnLength_s(e, m) * m.fps);
    for (int i = 0; i < frames; ++i) {
        tracks.time_s.push_back(i / m.fps);
        for (const auto& [name, p] : drawnPoints(e, m, i / m.fps)) {
            if (name.starts_with("far_")) continue;
            const bool still = name.starts_with("floor");
            const Point2 q = still ? p : Point2(p + Point2(noise(random), noise(random)));
            tracks.landmark[name].push_back({q, i == 0 ? 1e-3 : 0.3, i == 0 ? PointState::ByHand : PointState::Seen});
        }
    }
    return tracks;
}

/// The side that the drawings show at work; of an exercise that names the standing side, that one.
inline std::string drawnSide(const Exercise& e) { return e.eachSide ? "right" : "both"; }

/// Does `id` follow from `cause`, in one or more steps?
inline bool follows(const Exercise& e, const std::string& id, const std::string& cause) {
    const FaultPlan* f = e.fault(id);
    return f && std::any_of(f->causedBy.begin(), f->causedBy.end(),
                            [&](const std::string& up) { return up == cause || follows(e, up, cause); });
}

/// The clip as clients are asked to film it: the lens at the height of the pelvis.
inline ClipInfo drawnClip(const Tracks& tracks, double fps) {
    ClipInfo clip;
    auto hip = medianPlace(tracks, "hip");
    if (!hip) hip = medianPlace(tracks, "hip_l");
    if (!hip) hip = medianPlace(tracks, "asis_l");
    clip.width = 1280, clip.height = int(2 * hip.value_or(Point2(640, 360)).y());
    clip.time_s = tracks.time_s, clip.duration_s = tracks.time_s.back();
    clip.medianRateHz = fps;
    return clip;
}

inline Result<Review> drawnReview(const Exercise& e, const DrawnMovement& m) {
    ReviewInputs in;
    in.exercise = e.id, in.view = e.view, in.side = drawnSide(e);
    Tracks tracks = drawnTracks(e, m);
    const ClipInfo clip = drawnClip(tracks, m.fps);
    return measureReview(shippedCatalogue(), in, clip, std::move(tracks));
}

} // namespace deft::test
