// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/clip_words.h"

#include "answer/dose_words.h"
#include "answer/phrases.h"
#include "judgement/shown.h"
#include "judgement/wording.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr size_t kMostTold = 5; // more seconds than these are no longer read (chosen here)

std::string other(const std::string& side) { return side == "left" ? "right" : side == "right" ? "left" : ""; }

std::string capital(std::string text) {
    if (!text.empty()) text[0] = char(std::toupper(static_cast<unsigned char>(text[0])));
    return text;
}

/// "two holds (9.4 and 8.1 seconds)"; without a hold only how many.
std::string countOf(const Exercise& e, const std::vector<const Rep*>& reps, bool byHold) {
    std::string one = e.words.one, many = e.words.many;
    if (byHold && one == "rep") one = "hold", many = "holds";
    std::string text = countWords(int(reps.size())) + " " + (reps.size() == 1 ? one : many);
    if (!byHold || reps.empty() || reps.size() > kMostTold) return text;
    std::vector<std::string> seconds;
    for (const Rep* rep : reps) seconds.push_back(numberWords(rep->hold.duration_s(), 1));
    const bool single = seconds.size() == 1 && seconds[0] == "1";
    return text + " (" + listOf(seconds) + (single ? " second)" : " seconds)");
}

bool tempoMatters(const Exercise& e, const char* measure) {
    return std::any_of(e.faults.begin(), e.faults.end(),
                       [&](const FaultPlan& f) { return f.limit.measure == measure; });
}

std::string tempoWords(const Review& r) {
    std::vector<double> out, back;
    for (const Rep& rep : r.events.reps)
        if (!rep.unsure() && rep.finished) out.push_back(rep.out_s()), back.push_back(rep.back_s());
    const bool found = std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                                   [](const Fault& f) { return !f.rejected && f.measure.starts_with("pace_"); });
    // Beside a hold the way there and back is only worth a word when it was hurried.
    if (out.empty() || r.exercise.mover.isWindow() || (r.inputs.asked.hold_s && !found)) return {};
    std::vector<std::string> said;
    if (tempoMatters(r.exercise, "pace_out"))
        said.push_back(secondsWords(std::round(2 * medianOf(out)) / 2) + " on the way out");
    if (tempoMatters(r.exercise, "pace_back"))
        said.push_back(secondsWords(std::round(2 * medianOf(back)) / 2) + " on the way back");
    return said.empty() ? "" : " You took about " + listOf(said) + ".";
}

} // namespace

std::string shownWords(const Review& r) {
    const Exercise& e = r.exercise;
    std::map<std::string, std::vector<const Rep*>> seen;
    int unsure = 0;
    for (const Rep& rep : r.events.reps) {
        if (rep.unsure())
            ++unsure;
        else
            seen[rep.side].push_back(&rep);
    }
    const bool byHold = r.inputs.asked.hold_s.has_value();
    std::vector<std::string> parts;
    for (const auto& [side, reps] : seen)
        parts.push_back(countOf(e, reps, byHold) + (side == "both" || side.empty() ? "" : " on the " + side));
    std::string text = "I had asked for " + askedWords(e, r.inputs.asked) + ".";
    if (parts.empty()) return text;
    text += " You showed " + listOf(parts) + ".";
    if (unsure) text += " " + capital(countWords(unsure)) + " more could not be seen well enough to count.";
    return text + tempoWords(r);
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

std::string toldWords(const Review& r, const FaultPlan& plan, const Fault& f) {
    std::string text = plan.told;
    const auto put = [&](const std::string& token, const std::string& side, const std::string& otherwise) {
        if (const size_t at = text.find(token); at != std::string::npos)
            text.replace(at, token.size(), side == "left" || side == "right" ? side : otherwise);
    };
    const std::string working = r.exercise.sideIsStance ? other(f.side) : f.side;
    put("{free}", working, "free");
    put("{lower}", f.worst > 0 ? "right" : "left", "one");
    return text;
}

} // namespace deft
