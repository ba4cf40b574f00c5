// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/compose.h"
#include "answer/calendar.h"
#include "answer/clip_words.h"
#include "answer/correction.h"
#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "answer/phrases.h"
#include "judgement/shown.h"
#include "judgement/wording.h"
#include "review/seen_faults.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {

const char* const kScopeNote =
    "This is coaching, not medical advice, and the program that helps me to measure is no medical device. "
    "What your doctor or physiotherapist tells you comes first.";

const char* const kThanks = "Thank you for filming and sending this.";

namespace {

/// The schools that this answer follows, where the exercise leaves a choice that matters here.
std::string schoolWords(const Review& r) {
    std::string out;
    for (const auto& [question, chosen] : r.inputs.schools) {
        const SchoolQuestion* q = r.catalogue->schools().find(question);
        const SchoolChoice* choice = q ? q->choice(chosen) : nullptr;
        const bool matters = r.exercise.schools.size() == 1 || question == "bridge" || question == "pelvis" ||
                             chosen != r.exercise.answerTo(question)->defaultChoice;
        if (choice && matters) out += (out.empty() ? "" : " ") + choice->name + ": " + choice->aim;
    }
    return out;
}

AnswerPart whatWasShown(const Review& r) {
    AnswerPart part{"shown", "What was shown", shownWords(r), {}, {}};
    for (size_t i = 0; i < r.events.reps.size(); ++i) {
        const Rep& rep = r.events.reps[i];
        part.facts.push_back("rep " + std::to_string(i + 1) + ": " + sec(rep.hold.clean_s) + " clean of " +
                             sec(rep.hold.duration_s()) + " held" +
                             (r.inputs.asked.hold_s ? ", asked " + sec(*r.inputs.asked.hold_s) : ""));
    }
    return part;
}

/// Of the one that deserves it; of several the longest or farthest.
std::string praise(const Review& r) {
    const int best = praisedRep(r);
    if (best < 0) return {};
    const Rep& rep = r.events.reps[size_t(best)];
    const MovementWords& words = r.exercise.words;
    const bool only = r.events.reps.size() == 1;
    const std::string whose = only ? "Your " + words.one : "Your " + ordinal(best) + " " + words.one;
    if (r.inputs.asked.hold_s && rep.hold.clean_s >= 1)
        return whose + " was clean from start to end: " + secondsWords(std::floor(rep.hold.clean_s)) + " with " +
               words.anchor + ".";
    return whose + " was clean from start to end, with " + words.anchor + ".";
}

AnswerPart whatWentWell(const Review& r) {
    AnswerPart part{"well", "What went well", "", {}, {}};
    std::vector<std::string> say;
    const Shown shown = summarisePerformance(r.exercise, caseOf(r));
    const bool nothingWrong =
        r.decision.cues.empty() && r.standing().empty() && r.allClean() && r.decision.step != "stop";
    if (nothingWrong && shown.total > 1)
        say.push_back((shown.total == 2 ? "Both" : "All " + countWords(shown.total)) + " were clean, with " +
                      r.exercise.words.anchor + ": that was a pleasure to watch.");
    else if (const std::string words = praise(r); !words.empty())
        say.push_back(words + (nothingWrong ? " That was a pleasure to watch." : ""));
    for (const SetupVerdict& v : r.findings.setup)
        if (v.verdict == "good" && say.size() < 3) {
            const SetupCheck* check = r.exercise.check(v.id);
            say.push_back(check->good);
            part.facts.push_back(check->name + ": " + band(v.value, v.u95, check->limit.unit, false));
        }
    if (!r.inputs.history.empty()) {
        // A fault that was there last time and is not now has earned a sentence.
        std::vector<std::string> gone;
        for (const std::string& id : r.inputs.history.back().faults) {
            const bool still =
                std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                            [&](const Fault& f) { return f.id == id && !f.rejected; }) ||
                std::any_of(r.findings.setup.begin(), r.findings.setup.end(),
                            [&](const SetupVerdict& v) { return v.id == id && v.verdict != "good" && !v.rejected; });
            if (!still) gone.push_back(id);
        }
        if (!gone.empty()) {
            say.push_back("Something we worked on last time is no longer there: well done.");
            part.facts.push_back("gone since " + r.inputs.history.back().date + ": " + listOf(gone));
        }
    }
    if (say.empty()) say.push_back(kThanks);
    for (const std::string& s : say) part.text += (part.text.empty() ? "" : " ") + s;
    return part;
}

