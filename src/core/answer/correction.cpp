// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/correction.h"

#include "answer/clip_words.h"
#include "answer/phrases.h"
#include "exercises/translated.h"
#include "judgement/safety.h"
#include "readings/readings.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Best and worst frame of a fault, or the set-up for a check; the coach's own choice where there is one.
std::vector<AnswerPicture> picturesOf(const Speaker& s, const std::string& fault, const std::string& measure) {
    const Review& r = s.r;
    const auto it = r.inputs.pictures.find(fault);
    const ChosenPictures chosen = it == r.inputs.pictures.end() ? ChosenPictures{} : it->second;
    const FaultPlan* plan = r.exercise.fault(fault);
    const Series* series = r.series().find(measure);
    std::vector<AnswerPicture> out;
    auto add = [&](int64_t frame, const std::optional<double>& own_s, const char* says, bool broken) {
        if (own_s) frame = r.clip().frameAt(*own_s);
        const double t = r.clip().time_s[size_t(frame)], value = series ? series->value[size_t(frame)] : kGap;
        int rep = int(r.events.reps.size()) - 1;
        while (rep >= 0 && (t < r.events.reps[size_t(rep)].start_s || t > r.events.reps[size_t(rep)].end_s)) --rep;
        Message caption = says;
        if (plan && rep >= 0) {
            // Of a frame that the coach chose nothing is said that its reading contradicts.
            const bool outside = plan->limit.excess(value) > 0;
            const bool plain = own_s && std::isfinite(value) && outside != broken;
            caption = {plain ? "picture.rep" : "picture.rep-told",
                       {{"says", Message(says)},
                        {"ordinal", ordinal(rep)},
                        {"number", rep + 1},
                        {"one", Message(s.e.words.one)}}};
        }
        out.push_back({frame, rep, measure, s.say(caption), broken});
    };
    if (const auto pair = r.framePair(fault); pair && plan) {
        add(pair->best, chosen.best_s, "picture.aim", false);
        add(pair->worst, chosen.worst_s, "picture.too-far", true);
    } else if (r.exercise.check(fault)) {
        const double middle = (r.events.setupStart_s + r.events.setupEnd_s) / 2;
        add(r.clip().frameAt(middle), chosen.worst_s, s.e.words.start.c_str(), true);
    }
    return out;
}

/// When the pictures were taken and what was measured in them.
Messages pictureFacts(const Review& r, const std::vector<AnswerPicture>& pictures, const std::string& unit,
                      bool withSign) {
    Messages said;
    for (const AnswerPicture& p : pictures) {
        const Series* s = r.series().find(p.measure);
        const double value = s ? s->value[size_t(p.frame)] : kGap;
        said.push_back({"fact.picture-at",
                        {{"time", sec(r.clip().time_s[size_t(p.frame)])},
                         {"told", std::isfinite(value)},
                         {"value", reading(std::isfinite(value) ? value : 0, unit, 1, withSign)}}});
    }
    return said;
}

/// Was it nowhere else than on the way back?
bool isOnlyOnTheWayBack(const Review& r, const std::string& fault) {
    if (r.exercise.mover.isWindow() || measureUnit(r.exercise.fault(fault)->limit.measure) == "s") return false;
    bool any = false;
    for (const Fault* f : r.standing()) {
        if (f->id != fault) continue;
        any = true;
        if (f->start_s < r.events.reps[size_t(f->rep)].hold.end_s) return false;
    }
    return any;
}

/// Exercises that work on a posture, as far as nothing that is known of this client speaks against them.
Messages exercisesFor(const Review& r, const FaultPlan& plan) {
    Messages names;
    for (const std::string& id : plan.answeredBy)
        if (const auto e = r.catalogue->exercise(id))
            if (locksOf(*r.catalogue, *e, e->plainVersion(), r.inputs.flags, r.inputs.cleared).empty())
                names.push_back(e->name);
    return names;
}

/// What was seen and where: after the cue, in the client's words.
Messages seenWords(const Speaker& s, const FaultPlan& plan, const Fault& worst) {
    Messages ordinals, numbers;
    int last = -1;
    for (const Fault* f : s.r.standing()) {
        if (f->id != plan.id || f->rep == last) continue;
        last = f->rep;
        ordinals.push_back(ordinal(f->rep)), numbers.push_back({"number.plain", {{"n", f->rep + 1}}});
    }
    const int n = int(ordinals.size());
    Messages say = {{s.r.events.reps.size() == 1 ? "correction.this-time" : "correction.in", // no other to tell it from
                     {{"ordinals", ordinals},
                      {"numbers", numbers},
                      {"n", n},
                      {"one", Message(s.e.words.one)},
                      {"many", Message(s.e.words.many)},
                      {"told", toldWords(s.r, plan, worst)},
                      {"back", isOnlyOnTheWayBack(s.r, plan.id)}}}};
    if (const Messages names = exercisesFor(s.r, plan); !names.empty())
        say.push_back({"correction.exercises", {{"n", int(names.size())}, {"names", names}}});
    return say;
}

