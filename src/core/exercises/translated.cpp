// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/translated.h"

#include "marks/names.h"

namespace deft {
namespace {

constexpr const char* kNoun = "noun";

/// Hands every text of an exercise to one of two: `client(text, context)` and `coach(text)`, see Language::text().
template <typename ToClient, typename ToCoach>
void eachText(Exercise& e, const ToClient& client, const ToCoach& coach) {
    const auto cues = [&](std::vector<Cue>& list) {
        for (Cue& cue : list) client(cue.text, "");
    };
    client(e.words.one, kNoun), client(e.words.many, kNoun);
    for (std::string* text : {&e.name, &e.mover.words, &e.words.anchor, &e.words.range, &e.words.start, &e.phaseOut,
                              &e.phaseHold, &e.phaseBack, &e.stopRule})
        client(*text, "");
    if (e.series) client(e.series->purpose, "");
    for (auto* texts : {&e.cautions, &e.filming, &e.unseen})
        for (std::string& text : *texts) client(text, "");
    for (SetupCheck& check : e.setup) {
        for (std::string* text : {&check.good, &check.tooLow, &check.tooHigh}) client(*text, "");
        cues(check.cues), coach(check.name);
    }
    for (FaultPlan& fault : e.faults) client(fault.told, ""), cues(fault.cues), coach(fault.name);
    for (Version& version : e.ladder) client(version.name, ""), coach(version.criterion);
    for (FeltPlace& place : e.felt) client(place.name, ""), coach(place.means);
    for (auto* texts : {&e.otherNames, &e.props, &e.notes})
        for (std::string& text : *texts) coach(text);
    for (auto& [landmark, adds] : e.landmarksOptional) coach(adds);
}

/// Texts in every form of an exercise.
Result<void> addForms(const Catalogue& catalogue, const std::string& id, Texts& texts) {
    const auto client = [&](const std::string& text, const std::string& context) {
        if (!text.empty()) texts.client.insert(context.empty() ? text : context + "|" + text);
    };
    const auto coach = [&](const std::string& text) {
        if (!text.empty()) texts.coach.insert(text);
    };
    auto plain = catalogue.exercise(id);
    if (!plain) return tl::unexpected(plain.error());
    const auto add = [&](Exercise& form) {
        eachText(form, client, coach);
        for (const std::string& noun : {form.words.one, form.words.many}) coach("short|" + noun);
    };
    add(*plain);
    for (const Version& version : plain->ladder) {
        const auto done = catalogue.form({id, version.id});
        if (!done) return tl::unexpected(done.error());
        for (const std::string& view : done->views) {
            auto form = catalogue.form({id, version.id, view});
            if (!form) return tl::unexpected(form.error());
            add(*form);
        }
    }
    return {};
}

} // namespace

Exercise inLanguage(const Exercise& exercise, const Language& language) {
    Exercise e = exercise;
    eachText(
        e, [&](std::string& text, const char* context) { text = language.text(text, context); },
        [&](std::string& text) { text = language.text(text); });
    return e;
}

Result<Texts> textsOf(const Catalogue& catalogue) {
    Texts texts;
    for (const std::string& id : catalogue.exerciseIds())
        if (auto ok = addForms(catalogue, id, texts); !ok) return tl::unexpected(ok.error());
    const SafetyRules& rules = catalogue.safety();
    for (const std::string& text : {rules.pain, rules.urgent, rules.sign, rules.locked}) texts.client.insert(text);
    for (const auto& [id, name] : rules.redFlags) texts.client.insert(name);
    for (const auto& [id, name] : rules.signs) texts.coach.insert(name);
    for (const auto& [id, words] : rules.consent) texts.coach.insert(words);
    for (const auto& [id, flag] : rules.flags) {
        texts.client.insert({flag.care, flag.untilCleared}), texts.coach.insert(flag.name);
        for (const SafetyRules::Gate& gate : flag.gates) {
            texts.client.insert(gate.reason);
            texts.client.insert(gate.readiness.begin(), gate.readiness.end());
        }
    }
    for (const SchoolQuestion& question : catalogue.schools().all()) {
        texts.coach.insert(question.name);
        for (const SchoolChoice& choice : question.choices) texts.client.insert({choice.name, choice.aim});
    }
    for (const std::string& name : measureNames()) texts.client.insert(name); // a report of then and now tells them
    for (const std::string& landmark : landmarkNames()) texts.coach.insert(landmarkWords(landmark));
    for (const auto& [id, name] : catalogue.goals()) texts.coach.insert(name);
    texts.client.erase("");
    return texts;
}

std::vector<std::string> setUpWords(const Exercise& e) {
    std::vector<std::string> say;
    for (const SetupCheck& check : e.setup)
        for (const Cue& cue : check.cues)
            if (cue.level == "set-up") {
                say.push_back(cue.text);
                break;
            }
    say.insert(say.end(), e.unseen.begin(), e.unseen.end());
    return say;
}

} // namespace deft
