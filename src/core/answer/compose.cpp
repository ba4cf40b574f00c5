// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/compose.h"
#include "answer/calendar.h"
#include "answer/clip_words.h"
#include "answer/correction.h"
#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "answer/phrases.h"
#include "exercises/translated.h"
#include "judgement/shown.h"
#include "review/seen_faults.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr size_t kMostAsks = 2; ///< things to change when a clip is asked for again; chosen here

/// Sentences one after the other.
std::string together(const Language& language, const Messages& sentences) {
    std::string text;
    for (const Message& m : sentences) {
        const std::string said = language.say(m);
        if (!said.empty()) text += (text.empty() ? "" : " ") + said;
    }
    return text;
}

/// The schools that this answer follows, where the exercise leaves a choice that matters here.
std::string schoolWords(const Speaker& s) {
    const Review& r = s.r;
    Messages out;
    for (const auto& [question, chosen] : r.inputs.schools) {
        const SchoolQuestion* q = r.catalogue->schools().find(question);
        const SchoolChoice* choice = q ? q->choice(chosen) : nullptr;
        const bool matters = r.exercise.schools.size() == 1 || question == "bridge" || question == "pelvis" ||
                             chosen != r.exercise.answerTo(question)->defaultChoice;
        if (choice && matters)
            out.push_back({"school", {{"name", Message(choice->name)}, {"aim", Message(choice->aim)}}});
    }
    return together(*s.client, out);
}

AnswerPart whatWasShown(const Speaker& s) {
    AnswerPart part{"shown", "part.shown", together(*s.client, shownWords(s.r, s.e)), {}, {}};
    const auto asked = s.r.inputs.asked.hold_s;
    for (size_t i = 0; i < s.r.events.reps.size(); ++i) {
        const Rep& rep = s.r.events.reps[i];
        part.facts.push_back(s.fact({"fact.rep",
                                     {{"n", int(i + 1)},
                                      {"clean", sec(rep.hold.clean_s)},
                                      {"held", sec(rep.hold.duration_s())},
                                      {"told", asked.has_value()},
                                      {"asked", sec(asked.value_or(0))}}}));
    }
    return part;
}

/// Of the one that deserves it; of several the longest or farthest.
Message praise(const Speaker& s) {
    const int best = praisedRep(s.r);
    if (best < 0) return {};
    const Rep& rep = s.r.events.reps[size_t(best)];
    const bool byHold = s.r.inputs.asked.hold_s && rep.hold.clean_s >= 1;
    return {"well.praise",
            {{"only", s.r.events.reps.size() == 1},
             {"ordinal", ordinal(best)},
             {"number", best + 1},
             {"one", Message(s.e.words.one)},
             {"anchor", Message(s.e.words.anchor)},
             {"held", byHold},
             {"seconds", secondsWords(byHold ? std::floor(rep.hold.clean_s) : 0)}}};
}

AnswerPart whatWentWell(const Speaker& s) {
    const Review& r = s.r;
    AnswerPart part{"well", "part.well", "", {}, {}};
    Messages say;
    const Shown shown = summarisePerformance(r.exercise, caseOf(r));
    const bool nothingWrong =
        r.decision.cues.empty() && r.standing().empty() && r.allClean() && r.decision.step != "stop";
    if (nothingWrong && shown.total > 1)
        say.push_back(
            {"well.all-clean",
             {{"n", shown.total}, {"words", countWords(shown.total)}, {"anchor", Message(s.e.words.anchor)}}});
    else if (const Message words = praise(s); !words.empty()) {
        say.push_back(words);
        if (nothingWrong) say.push_back("well.pleasure");
    }
    size_t told = say.empty() ? 0 : 1;
    for (const SetupVerdict& v : r.findings.setup)
        if (v.verdict == "good" && told < 3) {
            say.push_back(s.e.check(v.id)->good), ++told;
            const SetupCheck* check = s.own.check(v.id);
            part.facts.push_back(s.fact(
                {"fact.check",
                 {{"check", Message(check->name)}, {"value", reading(v.value, check->limit.unit, 1, false, v.u95)}}}));
        }
    if (!r.inputs.history.empty()) {
        // A fault that was there last time and is not now has earned a sentence.
        Messages gone;
        for (const std::string& id : r.inputs.history.back().faults) {
            const bool still =
                std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                            [&](const Fault& f) { return f.id == id && !f.rejected; }) ||
                std::any_of(r.findings.setup.begin(), r.findings.setup.end(),
                            [&](const SetupVerdict& v) { return v.id == id && v.verdict != "good" && !v.rejected; });
            if (!still) gone.push_back(s.own.nameOf(id));
        }
        if (!gone.empty()) {
            say.push_back("well.gone");
            part.facts.push_back(s.fact({"fact.gone", {{"date", r.inputs.history.back().date}, {"faults", gone}}}));
        }
    }
    if (say.empty()) say.push_back("well.thanks");
    part.text = together(*s.client, say);
    return part;
}

