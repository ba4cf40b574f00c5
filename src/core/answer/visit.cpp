// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/compose.h"
#include "answer/phrases.h"

#include <algorithm>
#include <set>

namespace deft {
namespace {

constexpr size_t kMostCorrections = 3; // common practice, no published source

/// How a review is called in a letter on several.
std::vector<std::string> namesOf(const std::vector<Speaker>& speakers) {
    std::vector<std::string> names;
    for (const Speaker& s : speakers) {
        const auto same = std::count_if(speakers.begin(), speakers.end(), [&](const Speaker& other) {
            return other.r.inputs.exercise == s.r.inputs.exercise;
        });
        names.push_back(
            s.say({"visit.name", {{"exercise", Message(s.e.name)}, {"side", same > 1 ? s.r.inputs.side : ""}}}));
    }
    return names;
}

/// "Bridge: Your first lift …"; a text that begins with a time goes on in the same sentence.
std::string under(const Language& l, const std::string& name, const std::string& text) {
    const std::string until = beforeTarget(l);
    if (!text.starts_with(until)) return l.say({"visit.under", {{"name", name}, {"text", text}}});
    return l.say({"visit.until", {{"name", name}, {"dose", text.substr(until.size())}}});
}

/// Names that may hold a comma.
std::string namesTogether(const Language& l, const std::vector<std::string>& names) {
    std::string out = names.empty() ? "" : names.front();
    for (size_t i = 1; i < names.size(); ++i)
        out =
            i + 1 < names.size() ? out + "; " + names[i] : l.say({"visit.names", {{"first", out}, {"last", names[i]}}});
    return out;
}

/// Sides that other clips of the same exercise show.
std::set<std::string> sidesBeside(const std::vector<const Review*>& reviews, size_t of) {
    std::set<std::string> sides;
    for (size_t i = 0; i < reviews.size(); ++i)
        if (i != of && reviews[i]->inputs.exercise == reviews[of]->inputs.exercise)
            for (const Rep& rep : reviews[i]->events.reps)
                if (rep.side == "left" || rep.side == "right") sides.insert(rep.side);
    return sides;
}

struct Told {
    size_t review = 0;
    ChosenCue cue;
    std::vector<size_t> alsoIn; ///< reviews with the same fault
};

/// The corrections of the letter: the first of each review, then the second of each, as long as there is room.
std::vector<Told> toldOf(const std::vector<const Review*>& reviews) {
    std::vector<Told> told;
    size_t most = 0;
    for (const Review* r : reviews) most = std::max(most, r->decision.cues.size());
    for (size_t place = 0; place < most; ++place)
        for (size_t i = 0; i < reviews.size(); ++i) {
            const Review& r = *reviews[i];
            if (place >= r.decision.cues.size()) continue;
            const ChosenCue& cue = r.decision.cues[place];
            const auto sent = r.inputs.parts.find("correction-" + cue.fault);
            if (sent != r.inputs.parts.end() && !sent->second) continue; // the coach leaves it out
            const auto same = std::find_if(told.begin(), told.end(), [&](const Told& t) {
                return t.review != i && t.cue.fault == cue.fault &&
                       reviews[t.review]->exercise.nameOf(t.cue.fault) == r.exercise.nameOf(cue.fault);
            });
            if (same != told.end())
                same->alsoIn.push_back(i);
            else if (told.size() < kMostCorrections)
                told.push_back({i, cue, {}});
        }
    return told;
}

std::vector<std::string> linesOf(const std::string& text) {
    std::vector<std::string> lines;
    for (size_t from = 0; from <= text.size();) {
        const size_t end = std::min(text.find('\n', from), text.size());
        if (end > from) lines.push_back(text.substr(from, end - from));
        from = end + 1;
    }
    return lines;
}

/// Each line once: what belongs to one exercise alone under its name, and what stops before everything else.
AnswerPart cautionsOf(const std::vector<Speaker>& speakers, const std::vector<std::string>& names,
                      const std::vector<Answer>& single) {
    struct Line {
        std::string text;
        std::set<std::string> of; ///< exercises whose own it is; none = said of the client
    };
    std::vector<Line> lines;
    std::vector<size_t> order;
    for (const bool stopped : {true, false})
        for (size_t i = 0; i < speakers.size(); ++i)
            if ((speakers[i].r.decision.step == "stop") == stopped) order.push_back(i);
    AnswerPart all = *single[order.front()].find("cautions");
    all.text.clear(), all.facts.clear(), all.computed.clear();
    for (const size_t i : order) {
        const AnswerPart& part = *single[i].find("cautions");
        const Exercise& e = speakers[i].e;
        for (const std::string& text : linesOf(part.text)) {
            const bool own =
                text == e.stopRule || std::find(e.cautions.begin(), e.cautions.end(), text) != e.cautions.end();
            auto there = std::find_if(lines.begin(), lines.end(), [&](const Line& l) { return l.text == text; });
            if (there == lines.end()) there = lines.insert(lines.end(), {text, {}});
            if (own) there->of.insert(names[i]);
        }
        for (const std::string& fact : part.facts)
            if (std::find(all.facts.begin(), all.facts.end(), fact) == all.facts.end()) all.facts.push_back(fact);
        all.edited = all.edited || part.edited;
    }
    const std::set<std::string> everywhere(names.begin(), names.end());
    for (const bool ofAll : {true, false}) // what holds for all of it first
        for (const Line& line : lines) {
            if ((line.of.empty() || line.of == everywhere) != ofAll) continue;
            const std::vector<std::string> of(line.of.begin(), line.of.end());
            all.text +=
                (all.text.empty() ? "" : "\n") +
                (ofAll ? line.text
                       : under(*speakers.front().client, namesTogether(*speakers.front().client, of), line.text));
        }
    all.computed = all.text;
    return all;
}

} // namespace

Answer composeVisit(const std::vector<const Review*>& reviews, const std::string& coachLanguage) {
    if (reviews.size() == 1) return composeAnswer(*reviews.front(), coachLanguage);
    std::vector<Speaker> speakers;
    for (const Review* r : reviews) speakers.emplace_back(*r, coachLanguage);
    const Language& l = *speakers.front().client;
    const auto names = namesOf(speakers);
    const auto told = toldOf(reviews);
    std::vector<Answer> single;
    for (size_t i = 0; i < reviews.size(); ++i) {
        std::vector<ChosenCue> own;
        for (const Told& t : told)
            if (t.review == i || std::count(t.alsoIn.begin(), t.alsoIn.end(), i)) own.push_back(t.cue);
        single.push_back(composeTelling(speakers[i], {std::move(own), sidesBeside(reviews, i)}));
    }
    Answer a;
    a.language = speakers.front().client;
    a.clientName = single.front().clientName;
    std::vector<std::string> exercises;
    for (const Speaker& s : speakers)
        if (std::find(exercises.begin(), exercises.end(), s.e.name) == exercises.end()) exercises.push_back(s.e.name);
    a.exerciseName = namesTogether(l, exercises);
    for (const Answer& s : single)
        if (!s.schoolWords.empty() && a.schoolWords.find(s.schoolWords) == std::string::npos)
            a.schoolWords += (a.schoolWords.empty() ? "" : " ") + s.schoolWords;

    const auto add = [&](AnswerPart part, size_t of, bool named) {
        if (named) part.text = under(l, names[of], part.text);
        part.of = int(of);
        for (AnswerPicture& picture : part.pictures) picture.of = int(of);
        // The heading stands above the first of its kind.
        if (!isCorrection(part) && !a.parts.empty() && a.parts.back().id == part.id) part.heading.clear();
        a.parts.push_back(std::move(part));
    };
    const std::string thanks = l.say("well.thanks");
    const auto addOfAll = [&](const char* id) {
        for (size_t i = 0; i < single.size(); ++i)
            // The greeting thanks for all clips already; what the coach leaves out bears no heading for the others.
            if (const AnswerPart* part = single[i].find(id); part && part->sent && part->text != thanks)
                add(*part, i, true);
    };
    AnswerPart greeting = *single.front().find("greeting");
    if (!greeting.edited)
        greeting.text +=
            " " + l.say({"visit.thanks", {{"n", int(reviews.size())}, {"words", countWords(int(reviews.size()))}}});
    add(std::move(greeting), 0, false);
    addOfAll("well");
    addOfAll("shown");
    for (const Told& t : told) {
        const AnswerPart* found = single[t.review].find("correction-" + t.cue.fault);
        if (!found) continue;
        AnswerPart part = *found;
        if (!t.alsoIn.empty()) {
            std::vector<std::string> also;
            for (const size_t i : t.alsoIn) also.push_back(names[i]);
            part.text += " " + l.say({"visit.same", {{"names", namesTogether(l, also)}}});
        }
        add(std::move(part), t.review, true);
    }
    addOfAll("drawings");
    addOfAll("target");
    for (AnswerPart& part : a.parts) { // what found no room is for the coach to know
        if (part.id != "target") continue;
        const Speaker& s = speakers[size_t(part.of)];
        for (const ChosenCue& cue : s.r.decision.cues)
            if (!single[size_t(part.of)].find("correction-" + cue.fault))
                part.facts.push_back(
                    s.fact({"fact.waits",
                            {{"fault", Message(s.own.nameOf(cue.fault))},
                             {"why", Message("why.enough-for-a-letter", {{"n", kMostCorrections}})}}}));
    }
    add(cautionsOf(speakers, names, single), 0, false);
    // What is stopped is not filmed again.
    std::vector<std::string> filmed;
    std::optional<size_t> first;
    for (size_t i = 0; i < single.size(); ++i) {
        const AnswerPart* next = single[i].find("next");
        if (!next || !next->sent) continue;
        if (!first) first = i;
        if (std::find(filmed.begin(), filmed.end(), names[i]) == filmed.end()) filmed.push_back(names[i]);
    }
    if (first) {
        AnswerPart part = *single[*first].find("next");
        if (part.text == part.computed) // not in words of the coach's own
            part.text = l.say(nextClipWords(*reviews[*first], namesTogether(l, filmed), int(filmed.size())));
        add(std::move(part), *first, false);
    }
    add(*single.front().find("close"), 0, false);
    numberCorrections(a, [&](const AnswerPart& p) -> const Speaker& { return speakers[size_t(p.of)]; });
    for (AnswerPart& part : a.parts) part.computed = part.text;
    return a;
}

Answer partsOf(const Answer& visit, int review) {
    Answer a = visit;
    std::erase_if(a.parts, [&](const AnswerPart& p) { return p.of != review; });
    return a;
}

} // namespace deft
