// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/decision.h"

#include "base/json.h"
#include "judgement/cue_choice.h"
#include "judgement/safety.h"
#include "judgement/sides.h"
#include "judgement/targets.h"
#include "judgement/wording.h"

#include <algorithm>

namespace deft {
namespace {

constexpr double kSideLimit = 0.15; // chosen here
constexpr int kEarlyBreaks = 2;     // chosen here
constexpr int kCleanReviews = 2;    // running, for a step up; chosen here
// Of the pelvis's movement in a hold, at 4 to 12 Hz: more, and it is shaking rather than swaying (chosen here).
constexpr double kShaking_percent = 30;

/// Everything that the rules look at, worked out once.
struct Situation {
    const Catalogue& catalogue;
    const Exercise& e;
    const Case& c;
    Shown shown;
    std::vector<Lock> locks;
    Found found; ///< poor set-up checks and clear faults
    bool cannotTell = false;
    bool faultFree = true; ///< no clear fault, other than the one that ended a hold which had met the target
    std::string setupAgain, outlived, wrongPlace;
    bool setupPoor = false;

    bool cleanNow() const {
        return c.between.empty() && shown.met && shown.total > 0 && shown.clean == shown.total &&
               shown.brokenOnTheWay == 0 && faultFree && !setupPoor && !cannotTell;
    }
    /// In how many reviews running a side has met at least this target cleanly.
    int cleanRunning(const std::string& side) const {
        return reviewsRunning(e, c, side, cleanNow(), [&](const PastReview& past) {
            const auto asked = c.target.hold_s, before = past.target.hold_s;
            return past.met && past.clean && (past.version.empty() || past.version == c.version) &&
                   (!asked || !before || *before >= *asked - 1e-9) &&
                   (!c.target.reps || !past.target.reps || *past.target.reps >= *c.target.reps);
        });
    }
    /// The sides that have not yet been clean often enough for a step up.
    std::vector<std::string> sidesToShow() const {
        std::vector<std::string> sides = sidesOf(e);
        std::erase_if(sides, [&](const std::string& side) { return cleanRunning(side) >= kCleanReviews; });
        return sides;
    }
};

/// A fault that only ended holds which had already lasted as long as was asked does not count against the set.
bool onlyAfterTheTarget(const Case::Fault& f, const Case& c) {
    if (!c.target.hold_s || f.measure.empty()) return false;
    bool ended = false;
    for (const Case::Hold& h : c.holds) {
        if (h.brokenBy != f.measure) continue;
        if (h.clean_s < *c.target.hold_s - kHoldSlack_s) return false;
        ended = true;
    }
    return ended;
}

Situation lookAt(const Catalogue& catalogue, const Exercise& e, const Case& c) {
    Situation s{catalogue,
                e,
                c,
                summarisePerformance(e, c),
                locksOf(catalogue, e, c.version, c.flags, c.cleared),
                {},
                false,
                true,
                {},
                {},
                {},
                false};
    for (const auto& [id, verdict] : c.setup) {
        if (verdict != "poor") continue;
        s.setupPoor = true;
        s.found.setup.insert(id);
        const auto* past = c.history.empty() ? nullptr : &c.history.back().faults;
        if (past && std::find(past->begin(), past->end(), id) != past->end()) s.setupAgain = id;
    }
    for (const Case::Fault& f : c.faults) {
        if (!f.clear()) {
            s.cannotTell = true;
            continue;
        }
        s.found.inRep[f.rep].insert(f.id);
        s.faultFree = s.faultFree && onlyAfterTheTarget(f, c);
        if (outlivedProp(e, f.id, c)) s.outlived = f.id;
    }
    for (const std::string& place : c.note.felt)
        if (const FeltPlace* p = e.feltPlace(place); p && !p->asIntended) s.wrongPlace = place;
    return s;
}

std::string askedWords(const Target& t) {
    std::string words = std::to_string(t.sets) + " ×";
    if (t.reps) words += " " + std::to_string(*t.reps) + (t.hold_s ? " ×" : " reps");
    if (t.hold_s) words += " " + numberWords(*t.hold_s, 1) + " s";
    return t.reps || t.hold_s ? words : "the target";
}

/// A version that intake locks is not asked for again; an easier one that is open takes its place.
bool offerOpenVersion(const Situation& s, Decision& d) {
    if (s.locks.empty()) return false;
    const std::string open = openVersion(s.catalogue, s.e, s.c.version, s.c.flags, s.c.cleared);
    if (open.empty()) return false;
    const Lock& lock = s.locks.front();
    const std::string name = s.e.ladder[size_t(s.e.versionIndex(open))].name;
    d.because.push_back("locked by " + lock.name + ": " + lock.reason + "; the nearest version that is open is “" +
                        name + "”");
    d.open = "What you filmed waits for now: " + lock.reason + ".";
    d.arithmetic.push_back("locked: " + s.e.ladder[size_t(s.e.versionIndex(s.c.version))].name + " → " + name +
                           ", in its own dose");
    changeVersion(d.target, s.catalogue, s.e, open, true);
    return true;
}

bool stopRules(const Situation& s, Decision& d) {
    const ClientNote& note = s.c.note;
    const SafetyRules& rules = s.catalogue.safety();
    for (const std::string& flag : note.redFlags)
        d.because.push_back("the client reports " + (rules.redFlags.count(flag) ? rules.redFlags.at(flag) : flag) +
                            " (" + flag + "): stop and refer at once");
    if (note.pain) d.because.push_back("the client reports pain: no step up, and no more of this until it is cleared");
    const bool alarm = note.isAlarming();
    const std::string open = alarm ? "" : openVersion(s.catalogue, s.e, s.c.version, s.c.flags, s.c.cleared);
    for (const Lock& lock : s.locks)
        if (open.empty())
            d.because.push_back("locked by " + lock.name + ": " + lock.reason +
                                "; its readiness list is not confirmed");
    for (const std::string& sign : note.signs)
        d.because.push_back(rules.signs.count(sign) ? rules.signs.at(sign) : sign);
    return !d.because.empty();
}

bool askAgain(const Situation& s, Decision& d) {
    if (!s.c.usable)
        d.because.push_back("the clip check finds this clip unusable for a decision");
    else if (s.shown.total == 0)
        d.because.push_back("no " + s.e.words.one + " was found in this clip that could be read");
    return !d.because.empty();
}

bool stepBack(const Situation& s, Decision& d) {
    if (s.shown.early >= kEarlyBreaks)
        d.because.push_back("gave way in the first third in " + std::to_string(s.shown.early) + " " + s.e.words.many);
    if (!s.setupAgain.empty())
        d.because.push_back("the set-up (" + s.setupAgain + ") could not be kept after it had been cued");
    if (!s.outlived.empty()) d.because.push_back(s.outlived + " has outlived cue and prop");
    return !d.because.empty();
}

/// Shaking with the position kept, as the client felt it or as a hold shows it for certain: how that is told. Empty =
/// none.
std::string tremorWords(const Case& c) {
    if (c.note.shaking) return "shaking with the position kept";
    for (size_t i = 0; i < c.holds.size(); ++i) {
        const Case::Hold& h = c.holds[i];
        if (h.brokenBy.empty() && h.tremorShare && *h.tremorShare - h.tremorU95 > kShaking_percent)
            return "shaking with the position kept (hold " + std::to_string(i + 1) + ": " +
                   numberWords(*h.tremorShare, 0) + " ± " + numberWords(h.tremorU95, 0) +
                   " % of the pelvis's movement is at 4 to 12 Hz)";
    }
    return {};
}

/// Why nothing gets harder for how often it was done; empty = it may.
std::string practiceWords(const Case& c) {
    if (!c.practice) return {};
    const std::string days = "done on " + std::to_string(c.practice->done) + " of " +
                             std::to_string(c.practice->asked) + " days in the two weeks before";
    return c.practice->isTooMuch()     ? days + ", more often than asked: nothing gets harder"
           : c.practice->isTooLittle() ? days + ", less than half: nothing gets harder yet"
                                       : "";
}

bool stepUp(const Situation& s, Decision& d) {
    const bool enough = s.e.tremorIsTheEnd && !tremorWords(s.c).empty();
    if (!s.cleanNow() || sidesShown(s.e, s.c).empty() || !s.sidesToShow().empty() ||
        s.shown.sideDifference > kSideLimit + 1e-9 || !s.wrongPlace.empty() || enough || !practiceWords(s.c).empty())
        return false;
    d.because.push_back(askedWords(s.c.target) + " met cleanly in two reviews running");
    return true;
}

void whyStay(const Situation& s, Decision& d) {
    const Shown& w = s.shown;
    auto say = [&](bool when, const std::string& words) {
        if (when) d.because.push_back(words);
    };
    say(s.cannotTell, "this clip cannot tell whether a limit was passed");
    say(!s.c.between.empty(), "not up: between the reps, " + (s.c.between.empty() ? "" : s.c.between.front()) +
                                  ": the side that is not marked has to be seen");
    say(s.setupPoor, "not up: the set-up comes first");
    say(w.clean < w.total,
        "not up: " + std::to_string(w.clean) + " of " + std::to_string(w.total) + " " + s.e.words.many + " clean");
    say(w.clean == w.total && w.brokenOnTheWay > 0, "not up: gave way on the way out or back in " +
                                                        std::to_string(w.brokenOnTheWay) + " " +
                                                        (w.brokenOnTheWay == 1 ? s.e.words.one : s.e.words.many));
    say(w.clean == w.total && !s.faultFree, "not up: a fault still stands");
    say(w.clean == w.total && !w.met, "clean, but " + askedWords(s.c.target) + " was not reached");
    const auto shown = sidesShown(s.e, s.c);
    say(shown.empty(), "not up: which side worked cannot be told from this clip");
    for (const std::string& side : s.sidesToShow())
        say(!shown.empty() && !shown.count(side) && s.cleanNow(),
            "not up: only one side is shown; the " + side + " side has " +
                (s.cleanRunning(side) ? "been clean only once" : "yet to be clean"));
    say(w.sideDifference > kSideLimit + 1e-9,
        "left and right differ by " + numberWords(100 * w.sideDifference, 0) + " %, more than 15 %");
    if (!s.wrongPlace.empty())
        d.because.push_back("felt in the " + s.e.feltPlace(s.wrongPlace)->name + ": " +
                            s.e.feltPlace(s.wrongPlace)->means);
    const std::string shaking = tremorWords(s.c);
    say(s.e.tremorIsTheEnd && !shaking.empty(), shaking + ": the dose is enough");
    const std::string practice = practiceWords(s.c);
    say(!practice.empty() && s.cleanNow(), "not up: " + practice);
    const bool first = std::any_of(shown.begin(), shown.end(),
                                   [&](const std::string& side) { return s.cleanRunning(side) < kCleanReviews; });
    say(s.cleanNow() && first, "the first clean time: once more before a step up");
    d.because.push_back(w.early == 1 ? "not back: gave way early only once"
                                     : "not back: nothing gave way in the first third");
}

} // namespace

Decision decide(const Catalogue& catalogue, const Exercise& e, const Case& c) {
    Decision d;
    d.target = c.target;
    if (d.target.version.empty()) d.target.version = c.version;
    const Situation s = lookAt(catalogue, e, c);
    if (stopRules(s, d))
        d.step = "stop";
    else if (offerOpenVersion(s, d))
        d.step = "back";
    else if (askAgain(s, d))
        d.step = "ask-again";
    else if (stepBack(s, d))
        d.step = "back";
    else if (stepUp(s, d))
        d.step = "up";
    else
        d.step = "stay", whyStay(s, d);

    d.cautions = cautionsFor(catalogue.safety(), e, c, d.open.empty() ? s.locks : std::vector<Lock>{});
    if (!d.open.empty()) return d; // what the locked version showed is not worked on
    if (d.step == "stop" || d.step == "ask-again")
        d.arithmetic.push_back(d.step + ": the target stays as it was");
    else
        setTarget(d, catalogue, e, c, s.shown, !s.outlived.empty() || !s.setupAgain.empty());
    if (d.step == "stop") return d;
    const CorrectionOrder order = correctionOrder(e, s.found);
    for (const std::string& id : order.act) d.cues.push_back(chooseCue(e, id, c));
    d.waiting = order.wait;
    return d;
}

Result<Decision> decide(const Catalogue& catalogue, const Case& now) {
    Case c = now;
    if (c.version.empty()) {
        const auto plain = catalogue.form({c.exercise, {}, {}, c.schools});
        if (!plain) return tl::unexpected(plain.error());
        c.version = plain->startVersion;
    }
    const auto exercise = catalogue.form({c.exercise, c.version, {}, c.schools});
    if (!exercise) return tl::unexpected(exercise.error());
    return decide(catalogue, *exercise, c);
}

Json toJson(const Decision& d) {
    Json cues = Json::array(), waiting = Json::array();
    for (const ChosenCue& c : d.cues)
        cues.push_back({{"fault", c.fault}, {"rung", c.level}, {"text", c.text}, {"because", c.because}});
    for (const auto& [id, why] : d.waiting) waiting.push_back({{"fault", id}, {"because", why}});
    return {{"step", d.step}, {"because", d.because}, {"target", toJson(d.target)}, {"arithmetic", d.arithmetic},
            {"cues", cues},   {"waiting", waiting},   {"cautions", d.cautions}};
}

} // namespace deft