/// The frames on which the coach drew, each a picture with the coach's words under it.
std::optional<AnswerPart> drawings(const Speaker& s) {
    const Review& r = s.r;
    AnswerPart part{"drawings", "part.drawings", s.say("drawings.look"), {}, {}};
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
    part.facts.push_back(s.fact({"fact.drawn", {{"n", int(part.pictures.size())}}}));
    return part;
}

/// Why the target is what it is, in the client's words.
Messages whyWords(const Speaker& s, const Telling& telling) {
    const Review& r = s.r;
    const Decision& d = r.decision;
    const Shown shown = summarisePerformance(r.exercise, caseOf(r));
    if (!d.openFor.empty()) return {{"target.open", {{"reason", Message(d.openFor)}}}};
    if (d.step == "up") return {"target.up"};
    if (d.step == "back") return {"target.back"};
    Messages why;
    const bool clean = r.allClean() && r.standing().empty();
    const auto& practice = r.inputs.practice;
    if (!d.cues.empty())
        why.push_back(!telling.cues.empty() ? "target.stay" : "target.stay-untold");
    else if (clean && !shown.met)
        why.push_back("target.more-of-it");
    else if (practice && practice->isTooMuch() && clean)
        why.push_back("target.practised-more");
    else if (practice && practice->isTooLittle() && clean)
        why.push_back("target.practised-less");
    else if (clean && shown.bothSides)
        why.push_back("target.once-more");
    else if (shown.bothSides)
        why.push_back("target.not-enough");
    if (!r.findings.between.empty()) {
        const Fault& f = r.findings.between.front();
        why.push_back({"target.between", {{"told", toldWords(r, *s.e.fault(f.id), f)}}});
    }
    if (shown.total > 0 && !shown.bothSides) {
        std::string missing;
        for (const Rep& rep : r.events.reps)
            if (rep.side == "left" || rep.side == "right") missing = rep.side == "left" ? "right" : "left";
        if (!missing.empty() && telling.sidesShown.count(missing)) return why; // it came in another clip
        if (missing.empty())
            why.push_back("target.side-unknown");
        else
            why.push_back({"target.side-missing", {{"side", missing}}});
    }
    return why;
}

/// A share of the way in words.
const char* shareWords(double share) {
    return share < 0.4    ? "third"
           : share < 0.58 ? "half"
           : share < 0.71 ? "twothirds"
           : share < 0.86 ? "threequarters"
                          : "nearly";
}

/// How to keep inside the range that stayed clean.
Message rangeWords(const Speaker& s, double range) {
    std::vector<double> reaches;
    for (const Rep& rep : s.r.events.reps)
        if (!rep.unsure()) reaches.push_back(rep.reach);
    if (reaches.empty() || s.e.words.range.empty()) return {};
    std::string words = s.e.words.range;
    if (words.back() == '.') words.pop_back();
    return {"target.range", {{"range", words}, {"share", shareWords(range / std::max(1e-9, medianOf(reaches)))}}};
}

/// Where no movement was found: what it would have been.
Message lookedFor(const Exercise& e) {
    const bool vowel = std::string("aeiou").find(e.words.one[0]) != std::string::npos;
    return {"target.not-found",
            {{"vowel", vowel},
             {"one", Message(e.words.one)},
             {"still", e.mover.isWindow()},
             {"mover", Message(e.mover.words)}}};
}

