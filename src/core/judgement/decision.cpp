// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/decision.h"

#include "base/json.h"
#include "base/message_json.h"
#include "judgement/cue_choice.h"
#include "judgement/safety.h"
#include "judgement/sides.h"
#include "judgement/targets.h"

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

Message askedWords(const Target& t) {
    return {"asked.sum",
            {{"sets", t.sets},
             {"reps", t.reps.value_or(0)},
             {"hold", t.hold_s ? Argument(Amount{*t.hold_s, 1, "s"}) : Argument("no")},
             {"what", t.reps && t.hold_s ? "both"
                      : t.reps           ? "reps"
                      : t.hold_s         ? "hold"
                                         : "none"}}};
}

/// Has a set of movements, or of holds, its own word.
std::vector<std::pair<std::string, Argument>> counted(const Exercise& e, int n) {
    return {{"n", n}, {"one", Message("noun|" + e.words.one)}, {"many", Message("noun|" + e.words.many)}};
}

/// A version that intake locks is not asked for again; an easier one that is open takes its place.
bool offerOpenVersion(const Situation& s, Decision& d) {
    if (s.locks.empty()) return false;
    const std::string open = openVersion(s.catalogue, s.e, s.c.version, s.c.flags, s.c.cleared);
    if (open.empty()) return false;
    const Lock& lock = s.locks.front();
    const Message name = s.e.ladder[size_t(s.e.versionIndex(open))].name;
    d.because.push_back(
        {"why.locked-open", {{"flag", Message(lock.name)}, {"reason", Message(lock.reason)}, {"open", name}}});
    d.openFor = lock.reason;
    d.arithmetic.push_back(
        {"sum.locked", {{"from", Message(s.e.ladder[size_t(s.e.versionIndex(s.c.version))].name)}, {"to", name}}});
    changeVersion(d.target, s.catalogue, s.e, open, true);
    return true;
}

bool stopRules(const Situation& s, Decision& d) {
    const ClientNote& note = s.c.note;
    const SafetyRules& rules = s.catalogue.safety();
    for (const std::string& flag : note.redFlags)
        d.because.push_back(
            {"why.red-flag",
             {{"what", Message(rules.redFlags.count(flag) ? rules.redFlags.at(flag) : flag)}, {"id", flag}}});
    if (note.pain) d.because.push_back("why.pain");
    const bool alarm = note.isAlarming();
    const std::string open = alarm ? "" : openVersion(s.catalogue, s.e, s.c.version, s.c.flags, s.c.cleared);
    for (const Lock& lock : s.locks)
        if (open.empty())
            d.because.push_back({"why.locked", {{"flag", Message(lock.name)}, {"reason", Message(lock.reason)}}});
    for (const std::string& sign : note.signs)
        d.because.push_back(rules.signs.count(sign) ? rules.signs.at(sign) : sign);
    return !d.because.empty();
}

bool askAgain(const Situation& s, Decision& d) {
    if (!s.c.usable)
        d.because.push_back("why.unusable");
    else if (s.shown.total == 0)
        d.because.push_back({"why.none-found", {{"one", Message("noun|" + s.e.words.one)}}});
    return !d.because.empty();
}

bool stepBack(const Situation& s, Decision& d) {
    if (s.shown.early >= kEarlyBreaks) d.because.push_back({"why.early", counted(s.e, s.shown.early)});
    if (!s.setupAgain.empty()) d.because.push_back({"why.setup-again", {{"check", Message(s.e.nameOf(s.setupAgain))}}});
    if (!s.outlived.empty()) d.because.push_back({"why.outlived", {{"fault", Message(s.e.nameOf(s.outlived))}}});
    return !d.because.empty();
}

/// Shaking with the position kept, as the client felt it or as a hold shows it for certain. Empty = none.
Message tremorWords(const Case& c) {
    if (c.note.shaking) return "why.shaking-felt";
    for (size_t i = 0; i < c.holds.size(); ++i) {
        const Case::Hold& h = c.holds[i];
        if (h.brokenBy.empty() && h.tremorShare && *h.tremorShare - h.tremorU95 > kShaking_percent)
            return {"why.shaking-seen",
                    {{"hold", int(i + 1)}, {"share", Amount{*h.tremorShare, 0, "%", false, h.tremorU95}}}};
    }
    return {};
}

/// Why nothing gets harder for how often it was done; empty = it may.
Message practiceWords(const Case& c) {
    if (!c.practice || (!c.practice->isTooMuch() && !c.practice->isTooLittle())) return {};
    return {c.practice->isTooMuch() ? "why.practised-more" : "why.practised-less",
            {{"done", c.practice->done}, {"asked", c.practice->asked}}};
}