/// The frames on which the coach drew, each a picture with the coach's words under it.
std::optional<AnswerPart> drawings(const Review& r) {
    AnswerPart part{"drawings", "What you drew", "Have a look at what I have drawn for you.", {}, {}};
    for (const Drawing& d : r.inputs.drawings) {
        const int64_t frame = r.clip().frameAt(d.time_s);
        auto at = std::find_if(part.pictures.begin(), part.pictures.end(),
                               [&](const AnswerPicture& p) { return p.frame == frame; });
        if (at == part.pictures.end()) {
            const int rep = std::max(0, repOfSpan(r.events, d.time_s, d.time_s));
            at = part.pictures.insert(part.pictures.end(), {frame, rep, "", "", false});
        }
        if (!d.words.empty()) at->caption += (at->caption.empty() ? "" : "; ") + d.words;
    }
    if (part.pictures.empty()) return std::nullopt;
    part.facts.push_back("drawn on " + std::to_string(part.pictures.size()) +
                         (part.pictures.size() > 1 ? " frames" : " frame") + " by you");
    return part;
}

/// Why the target is what it is, in the client's words.
std::string whyWords(const Review& r, const Telling& telling) {
    const Decision& d = r.decision;
    const Shown shown = summarisePerformance(r.exercise, caseOf(r));
    if (!d.open.empty()) return " " + d.open;
    if (d.step == "up") return " That is a step up: you have shown it cleanly twice running.";
    if (d.step == "back") return " It is a step easier for now, so that it can be clean from start to end.";
    std::string why;
    if (!d.cues.empty())
        why = !telling.cues.empty() ? " We stay with this until what stands above has settled."
                                    : " We stay with this for now: first comes what stands above.";
    else if (r.allClean() && r.standing().empty() && !shown.met)
        why = " It was clean; what is missing is only how much of it.";
    else if (const auto& practice = r.inputs.practice;
             practice && practice->isTooMuch() && r.allClean() && r.standing().empty())
        why = " You practised more often than I had asked, and it shows; your body gets stronger on the days between, "
              "so let us keep the days and not make it harder yet.";
    else if (practice && practice->isTooLittle() && r.allClean() && r.standing().empty())
        why = " It was clean. There was little room for practice these two weeks, and that happens; let us keep this "
              "until it has a place in your days. If fewer days suit you better, tell me.";
    else if (r.allClean() && r.standing().empty() && shown.bothSides)
        why = " Show it to me once more as cleanly as today, and we go on.";
    else if (shown.bothSides)
        why = " This clip does not let me say enough for a change.";
    if (!r.findings.between.empty()) {
        const Fault& f = r.findings.between.front();
        why += " In between, when the other side seemed to work, " + toldWords(r, *r.exercise.fault(f.id), f) + ".";
    }
    if (shown.total > 0 && !shown.bothSides) {
        std::string missing;
        for (const Rep& rep : r.events.reps)
            if (rep.side == "left" || rep.side == "right") missing = rep.side == "left" ? "right" : "left";
        if (!missing.empty() && telling.sidesShown.count(missing)) return why; // it came in another clip
        why += missing.empty() ? " From here I cannot tell which side worked: please film each side by itself and say "
                                 "which one it is."
                               : " Please film the " + missing + " side as well: I can only speak of what I see.";
    }
    return why;
}

/// A share of the way in words.
std::string shareWords(double share) {
    return share < 0.4    ? "about a third"
           : share < 0.58 ? "about half"
           : share < 0.71 ? "about two thirds"
           : share < 0.86 ? "about three quarters"
                          : "nearly all";
}

