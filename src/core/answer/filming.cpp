// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/filming.h"

#include "answer/letter_parts.h"
#include "exercises/translated.h"

#include <algorithm>

namespace deft {
namespace {

bool holds(const std::vector<std::string>& lines, const std::string& line) {
    return std::find(lines.begin(), lines.end(), line) != lines.end();
}

/// Exercises that are filmed alike.
struct Alike {
    std::vector<std::string> lines;
    Messages names;
};

std::string together(const std::vector<std::string>& lines) {
    std::string text;
    for (const std::string& line : lines) text += (text.empty() ? "" : "\n") + line;
    return text;
}

} // namespace

Result<Answer> filmingPage(const Catalogue& catalogue, const std::vector<std::string>& ids, const SheetReader& reader) {
    const LanguagePtr language = catalogue.language(reader.language);
    const Language& l = *language;
    std::vector<Exercise> exercises;
    for (const std::string& id : ids) {
        const auto e = catalogue.exercise(id);
        if (!e) return tl::unexpected(e.error());
        exercises.push_back(inLanguage(*e, l));
    }
    if (exercises.empty()) return fail(Errc::Unsupported, "a page on filming is about at least one exercise");
    std::vector<std::string> always;
    for (const std::string& line : exercises.front().filming)
        if (std::all_of(exercises.begin(), exercises.end(),
                        [&](const Exercise& e) { return holds(e.filming, line); }) &&
            exercises.size() > 1)
            always.push_back(line);
    for (const char* key : {"filming.phone", "filming.light", "filming.alone", "filming.stickers"})
        always.push_back(l.say(key));
    std::vector<Alike> places;
    for (const Exercise& e : exercises) {
        std::vector<std::string> own;
        for (const std::string& line : e.filming)
            if (!holds(always, line)) own.push_back(line);
        auto alike = std::find_if(places.begin(), places.end(), [&](const Alike& a) { return a.lines == own; });
        if (alike == places.end()) alike = places.insert(places.end(), {own, {}});
        alike->names.push_back(e.name);
    }
    Answer letter;
    letter.language = language;
    letter.clientName = reader.client, letter.exerciseName = l.say("filming.name"), letter.subject = "subject.filming";
    letter.parts = {greetingTo(l, reader.client, l.say("filming.here"))};
    const auto add = [&](const std::string& id, const std::string& title, const std::string& text) {
        letter.parts.push_back(
            plainPart(id.c_str(), title, l.say({"filming.heading", {{"name", title}}}) + "\n" + text));
    };
    for (const Alike& place : places) {
        std::vector<std::string> names;
        for (const Message& name : place.names) names.push_back(l.say(name));
        if (!place.lines.empty())
            add("place-" + std::to_string(letter.parts.size()), l.list(names), together(place.lines));
    }
    add("always", l.say("filming.always"), together(always));
    add("words", l.say("filming.tell"), l.say("filming.words"));
    letter.parts.push_back(closeOf(l, reader.coach));
    for (AnswerPart& part : letter.parts) part.computed = part.text;
    return letter;
}

} // namespace deft
