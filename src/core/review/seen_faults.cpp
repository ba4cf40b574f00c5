// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/seen_faults.h"

#include <algorithm>
#include <cmath>

namespace deft {

int repOfSpan(const Events& events, double start_s, double end_s) {
    int best = -1;
    double most = 0;
    for (size_t k = 0; k < events.reps.size(); ++k) {
        const Rep& rep = events.reps[k];
        const double overlap = std::min(end_s, rep.end_s) - std::max(start_s, rep.start_s); // negative = apart
        if (best < 0 || overlap > most) best = int(k), most = overlap;
    }
    return best;
}

bool isPassedOver(const Review& r, const std::string& fault, int rep) {
    return r.inputs.hasRejected(fault, rep) ||
           std::any_of(r.inputs.seen.begin(), r.inputs.seen.end(), [&](const SeenFault& s) {
               return s.instead && s.id == fault && repOfSpan(r.measurement->movement, s.start_s, s.end_s) == rep;
           });
}

void breakWhereSeen(Events& events, const Review& r, const MoverPlan& mover) {
    for (const SeenFault& seen : r.inputs.seen) {
        const FaultPlan* plan = r.exercise.fault(seen.id);
        const int k = repOfSpan(events, seen.start_s, seen.end_s);
        if (!plan || !plan->isAnchor || k < 0 || r.inputs.hasRejected(seen.id, k)) continue;
        Rep& rep = events.reps[size_t(k)];
        const std::string& measure = plan->limit.measure;
        const bool onTheWay = seen.start_s < rep.hold.start_s;
        if (onTheWay && plan->counts.out && (!rep.break_s || seen.start_s < *rep.break_s)) {
            const Series* s = r.series().find(mover.measure);
            rep.brokenBy = measure, rep.break_s = seen.start_s;
            if (s) {
                const double at = mover.outward(s->value[size_t(r.clip().frameAt(seen.start_s))]) - rep.baseline;
                if (std::isfinite(at)) rep.controlRange = std::clamp(at, 0.0, rep.reach);
            }
        }
        if (!plan->counts.hold || seen.end_s < rep.hold.start_s || seen.start_s > rep.hold.end_s) continue;
        const double from = std::max(seen.start_s, rep.hold.start_s);
        if (rep.hold.first_break_s && *rep.hold.first_break_s <= from) continue; // something else broke it before
        rep.hold.brokenBy = measure, rep.hold.first_break_s = from;
        rep.hold.clean_s = from - rep.hold.start_s;
    }
}

void addSeenFaults(Findings& findings, const Review& r) {
    std::vector<Fault> own;
    for (const SeenFault& seen : r.inputs.seen) {
        const FaultPlan* plan = r.exercise.fault(seen.id);
        const int k = repOfSpan(r.events, seen.start_s, seen.end_s);
        if (!plan || k < 0) continue;
        Fault f;
        f.id = seen.id, f.measure = plan->limit.measure, f.rep = k, f.side = r.events.reps[size_t(k)].side;
        f.start_s = seen.start_s, f.end_s = seen.end_s;
        for (const Fault& m : findings.faults) // of one stretch with what was measured, never shorter than that
            if (m.id == f.id && m.rep == k && !m.rejected && m.start_s <= f.end_s && m.end_s >= f.start_s)
                f.start_s = std::min(f.start_s, m.start_s), f.end_s = std::max(f.end_s, m.end_s);
        f.worst_s = (f.start_s + f.end_s) / 2;
        f.worst = f.u95 = kGap, f.byCoach = true, f.rejected = r.inputs.hasRejected(seen.id, k);
        if (const Series* s = r.series().find(f.measure))
            for (int64_t i = r.clip().frameAt(f.start_s); i <= r.clip().frameAt(f.end_s); ++i)
                if (const double v = s->value[size_t(i)]; plan->limit.isWorse(v, f.worst))
                    f.worst = v, f.u95 = s->u95[size_t(i)], f.worst_s = r.clip().time_s[size_t(i)];
        f.limit = plan->limit.endAt(f.worst);
        own.push_back(std::move(f));
    }
    auto& all = findings.faults;
    all.erase(std::remove_if(all.begin(), all.end(),
                             [&](const Fault& m) { // in the coach's own stretch, or turned down for it
                                 return std::any_of(own.begin(), own.end(), [&](const Fault& o) {
                                     return o.id == m.id && o.rep == m.rep &&
                                            (m.rejected || (m.start_s <= o.end_s && m.end_s >= o.start_s));
                                 });
                             }),
              all.end());
    all.insert(all.end(), own.begin(), own.end());
    std::stable_sort(all.begin(), all.end(), [](const Fault& a, const Fault& b) {
        return std::pair(a.rep, a.start_s) < std::pair(b.rep, b.start_s);
    });
    orderFindings(findings, r.exercise);
}

} // namespace deft
