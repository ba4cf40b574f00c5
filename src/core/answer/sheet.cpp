// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/sheet.h"

#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "exercises/translated.h"
#include "judgement/decision.h"
#include "judgement/safety.h"

#include <algorithm>

namespace deft {
namespace {

const Cue* cueOf(const std::vector<Cue>& cues, const std::string& version) {
    const auto it = std::find_if(cues.begin(), cues.end(), [&](const Cue& c) { return c.level == version; });
    return it == cues.end() ? nullptr : &*it;
}

std::string lines(const std::string& first, const std::vector<std::string>& rest) {
    std::string text = first;
    for (const std::string& line : rest) text += "\n" + line;
    return text;
}

/// The version by its own name, with both drawings.
AnswerPart movement(const Language& l, const Exercise& e, const Target& target) {
    const int version = e.versionIndex(target.version);
    const bool named = version >= 0 && e.ladder[size_t(version)].name != e.name;
    AnswerPart p = plainPart("movement", "sheet.movement",
                             l.say({"sheet.this",
                                    {{"exercise", Message(e.name)},
                                     {"named", named},
                                     {"version", named ? Message(e.ladder[size_t(version)].name) : Message()},
                                     {"still", e.mover.isWindow()},
                                     {"one", Message(e.words.one)},
                                     {"out", Message(e.phaseOut)},
                                     {"hold", Message(e.phaseHold)},
                                     {"back", Message(e.phaseBack)},
                                     {"anchor", Message(e.words.anchor)}}}));
    if (e.start.empty()) return p;
    const auto picture = [&](int64_t which, std::string caption) {
        AnswerPicture drawn;
        drawn.frame = which, drawn.caption = std::move(caption);
        p.pictures.push_back(std::move(drawn));
    };
    picture(kSheetStart, l.say("sheet.begins"));
    picture(kSheetEnd, l.say({"sheet.goes", {{"still", e.mover.isWindow()}, {"mover", Message(e.mover.words)}}}));
    return p;
}

/// What the first cues of set-up and anchor say, before anything has gone wrong.
AnswerPart setUp(const Language& l, const Exercise& e) {
    std::vector<std::string> say = setUpWords(e);
    if (const FaultPlan* anchor = e.anchor())
        if (const Cue* cue = cueOf(anchor->cues, "internal")) say.push_back(cue->text);
    return plainPart("set-up", "sheet.before", lines(l.say("sheet.before-you"), say));
}

AnswerPart felt(const Language& l, const Exercise& e) {
    Messages right, wrong;
    for (const FeltPlace& place : e.felt)
        if (place.id != kShaking) (place.asIntended ? right : wrong).push_back(place.name);
    Messages say;
    if (!right.empty()) say.push_back({"sheet.felt-right", {{"places", right}}});
    if (e.feltPlace(kShaking)) say.push_back("sheet.shaking");
    if (!wrong.empty()) say.push_back({"sheet.felt-wrong", {{"places", wrong}}});
    std::string text;
    for (const Message& m : say) text += (text.empty() ? "" : " ") + l.say(m);
    return plainPart("felt", "sheet.felt", text);
}

AnswerPart cautions(const Language& l, const SafetyRules& rules, const Exercise& e, const SheetReader& reader) {
    Case asked;
    asked.exercise = e.id, asked.flags = reader.flags, asked.cleared = reader.cleared;
    std::vector<std::string> say;
    for (const Message& m : cautionsFor(rules, e, asked, {})) say.push_back(l.say(m));
    return plainPart("cautions", "sheet.cautions", lines(e.stopRule, say));
}

/// What can be given in place of a version that is locked.
Message lockedWords(const Catalogue& catalogue, const Exercise& e, const std::string& version,
                    const std::string& reason, const SheetReader& reader) {
    const std::string open = openVersion(catalogue, e, version, reader.flags, reader.cleared);
    if (open.empty()) return {"{name}: {reason}", {{"name", Message(e.name)}, {"reason", Message(reason)}}};
    return {"{name}: {reason}; “{version}” ({id}) is open",
            {{"name", Message(e.name)},
             {"reason", Message(reason)},
             {"version", Message(e.ladder[size_t(e.versionIndex(open))].name)},
             {"id", open}}};
}

Result<Sheet> compose(const Catalogue& catalogue, const Exercise& e, const Target& target, const SheetReader& reader) {
    if (const auto locks = locksOf(catalogue, e, target.version, reader.flags, reader.cleared); !locks.empty())
        return fail(Errc::Unsupported, lockedWords(catalogue, e, target.version, locks.front().reason, reader));
    const LanguagePtr language = catalogue.language(reader.language);
    const Language& l = *language;
    const Exercise told = inLanguage(e, l);
    Answer letter;
    letter.language = language;
    letter.clientName = reader.client, letter.exerciseName = told.name, letter.subject = "subject.sheet";
    letter.parts = {greetingTo(l, reader.client, l.say("sheet.here")), movement(l, told, target), setUp(l, told)};
    if (!e.felt.empty()) letter.parts.push_back(felt(l, told));
    letter.parts.push_back(
        plainPart("target", "sheet.often", l.say({"sheet.begin", {{"dose", doseWords(told, target, nullptr)}}})));
    letter.parts.push_back(plainPart("film", "sheet.film", lines(l.say("sheet.when-you-film"), told.filming)));
    letter.parts.push_back(cautions(l, catalogue.safety(), told, reader));
    letter.parts.push_back(closeOf(l, reader.coach));
    for (AnswerPart& p : letter.parts) {
        p.computed = p.text;
        if (p.id != "greeting" && p.id != "close") p.heading = l.say(p.title);
    }
    return Sheet{std::move(letter), e};
}

} // namespace

Result<Sheet> exerciseSheet(const Catalogue& catalogue, const Exercise& e, const Target& target,
                            const SheetReader& reader) {
    const auto version = catalogue.inVersion(e, target.version);
    if (!version) return tl::unexpected(version.error());
    return compose(catalogue, *version, target, reader);
}

} // namespace deft
