// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/sheet.h"

#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "answer/phrases.h"
#include "judgement/decision.h"
#include "judgement/safety.h"

#include <algorithm>

namespace deft {
namespace {

constexpr const char* kShaking = "shaking"; // is no place

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
AnswerPart movement(const Exercise& e, const Target& target) {
    const int version = e.versionIndex(target.version);
    AnswerPart p = plainPart("movement", "The movement", e.name);
    if (version >= 0 && e.ladder[size_t(version)].name != e.name) p.text += ": " + e.ladder[size_t(version)].name;
    p.text += e.mover.isWindow()
                  ? ". Take the position and keep it, with " + e.words.anchor + "."
                  : ". Each " + e.words.one + " has three parts (" + listOf({e.phaseOut, e.phaseHold, e.phaseBack}) +
                        "), with " + e.words.anchor + " all the way.";
    if (e.start.empty()) return p;
    const auto picture = [&](int64_t which, std::string caption) {
        AnswerPicture drawn;
        drawn.frame = which, drawn.caption = std::move(caption);
        p.pictures.push_back(std::move(drawn));
    };
    picture(kSheetStart, "How it begins");
    picture(kSheetEnd, e.mover.isWindow() ? "The position" : "Where it goes: " + e.mover.words);
    return p;
}

/// What the first cues of set-up and anchor say, before anything has gone wrong.
AnswerPart setUp(const Exercise& e) {
    std::vector<std::string> say;
    for (const SetupCheck& check : e.setup)
        if (const Cue* cue = cueOf(check.cues, "set-up")) say.push_back(cue->text);
    say.insert(say.end(), e.unseen.begin(), e.unseen.end());
    if (const FaultPlan* anchor = e.anchor())
        if (const Cue* cue = cueOf(anchor->cues, "internal")) say.push_back(cue->text);
    return plainPart("set-up", "Before and while you move", lines("Before you begin, and on the way:", say));
}

AnswerPart felt(const Exercise& e) {
    std::vector<std::string> right, wrong;
    for (const FeltPlace& place : e.felt)
        if (place.id != kShaking) (place.asIntended ? right : wrong).push_back(place.name);
    std::string text;
    if (!right.empty()) text = "You may feel it here: " + listOf(right) + ".";
    if (e.feltPlace(kShaking))
        text += (text.empty() ? "" : " ") + std::string("Some shaking while the position stays is fine.");
    if (!wrong.empty())
        text += (text.empty() ? "Tell" : " Tell") + std::string(" me if you feel it elsewhere: ") + listOf(wrong) + ".";
    return plainPart("felt", "Where it is felt", text);
}

AnswerPart cautions(const SafetyRules& rules, const Exercise& e, const SheetReader& reader) {
    Case asked;
    asked.exercise = e.id, asked.flags = reader.flags, asked.cleared = reader.cleared;
    return plainPart("cautions", "Cautions and stop rule", lines(e.stopRule, cautionsFor(rules, e, asked, {})));
}

/// What can be given in place of a version that is locked.
std::string insteadOf(const Catalogue& catalogue, const Exercise& e, const std::string& version,
                      const SheetReader& reader) {
    const std::string open = openVersion(catalogue, e, version, reader.flags, reader.cleared);
    return open.empty() ? "" : "; “" + e.ladder[size_t(e.versionIndex(open))].name + "” (" + open + ") is open";
}

Result<Sheet> compose(const Catalogue& catalogue, const Exercise& e, const Target& target, const SheetReader& reader) {
    if (const auto locks = locksOf(catalogue, e, target.version, reader.flags, reader.cleared); !locks.empty())
        return fail(Errc::Unsupported,
                    e.name + ": " + locks.front().reason + insteadOf(catalogue, e, target.version, reader));
    Answer letter;
    letter.clientName = reader.client, letter.exerciseName = e.name, letter.about = "your next exercise";
    letter.parts = {greetingTo(reader.client, " here is your next exercise."), movement(e, target), setUp(e)};
    if (!e.felt.empty()) letter.parts.push_back(felt(e));
    letter.parts.push_back(plainPart("target", "How often", "To begin with: " + doseWords(e, target, nullptr)));
    letter.parts.push_back(plainPart("film", "How to film it", lines("When you film it for me:", e.filming)));
    letter.parts.push_back(cautions(catalogue.safety(), e, reader));
    letter.parts.push_back(closeOf(reader.coach));
    for (AnswerPart& p : letter.parts) {
        p.computed = p.text;
        if (p.id != "greeting" && p.id != "close") p.heading = p.title;
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
