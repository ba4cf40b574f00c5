// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/movement.h"
#include "events/time_bands.h"
#include "events/times.h"

#include "signal/peaks.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kFidget = 0.25; // of the largest excursion: less is no rep (chosen here)
constexpr double kCounter_s = 2; // a movement the wrong way before or after a rep lasts no longer (chosen here)

/// Noise of a series from its second differences: movement is smooth at this scale.
double noiseOf(const std::vector<double>& x) {
    std::vector<double> d;
    for (size_t i = 1; i + 1 < x.size(); ++i) d.push_back(std::abs(x[i + 1] - 2 * x[i] + x[i - 1]));
    const double m = medianOf(d);
    return std::isfinite(m) ? 1.4826 * m / std::sqrt(6.0) : 0;
}

/// Still stretches in position, the window included: each is a rep that is all hold.
void findWindowHolds(Events& events, const std::vector<double>& t, const std::vector<double>& x,
                     const std::vector<bool>& in, const MoverPlan& plan) {
    const auto speed = derivative(t, x);
    auto isFast = [&](size_t i) { return std::abs(speed[i]) > plan.stillInWindow(); };
    // Between the last frame of a hold and the one outside, where the window is left or the body moves.
    auto edge = [&](size_t inner, size_t out) {
        if (out >= x.size() || !std::isfinite(x[out])) return t[inner];
        if (!plan.inWindow(x[out]))
            return crossing(t[inner], x[inner], t[out], x[out],
                            plan.high && x[out] > *plan.high ? *plan.high : *plan.low);
        if (!in[out]) return (t[inner] + t[out]) / 2; // still in the window, and on the way
        return crossing(t[inner], std::abs(speed[inner]), t[out], std::abs(speed[out]), plan.stillInWindow());
    };
    auto keep = [&](size_t first, size_t last) {
        if (t[last] - t[first] < kShortestHold_s) return;
        Rep rep;
        rep.start_s = rep.top_s = rep.hold.start_s = edge(first, first - 1); // before the first frame: none
        rep.holdEnd_s = rep.end_s = rep.hold.end_s = edge(last, last + 1);
        rep.finished = last + 1 < t.size();
        rep.hold.clean_s = rep.hold.duration_s();
        events.reps.push_back(rep);
    };
    const size_t none = x.size();
    size_t first = none, last = 0;
    bool left = false; // since `last`
    for (size_t i = 0; i < x.size(); ++i) {
        if (!std::isfinite(x[i]) && in[i]) continue; // not seen is not left; Rep::lost_s tells how much that was
        if (in[i] && !isFast(i)) {
            if (first == none) first = i;
            last = i, left = false;
            continue;
        }
        left = left || !in[i];
        if (first != none &&
            t[i] - t[last] > (left ? kBreakLasts_s : kShortestHold_s)) { // a start within the position ends no hold
            keep(first, last);
            first = none;
        }
    }
    if (first != none) keep(first, last);
    if (events.reps.empty()) return;
    events.setupStart_s = events.reps[0].start_s;
    events.setupEnd_s = std::min(events.reps[0].end_s, events.setupStart_s + kShortestHold_s);
}

} // namespace

Span countedIn(const Rep& rep, const Phases& counts) {
    return {counts.out    ? rep.start_s
            : counts.hold ? rep.hold.start_s
                          : rep.hold.end_s,
            counts.back   ? rep.end_s
            : counts.hold ? rep.hold.end_s
                          : rep.top_s};
}

double setupEnd(const std::vector<double>& time_s, const std::vector<double>& mover, double minExcursion,
                double from_s) {
    std::vector<double> start;
    const size_t from = indexAt(time_s, from_s);
    for (size_t i = from; i < mover.size() && time_s[i] <= from_s + 0.5; ++i) start.push_back(mover[i]);
    const double level = medianOf(start);
    if (!std::isfinite(level)) return std::min(from_s + 1.0, time_s.back());
    for (size_t i = from; i < mover.size(); ++i)
        if (std::isfinite(mover[i]) && std::abs(mover[i] - level) > 0.35 * minExcursion)
            return std::max(from_s + 0.2, time_s[i] - 0.3);
    return time_s.back();
}

