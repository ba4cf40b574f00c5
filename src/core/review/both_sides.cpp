// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/both_sides.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kStillStart_s = 1; // hardly anybody begins sooner; chosen here
constexpr double kAround_s = 1;     // the still time before and after a rep belongs to its side; chosen here

void addReps(std::vector<WorkingTime>& working, const std::string& side, const Events& events) {
    for (const Rep& rep : events.reps) working.push_back({side, rep.start_s, rep.end_s});
}

/// Does the mover read the same whichever side is meant to work? Then it cannot tell the sides apart.
bool readsTheSame(const SeriesSet& a, const SeriesSet& b, const std::string& measure) {
    const Series *x = a.find(measure), *y = b.find(measure);
    if (!x || !y || x->value.size() != y->value.size()) return false;
    for (size_t i = 0; i < x->value.size(); ++i)
        if (std::abs(x->value[i] - y->value[i]) > 1e-9) return false; // a gap is as good as the other's gap
    return true;
}

/// The side on which a body lies; empty where that was not seen.
std::string sideBelow(const Tracks& tracks, const BodyAxes& axes) {
    const auto left = medianPlace(tracks, "hip_l"), right = medianPlace(tracks, "hip_r");
    if (!left || !right) return {};
    return (*left - *right).dot(axes.up) < 0 ? "left" : "right";
}

} // namespace

std::string SidedSeries::sideAt(double t) const {
    for (const WorkingTime& w : working)
        if (t >= w.from_s && t <= w.to_s) return w.side;
    for (const WorkingTime& w : working)
        if (t >= w.from_s - kAround_s && t <= w.to_s + kAround_s) return w.side;
    return {};
}

void setSide(SeriesOptions& options, const std::string& side, bool sideIsStance) {
    const std::string other = side == "left" ? "right" : "left";
    options.side = sideIsStance ? other : side;
    options.stance = sideIsStance ? side : other;
}

Result<SeriesSet> seriesFor(const Tracks& tracks, SeriesOptions options, const MoverPlan& mover) {
    // Where the set-up ends is known from the mover, and neutral from the set-up: look twice.
    options.only = {mover.measure};
    for (const Limit& limit : mover.inPosition) options.only.push_back(limit.measure);
    auto first = computeSeries(tracks, options);
    if (!first) return first;
    options.only.clear();
    const Events rough = findMovement(*first, mover);
    // Where the mover was lost, or stays still while other parts move, the whole clip would be the start.
    options.setupStart_s = rough.setupStart_s;
    options.setupEnd_s = rough.setupEnd_s;
    if (rough.reps.empty()) options.setupEnd_s = std::min(rough.setupEnd_s, rough.setupStart_s + kStillStart_s);
    return computeSeries(tracks, options);
}

Result<SidedSeries> seriesOfBothSides(const Tracks& tracks, SeriesOptions options, const MoverPlan& mover,
                                      bool sideIsStance) {
    setSide(options, "left", sideIsStance);
    auto left = seriesFor(tracks, options, mover);
    if (!left) return tl::unexpected(left.error());
    setSide(options, "right", sideIsStance);
    auto right = seriesFor(tracks, options, mover);
    if (!right) return tl::unexpected(right.error());
    if (readsTheSame(*left, *right, mover.measure)) {
        // Who lifts as a whole, lying on a side, works on that side; else nobody can tell which one it was.
        const std::string below =
            options.position == Position::SideLying ? sideBelow(tracks, left->context.axes) : std::string();
        SidedSeries one{std::move(below == "right" ? *right : *left), {}};
        if (!below.empty()) addReps(one.working, below, findMovement(one.set, mover));
        return one;
    }
    SidedSeries both{std::move(*left), {}};
    both.set.beforeNeutral.clear();
    addReps(both.working, "left", findMovement(both.set, mover));
    const bool leftWorks = !both.working.empty();
    addReps(both.working, "right", findMovement(*right, mover));
    std::sort(both.working.begin(), both.working.end(),
              [](const WorkingTime& a, const WorkingTime& b) { return a.from_s < b.from_s; });
    for (const Series& s : right->series)
        if (!both.set.find(s.id)) both.set.series.push_back({s.id, s.unit, {}, {}});
    const size_t n = both.set.time_s.size();
    for (Series& s : both.set.series) {
        s.value.resize(n, kGap), s.u95.resize(n, kGap);
        const Series* other = right->find(s.id);
        for (size_t i = 0; i < n; ++i) {
            const std::string side = both.sideAt(both.set.time_s[i]);
            if (side == "left" || (side.empty() && leftWorks)) continue;
            s.value[i] = other ? other->value[i] : kGap;
            s.u95[i] = other ? other->u95[i] : kGap;
            if (s.isWeak(i) || (other && other->isWeak(i))) {
                s.weak.resize(n, false);
                s.weak[i] = other && other->isWeak(i);
            }
        }
    }
    return both;
}

} // namespace deft