AnswerPart target(const Speaker& s, const Telling& telling) {
    const Review& r = s.r;
    const Decision& d = r.decision;
    AnswerPart part{"target", "part.target", "", {}, {}};
    for (const Messages* reasons : {&d.arithmetic, &d.because})
        for (const Message& why : *reasons) part.facts.push_back(s.fact(why));
    for (const auto& [id, why] : d.waiting)
        part.facts.push_back(s.fact({"fact.waits", {{"fault", Message(s.own.nameOf(id))}, {"why", why}}}));
    if (d.step == "stop") {
        const ClientNote& note = r.inputs.note;
        part.text = together(*s.client, {note.pain || !note.redFlags.empty() ? "target.stop-felt"
                                         : !note.signs.empty()               ? "target.stop-sign"
                                                                             : "target.stop-locked",
                                         "target.will-write"});
        return part;
    }
    if (d.step == "ask-again") {
        Messages say = {r.events.reps.empty() ? lookedFor(s.e) : Message("target.not-enough"), "target.film-again"};
        const size_t most = say.size() + kMostAsks;
        for (const ClipCheck& c : r.check)
            if (!c.ask.empty() && c.verdict != "unknown") say.push_back(c.ask);
        for (const std::string& f : s.e.filming)
            if (say.size() < most) say.push_back(f);
        part.text = together(*s.client, say);
        return part;
    }
    const Target& t = d.target;
    const Version* other = nullptr; // another version than the one that was asked for
    for (const Version& version : s.e.ladder)
        if (version.id == t.version && t.version != r.inputs.asked.version) other = &version;
    Messages say = {{"target.until", {{"dose", doseWords(s.e, t, other)}}}};
    const bool lifted =
        std::any_of(r.events.reps.begin(), r.events.reps.end(), [](const Rep& rep) { return !rep.brokenBy.empty(); });
    if (t.range && lifted) say.push_back(rangeWords(s, *t.range));
    for (Message& why : whyWords(s, telling)) say.push_back(std::move(why));
    if (t.hold_s && r.exercise.dose.holdCap_s > *t.hold_s) say.push_back("target.last-hold");
    part.text = together(*s.client, say);
    return part;
}

AnswerPart cautions(const Speaker& s) {
    const Review& r = s.r;
    // What stops comes before everything, the exercise's own cautions after its stop rule.
    AnswerPart part{"cautions", "part.cautions", "", {}, {}};
    const auto isOwn = [&](const Message& c) {
        return std::find(r.exercise.cautions.begin(), r.exercise.cautions.end(), c.key) != r.exercise.cautions.end();
    };
    for (const Message& c : r.decision.cautions)
        if (!isOwn(c)) part.text += s.say(c) + "\n";
    part.text += s.e.stopRule;
    for (const Message& c : r.decision.cautions)
        if (isOwn(c)) part.text += "\n" + s.say(c);
    for (const std::string& place : r.inputs.note.felt)
        if (const FeltPlace* told = s.e.feltPlace(place), *own = s.own.feltPlace(place); told && own) {
            part.facts.push_back(
                s.fact({"fact.felt", {{"place", Message(own->name)}, {"means", Message(own->means)}}}));
            if (!told->asIntended) part.text += "\n" + s.say({"caution.felt", {{"place", Message(told->name)}}});
        }
    if (r.decision.step == "stop")
        for (const Message& why : r.decision.because) part.facts.push_back(s.fact(why));
    else if (part.facts.empty())
        part.facts.push_back(s.fact("fact.no-pain"));
    return part;
}

