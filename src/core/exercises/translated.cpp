// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/translated.h"

namespace deft {
namespace {

/// Does one thing to every text of an exercise.
template <typename Each>
void eachText(Exercise& e, const Each& each) {
    const auto all = [&](std::vector<std::string>& texts) {
        for (std::string& text : texts) each(text);
    };
    const auto cues = [&](std::vector<Cue>& list) {
        for (Cue& cue : list) each(cue.text);
    };
    each(e.name), all(e.otherNames), each(e.mover.words);
    for (std::string* text : {&e.words.one, &e.words.many, &e.words.anchor, &e.words.range, &e.words.start}) each(*text);
    for (std::string* text : {&e.phaseOut, &e.phaseHold, &e.phaseBack, &e.stopRule}) each(*text);
    for (auto& [landmark, adds] : e.landmarksOptional) each(adds);
    for (SetupCheck& check : e.setup) {
        for (std::string* text : {&check.name, &check.good, &check.tooLow, &check.tooHigh}) each(*text);
        cues(check.cues);
    }
    for (FaultPlan& fault : e.faults) each(fault.name), each(fault.told), cues(fault.cues);
    for (Version& version : e.ladder) each(version.name), each(version.criterion);
    for (FeltPlace& place : e.felt) each(place.name), each(place.means);
    for (auto* texts : {&e.cautions, &e.props, &e.filming, &e.notes, &e.unseen}) all(*texts);
    if (e.series) each(e.series->purpose);
}

} // namespace

Exercise inLanguage(const Exercise& exercise, const Language& language) {
    Exercise e = exercise;
    eachText(e, [&](std::string& text) { text = language.text(text); });
    return e;
}

std::vector<std::string> textsOf(const Exercise& exercise) {
    Exercise e = exercise;
    std::vector<std::string> texts;
    eachText(e, [&](std::string& text) {
        if (!text.empty()) texts.push_back(text);
    });
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