bool stepUp(const Situation& s, Decision& d) {
    const bool enough = s.e.tremorIsTheEnd && !tremorWords(s.c).empty();
    if (!s.cleanNow() || sidesShown(s.e, s.c).empty() || !s.sidesToShow().empty() ||
        s.shown.sideDifference > kSideLimit + 1e-9 || !s.wrongPlace.empty() || enough || !practiceWords(s.c).empty())
        return false;
    d.because.push_back({"why.met-twice", {{"asked", askedWords(s.c.target)}}});
    return true;
}

void whyStay(const Situation& s, Decision& d) {
    const Shown& w = s.shown;
    auto say = [&](bool when, Message words) {
        if (when) d.because.push_back(std::move(words));
    };
    say(s.cannotTell, "why.cannot-tell");
    if (!s.c.between.empty()) say(true, {"why.between", {{"fault", Message(s.e.nameOf(s.c.between.front()))}}});
    say(s.setupPoor, "why.setup-first");
    auto some = counted(s.e, w.total);
    some.emplace_back("clean", w.clean);
    say(w.clean < w.total, {"why.not-all-clean", some});
    say(w.clean == w.total && w.brokenOnTheWay > 0, {"why.gave-way-between", counted(s.e, w.brokenOnTheWay)});
    say(w.clean == w.total && !s.faultFree, "why.fault-stands");
    say(w.clean == w.total && !w.met, {"why.not-reached", {{"asked", askedWords(s.c.target)}}});
    const auto shown = sidesShown(s.e, s.c);
    say(shown.empty(), "why.side-unknown");
    for (const std::string& side : s.sidesToShow())
        say(!shown.empty() && !shown.count(side) && s.cleanNow(),
            {s.cleanRunning(side) ? "why.side-once" : "why.side-missing", {{"side", side}}});
    say(w.sideDifference > kSideLimit + 1e-9,
        {"why.sides-differ", {{"share", Amount{100 * w.sideDifference, 0, "%"}}}});
    if (!s.wrongPlace.empty()) {
        const FeltPlace& place = *s.e.feltPlace(s.wrongPlace);
        d.because.push_back({"why.felt", {{"place", Message(place.name)}, {"means", Message(place.means)}}});
    }
    const Message shaking = tremorWords(s.c);
    say(s.e.tremorIsTheEnd && !shaking.empty(), {"why.dose-enough", {{"shaking", shaking}}});
    const Message practice = practiceWords(s.c);
    say(!practice.empty() && s.cleanNow(), {"why.not-up", {{"why", practice}}});
    const bool first = std::any_of(shown.begin(), shown.end(),
                                   [&](const std::string& side) { return s.cleanRunning(side) < kCleanReviews; });
    say(s.cleanNow() && first, "why.first-clean");
    d.because.push_back(w.early == 1 ? "why.early-once" : "why.not-early");
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

    d.cautions = cautionsFor(catalogue.safety(), e, c, d.openFor.empty() ? s.locks : std::vector<Lock>{});
    if (!d.openFor.empty()) return d; // what the locked version showed is not worked on
    if (d.step == "stop" || d.step == "ask-again")
        d.arithmetic.push_back({"sum.as-it-was", {{"step", Message("step." + d.step)}}});
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

Json toJson(const Decision& d, const Language& language) {
    const auto said = [&](const Messages& messages) {
        Json lines = Json::array();
        for (const Message& m : messages) lines.push_back(language.say(m));
        return lines;
    };
    const auto kept = [](const Messages& messages) {
        Json list = Json::array();
        for (const Message& m : messages) list.push_back(toJson(m));
        return list;
    };
    Json cues = Json::array(), waiting = Json::array();
    for (const ChosenCue& c : d.cues)
        cues.push_back({{"fault", c.fault}, {"rung", c.level}, {"text", c.text}, {"because", language.say(c.because)}});
    for (const auto& [id, why] : d.waiting) waiting.push_back({{"fault", id}, {"because", language.say(why)}});
    return {{"step", d.step},
            {"because", said(d.because)},
            {"target", toJson(d.target)},
            {"arithmetic", said(d.arithmetic)},
            {"cues", cues},
            {"waiting", waiting},
            {"cautions", said(d.cautions)},
            {"messages", {{"because", kept(d.because)}, {"arithmetic", kept(d.arithmetic)}}}};
}

} // namespace deft
