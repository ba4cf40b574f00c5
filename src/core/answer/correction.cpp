// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/correction.h"

#include "answer/clip_words.h"
#include "answer/phrases.h"
#include "judgement/safety.h"
#include "judgement/wording.h"
#include "readings/readings.h"

#include <algorithm>
#include <cctype>
#include <cmath>

namespace deft {
namespace {

/// Best and worst frame of a fault, or the set-up for a check; the coach's own choice where there is one.
std::vector<AnswerPicture> picturesOf(const Review& r, const std::string& fault, const std::string& measure) {
    const auto it = r.inputs.pictures.find(fault);
    const ChosenPictures chosen = it == r.inputs.pictures.end() ? ChosenPictures{} : it->second;
    const FaultPlan* plan = r.exercise.fault(fault);
    const Series* series = r.series().find(measure);
    std::vector<AnswerPicture> out;
    auto add = [&](int64_t frame, const std::optional<double>& own_s, const std::string& says, bool broken) {
        if (own_s) frame = r.clip().frameAt(*own_s);
        const double t = r.clip().time_s[size_t(frame)], value = series ? series->value[size_t(frame)] : kGap;
        int rep = int(r.events.reps.size()) - 1;
        while (rep >= 0 && (t < r.events.reps[size_t(rep)].start_s || t > r.events.reps[size_t(rep)].end_s)) --rep;
        std::string caption = says;
        if (plan && rep >= 0) {
            // Of a frame that the coach chose nothing is said that its reading contradicts.
            const bool outside = plan->limit.excess(value) > 0;
            const std::string whose = " " + ordinal(rep) + " " + r.exercise.words.one;
            caption = own_s && std::isfinite(value) && outside != broken ? "Your" + whose : says + ": your" + whose;
        }
        out.push_back({frame, rep, measure, caption, broken});
    };
    if (const auto pair = r.framePair(fault); pair && plan) {
        add(pair->best, chosen.best_s, "Aim for this", false);
        add(pair->worst, chosen.worst_s, "Too far", true);
    } else if (r.exercise.check(fault)) {
        const double middle = (r.events.setupStart_s + r.events.setupEnd_s) / 2;
        add(r.clip().frameAt(middle), chosen.worst_s, r.exercise.words.start, true);
    }
    return out;
}

/// When the pictures were taken and what was measured in them.
std::string pictureFacts(const Review& r, const std::vector<AnswerPicture>& pictures, const std::string& unit,
                         bool withSign) {
    std::vector<std::string> said;
    for (const AnswerPicture& p : pictures) {
        const Series* s = r.series().find(p.measure);
        const double value = s ? s->value[size_t(p.frame)] : kGap;
        said.push_back("at " + sec(r.clip().time_s[size_t(p.frame)]) +
                       (std::isfinite(value) ? " (" + withUnit(value, unit, 1, withSign) + ")" : " (not measured)"));
    }
    return said.empty() ? "" : (said.size() > 1 ? "pictures " : "picture ") + listOf(said);
}

/// " on the way back", when it was nowhere else.
std::string whenWords(const Review& r, const std::string& fault) {
    if (r.exercise.mover.isWindow() || measureUnit(r.exercise.fault(fault)->limit.measure) == "s") return {};
    bool any = false;
    for (const Fault* f : r.standing()) {
        if (f->id != fault) continue;
        any = true;
        if (f->start_s < r.events.reps[size_t(f->rep)].hold.end_s) return {};
    }
    return any ? " on the way back" : "";
}

/// Exercises that work on a posture, as far as nothing that is known of this client speaks against them.
std::string exercisesFor(const Review& r, const FaultPlan& plan) {
    std::vector<std::string> names;
    for (const std::string& id : plan.answeredBy)
        if (const auto e = r.catalogue->exercise(id))
            if (locksOf(*r.catalogue, *e, e->plainVersion(), r.inputs.flags, r.inputs.cleared).empty())
                names.push_back(e->name);
    if (names.empty()) return {};
    return (names.size() > 1 ? " Exercises that work on it: " : " An exercise that works on it: ") + listOf(names) +
           (names.size() > 1 ? ". Which of them suits you we choose together." : ".");
}

} // namespace

AnswerPart correction(const Review& r, const ChosenCue& cue, int number) {
    AnswerPart part{"correction-" + cue.fault, "", cue.text, {}, {}};
    const std::string moverUnit = measureUnit(r.exercise.mover.measure);
    std::string measure, unit;
    bool withSign = true;
    if (const FaultPlan* plan = r.exercise.fault(cue.fault)) {
        measure = plan->limit.measure, unit = plan->limit.unit, withSign = toldWithSign(plan->limit);
        part.title = "Correction " + std::to_string(number) + ": " + plan->name;
        part.title[part.title.find(": ") + 2] = char(std::tolower(plan->name[0]));
        std::vector<std::string> reps;
        const Fault* worst = nullptr;
        for (const Fault* f : r.standing()) {
            if (f->id != cue.fault) continue;
            const std::string name = ordinal(f->rep);
            if (std::find(reps.begin(), reps.end(), name) == reps.end()) reps.push_back(name);
            if (!worst || plan->limit.isWorse(f->worst, worst->worst)) worst = f;
        }
        if (worst) {
            const std::string told = toldWords(r, *plan, *worst) + whenWords(r, cue.fault) + ".";
            const std::string where =
                r.events.reps.size() == 1 // there is no other to tell it from
                    ? "This time"
                    : "In the " + listOf(reps) + " " + (reps.size() > 1 ? r.exercise.words.many : r.exercise.words.one);
            part.text += " " + where + " " + told + exercisesFor(r, *plan);
            if (std::isfinite(worst->worst))
                part.facts.push_back(measureName(measure) + " " + band(worst->worst, worst->u95, unit, withSign) +
                                     " at worst, limit " + withUnit(worst->limit, unit, 0, withSign) +
                                     (worst->byCoach                         ? ", seen by you"
                                      : worst->certainty == Certainty::Clear ? ", clear"
                                                                             : ", cannot tell for sure"));
            else
                part.facts.push_back("seen by you; " + measureName(measure) + " was not measured there");
            const Rep& rep = r.events.reps[size_t(worst->rep)];
            if (rep.brokenBy == measure)
                part.facts.push_back("gave way after " + withoutSign(rep.controlRange, moverUnit) + " of " +
                                     r.exercise.mover.words + ", reached " + withoutSign(rep.reach, moverUnit));
            else if (rep.brokenBackBy == measure)
                part.facts.push_back("gave way on the way back, at " + withoutSign(rep.controlRange, moverUnit) +
                                     " of " + r.exercise.mover.words);
            else if (rep.hold.brokenBy == measure)
                part.facts.push_back("gave way after " + sec(rep.hold.clean_s) + " of " + sec(rep.hold.duration_s()));
            if (!worst->causedBy.empty()) part.facts.push_back("follows from " + worst->causedBy);
        }
    } else if (const SetupCheck* check = r.exercise.check(cue.fault)) {
        measure = check->limit.measure, unit = check->limit.unit, withSign = false;
        part.title = "Correction " + std::to_string(number) + ": " + check->name;
        part.title[part.title.find(": ") + 2] = char(std::tolower(check->name[0]));
        for (const SetupVerdict& v : r.findings.setup)
            if (v.id == cue.fault) {
                const std::string told = v.high ? check->tooHigh : check->tooLow;
                if (!told.empty()) part.text = told + " " + part.text;
                part.facts.push_back(measureName(measure) + " " + band(v.value, v.u95, unit, withSign) + ", wanted" +
                                     (check->limit.low ? " from " + numberWords(*check->limit.low, 0) : "") +
                                     (check->limit.high ? " to " + numberWords(*check->limit.high, 0) : "") +
                                     unitSign(unit));
            }
    }
    part.facts.push_back("cue: " + cue.level + ", " + cue.because);
    part.pictures = picturesOf(r, cue.fault, measure);
    if (const std::string facts = pictureFacts(r, part.pictures, unit, withSign); !facts.empty())
        part.facts.push_back(facts);
    return part;
}

} // namespace deft