/// How to keep inside the range that stayed clean.
std::string rangeWords(const Review& r, double range) {
    std::vector<double> reaches;
    for (const Rep& rep : r.events.reps)
        if (!rep.unsure()) reaches.push_back(rep.reach);
    if (reaches.empty() || r.exercise.words.range.empty()) return {};
    std::string words = r.exercise.words.range;
    if (words.back() == '.') words.pop_back();
    return " " + words + ": " + shareWords(range / std::max(1e-9, medianOf(reaches))) +
           " of the way that you went this time.";
}

/// Where no movement was found: what it would have been.
std::string lookedFor(const Exercise& e) {
    const std::string one =
        (std::string("aeiou").find(e.words.one[0]) == std::string::npos ? "a " : "an ") + e.words.one;
    return "I looked for " + one + (e.mover.isWindow() ? " that stays still" : " (" + e.mover.words + ")") +
           " and found none that I could measure: it was too small or too short, or something hid it.";
}

AnswerPart target(const Review& r, const Telling& telling) {
    const Decision& d = r.decision;
    AnswerPart part{"target", "Next target", "", d.arithmetic, {}};
    for (const std::string& b : d.because) part.facts.push_back(b);
    for (const auto& [id, why] : d.waiting) {
        const FaultPlan* fault = r.exercise.fault(id);
        part.facts.push_back("waits: " + (fault ? fault->name : id) + ", " + why);
    }
    if (d.step == "stop") {
        const ClientNote& note = r.inputs.note;
        part.text = note.pain || !note.redFlags.empty()
                        ? "Please leave this exercise out until we have spoken about what you felt."
                    : !note.signs.empty() ? "Please leave this exercise out until we have looked at it together."
                                          : "Please leave this exercise out until what is said below is settled.";
        part.text += " I will write to you.";
        return part;
    }
    if (d.step == "ask-again") {
        part.text = (r.events.reps.empty() ? lookedFor(r.exercise)
                                           : "This clip does not let me say enough to change anything.") +
                    " Please film it once more.";
        for (const ClipCheck& c : r.check)
            if (!c.ask.empty() && c.verdict != "unknown") part.text += " " + c.ask;
        for (const std::string& f : r.exercise.filming)
            if (part.text.size() < 260) part.text += " " + f;
        return part;
    }
    const Target& t = d.target;
    const Version* other = nullptr; // another version than the one that was asked for
    for (const Version& version : r.exercise.ladder)
        if (version.id == t.version && t.version != r.inputs.asked.version) other = &version;
    part.text = "Until next time: " + doseWords(r.exercise, t, other);
    const bool lifted =
        std::any_of(r.events.reps.begin(), r.events.reps.end(), [](const Rep& rep) { return !rep.brokenBy.empty(); });
    if (t.range && lifted) part.text += rangeWords(r, *t.range);
    part.text += whyWords(r, telling);
    if (t.hold_s && r.exercise.dose.holdCap_s > *t.hold_s)
        part.text += " When you film, make the last hold as long as it stays clean.";
    return part;
}

/// "in a week (Thursday 21 May)", or the day that the programme has for it.
std::string dueWords(const ReviewInputs& in, const std::optional<std::chrono::sys_days>& due) {
    if (!due) return "in a week";
    return *due == parseDate(in.nextClip) ? "on " + dayInWords(*due) : "in a week (" + dayInWords(*due) + ")";
}

