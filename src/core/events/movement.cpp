#include "events/movement.h"

#include "signal/peaks.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

// Getting into a position and out of it is quicker than this, per cent or degrees a second; it lasts no longer, and a
// moment outside is none (all chosen here).
constexpr double kSettling = 8, kLongestSettling_s = 1.5, kMoment_s = 0.5;
constexpr double kFidget = 0.25;    // of the largest excursion: less is no rep (chosen here)
constexpr double kSlowShare = 0.06; // of the lift, a second: slower, and a rep has not begun or is over (chosen here)

size_t indexAt(const std::vector<double>& time_s, double t) {
    const auto it = std::lower_bound(time_s.begin(), time_s.end(), t - 1e-9);
    return std::min(size_t(it - time_s.begin()), time_s.size() - 1);
}

/// Time at which the line between two samples crosses a level.
double crossing(double t0, double v0, double t1, double v1, double level) {
    if (v0 == v1 || !std::isfinite(v0) || !std::isfinite(v1)) return t1;
    return t0 + std::clamp((level - v0) / (v1 - v0), 0.0, 1.0) * (t1 - t0);
}

/// Noise of a series from its second differences: movement is smooth at this scale.
double noiseOf(const std::vector<double>& x) {
    std::vector<double> d;
    for (size_t i = 1; i + 1 < x.size(); ++i) d.push_back(std::abs(x[i + 1] - 2 * x[i] + x[i - 1]));
    const double m = medianOf(d);
    return std::isfinite(m) ? 1.4826 * m / std::sqrt(6.0) : 0;
}

/// Time between two moments in which a series has no value.
double gapBetween(const std::vector<double>& time_s, const std::vector<double>& x, double from_s, double to_s) {
    double gap = 0;
    for (size_t i = indexAt(time_s, from_s) + 1; i < x.size() && time_s[i] <= to_s; ++i)
        if (!std::isfinite(x[i])) gap += time_s[i] - time_s[i - 1];
    return gap;
}

// Steady errors of a measure do not change when it moves, so only the part of its band that is noise counts for times;
// most of what smoothing leaves of it is as quick as that (all chosen here).
constexpr double kNoiseShare = 0.25, kNoise_Hz = 3, kLongest_s = 0.2;

/// Half-width of the time at which the mover has a speed (its unit a second).
double bandOfTime(const Series& mover, size_t at, double reach, double speed, double frame_s) {
    const double noise = kNoiseShare * std::min(mover.u95[at], 0.05 * reach);
    return std::hypot(frame_s / 2, std::min(kLongest_s, noise / std::max(1e-6, speed)));
}

constexpr double kNearEdge_s = 1; // around the edge of a hold in a window, for the band of its time (chosen here)

/// Still stretches inside the window: each is a rep that is all hold.
void findWindowHolds(Events& events, const std::vector<double>& t, const std::vector<double>& x,
                     const std::vector<bool>& in, const MoverPlan& plan) {
    const auto speed = derivative(t, x);
    auto inside = [&](size_t i) {
        return in[i] && plan.inWindow(x[i]) && !(std::abs(speed[i]) > plan.stillInWindow());
    };
    // Between the last frame of a hold and the one outside, where the window is left or the body moves.
    auto edge = [&](size_t inner, size_t out) {
        if (out >= x.size() || !std::isfinite(x[out]) || !in[out]) return t[inner];
        if (plan.inWindow(x[out]))
            return crossing(t[inner], std::abs(speed[inner]), t[out], std::abs(speed[out]), plan.stillInWindow());
        return crossing(t[inner], x[inner], t[out], x[out], plan.high && x[out] > *plan.high ? *plan.high : *plan.low);
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
    std::optional<size_t> first;
    size_t last = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!std::isfinite(x[i]) && in[i]) continue; // not seen is not left; Rep::lost_s tells how much that was
        if (inside(i)) {
            if (!first) first = i;
            last = i;
        } else if (first && t[i] - t[last] > kBreakLasts_s) {
            keep(*first, last);
            first.reset();
        }
    }
    if (first) keep(*first, last);
    if (events.reps.empty()) return;
    events.setupStart_s = events.reps[0].start_s;
    events.setupEnd_s = std::min(events.reps[0].end_s, events.setupStart_s + kShortestHold_s);
}

/// Half the time around a crossing at `at` in which the limit lies inside the band.
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

constexpr double kStillOnTheWay = 0.95; // of the reach: beyond it the mover has arrived (chosen here)

