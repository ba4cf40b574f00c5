// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/targets.h"

#include "judgement/safety.h"
#include "judgement/sides.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace deft {

const std::vector<double> kHoldSteps = {5, 10, 15, 20, 30, 45, 60, 90, 120};

namespace {

constexpr double kUpShare = 1.2;          // of the median clean hold; chosen here
constexpr double kUpStep_s = 5;           // chosen here
constexpr double kWeeklyGrowth = 1.10;    // of the range; chosen here
constexpr int kRepStep = 2;               // chosen here
constexpr double kSideWorthNaming = 0.02; // chosen here

/// Another version of an exercise, in the same schools.
Result<Exercise> formOf(const Catalogue& catalogue, const Exercise& e, const std::string& version) {
    return catalogue.form({e.id, version, {}, e.inForce.empty() ? std::nullopt : std::optional(e.inForce)});
}

Amount seconds(double v) { return {v, 1, "s"}; }

/// Why a version may not be gone to, or empty.
std::string lockOn(const Catalogue& catalogue, const Exercise& e, const std::string& version, const Case& c) {
    const auto locks = locksOf(catalogue, e, version, c.flags, c.cleared);
    return locks.empty() ? "" : locks.front().name;
}

bool hasHeld(const PastReview& past, const Criterion& needs, const std::string& version) {
    return past.version == version && past.met && past.clean &&
           past.target.hold_s.value_or(0) >= needs.hold_s.value_or(0) - 1e-9;
}

/// Has the client shown what the next version needs: in this clip and, running, in the ones before it?
bool isMet(const Criterion& needs, const Exercise& e, const Case& c) {
    std::map<std::string, int> good;
    const bool byHold = needs.hold_s.has_value();
    if (byHold)
        for (const Case::Hold& h : c.holds) good[h.side] += h.clean_s >= *needs.hold_s - kHoldSlack_s;
    else if (!c.reps.empty())
        for (const Case::Rep& r : c.reps) good[r.side] += r.brokenBy.empty();
    else
        for (const Case::Hold& h : c.holds) good[h.side] += h.brokenBy.empty();
    if (good.empty()) return false;
    for (const auto& [side, n] : good)
        if (n < needs.reps.value_or(1)) return false;
    const auto sides = sidesOf(e);
    return std::all_of(sides.begin(), sides.end(), [&](const std::string& side) {
        return reviewsRunning(e, c, side, true,
                              [&](const PastReview& past) { return hasHeld(past, needs, c.version); }) >= needs.reviews;
    });
}

Message criterionShown(const Criterion& needs, const Exercise& e) {
    return {"sum.needs",
            {{"what", needs.reps && needs.hold_s ? "both"
                      : needs.hold_s             ? "hold"
                      : needs.reps               ? "reps"
                                                 : "none"},
             {"reps", needs.reps.value_or(0)},
             {"hold", seconds(needs.hold_s.value_or(0))},
             {"many", Message("noun|" + e.words.many)},
             {"each", e.eachSide},
             {"reviews", needs.reviews}}};
}

/// Does the next version say what it needs, so that a program can read it?
bool hasCriterion(const Exercise& e, const std::string& version) {
    const int at = e.versionIndex(version);
    return at >= 0 && at + 1 < int(e.ladder.size()) && e.ladder[size_t(at) + 1].needs.has_value();
}

/// One line of the sums of a step up: what is kept, what grows instead, and what was passed over for it.
Message grown(const Message& keep, Message what, const Message& passedOver) {
    return {"sum.up",
            {{"keep", keep}, {"what", std::move(what)}, {"told", !passedOver.empty()}, {"passed", passedOver}}};
}

/// The next version, where what it needs has been shown and nothing locks it. @param passedOver why not
bool nextVersion(Decision& d, const Catalogue& catalogue, const Exercise& e, const Case& c, const Message& keep,
                 Message& passedOver) {
    const int version = e.versionIndex(d.target.version);
    if (version < 0 || version + 1 >= int(e.ladder.size())) return false;
    const Version& next = e.ladder[size_t(version) + 1];
    if (const std::string lock = lockOn(catalogue, e, next.id, c); !lock.empty()) { // never onto what intake locks
        passedOver = {"sum.next-locked", {{"flag", Message(lock)}}};
        return false;
    }
    if (next.needs && !isMet(*next.needs, e, c)) {
        passedOver = {"sum.next-needs", {{"needs", criterionShown(*next.needs, e)}}};
        return false;
    }
    d.arithmetic.push_back(grown(keep,
                                 {"sum.next-version",
                                  {{"from", Message(e.ladder[size_t(version)].name)},
                                   {"to", Message(next.name)},
                                   {"told", next.needs.has_value()},
                                   {"needs", next.needs ? criterionShown(*next.needs, e) : Message()}}},
                                 {}));
    changeVersion(d.target, catalogue, e, next.id, false);
    return true;
}

/// What grows when the hold cannot: the first of the exercise's own list that is possible.
void growInstead(Decision& d, const Catalogue& catalogue, const Exercise& e, const Case& c, const Message& keep) {
    Target& t = d.target;
    // Reps to the top of their range first, then what the next version needs; rounds and days only without either.
    if (t.reps && e.dose.repsMax && *t.reps < *e.dose.repsMax) {
        t.reps = std::min(*e.dose.repsMax, *t.reps + kRepStep);
        d.arithmetic.push_back(
            grown(keep, {"sum.reps", {{"least", *e.dose.reps}, {"most", *e.dose.repsMax}, {"now", *t.reps}}}, {}));
        return;
    }
    Message passedOver;
    if (hasCriterion(e, t.version) && nextVersion(d, catalogue, e, c, keep, passedOver)) return;
    for (const std::string& what : e.dose.instead) {
        if (what == "round" && t.sets < e.dose.setsMax) {
            ++t.sets;
            d.arithmetic.push_back(grown(keep, {"sum.round", {{"now", t.sets}}}, passedOver));
            return;
        }
        if (what == "days" && t.daysPerWeek < 7) {
            t.daysPerWeek = 7;
            d.arithmetic.push_back(grown(keep, "sum.days", passedOver));
            return;
        }
        if (what == "version" && !hasCriterion(e, t.version) && nextVersion(d, catalogue, e, c, keep, passedOver))
            return;
    }
    d.arithmetic.push_back(grown(keep, "sum.nothing", passedOver));
}

void holdUp(Decision& d, const Catalogue& catalogue, const Exercise& e, const Case& c, const Shown& s, double asked) {
    const auto next = std::upper_bound(kHoldSteps.begin(), kHoldSteps.end(), asked + 1e-9);
    const double reachable = std::max(asked + kUpStep_s, kUpShare * s.medianClean_s);
    if (next == kHoldSteps.end() || *next > e.dose.holdCap_s + 1e-9)
        return growInstead(d, catalogue, e, c,
                           {"sum.cap", {{"cap", seconds(e.dose.holdCap_s)}, {"asked", seconds(asked)}}});
    if (*next > reachable + 1e-9)
        return growInstead(
            d, catalogue, e, c,
            {"sum.beyond", {{"next", seconds(*next)}, {"reachable", seconds(reachable)}, {"asked", seconds(asked)}}});
    d.target.hold_s = *next;
    d.arithmetic.push_back({"sum.next-rung",
                            {{"next", seconds(*next)},
                             {"asked", seconds(asked)},
                             {"step", seconds(kUpStep_s)},
                             {"share", Amount{kUpShare}},
                             {"median", seconds(s.medianClean_s)},
                             {"reachable", seconds(reachable)}}});
}

/// One version down; at the bottom of the ladder, a round less.
void easierVersion(Decision& d, const Catalogue& catalogue, const Exercise& e) {
    const int version = e.versionIndex(d.target.version);
    if (version > 0) {
        d.arithmetic.push_back(
            {"sum.version",
             {{"from", Message(e.ladder[size_t(version)].name)}, {"to", Message(e.ladder[size_t(version) - 1].name)}}});
        changeVersion(d.target, catalogue, e, e.ladder[size_t(version) - 1].id, true);
    } else if (d.target.sets > 1) {
        --d.target.sets;
        d.arithmetic.push_back({"sum.round-less", {{"now", d.target.sets}}});
    }
}

void setHold(Decision& d, const Catalogue& catalogue, const Exercise& e, const Case& c, const Shown& s, bool& easier) {
    const double asked = *d.target.hold_s;
    if (d.step == "up") return holdUp(d, catalogue, e, c, s, asked);
    if (d.step == "stay") {
        d.arithmetic.push_back({"sum.stay-hold", {{"clean", s.clean}, {"n", s.total}, {"asked", seconds(asked)}}});
        return;
    }
    const auto above = std::upper_bound(kHoldSteps.begin(), kHoldSteps.end(), s.medianClean_s + 1e-9);
    if (above == kHoldSteps.begin()) {
        d.target.hold_s = std::min(asked, kHoldSteps.front());
        d.arithmetic.push_back(
            {"sum.below-shortest", {{"median", seconds(s.medianClean_s)}, {"now", seconds(*d.target.hold_s)}}});
        easier = true;
    } else {
        d.target.hold_s = std::min(asked, *(above - 1));
        d.arithmetic.push_back(
            {"sum.rung-below", {{"median", seconds(s.medianClean_s)}, {"now", seconds(*d.target.hold_s)}}});
    }
}

void setReps(Decision& d, const Catalogue& catalogue, const Exercise& e, const Case& c, const Shown& s, bool& easier) {
    const std::pair<std::string, Argument> reps{"reps", d.target.reps.value_or(0)};
    if (d.step == "up") return growInstead(d, catalogue, e, c, {"sum.keep-reps", {reps}});
    if (d.step == "stay") {
        d.arithmetic.push_back({"sum.stay-reps", {{"clean", s.clean}, {"n", s.total}, reps}});
        return;
    }
    if (d.target.reps && e.dose.reps && *d.target.reps > *e.dose.reps) {
        d.target.reps = e.dose.reps;
        d.arithmetic.push_back({"sum.reps-back", {reps, {"now", *e.dose.reps}}});
    }
    easier = true;
}

void setRange(Decision& d, const Case& c) {
    // A range is set only when one was lost: the least control range of the set, less its uncertainty.
    double least = 1e300, band = 0;
    bool broken = false;
    for (const Case::Rep& r : c.reps) {
        if (!r.isTold) continue;
        broken = broken || (!r.brokenBy.empty() && !r.onTheWayBack);
        if (r.controlRange - r.u95 < least - band) least = r.controlRange, band = r.u95;
    }
    if (least > 1e299 || (!broken && !c.target.range)) return;
    double range = std::floor(least - band);
    d.arithmetic.push_back(
        {"sum.range", {{"least", Amount{least, 0}}, {"band", Amount{band, 0}}, {"range", Amount{range, 0}}}});
    if (c.target.range && range > *c.target.range * kWeeklyGrowth) {
        range = std::floor(*c.target.range * kWeeklyGrowth);
        d.arithmetic.push_back(
            {"sum.range-growth", {{"before", Amount{*c.target.range, 0}}, {"range", Amount{range, 0}}}});
    }
    if (d.step == "back" && c.target.range && range > *c.target.range) {
        range = *c.target.range;
        d.arithmetic.push_back({"sum.range-back", {{"range", Amount{range, 0}}}});
    }
    d.target.range = std::max(0.0, range);
}

} // namespace

