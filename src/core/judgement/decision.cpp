#include "judgement/decision.h"

#include "judgement/wording.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace deft {

const std::vector<double> kHoldRungs = {5, 10, 15, 20, 30, 45, 60, 90, 120};

namespace {

constexpr double kSideLimit = 0.15;    // chosen here
constexpr double kUpShare = 1.2;       // of the median clean hold; chosen here
constexpr double kUpStep_s = 5;        // chosen here
constexpr double kWeeklyGrowth = 1.10; // of the range; chosen here
const std::vector<std::string> kCueLadder = {"set-up", "internal", "image", "touch", "prop", "easier"};

struct Held {
    double medianClean = 0;
    int total = 0, clean = 0, early = 0; ///< early: the anchor went in the first third
    bool met = false;                    ///< every hold reached the asked length
    double sideDifference = 0;
};

Held judge(const Case& c) {
    Held h;
    std::vector<double> cleanTimes;
    std::map<std::string, std::vector<double>> bySide;
    const double asked = c.target.hold_s.value_or(0);
    h.met = !c.holds.empty() && int(c.holds.size()) >= c.target.sets;
    for (size_t i = 0; i < c.holds.size(); ++i) {
        const auto& hold = c.holds[i];
        ++h.total;
        cleanTimes.push_back(hold.clean_s);
        bySide[hold.side].push_back(hold.clean_s);
        if (hold.brokenBy.empty()) ++h.clean;
        if (hold.duration_s < asked - kHoldSlack_s) h.met = false;
        bool early = !hold.brokenBy.empty() && hold.clean_s < hold.duration_s / 3;
        // Broken on the way out: it counts as early only when that was in the first third of the range.
        if (i < c.reps.size() && !c.reps[i].brokenBy.empty()) early = c.reps[i].controlRange < c.reps[i].reach / 3;
        h.early += early;
    }
    h.medianClean = cleanTimes.empty() ? 0 : medianOf(cleanTimes);
    if (bySide.count("left") && bySide.count("right")) {
        const double l = medianOf(bySide["left"]), r = medianOf(bySide["right"]);
        if (l + r > 0) h.sideDifference = std::abs(r - l) / ((r + l) / 2);
    }
    return h;
}

std::string seconds(double v) { return numberWords(v, 1) + " s"; }

void holdArithmetic(const Exercise& e, const Held& h, Decision& d, const Case& c) {
    if (!c.target.hold_s) return;
    const double asked = *c.target.hold_s;
    const double cap = e.holdCap_s;
    if (d.step == "back") {
        const auto above = std::upper_bound(kHoldRungs.begin(), kHoldRungs.end(), h.medianClean + 1e-9);
        if (above == kHoldRungs.begin()) {
            d.target.hold_s = kHoldRungs.front();
            d.arithmetic.push_back("back: median clean hold " + seconds(h.medianClean) +
                                   " is below the shortest rung → " + seconds(kHoldRungs.front()) +
                                   ", on the easier version");
        } else {
            d.target.hold_s = std::min(asked, *(above - 1));
            d.arithmetic.push_back("back: largest rung not above the median clean hold of " + seconds(h.medianClean) +
                                   " → " + seconds(*d.target.hold_s));
        }
    } else if (d.step == "up") {
        const auto next = std::upper_bound(kHoldRungs.begin(), kHoldRungs.end(), asked + 1e-9);
        const double reachable = std::max(asked + kUpStep_s, kUpShare * h.medianClean);
        if (next != kHoldRungs.end() && *next <= cap && *next <= reachable + 1e-9) {
            d.target.hold_s = *next;
            d.arithmetic.push_back("up: next rung " + seconds(*next) + " ≤ larger of " + seconds(asked) +
                                   " + 5 s and 1.2 × " + seconds(h.medianClean) + " = " + seconds(reachable) + " → " +
                                   seconds(*next));
        } else {
            d.target.sets = c.target.sets + 1;
            d.arithmetic.push_back("up: the next rung is beyond " + seconds(reachable) + " → keep " + seconds(asked) +
                                   ", add a round: " + std::to_string(d.target.sets));
        }
    } else {
        d.arithmetic.push_back(d.step + ": " + std::to_string(h.clean) + " of " + std::to_string(h.total) +
                               " holds clean → keep " + seconds(asked));
    }
}

void rangeArithmetic(const Case& c, Decision& d) {
    // A range is set only when one was lost: the least control range of the set, less its uncertainty.
    double least = 1e300, band = 0;
    bool broken = false;
    for (const auto& r : c.reps) {
        broken = broken || !r.brokenBy.empty();
        if (r.controlRange < least) least = r.controlRange, band = r.u95;
    }
    if (c.reps.empty() || (!broken && !c.target.range)) return;
    double range = std::floor(least - band);
    std::string sum = "range: least control range " + numberWords(least, 0) + " − " + numberWords(band, 0) + " → " +
                      numberWords(range, 0);
    if (c.target.range && range > *c.target.range * kWeeklyGrowth) {
        range = std::floor(*c.target.range * kWeeklyGrowth);
        sum += ", at most 10 % more than " + numberWords(*c.target.range, 0) + " → " + numberWords(range, 0);
    }
    d.target.range = std::max(0.0, range);
    d.arithmetic.push_back(sum);
}

/// The rung of the cue ladder for one fault, from what was said before and whether it helped.
ChosenCue chooseCue(const std::string& id, const std::vector<Cue>& cues, const Case& c) {
    auto place = [&](const std::string& rung) {
        return std::find(kCueLadder.begin(), kCueLadder.end(), rung) - kCueLadder.begin();
    };
    ChosenCue chosen{id, cues.front().rung, cues.front().text, "first time that this is cued"};
    std::vector<PastCue> said;
    for (const PastReview& p : c.history)
        for (const PastCue& cue : p.cues)
            if (cue.fault == id) said.push_back(cue);
    if (said.empty()) return chosen;
    const PastCue& last = said.back();
    double worstNow = 0, bandNow = 0;
    for (const auto& f : c.faults)
        if (f.id == id && std::abs(f.worst) > std::abs(worstNow)) worstNow = f.worst, bandNow = f.u95;
    int times = 0;
    double first = last.worst;
    for (auto it = said.rbegin(); it != said.rend() && it->rung == last.rung; ++it) ++times, first = it->worst;
    const double change = std::abs(first) - std::abs(worstNow), mdc = std::max(last.mdc, bandNow * std::sqrt(2.0));
    auto cueAt = [&](auto accept, const std::string& why) {
        for (const Cue& cue : cues)
            if (accept(place(cue.rung))) {
                chosen = {id, cue.rung, cue.text, why};
                return true;
            }
        return false;
    };
    if (times >= 2 && change <= mdc) {
        const std::string why = last.rung + " cue twice, change " + numberWords(change, 1) + " within " +
                                numberWords(mdc, 1) + ": next rung";
        if (cueAt([&](auto p) { return p > place(last.rung); }, why)) return chosen;
    }
    const std::string why = change > mdc ? last.rung + " cue has helped: " + numberWords(change, 1) + " less"
                                         : "said once; give it one more review";
    cueAt([&](auto p) { return p >= place(last.rung); }, why);
    return chosen;
}

} // namespace