namespace {

/// Out and back, places in the series.
struct Excursing {
    size_t start, peak, end;
    bool finished;
};

/// Excursions above where they begin, in one stretch in position: between two turning points the mover goes at least
/// `least`, and half of how far it stands from `base`.
void addExcursions(std::vector<Excursing>& found, const std::vector<double>& x, size_t from, size_t to, bool cutOff,
                   double base, double least) {
    const auto worthIt = [&](double height) { return std::max(least, 0.5 * (height - base)); };
    while (from < to && !std::isfinite(x[from])) ++from;
    size_t low = from, high = from, last = from; // low, high: the last turning points
    bool out = false;
    auto keep = [&](size_t end, bool finished) {
        const double fifth = 0.2 * (x[high] - x[low]);
        const double rest = std::max(x[end], base); // what goes beyond it later is another matter
        size_t start = high, back = high;
        while (start > low && !(x[start] <= x[low] + fifth)) --start;
        while (back < end && !(x[back] <= rest + fifth && x[back] < x[high] - fifth)) ++back;
        found.push_back({start, high, back, finished});
    };
    for (size_t i = from; i < to; ++i) {
        if (!std::isfinite(x[i])) continue;
        last = i;
        if (!out) { // at rest, or on the way back
            if (x[i] < x[low]) low = i;
            if (x[i] - x[low] >= worthIt(x[i]) && x[i] - base >= 0.5 * least) out = true, high = i;
            continue;
        }
        if (x[i] > x[high]) high = i;
        if (x[high] - x[i] < worthIt(x[high])) continue;
        // Back; it ends where it turns again, or rests.
        size_t end = i;
        for (size_t k = i; k < to; ++k) {
            if (!std::isfinite(x[k])) continue;
            if (x[k] < x[end]) end = k;
            if (x[k] - x[end] >= worthIt(x[k])) break;
        }
        keep(end, true);
        low = i = last = end;
        out = false;
    }
    if (out && cutOff) keep(last, false);
}

} // namespace

namespace {

Events withoutBands(const SeriesSet& set, const MoverPlan& plan) {
    Events events;
    const Series* mover = set.find(plan.measure);
    events.setupEnd_s = set.time_s.empty() ? 0 : set.time_s.back();
    if (!mover) return events;
    std::vector<double> x = mover->value;
    for (double& v : x) v = plan.outward(v);
    const auto& t = set.time_s;
    std::vector<Limit> position = plan.inPosition;
    if (plan.isWindow()) position.push_back({plan.measure, plan.low, plan.high});
    const std::vector<bool> in = inPosition(set, position);
    if (plan.isWindow()) {
        findWindowHolds(events, t, mover->value, in, plan);
        return events;
    }
    const size_t first = size_t(std::find(in.begin(), in.end(), true) - in.begin());
    if (first == in.size()) return events;
    events.setupStart_s = t[first];
    events.setupEnd_s = setupEnd(t, x, plan.minExcursion, t[first]);

    std::vector<double> setup;
    for (size_t i = first; i < x.size() && t[i] <= events.setupEnd_s; ++i) setup.push_back(x[i]);
    const double base = medianOf(setup), least = std::max(plan.minExcursion, 6 * noiseOf(x));
    if (!std::isfinite(base)) return events;

    const auto speed = derivative(t, x);
    std::vector<Excursing> cycles;
    for (size_t i = first; i < x.size(); ++i) {
        if (!in[i]) continue;
        size_t end = i;
        while (end < x.size() && in[end]) ++end;
        addExcursions(cycles, x, i, end, end == x.size(), base, least);
        i = end;
    }
    double largest = 0;
    for (const Excursing& c : cycles) largest = std::max(largest, x[c.peak] - x[c.start]);
    std::erase_if(cycles, [&](const Excursing& c) { return x[c.peak] - x[c.start] < kFidget * largest; });
    // Who goes the other way first, or comes back too far, does it in that rep: from its resting level to its resting
    // level.
    const auto besideRest = [&](size_t i) { return x[i] < base - 0.25 * least; };
    const auto wrongWay = [&](size_t from, long step, double until_s) {
        if (!(x[from] < base - 0.5 * least)) return from;
        size_t i = from;
        while (i + step < x.size() && in[i + step] && !(step < 0 ? t[i + step] < until_s : t[i + step] > until_s)) {
            i += step;
            if (!besideRest(i)) return i;
        }
        return from; // its resting level is another one by now
    };
    double before_s = t[first];
    for (const Excursing& cycle : cycles) {
        Rep rep;
        rep.finished = cycle.finished;
        // Back to where the movement began: still, or going the other way.
        size_t start = cycle.start;
        const double slow = kSlowShare * (x[cycle.peak] - x[cycle.start]);
        while (start > 0 && in[start - 1] && std::isfinite(speed[start]) && speed[start] > slow) --start;
        while (start < cycle.peak && !std::isfinite(x[start])) ++start;
        start = wrongWay(start, -1, std::max(before_s, t[start] - kCounter_s));
        rep.baseline = x[start];
        const double own = x[cycle.peak] - rep.baseline;
        const double still = plan.stillShare * own, level = rep.baseline + plan.levelShare * own;
        size_t topAt = cycle.peak;
        for (size_t i = start; i <= cycle.peak; ++i)
            if (x[i] > level && speed[i] < still) {
                topAt = i;
                break;
            }
        // The hold ends where the final way back begins: from the end, the last frame that was still and high enough.
        size_t leave = cycle.end;
        while (leave > topAt && !(x[leave] > level && speed[leave] > -still)) --leave;
        size_t end = cycle.end;
        while (end + 1 < x.size() && in[end + 1] && std::isfinite(speed[end]) && speed[end] < -slow) ++end;
        end = wrongWay(end, 1, t[end] + kCounter_s);
        before_s = t[end];

        rep.start_s = t[start];
        rep.top_s = topAt > 0 ? crossing(t[topAt - 1], speed[topAt - 1], t[topAt], speed[topAt], still) : t[topAt];
        if (topAt == cycle.peak) rep.top_s = t[topAt];
        rep.holdEnd_s = leave + 1 < x.size() && leave > topAt
                            ? crossing(t[leave], speed[leave], t[leave + 1], speed[leave + 1], -still)
                            : t[leave];
        rep.end_s = t[end];
        rep.reach = own;
        rep.controlRange = own;
        rep.hold.start_s = rep.top_s;
        rep.hold.end_s = std::max(rep.top_s, rep.holdEnd_s);
        rep.hold.clean_s = rep.hold.duration_s();
        events.reps.push_back(rep);
    }
    if (!events.reps.empty()) {
        // Before the first rep and after the client got there: what lies farther back was something else.
        size_t got = indexAt(t, events.reps[0].start_s);
        while (got > 0 && in[got - 1]) --got;
        events.setupEnd_s = std::max(t[got] + 0.2, events.reps[0].start_s - 0.1);
        events.setupStart_s = std::max(t[got], events.setupEnd_s - kSetup_s);
    }
    return events;
}

} // namespace

