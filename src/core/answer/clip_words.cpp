// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/clip_words.h"

#include "answer/dose_words.h"
#include "answer/phrases.h"
#include "checks/clip_check.h"
#include "judgement/shown.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

namespace deft {
namespace {

constexpr size_t kMostTold = 5; // more seconds than these are no longer read (chosen here)

std::string other(const std::string& side) { return side == "left" ? "right" : side == "right" ? "left" : ""; }

/// "two holds (9.4 and 8.1 seconds)", "two holds (9.4 seconds; the rest not held)"; without a hold only how many.
Message countOf(const Exercise& e, const std::vector<const Rep*>& reps, bool byHold) {
    const Message many = movements(e, int(reps.size()), byHold);
    if (!byHold || reps.empty() || reps.size() > kMostTold) return many;
    Messages seconds;
    double last = 0; // as it is told
    for (const Rep* rep : reps)
        if (const double told = std::round(10 * rep->hold.duration_s()) / 10; told > 0)
            seconds.push_back({"number.plain", {{"n", Amount{last = told}}}});
    if (seconds.empty()) return {"shown.not-held", {{"movements", many}}};
    return {"shown.held",
            {{"movements", many},
             {"list", seconds},
             {"n", seconds.size() == 1 ? last : 2},
             {"rest", seconds.size() < reps.size()}}};
}

bool tempoMatters(const Exercise& e, const char* measure) {
    return std::any_of(e.faults.begin(), e.faults.end(),
                       [&](const FaultPlan& f) { return f.limit.measure == measure; });
}

Message tempoWords(const Review& r) {
    std::vector<double> out, back;
    for (const Rep& rep : r.events.reps)
        if (!rep.unsure() && rep.finished) out.push_back(rep.out_s()), back.push_back(rep.back_s());
    const bool found = std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                                   [](const Fault& f) { return !f.rejected && f.measure.starts_with("pace_"); });
    // Beside a hold the way there and back is only worth a word when it was hurried.
    if (out.empty() || r.exercise.mover.isWindow() || (r.inputs.asked.hold_s && !found)) return {};
    Messages said;
    for (const auto& [measure, key, times] :
         {std::tuple{"pace_out", "shown.tempo-out", &out}, {"pace_back", "shown.tempo-back", &back}})
        if (tempoMatters(r.exercise, measure))
            said.push_back({key, {{"seconds", secondsWords(std::round(2 * medianOf(*times)) / 2)}}});
    return said.empty() ? Message() : Message("shown.tempo", {{"ways", said}});
}

} // namespace

Messages shownWords(const Review& r, const Exercise& e) {
    std::map<std::string, std::vector<const Rep*>> seen;
    int unsure = 0;
    for (const Rep& rep : r.events.reps) {
        if (rep.unsure())
            ++unsure;
        else
            seen[rep.side].push_back(&rep);
    }
    const bool byHold = r.inputs.asked.hold_s.has_value();
    Messages parts;
    for (const auto& [side, reps] : seen)
        parts.push_back({"shown.on-side", {{"what", countOf(e, reps, byHold)}, {"side", side}}});
    Messages say = {{"shown.asked", {{"dose", askedWords(e, r.inputs.asked)}}}};
    if (parts.empty()) return say;
    // What a clip does not carry a decision on may have held more than was seen.
    say.push_back({verdictOf(r.check) == "unusable" ? "shown.made-out" : "shown.showed", {{"parts", parts}}});
    if (unsure) say.push_back({"shown.unseen", {{"n", unsure}}});
    if (Message tempo = tempoWords(r); !tempo.empty()) say.push_back(std::move(tempo));
    return say;
}

int praisedRep(const Review& r) {
    int best = -1;
    const auto value = [&](const Rep& rep) { return r.inputs.asked.hold_s ? rep.hold.clean_s : rep.reach; };
    for (int i = 0; i < int(r.events.reps.size()); ++i) {
        const Rep& rep = r.events.reps[size_t(i)];
        const bool found = std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                                       [&](const Fault& f) { return f.rep == i && !f.rejected; });
        const bool reached = rep.hold.clean_s >= r.inputs.asked.hold_s.value_or(0) - kHoldSlack_s &&
                             rep.reach + rep.controlRangeU95 >= r.inputs.asked.range.value_or(0);
        if (rep.unsure() || !rep.finished || found || !rep.brokenBy.empty() || !rep.hold.brokenBy.empty() ||
            !rep.brokenBackBy.empty() || !reached)
            continue;
        if (best < 0 || value(rep) > value(r.events.reps[size_t(best)])) best = i;
    }
    return best;
}

Message toldWords(const Review& r, const FaultPlan& plan, const Fault& f) {
    const std::string working = r.exercise.sideIsStance ? other(f.side) : f.side;
    return {plan.told,
            {{"free", working == "left" || working == "right" ? working : "free"},
             {"lower", f.worst > 0 ? "right" : "left"}}};
}

} // namespace deft