Decision decide(const Exercise& e, const Case& c) {
    Decision d;
    d.target = c.target;
    d.cautions = e.cautions;
    const Held h = judge(c);
    const std::string asked =
        c.target.hold_s ? std::to_string(c.target.sets) + " × " + seconds(*c.target.hold_s) : std::string("the target");

    auto survived = [&](const std::string& rung, const std::string& id) {
        for (const PastReview& p : c.history)
            for (const PastCue& cue : p.cues)
                if (cue.fault == id && cue.rung == rung) return true;
        return false;
    };
    std::string outlived, setupAgain;
    for (const std::string& id : c.toCorrect)
        if (survived("prop", id)) outlived = id;
    for (const auto& [id, verdict] : c.setup)
        if (verdict == "poor" && !c.history.empty() &&
            std::find(c.history.back().faults.begin(), c.history.back().faults.end(), id) !=
                c.history.back().faults.end())
            setupAgain = id;

    const bool uncertain = !c.faults.empty() && std::all_of(c.faults.begin(), c.faults.end(), [](const Case::Fault& f) {
        return f.certainty != "clear";
    });
    const bool cleanNow = h.total > 0 && h.clean == h.total && h.met;
    const bool cleanBefore = !c.history.empty() && c.history.back().met && c.history.back().clean &&
                             c.history.back().rung == c.rung &&
                             (!c.history.back().target.hold_s || c.history.back().target.hold_s == c.target.hold_s);

    if (!c.note.redFlags.empty()) {
        d.step = "stop";
        for (const std::string& flag : c.note.redFlags) d.because.push_back("the client reports: " + flag);
        d.cautions.insert(d.cautions.begin(),
                          "Stop this and every other exercise, and see a doctor today about what you describe.");
    } else if (c.note.pain) {
        d.step = "stop";
        d.because.push_back("the client reports pain: no step up, and no more of this until it is cleared");
        d.cautions.insert(d.cautions.begin(), "Leave this exercise out for now. If the pain stays, spreads or comes "
                                              "back, see a doctor or physiotherapist before you go on.");
    } else if (!c.usable) {
        d.step = "ask-again";
        d.because.push_back("the clip check finds this clip unusable for a decision");
    } else if (h.total == 0 && c.reps.empty()) {
        d.step = "ask-again";
        d.because.push_back("no lift was found in this clip");
    } else if (h.early >= 2) {
        d.step = "back";
        d.because.push_back("gave way in the first third in " + std::to_string(h.early) + " reps");
    } else if (!setupAgain.empty()) {
        d.step = "back";
        d.because.push_back("the set-up (" + setupAgain + ") could not be kept after it had been cued");
    } else if (!outlived.empty()) {
        d.step = "back";
        d.because.push_back(outlived + " has outlived cue and prop");
    } else if (cleanNow && cleanBefore && h.sideDifference <= kSideLimit && !uncertain) {
        d.step = "up";
        d.because.push_back(asked + " met cleanly in two reviews running");
    } else {
        d.step = "stay";
        if (uncertain) d.because.push_back("this clip cannot tell whether the limit was passed");
        if (h.clean < h.total)
            d.because.push_back("not up: " + std::to_string(h.clean) + " of " + std::to_string(h.total) +
                                " holds clean");
        else if (!h.met)
            d.because.push_back("clean, but " + asked + " was not reached");
        else if (h.sideDifference > kSideLimit)
            d.because.push_back("left and right differ by " + numberWords(100 * h.sideDifference, 0) +
                                " %, more than 15 %");
        else if (!cleanBefore)
            d.because.push_back("the first clean time: once more before a step up");
        d.because.push_back(h.early == 1 ? "not back: gave way early only once"
                                         : "not back: nothing gave way in the first third");
    }
    if (d.step == "stop" || d.step == "ask-again") {
        d.arithmetic.push_back(d.step + ": the target stays as it was");
    } else {
        holdArithmetic(e, h, d, c);
        rangeArithmetic(c, d);
        if (d.step == "back") {
            // One rung down the ladder when even the shortest hold was not clean, or when an easier version is the
            // answer.
            const bool noHold = c.target.hold_s && h.medianClean < kHoldRungs.front();
            if (noHold || !outlived.empty() || !setupAgain.empty())
                for (size_t i = 1; i < e.ladder.size(); ++i)
                    if (e.ladder[i].id == c.rung) {
                        d.target.rung = e.ladder[i - 1].id;
                        d.arithmetic.push_back("version: " + e.ladder[i].name + " → " + e.ladder[i - 1].name);
                        break;
                    }
        }
    }
    if (d.step != "stop")
        for (const std::string& id : c.toCorrect) {
            if (const FaultPlan* f = e.fault(id))
                d.cues.push_back(chooseCue(id, f->cues, c));
            else if (const SetupCheck* s = e.check(id))
                d.cues.push_back(chooseCue(id, s->cues, c));
        }
    return d;
}

} // namespace deft
