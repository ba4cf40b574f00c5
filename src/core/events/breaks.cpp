// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/movement.h"
#include "events/time_bands.h"
#include "events/times.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Of weak marks 63 % lay inside their band on clips from elsewhere, where it should be 95: it is that much too narrow.
constexpr double kWeakBand = 2.2;

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
        const bool firmlyOut = limit.verdict(v, (s->isWeak(i) ? kWeakBand : 1) * s->u95[i]) == Verdict::Out;
        if (!out && e > 0) {
            out = true;
            now = {t[i], t[i], t[i], v, s->u95[i], limit.endAt(v)};
            now.slideU95 = s->slideAt(i);
            if (i > 0 && std::isfinite(s->value[i - 1]) && t[i - 1] >= from_s)
                now.start_s = crossing(t[i - 1], s->value[i - 1], t[i], v, now.limit);
            now.startU95_s = bandOfCrossing(t, *s, limit, i, from_s, to_s);
        } else if (out && limit.isWorse(v, now.worst)) {
            now.worst_s = t[i], now.worst = v, now.worstU95 = s->u95[i], now.slideU95 = s->slideAt(i);
        } else if (out && e < inside) {
            close(t[i]);
        }
        now.isSeen = now.isSeen || (out && firmlyOut);
        last = t[i];
    }
    if (out) close(last);
    return found;
}

void findBreaks(Events& events, const SeriesSet& set, const MoverPlan& plan, const std::vector<Tolerance>& tolerances,
                const std::function<bool(const Tolerance&, int rep)>& passedOver) {
    const Series* mover = set.find(plan.measure);
    if (!mover) return;
    for (Rep& rep : events.reps) {
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
    }
}

} // namespace deft