/// What was measured of the worst finding, for the coach.
Messages worstFacts(const Speaker& s, const FaultPlan& plan, const Fault& worst) {
    const std::string& measure = plan.limit.measure;
    const std::string moverUnit = measureUnit(s.r.exercise.mover.measure);
    const bool withSign = toldWithSign(plan.limit);
    Messages facts;
    if (std::isfinite(worst.worst))
        facts.push_back({"fact.worst",
                         {{"measure", Message(measureName(measure))},
                          {"value", reading(worst.worst, plan.limit.unit, 1, withSign, worst.u95)},
                          {"limit", reading(worst.limit, plan.limit.unit, 0, withSign)},
                          {"certainty", worst.byCoach                         ? "coach"
                                        : worst.certainty == Certainty::Clear ? "clear"
                                                                              : "unsure"}}});
    else
        facts.push_back({"fact.seen-only", {{"measure", Message(measureName(measure))}}});
    const Rep& rep = s.r.events.reps[size_t(worst.rep)];
    const std::vector<std::pair<std::string, Argument>> where = {
        {"range", reading(rep.controlRange, moverUnit, 0, false)},
        {"mover", Message(s.own.mover.words)},
        {"reach", reading(rep.reach, moverUnit, 0, false)},
        {"clean", sec(rep.hold.clean_s)},
        {"held", sec(rep.hold.duration_s())}};
    if (rep.brokenBy == measure)
        facts.push_back({"fact.gave-way-out", where});
    else if (rep.brokenBackBy == measure)
        facts.push_back({"fact.gave-way-back", where});
    else if (rep.hold.brokenBy == measure)
        facts.push_back({"fact.gave-way-hold", where});
    if (!worst.causedBy.empty())
        facts.push_back({"why.follows-from", {{"cause", Message(s.own.nameOf(worst.causedBy))}}});
    return facts;
}

} // namespace

AnswerPart correction(const Speaker& s, const ChosenCue& cue) {
    const Review& r = s.r;
    AnswerPart part{"correction-" + cue.fault, "", s.say(cue.text), {}, {}};
    const auto add = [&](const Messages& facts) {
        for (const Message& fact : facts) part.facts.push_back(s.fact(fact));
    };
    const FaultPlan* plan = s.e.fault(cue.fault);
    const SetupCheck* check = s.e.check(cue.fault);
    const Limit limit = plan ? plan->limit : check ? check->limit : Limit{};
    const bool withSign = plan && toldWithSign(plan->limit);
    if (plan) {
        const Fault* worst = nullptr;
        for (const Fault* f : r.standing())
            if (f->id == cue.fault && (!worst || plan->limit.isWorse(f->worst, worst->worst))) worst = f;
        if (worst) {
            for (const Message& m : seenWords(s, *plan, *worst)) part.text += " " + s.say(m);
            add(worstFacts(s, *plan, *worst));
        }
    } else if (check) {
        for (const SetupVerdict& v : r.findings.setup)
            if (v.id == cue.fault) {
                const std::string told = v.high ? check->tooHigh : check->tooLow;
                if (!told.empty()) part.text = told + " " + part.text;
                add({{"fact.wanted",
                      {{"measure", Message(measureName(limit.measure))},
                       {"value", reading(v.value, limit.unit, 1, false, v.u95)},
                       {"ends", limit.low && limit.high ? "both"
                                : limit.low             ? "low"
                                                        : "high"},
                       {"low", reading(limit.low.value_or(0), limit.high ? "" : limit.unit, 0, false)},
                       {"high", reading(limit.high.value_or(0), limit.unit, 0, false)}}}});
            }
    }
    add({{"fact.cue", {{"level", Message("cue-level." + cue.level)}, {"why", cue.because}}}});
    part.pictures = picturesOf(s, cue.fault, limit.measure);
    if (const Messages facts = pictureFacts(r, part.pictures, limit.unit, withSign); !facts.empty())
        add({{"fact.pictures", {{"n", int(facts.size())}, {"pictures", facts}}}});
    return part;
}

} // namespace deft