const char* headingOf(const AnswerPart& p) {
    static const std::map<std::string, const char*> headings = {
        {"shown", "heading.shown"},   {"well", "heading.well"},         {"drawings", "heading.drawings"},
        {"target", "heading.target"}, {"cautions", "heading.cautions"}, {"next", "heading.next"}};
    if (isCorrection(p)) return "heading.corrections";
    const auto it = headings.find(p.id);
    return it == headings.end() ? "" : it->second;
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

/// As the coach put them. What has come since stays behind what it was composed behind.
void putInOrder(std::vector<AnswerPart>& parts, const std::vector<std::string>& order) {
    const auto place = [&](const AnswerPart& p) { return std::find(order.begin(), order.end(), p.id) - order.begin(); };
    std::vector<std::pair<std::ptrdiff_t, AnswerPart>> placed;
    std::ptrdiff_t behind = -1;
    for (AnswerPart& p : parts) {
        if (const auto at = place(p); at < std::ptrdiff_t(order.size())) behind = at;
        placed.emplace_back(p.id == "close" ? std::ptrdiff_t(order.size()) : p.id == "greeting" ? -1 : behind,
                            std::move(p));
    }
    std::stable_sort(placed.begin(), placed.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    std::transform(placed.begin(), placed.end(), parts.begin(), [](auto& p) { return std::move(p.second); });
}

} // namespace

const AnswerPart* Answer::find(const std::string& id) const {
    const auto it = std::find_if(parts.begin(), parts.end(), [&](const AnswerPart& p) { return p.id == id; });
    return it == parts.end() ? nullptr : &*it;
}

Speaker::Speaker(const Review& review, const std::string& coachLanguage)
    : r(review), client(review.catalogue->language(review.inputs.language)),
      coach(review.catalogue->language(coachLanguage)), e(inLanguage(review.exercise, *client)),
      own(inLanguage(review.exercise, *coach)) {}

Message nextClipWords(const Review& r, const std::string& names, int clips) {
    const auto due = nextClipDay(r.inputs);
    const bool planned = due && *due == parseDate(r.inputs.nextClip);
    return {"next.clip",
            {{"when", !due      ? "week"
                      : planned ? "day"
                                : "both"},
             {"day", due ? Argument(Day{*due}) : Argument("")},
             {"spot", r.decision.step != "ask-again"},
             {"clips", clips},
             {"names", names}}};
}

std::string beforeTarget(const Language& language) {
    const std::string mark = "\x1f";
    const std::string whole = language.say({"target.until", {{"dose", mark}}});
    return whole.substr(0, whole.find(mark));
}

Answer composeAnswer(const Review& r, const std::string& coachLanguage) {
    return composeTelling(Speaker(r, coachLanguage), {r.decision.cues, {}});
}

void numberCorrections(Answer& answer, const std::function<const Speaker&(const AnswerPart&)>& speaker) {
    int number = 0;
    for (AnswerPart& p : answer.parts) {
        if (!isCorrection(p)) continue;
        const Speaker& s = speaker(p);
        const Message name(s.own.nameOf(faultOf(p)));
        p.title = s.fact(p.sent ? Message("part.correction", {{"n", ++number}, {"name", name}})
                                : Message("part.correction-unsent", {{"name", name}}));
    }
}

Answer composeTelling(const Speaker& s, const Telling& telling) {
    const Review& r = s.r;
    Answer a;
    a.language = s.client;
    a.clientName = r.inputs.client;
    a.exerciseName = s.e.name;
    a.schoolWords = schoolWords(s);
    a.parts.push_back(greetingTo(*s.client, r.inputs.client));
    a.parts.push_back(whatWentWell(s));
    if (!r.events.reps.empty()) a.parts.push_back(whatWasShown(s));
    for (const ChosenCue& cue : telling.cues) a.parts.push_back(correction(s, cue));
    if (auto drawn = drawings(s)) a.parts.push_back(std::move(*drawn));
    a.parts.push_back(target(s, telling));
    a.parts.push_back(cautions(s));
    if (r.decision.step != "stop") // then the coach writes first
        a.parts.push_back(plainPart("next", "part.next", s.say(nextClipWords(r, "", 0))));
    a.parts.push_back(closeOf(*s.client, r.inputs.coach));
    for (AnswerPart& p : a.parts) {
        if (!isCorrection(p)) p.title = s.fact(p.title);
        p.computed = p.text;
        p.heading = s.say(headingOf(p));
        if (const auto it = r.inputs.words.find(p.id); it != r.inputs.words.end()) useEdited(p, it->second, r.inputs);
        // Cautions and the stop rule always go out.
        if (const auto it = r.inputs.parts.find(p.id); it != r.inputs.parts.end() && p.id != "cautions")
            p.sent = it->second;
    }
    putInOrder(a.parts, r.inputs.order);
    numberCorrections(a, [&](const AnswerPart&) -> const Speaker& { return s; });
    return a;
}

} // namespace deft