Events findMovement(const SeriesSet& set, const MoverPlan& plan) {
    Events events = withoutBands(set, plan);
    if (const Series* mover = set.find(plan.measure))
        for (Rep& rep : events.reps) {
            // What is lost right after the hold may have belonged to it.
            size_t after = indexAt(set.time_s, rep.hold.end_s) + 1;
            while (after < mover->value.size() && !std::isfinite(mover->value[after])) ++after;
            const double seenAgain_s = after < mover->value.size() ? set.time_s[after] : set.time_s.back();
            rep.lost_s = gapBetween(set.time_s, mover->value, rep.start_s, seenAgain_s);
        }
    addTimeBands(events, set, plan);
    return events;
}

void addTempo(SeriesSet& set, const Events& events, const MoverPlan& plan) {
    if (plan.isWindow()) return;
    const std::vector<double> none(set.time_s.size(), kGap);
    Series out{"pace_out", "s", none, none}, back{"pace_back", "s", none, none};
    for (const Rep& rep : events.reps) {
        if (rep.unsure()) continue; // what was not seen has no tempo
        for (size_t i = 0; i < set.time_s.size(); ++i) {
            const double t = set.time_s[i];
            if (t >= rep.start_s && t <= rep.top_s) out.value[i] = rep.out_s(), out.u95[i] = rep.outU95_s();
            if (t >= rep.hold.end_s && t <= rep.end_s && rep.finished)
                back.value[i] = rep.back_s(), back.u95[i] = rep.backU95_s();
        }
    }
    set.series.push_back(std::move(out));
    set.series.push_back(std::move(back));
}

void addLevelLoss(SeriesSet& set, const Events& events, const MoverPlan& plan) {
    const Series* mover = set.find(plan.measure);
    if (!mover || plan.isWindow()) return;
    Series loss{"level_loss", "%", std::vector<double>(set.time_s.size(), kGap),
                std::vector<double>(set.time_s.size(), kGap)};
    for (const Rep& rep : events.reps) {
        const size_t a = indexAt(set.time_s, rep.hold.start_s), b = indexAt(set.time_s, rep.hold.end_s);
        if (rep.unsure()) continue;
        // The height of the hold is reached a moment after its start.
        size_t reached = a;
        double from = kGap;
        for (size_t i = a; i <= b && set.time_s[i] <= rep.hold.start_s + 0.5; ++i)
            if (const double height = plan.outward(mover->value[i]); !(height <= from) && std::isfinite(height))
                reached = i, from = height;
        const double lift = from - rep.baseline;
        if (!(lift > 0)) continue;
        for (size_t i = a; i <= b; ++i) {
            loss.value[i] = 100 * (from - plan.outward(mover->value[i])) / lift;
            // Both heights hang on the same mat line and the same mark, so of their bands only the marks' own noise
            // remains, and what the later one has grown by: slip since then.
            const double now = mover->u95[i], then = mover->u95[reached];
            const double grown = std::sqrt(std::max(0.0, now * now - then * then));
            loss.u95[i] = 100 * std::hypot(std::min(now, 0.03 * lift), grown) / lift;
        }
    }
    set.series.push_back(std::move(loss));
}

std::vector<BandHold> holdsInBand(const std::vector<double>& x, double target, double tolerance, double minimum,
                                  double bridge) {
    std::vector<BandHold> merged;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!(std::abs(x[i] - target) <= tolerance)) continue;
        if (!merged.empty() && double(i - merged.back().last) - 1 <= bridge + 1e-9)
            merged.back().last = i;
        else
            merged.push_back({i, i});
    }
    std::erase_if(merged, [&](const BandHold& h) { return double(h.last - h.first) < minimum - 1e-9; });
    return merged;
}

} // namespace deft
