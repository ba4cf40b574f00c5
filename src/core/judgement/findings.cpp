// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/findings.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kAsItBegins_s = 0.3; // before the first movement (chosen here)

std::optional<std::pair<double, double>> medianWithin(const SeriesSet& set, const std::string& measure, double from_s,
                                                      double to_s) {
    const Series* s = set.find(measure);
    if (!s) return std::nullopt;
    std::vector<double> value, band;
    for (size_t i = 0; i < set.time_s.size(); ++i)
        if (set.time_s[i] >= from_s && set.time_s[i] <= to_s && std::isfinite(s->value[i]))
            value.push_back(s->value[i]), band.push_back(s->u95[i]);
    if (value.empty()) return std::nullopt;
    return std::pair(medianOf(value), medianOf(band));
}

SetupVerdict checkSetup(const SetupCheck& check, const Limit& limit, const SeriesSet& set, const Events& events) {
    SetupVerdict v{check.id, "cannot-tell"};
    if (events.reps.empty()) return v; // what nothing follows on is no set-up
    // What is told against the set-up says nothing about it, and little of what came right after: the client may have
    // been there all the time.
    const Measure* measure = findMeasure(limit.measure);
    const bool againstItself = measure && (measure->zero == Zero::Start || measure->zero == Zero::StartRatio ||
                                           (measure->zero == Zero::Neutral && set.neutral.source == "set-up"));
    if (againstItself && check.at == "set-up") return v;
    double from = events.setupStart_s, to = events.setupEnd_s;
    if (check.at == "start") from = events.reps[0].start_s - kAsItBegins_s, to = events.reps[0].start_s;
    if (check.at == "top") from = events.reps[0].hold.start_s, to = from + 0.5;
    const auto reading = medianWithin(set, limit.measure, from, to);
    if (!reading) return v;
    std::tie(v.value, v.u95) = *reading;
    v.high = limit.high && v.value > *limit.high;
    switch (limit.verdict(v.value, v.u95)) {
    case Verdict::Out:
        v.verdict = againstItself && check.at == "start" ? "cannot-tell" : "poor";
        break;
    case Verdict::In:
        v.verdict = "good";
        break;
    case Verdict::CannotTell:
        break;
    }
    return v;
}

constexpr double kBesideARep_s = 0.3; // belongs to it (chosen here)

/// In position, after the set-up, and in no rep. Where an exercise does not say what its position is, nothing is known
/// of the time between.
std::vector<Fault> betweenReps(const Exercise& e, const SeriesSet& set, const Events& events) {
    std::vector<Fault> found;
    if (e.inPosition.empty() || events.reps.empty() || e.mover.isWindow()) return found;
    const std::vector<bool> in = inPosition(set, e.inPosition);
    const auto inRep = [&](double t) {
        return std::any_of(events.reps.begin(), events.reps.end(), [&](const Rep& rep) {
            return t >= rep.start_s - kBesideARep_s && t <= rep.end_s + kBesideARep_s;
        });
    };
    const size_t n = set.time_s.size();
    for (size_t i = 0; i < n; ++i) {
        const auto between = [&](size_t k) {
            return in[k] && set.time_s[k] > events.setupEnd_s && !inRep(set.time_s[k]);
        };
        if (!between(i)) continue;
        size_t end = i;
        while (end + 1 < n && between(end + 1)) ++end;
        for (const FaultPlan& plan : e.faults) {
            if (!plan.isAnchor || !plan.counts.out) continue;
            for (const Excursion& x : excursions(set, plan.limit, set.time_s[i], set.time_s[end])) {
                // What does not come back while the client is in position is the way out of it.
                if (x.end_s > set.time_s[end] - kBesideARep_s) continue;
                if (certaintyOf(plan.limit, x) != Certainty::Clear) continue;
                Fault f;
                f.id = plan.id, f.measure = plan.limit.measure, f.rep = -1, f.side = "";
                f.start_s = x.start_s, f.end_s = x.end_s, f.worst_s = x.worst_s;
                f.worst = x.worst, f.limit = x.limit, f.u95 = x.worstU95;
                f.changeU95 = changeU95(x.worstU95, x.slideU95);
                found.push_back(std::move(f));
            }
        }
        i = end;
    }
    return found;
}

} // namespace

Certainty certaintyOf(const Limit& limit, const Excursion& x) {
    return x.isSeen && limit.verdict(x.worst, x.worstU95) == Verdict::Out ? Certainty::Clear : Certainty::CannotTell;
}

MoverPlan moverPlan(const Exercise& e) {
    MoverPlan plan;
    plan.measure = e.mover.measure;
    plan.minExcursion = e.mover.minExcursion;
    plan.falls = e.mover.falls;
    plan.low = e.mover.low, plan.high = e.mover.high;
    plan.inPosition = e.inPosition;
    return plan;
}

std::vector<Tolerance> anchorTolerances(const Exercise& e, const SeriesSet& set) {
    std::vector<Tolerance> out;
    for (const FaultPlan& f : e.faults)
        if (f.isAnchor && (set.find(f.limit.measure) || !e.isOptional(f.limit.measure)))
            out.push_back({f.limit, f.counts, f.id});
    return out;
}

Findings findFaults(const Exercise& e, const SeriesSet& set, const Events& events) {
    Findings found;
    for (const SetupCheck& check : e.setup) found.setup.push_back(checkSetup(check, check.limit, set, events));
    for (size_t r = 0; r < events.reps.size(); ++r) {
        const Rep& rep = events.reps[r];
        for (const FaultPlan& plan : e.faults) {
            const Span counted = countedIn(rep, plan.counts);
            for (const Excursion& x : excursions(set, plan.limit, counted.start_s, counted.end_s)) {
                Fault f;
                f.id = plan.id, f.measure = plan.limit.measure, f.side = rep.side, f.rep = int(r);
                f.start_s = x.start_s, f.end_s = x.end_s, f.worst_s = x.worst_s;
                f.worst = x.worst, f.limit = x.limit, f.u95 = x.worstU95;
                f.changeU95 = changeU95(x.worstU95, x.slideU95);
                f.certainty = certaintyOf(plan.limit, x);
                found.faults.push_back(f);
            }
        }
    }
    if (e.eachSide) found.between = betweenReps(e, set, events);
    orderFindings(found, e);
    return found;
}

void orderFindings(Findings& found, const Exercise& e) {
    Found clear; // and standing
    for (const SetupVerdict& v : found.setup)
        if (v.isPoor()) clear.setup.insert(v.id);
    for (const Fault& f : found.faults)
        if (f.certainty == Certainty::Clear && !f.rejected) clear.inRep[f.rep].insert(f.id);
    found.order = correctionOrder(e, clear);
    const auto& act = found.order.act;
    for (Fault& f : found.faults) {
        f.causedBy = causeFound(*e.fault(f.id), clear, f.rep);
        const auto at = std::find(act.begin(), act.end(), f.id);
        f.rank = at == act.end() ? 0 : int(at - act.begin()) + 1;
    }
}

} // namespace deft