/// When the mover is farthest out.
double topOf(const SeriesSet& set, const MoverPlan& plan, const Rep& rep) {
    const Series& mover = *set.find(plan.measure);
    size_t top = indexAt(set.time_s, rep.start_s);
    for (size_t i = top; i < set.time_s.size() && set.time_s[i] <= rep.end_s; ++i)
        if (!(plan.outward(mover.value[i]) <= plan.outward(mover.value[top]))) top = i;
    return set.time_s[top];
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

std::vector<bool> inPosition(const SeriesSet& set, const std::vector<Limit>& position) {
    const auto& t = set.time_s;
    std::vector<bool> in(t.size(), true);
    std::vector<std::vector<double>> speeds;
    for (const Limit& limit : position) {
        const Series* s = set.find(limit.measure);
        if (!s) continue;
        for (size_t i = 0; i < t.size(); ++i)
            if (limit.excess(s->value[i]) > 0) in[i] = false;
        speeds.push_back(derivative(t, s->value));
    }
    const auto settling = [&](size_t i) {
        return std::any_of(speeds.begin(), speeds.end(),
                           [&](const auto& speed) { return std::abs(speed[i]) > kSettling; });
    };
    for (size_t i = 0; i < t.size(); ++i) { // a moment outside
        if (in[i]) continue;
        size_t end = i;
        while (end < t.size() && !in[end]) ++end;
        if (i > 0 && end < t.size() && t[end] - t[i] < kMoment_s)
            std::fill(in.begin() + long(i), in.begin() + long(end), true);
        i = end;
    }
    for (size_t i = 1; i + 1 < t.size(); ++i) { // getting in, getting out
        if (in[i] && !in[i - 1])
            for (size_t k = i; k < t.size() && in[k] && t[k] - t[i] < kLongestSettling_s && settling(k); ++k)
                in[k] = false;
    }
    for (size_t i = t.size(); i-- > 1;)
        if (in[i - 1] && !in[i]) {
            const double edge = t[i - 1];
            for (size_t k = i; k-- > 0 && in[k] && edge - t[k] < kLongestSettling_s && settling(k);) in[k] = false;
        }
    return in;
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
        size_t start = high, back = high;
        while (start > low && !(x[start] <= x[low] + fifth)) --start;
        while (back < end && !(x[back] <= x[end] + fifth && x[back] < x[high] - fifth)) ++back;
        found.push_back({start, high, back, finished});
    };
    for (size_t i = from; i < to; ++i) {
        if (!std::isfinite(x[i])) continue;
        last = i;
        if (!out) { // at rest, or on the way back
            if (x[i] < x[low]) low = i;
            if (x[i] - x[low] >= worthIt(x[i])) out = true, high = i;
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

Events findMovement(const SeriesSet& set, const MoverPlan& plan) {
    Events events;
    const Series* mover = set.find(plan.measure);
    events.setupEnd_s = set.time_s.empty() ? 0 : set.time_s.back();
    if (!mover) return events;
    std::vector<double> x = mover->value;
    for (double& v : x) v = plan.outward(v);
    const auto& t = set.time_s;
    const std::vector<bool> in = inPosition(set, plan.inPosition);
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
    for (const Excursing& cycle : cycles) {
        Rep rep;
        rep.finished = cycle.finished;
        // Back to where the movement began: still, or going the other way.
        size_t start = cycle.start;
        const double slow = kSlowShare * (x[cycle.peak] - x[cycle.start]);
        while (start > 0 && in[start - 1] && std::isfinite(speed[start]) && speed[start] > slow) --start;
        while (start < cycle.peak && !std::isfinite(x[start])) ++start;
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

void addPace(SeriesSet& set, const Events& events, const MoverPlan& plan) {
    if (plan.isWindow()) return;
    const std::vector<double> none(set.time_s.size(), kGap);
    Series out{"pace_out", "s", none, none}, back{"pace_back", "s", none, none};
    for (const Rep& rep : events.reps)
        for (size_t i = 0; i < set.time_s.size(); ++i) {
            const double t = set.time_s[i];
            if (t >= rep.start_s && t <= rep.top_s) out.value[i] = rep.out_s(), out.u95[i] = rep.outU95_s();
            if (t >= rep.hold.end_s && t <= rep.end_s && rep.finished)
                back.value[i] = rep.back_s(), back.u95[i] = rep.backU95_s();
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
        // The height of the hold is reached a moment after its start.
        std::vector<double> first;
        for (size_t i = a; i <= b && set.time_s[i] <= rep.hold.start_s + 0.5; ++i)
            first.push_back(plan.outward(mover->value[i]));
        const double from = first.empty() ? kGap : *std::max_element(first.begin(), first.end());
        const double lift = from - rep.baseline;
        if (!(lift > 0)) continue;
        for (size_t i = a; i <= b; ++i) {
            loss.value[i] = 100 * (from - plan.outward(mover->value[i])) / lift;
            // Both heights hang on the same mat line, so only the marks' own noise remains: take the band of a height
            // difference from the smaller of the two half-widths.
            loss.u95[i] = 100 * std::min(mover->u95[i], 0.03 * lift) / lift;
        }
    }
    set.series.push_back(std::move(loss));
}

std::vector<Excursion> excursions(const SeriesSet& set, const Limit& limit, double from_s, double to_s) {
    std::vector<Excursion> found;
    const Series* s = set.find(limit.measure);
    if (!s || set.time_s.empty()) return found;
    const auto& t = set.time_s;
    const double inside = -0.1 * limit.width(), lasts = s->unit == "s" ? -1 : kBreakLasts_s;
    bool out = false;
    Excursion now{};
    auto close = [&](double end) {
        now.end_s = end;
        if (now.end_s - now.start_s > lasts) found.push_back(now);
        out = false;
    };
    double last = from_s;
    for (size_t i = indexAt(t, from_s); i < t.size() && t[i] <= to_s + 1e-9; ++i) {
        const double v = s->value[i];
        if (!std::isfinite(v)) { // a gap ends what is known
            if (out) close(last);
            continue;
        }
        const double e = limit.excess(v);
        if (!out && e > 0) {
            out = true;
            now = {t[i], t[i], t[i], v, s->u95[i], limit.endAt(v)};
            if (i > 0 && std::isfinite(s->value[i - 1]) && t[i - 1] >= from_s)
                now.start_s = crossing(t[i - 1], s->value[i - 1], t[i], v, now.limit);
            now.startU95_s = bandOfCrossing(t, *s, limit, i, from_s, to_s);
        } else if (out && limit.isWorse(v, now.worst)) {
            now.worst_s = t[i], now.worst = v, now.worstU95 = s->u95[i];
        } else if (out && e < inside) {
            close(t[i]);
        }
        last = t[i];
    }
    if (out) close(last);
    return found;
}

void findBreaks(Events& events, const SeriesSet& set, const MoverPlan& plan, const std::vector<Tolerance>& tolerances,
                const std::function<bool(const Tolerance&, int rep)>& passedOver) {
    const Series* mover = set.find(plan.measure);
    if (!mover) return;
    const double frame = medianStep(set.time_s, {0, set.time_s.size()});
    for (Rep& rep : events.reps) {
        // What is lost right after the hold may have belonged to it.
        size_t after = indexAt(set.time_s, rep.hold.end_s) + 1;
        while (after < mover->value.size() && !std::isfinite(mover->value[after])) ++after;
        const double seenAgain_s = after < mover->value.size() ? set.time_s[after] : set.time_s.back();
        rep.lost_s = gapBetween(set.time_s, mover->value, rep.start_s, seenAgain_s);
        const auto excursionAt = [&](double time_s) {
            return plan.outward(mover->value[indexAt(set.time_s, time_s)]) - rep.baseline;
        };
        for (const Tolerance& tolerance : tolerances) {
            const Series* s = set.find(tolerance.limit.measure); // none: its landmarks are not marked at all
            const double from = tolerance.counts.out ? rep.start_s : rep.hold.start_s;
            rep.lost_s = std::max(rep.lost_s,
                                  s ? gapBetween(set.time_s, s->value, from, rep.hold.end_s) : rep.hold.end_s - from);
            if (passedOver && passedOver(tolerance, int(&rep - events.reps.data()))) continue;
            // A break that begins just before the end of a phase must still last 0.3 s, so look on into the next one.
            const Span counted = countedIn(rep, tolerance.counts);
            const double lookTo = std::max(counted.end_s, tolerance.counts.out ? rep.hold.end_s : counted.end_s);
            for (const Excursion& e : excursions(set, tolerance.limit, counted.start_s, lookTo)) {
                if (e.start_s > counted.end_s) break;
                const bool onTheWay = e.start_s <= rep.top_s, back = e.start_s > rep.hold.end_s;
                // The mover may still sink slowly where it is called still.
                const bool goingOut = onTheWay || (!back && excursionAt(e.start_s) < kStillOnTheWay * rep.reach &&
                                                   e.start_s < topOf(set, plan, rep));
                if (goingOut && !(rep.break_s && *rep.break_s <= e.start_s)) {
                    rep.break_s = e.start_s, rep.breakU95_s = e.startU95_s;
                    rep.brokenBy = tolerance.limit.measure;
                }
                if (!onTheWay && !back && !(rep.hold.first_break_s && *rep.hold.first_break_s <= e.start_s)) {
                    rep.hold.first_break_s = e.start_s, rep.hold.breakU95_s = e.startU95_s;
                    rep.hold.brokenBy = tolerance.limit.measure;
                }
                if (back && !(rep.breakBack_s && *rep.breakBack_s <= e.start_s))
                    rep.breakBack_s = e.start_s, rep.brokenBackBy = tolerance.limit.measure;
                break;
            }
        }
        if (rep.break_s) {
            rep.controlRange = 0;
            for (size_t i = indexAt(set.time_s, rep.start_s); i < set.time_s.size() && set.time_s[i] <= *rep.break_s;
                 ++i)
                rep.controlRange = std::max(rep.controlRange, plan.outward(mover->value[i]) - rep.baseline);
            if (*rep.break_s <= rep.hold.start_s) {
                rep.hold.first_break_s = rep.hold.start_s, rep.hold.breakU95_s = rep.breakU95_s;
                rep.hold.brokenBy = rep.brokenBy;
            }
        }
        if (rep.break_s || rep.hold.first_break_s)
            rep.breakBack_s.reset(), rep.brokenBackBy.clear(); // it had gone before
        if (rep.breakBack_s)
            if (const double at = excursionAt(*rep.breakBack_s); std::isfinite(at))
                rep.controlRange = std::clamp(at, 0.0, rep.reach);
        if (rep.hold.first_break_s) rep.hold.clean_s = std::max(0.0, *rep.hold.first_break_s - rep.hold.start_s);
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
