// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/hold_sway.h"

#include "geometry/propagate.h"
#include "signal/filter.h"
#include "signal/resample.h"

#include <cmath>

namespace deft {
namespace {

constexpr double kSeenShare = 0.8; // of the hold; chosen here

/// The pelvis in every frame, with its standard deviation.
struct PelvisPath {
    std::vector<double> x, y, sd;
};

PelvisPath pelvisPath(const Tracks& tracks, View view) {
    std::vector<std::string> marks{"hip"};
    if (view != View::Side) {
        const auto pair = hipPair(tracks, view);
        marks = pair ? std::vector{pair->first, pair->second} : std::vector<std::string>{};
    }
    const size_t n = marks.empty() ? 0 : tracks.frames();
    PelvisPath path{std::vector(n, kGap), std::vector(n, kGap), std::vector(n, kGap)};
    for (size_t i = 0; i < n; ++i) {
        Point2 sum = Point2::Zero();
        double variance = 0;
        size_t seen = 0;
        for (const std::string& mark : marks)
            if (const TrackPoint* p = tracks.find(mark, i); p && p->usable())
                sum += p->at, variance += p->sd * p->sd, ++seen;
        if (seen < marks.size()) continue;
        path.x[i] = sum.x() / double(seen), path.y[i] = sum.y() / double(seen);
        path.sd[i] = std::sqrt(variance) / double(seen);
    }
    return path;
}

} // namespace

void addSway(Events& events, const Tracks& tracks, const MeasureContext& context) {
    if (!(context.startTrunkPx > 0)) return;
    const PelvisPath path = pelvisPath(tracks, context.view);
    if (path.x.empty()) return;
    const auto smoothX = smoothed(tracks.time_s, path.x), smoothY = smoothed(tracks.time_s, path.y);
    const double share = 100 / context.startTrunkPx;
    for (Rep& rep : events.reps) {
        std::vector<double> times, spread;
        std::vector<Point2> points, unsmoothed; // smoothing would take the shaking out
        for (size_t i = 0; i < tracks.frames(); ++i) {
            if (tracks.time_s[i] < rep.hold.start_s || tracks.time_s[i] > rep.hold.end_s) continue;
            times.push_back(tracks.time_s[i]);
            points.emplace_back(share * smoothX[i], share * smoothY[i]);
            unsmoothed.emplace_back(share * path.x[i], share * path.y[i]);
            spread.push_back(share * path.sd[i]);
        }
        const auto sway = swayOf(times, points);
        if (!sway || double(sway->samples) < kSeenShare * double(times.size())) continue;
        rep.hold.sway = *sway;
        const double sd = medianOf(spread);
        rep.hold.swayU95 = kU95 * sd;
        rep.hold.tremor = tremorOf(times, unsmoothed, sd);
    }
}

} // namespace deft