void changeVersion(Target& t, const Catalogue& catalogue, const Exercise& e, const std::string& version, bool easier) {
    t.version = version;
    const auto done = formOf(catalogue, e, version);
    if (!done) return; // the file has been read before, so this one can be
    const Target first = usualTarget(*done);
    const bool sameKind = t.hold_s.has_value() == first.hold_s.has_value();
    if (!easier || !sameKind) t.hold_s = first.hold_s;
    if (!easier || !sameKind || !t.reps) t.reps = first.reps;
    t.sets = first.sets;
    if (!sameKind) t.range.reset();
}

void setTarget(Decision& d, const Catalogue& catalogue, const Exercise& e, const Case& c, const Shown& s, bool easier) {
    const std::string version = d.target.version;
    if (d.target.hold_s)
        setHold(d, catalogue, e, c, s, easier);
    else
        setReps(d, catalogue, e, c, s, easier);
    if (d.target.version == version) setRange(d, c); // a range belongs to one version
    if (d.step == "back" && easier) easierVersion(d, catalogue, e);
    if (s.sideDifference > kSideWorthNaming) {
        d.target.firstSide = s.weakSide;
        d.arithmetic.push_back({"sum.sides",
                                {{"side", s.weakSide},
                                 {"weak", Amount{s.weak}},
                                 {"strong", Amount{s.strong, 1, s.weakUnit}},
                                 {"share", Amount{100 * s.sideDifference, 0, "%"}}}});
    }
}

Target firstTarget(const Catalogue& catalogue, const Exercise& e) {
    const auto begun = formOf(catalogue, e, e.startVersion);
    Target t = usualTarget(begun ? *begun : e);
    t.version = e.startVersion;
    return t;
}

Target usualTarget(const Exercise& e) {
    Target t;
    t.version = e.version.empty() ? e.plainVersion() : e.version, t.sets = e.dose.sets, t.reps = e.dose.reps,
    t.daysPerWeek = e.dose.daysPerWeek;
    if (e.dose.hold_s) t.hold_s = std::min(*e.dose.hold_s, e.dose.holdCap_s);
    return t;
}

} // namespace deft
