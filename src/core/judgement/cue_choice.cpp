// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/cue_choice.h"

#include "judgement/cue_record.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

const std::vector<std::string> kCueLadder = {"set-up", "internal", "image", "touch", "prop", "easier"};
constexpr ptrdiff_t kProp = 4; // rungs before it are only words

ptrdiff_t place(const std::string& level) {
    return std::find(kCueLadder.begin(), kCueLadder.end(), level) - kCueLadder.begin();
}

std::vector<PastCue> cuesSaid(const std::string& id, const Case& now) {
    std::vector<PastCue> said;
    for (const PastReview& p : now.history)
        for (const PastCue& cue : p.cues)
            if (cue.fault == id) said.push_back(cue);
    return said;
}

/// Worst reading of a fault now and its detectable change. Nothing when it has not been measured.
std::optional<std::pair<double, double>> readingNow(const Exercise& e, const std::string& id, const Case& now) {
    std::optional<std::pair<double, double>> worst;
    const Limit* limit = e.limitOf(id);
    for (const Case::Fault& f : now.faults)
        if (limit && f.id == id && limit->isWorse(f.worst, worst ? worst->first : kGap))
            worst = {f.worst, std::sqrt(2.0) * f.u95};
    return worst;
}

CueEffect effectSince(const Exercise& e, const std::string& id, const Case& now, const std::vector<PastCue>& said) {
    CueEffect effect;
    if (said.empty()) return effect;
    effect.level = said.back().level;
    double first = said.back().worst;
    for (auto it = said.rbegin(); it != said.rend() && it->level == effect.level; ++it)
        ++effect.times, first = it->worst;
    effect.mdc = said.back().mdc;
    if (const auto reading = readingNow(e, id, now)) {
        effect.mdc = std::max(effect.mdc, reading->second);
        effect.change = shrunkBy(e, id, first, reading->first);
    }
    return effect;
}

const CueRecord* recordOf(const Case& now, const std::string& fault, const std::string& level) {
    const auto it = std::find_if(now.cueRecord.begin(), now.cueRecord.end(),
                                 [&](const CueRecord& r) { return r.fault == fault && r.level == level; });
    return it == now.cueRecord.end() ? nullptr : &*it;
}

double expectedHelp(const CueRecord* r) { return r ? (r->helped + 1.0) / (r->tried + 2.0) : 0.5; }

/// The most promising cue beyond a level: among words the one with the best record, the ladder's order when equal.
const Cue* nextCue(const std::vector<Cue>& cues, ptrdiff_t after, const std::string& id, const Case& now,
                   Messages& because) {
    const Cue* best = nullptr;
    for (const Cue& cue : cues) {
        const ptrdiff_t at = place(cue.level);
        if (at <= after || (best && (at >= kProp || place(best->level) >= kProp))) continue;
        if (!best || expectedHelp(recordOf(now, id, cue.level)) > expectedHelp(recordOf(now, id, best->level)) + 1e-12)
            best = &cue;
    }
    if (best)
        if (const CueRecord* r = recordOf(now, id, best->level))
            because.push_back({"cue.record", {{"helped", r->helped}, {"tried", r->tried}}});
    return best;
}

} // namespace

CueEffect cueEffect(const Exercise& exercise, const std::string& id, const Case& now) {
    return effectSince(exercise, id, now, cuesSaid(id, now));
}

ChosenCue chooseCue(const Exercise& exercise, const std::string& id, const Case& now) {
    const FaultPlan* fault = exercise.fault(id);
    const SetupCheck* check = exercise.check(id);
    const std::vector<Cue>& cues = fault ? fault->cues : check->cues;
    const CueEffect effect = cueEffect(exercise, id, now);
    auto chosen = [&](const Cue& cue, const Messages& why) {
        Message because = why.front();
        if (why.size() > 1) because = {"cue.because", {{"why", because}, {"record", why.back()}}};
        return ChosenCue{id, cue.level, cue.text, std::move(because)};
    };
    if (effect.level.empty()) {
        Messages why = {"cue.first-time"};
        const Cue* first = nextCue(cues, -1, id, now, why);
        return chosen(first ? *first : cues.front(), why);
    }
    const Message level("cue-level." + effect.level);
    if (effect.times >= 2 && !effect.helped()) {
        Messages why = {
            {"cue.twice", {{"level", level}, {"change", Amount{effect.change}}, {"mdc", Amount{effect.mdc}}}}};
        if (const Cue* next = nextCue(cues, place(effect.level), id, now, why)) return chosen(*next, why);
    }
    const Message why = effect.helped() ? Message("cue.helped", {{"level", level}, {"change", Amount{effect.change}}})
                                        : Message("cue.said-once");
    for (const Cue& cue : cues)
        if (place(cue.level) >= place(effect.level)) return chosen(cue, {why});
    return chosen(cues.back(), {why});
}

bool outlivedProp(const Exercise& exercise, const std::string& id, const Case& now) {
    std::vector<PastCue> said = cuesSaid(id, now);
    while (!said.empty() && said.back().level != "prop") said.pop_back();
    return !said.empty() && readingNow(exercise, id, now) && !effectSince(exercise, id, now, said).helped();
}

} // namespace deft
