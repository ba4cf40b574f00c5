// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/time_bands.h"

#include "events/times.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {

double bandOfCrossing(const std::vector<double>& t, const Series& s, const Limit& limit, size_t at, double from_s,
                      double to_s) {
    const auto unsure = [&](size_t i) {
        return std::isfinite(s.value[i]) && std::abs(limit.excess(s.value[i])) < s.u95[i];
    };
    size_t first = at, last = at;
    while (first > 0 && t[first - 1] >= from_s && unsure(first - 1)) --first;
    while (last + 1 < t.size() && t[last] <= to_s && unsure(last)) ++last;
    const double frame = at > 0 ? t[at] - t[at - 1] : 0;
    return std::hypot(frame / 2, (t[last] - t[first]) / 2);
}

namespace {

// Steady errors of a measure do not change when it moves, so only the part of its band that is noise counts for times;
// most of what smoothing leaves of it is as quick as that (all chosen here).
constexpr double kNoiseShare = 0.25, kNoise_Hz = 3, kLongest_s = 0.2;

/// Half-width of the time at which the mover has a speed (its unit a second).
double bandOfTime(const Series& mover, size_t at, double reach, double speed, double frame_s) {
    const double noise = kNoiseShare * std::min(mover.u95[at], 0.05 * reach);
    return std::hypot(frame_s / 2, std::min(kLongest_s, noise / std::max(1e-6, speed)));
}

constexpr double kNearEdge_s = 1; // around the edge of a hold in a window, for the band of its time (chosen here)

/// Half-width of the time at which a hold in a window begins (`outward` −1) or ends (+1).
double bandOfEdge(const Series& mover, const MoverPlan& plan, const std::vector<double>& t, double edge_s,
                  int outward) {
    const size_t after = std::max<size_t>(1, indexAt(t, edge_s)), before = after - 1;
    const double frame = t[after] - t[before];
    const size_t outside = outward > 0 ? after : before;
    const bool cutOff = (t[outside] - edge_s) * outward <= 0;
    if (cutOff || !plan.inWindow(mover.value[outside]))
        return bandOfCrossing(t, mover, {plan.measure, plan.low, plan.high}, indexAt(t, edge_s), edge_s - kNearEdge_s,
                              edge_s + kNearEdge_s);
    // By stillness: how long its speed stays nearer to the limit than noise makes it uncertain.
    const auto speed = derivative(t, mover.value);
    const double braking = std::abs(std::abs(speed[after]) - std::abs(speed[before])) / frame;
    const double noise = kNoiseShare * std::min(mover.u95[outside], plan.minExcursion) * 2 * kPi * kNoise_Hz;
    return std::hypot(frame / 2, std::min(kLongest_s, noise / std::max(1e-6, braking)));
}

} // namespace

void addTimeBands(Events& events, const SeriesSet& set, const MoverPlan& plan) {
    const Series* mover = set.find(plan.measure);
    if (!mover) return;
    const double frame = medianStep(set.time_s, {0, set.time_s.size()});
    for (Rep& rep : events.reps) {
        if (plan.isWindow()) {
            rep.startU95_s = rep.hold.startU95_s = bandOfEdge(*mover, plan, set.time_s, rep.hold.start_s, -1);
            rep.endU95_s = rep.hold.endU95_s = bandOfEdge(*mover, plan, set.time_s, rep.hold.end_s, +1);
        } else {
            const auto bandAt = [&](double time_s, double shareOfReach) {
                return bandOfTime(*mover, indexAt(set.time_s, time_s), rep.reach, shareOfReach * rep.reach, frame);
            };
            rep.startU95_s = bandAt(rep.start_s, kSlowShare), rep.endU95_s = bandAt(rep.end_s, kSlowShare);
            rep.hold.startU95_s = bandAt(rep.hold.start_s, plan.stillShare);
            rep.hold.endU95_s = bandAt(rep.hold.end_s, plan.stillShare);
        }
        rep.hold.u95_s = std::hypot(rep.hold.startU95_s, rep.hold.endU95_s);
        rep.controlRangeU95 = mover->u95[indexAt(set.time_s, rep.top_s)];
    }
}

} // namespace deft
