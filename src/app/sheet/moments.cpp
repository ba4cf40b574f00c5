// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/sheet/moments.h"

#include <algorithm>
#include <cmath>

namespace deft::ui {

std::vector<Moment> momentsOf(const Review& r) {
    std::vector<Moment> out;
    auto take = [&](Moment m) {
        if (const auto it = r.inputs.agreed.find(m.key()); it != r.inputs.agreed.end()) m.agreed = it->second;
        out.push_back(std::move(m));
    };
    for (const SetupVerdict& v : r.findings.setup) {
        const SetupCheck* check = r.exercise.check(v.id);
        if (v.verdict != "poor") continue;
        take({v.id,
              0,
              Phase::SetUp,
              r.clip().frameAt(r.events.setupEnd_s / 2),
              0,
              r.events.setupEnd_s,
              check->name,
              check->limit.measure,
              true,
              {}});
    }
    const size_t firstFault = out.size();
    for (const Fault& f : r.findings.faults) {
        const auto same = std::find_if(out.begin() + long(firstFault), out.end(),
                                       [&](const Moment& m) { return m.id == f.id && m.rep == f.rep; });
        const Rep& rep = r.events.reps[size_t(f.rep)];
        const Phase phase = f.start_s < rep.hold.start_s ? Phase::Out : Phase::Hold;
        if (same == out.end()) {
            take({f.id,
                  f.rep,
                  phase,
                  r.clip().frameAt(f.worst_s),
                  f.start_s,
                  f.end_s,
                  r.exercise.fault(f.id)->name,
                  f.measure,
                  f.certainty == Certainty::Clear,
                  {}});
            continue;
        }
        const Series* s = r.series().find(f.measure);
        if (s && r.exercise.fault(f.id)->limit.isWorse(f.worst, s->value[size_t(same->frame)]))
            same->frame = r.clip().frameAt(f.worst_s);
        same->end_s = f.end_s;
        same->clear = same->clear || f.certainty == Certainty::Clear;
    }
    std::stable_sort(out.begin() + long(firstFault), out.end(), [](const Moment& a, const Moment& b) {
        return std::pair(a.rep, a.start_s) < std::pair(b.rep, b.start_s);
    });
    return out;
}

std::pair<int, Phase> placeOf(const Events& events, double t) {
    int rep = 0;
    while (rep + 1 < int(events.reps.size()) && t >= events.reps[size_t(rep) + 1].start_s) ++rep;
    if (events.reps.empty()) return {0, Phase::SetUp};
    const Rep& r = events.reps[size_t(rep)];
    if (t < r.start_s) return {rep, Phase::SetUp};
    if (t < r.hold.start_s) return {rep, Phase::Out};
    if (t <= r.hold.end_s) return {rep, Phase::Hold};
    return {rep, Phase::Back};
}

} // namespace deft::ui