AnswerPart cautions(const Review& r) {
    // What stops comes before everything, the exercise's own cautions after its stop rule.
    AnswerPart part{"cautions", "Cautions and stop rule", "", {}, {}};
    const auto isOwn = [&](const std::string& c) {
        return std::find(r.exercise.cautions.begin(), r.exercise.cautions.end(), c) != r.exercise.cautions.end();
    };
    for (const std::string& c : r.decision.cautions)
        if (!isOwn(c)) part.text += c + "\n";
    part.text += r.exercise.stopRule;
    for (const std::string& c : r.decision.cautions)
        if (isOwn(c)) part.text += "\n" + c;
    for (const std::string& place : r.inputs.note.felt)
        for (const FeltPlace& f : r.exercise.felt)
            if (f.id == place) {
                part.facts.push_back("felt: " + f.name + ": " + f.means);
                if (!f.asIntended)
                    part.text += "\nYou felt it in the " + f.name +
                                 ". If that turns to pain, leave the exercise out and tell me.";
            }
    if (r.decision.step == "stop")
        for (const std::string& why : r.decision.because) part.facts.push_back(why);
    else if (part.facts.empty())
        part.facts.push_back("no pain named; pain next time: stop and refer, no step up");
    return part;
}

std::string headingOf(const AnswerPart& p) {
    static const std::map<std::string, std::string> headings = {
        {"shown", "What you showed"},  {"well", "What went well"},   {"drawings", "What I have drawn for you"},
        {"target", "What to do next"}, {"cautions", "When to stop"}, {"next", "Your next clip"}};
    if (isCorrection(p)) return "What to work on";
    const auto it = headings.find(p.id);
    return it == headings.end() ? std::string() : it->second;
}

void useEdited(AnswerPart& p, const std::string& words, const ReviewInputs& in) {
    p.text = words, p.edited = true;
    if (const auto on = in.wordsOn.find(p.id); on != in.wordsOn.end() && on->second != p.computed) {
        if (const size_t at = p.text.find(on->second); at != std::string::npos && !on->second.empty())
            p.text.replace(at, on->second.size(), p.computed);
        else
            p.outdated = true;
    }
    if (p.id != "cautions") return;
    for (size_t from = 0; from <= p.computed.size();) {
        const size_t end = std::min(p.computed.find('\n', from), p.computed.size());
        const std::string line = p.computed.substr(from, end - from);
        if (p.text.find(line) == std::string::npos) p.text += (p.text.empty() ? "" : "\n") + line;
        from = end + 1;
    }
}

} // namespace

const AnswerPart* Answer::find(const std::string& id) const {
    const auto it = std::find_if(parts.begin(), parts.end(), [&](const AnswerPart& p) { return p.id == id; });
    return it == parts.end() ? nullptr : &*it;
}

Answer composeAnswer(const Review& r) { return composeTelling(r, {r.decision.cues, {}}); }

Answer composeTelling(const Review& r, const Telling& telling) {
    Answer a;
    a.clientName = r.inputs.client;
    a.exerciseName = r.exercise.name;
    a.schoolWords = schoolWords(r);
    a.parts.push_back(greetingTo(r.inputs.client));
    a.parts.push_back(whatWentWell(r));
    if (!r.events.reps.empty()) a.parts.push_back(whatWasShown(r));
    int number = 0;
    for (const ChosenCue& cue : telling.cues) a.parts.push_back(correction(r, cue, ++number));
    if (auto drawn = drawings(r)) a.parts.push_back(std::move(*drawn));
    a.parts.push_back(target(r, telling));
    a.parts.push_back(cautions(r));
    if (r.decision.step != "stop") { // then the coach writes first
        const auto due = nextClipDay(r.inputs);
        a.parts.push_back(plainPart("next", "Next clip",
                                    "Next clip: " + dueWords(r.inputs, due) +
                                        (r.decision.step == "ask-again" ? "." : ", the phone on the same spot.")));
    }
    a.parts.push_back(closeOf(r.inputs.coach));
    for (AnswerPart& p : a.parts) {
        p.computed = p.text;
        p.heading = headingOf(p);
        if (const auto it = r.inputs.words.find(p.id); it != r.inputs.words.end()) useEdited(p, it->second, r.inputs);
        // Cautions and the stop rule always go out.
        if (const auto it = r.inputs.parts.find(p.id); it != r.inputs.parts.end() && p.id != "cautions")
            p.sent = it->second;
    }
    return a;
}

} // namespace deft
