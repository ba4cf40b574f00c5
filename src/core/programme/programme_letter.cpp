// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/programme_letter.h"

#include "answer/letter_parts.h"
#include "answer/phrases.h"
#include "base/dates.h"
#include "exercises/translated.h"
#include "judgement/safety.h"
#include "programme/phases.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

Message whenWords(const Catalogue& catalogue, const Programme& p) {
    Messages days;
    for (const auto day : p.days) {
        const std::chrono::sys_days any = std::chrono::sys_days(std::chrono::year(2023) / 1 / 1) // a Sunday
                                          + std::chrono::days(day.c_encoding());
        days.push_back({"date.weekday", {{"day", Day{any, true}}}});
    }
    const auto from = parseDate(p.from);
    return {"programme.when",
            {{"daily", p.days.size() == 7},
             {"days", days},
             {"weeks", p.weeks},
             {"weeks_words", countWords(p.weeks)},
             {"dated", from.has_value()},
             {"from", from ? Argument(Day{*from}) : Argument("")},
             {"minutes", int(std::ceil(secondsOf(catalogue, p) / 60))}}};
}

} // namespace

Result<Answer> programmeLetter(const Catalogue& catalogue, const Programme& p, const PageExtras& extras) {
    Answer letter;
    letter.language = catalogue.language(extras.language);
    const Language& l = *letter.language;
    letter.clientName = p.client, letter.exerciseName = l.say("programme.name"), letter.subject = "subject.programme";
    std::string list, cautions;
    const auto once = [&](const std::string& line) {
        if (cautions.find(line) == std::string::npos) cautions += (cautions.empty() ? "" : "\n") + line;
    };
    for (size_t i = 0; i < p.items.size(); ++i) {
        const auto read = exerciseOf(catalogue, p.items[i], extras.schools);
        if (!read) return tl::unexpected(read.error());
        const Exercise e = inLanguage(*read, l);
        list += (list.empty() ? "" : "\n") + std::to_string(i + 1) + ". " +
                nameWithVersion(e, p.items[i].target.version) + ": " + l.say(doseOf(e, p.items[i])) + ".";
        if (e.series && !e.series->purpose.empty())
            list += " " + l.say({"programme.purpose", {{"purpose", Message(e.series->purpose)}}});
        if (!p.items[i].watch.empty()) list += " " + l.text(p.items[i].watch);
        once(e.stopRule);
        Case asked;
        asked.exercise = e.id, asked.flags = extras.flags;
        for (const Message& caution : cautionsFor(catalogue.safety(), e, asked, {})) once(l.say(caution));
    }
    letter.parts = {greetingTo(l, p.client, l.say("programme.here")),
                    plainPart("programme", "programme.order", list),
                    plainPart("when", "programme.days", l.say(whenWords(catalogue, p))),
                    plainPart("page", "programme.page", l.say("programme.open-page")),
                    plainPart("again", "programme.again", lookAgainWords(catalogue, p, l)),
                    plainPart("cautions", "sheet.cautions", cautions),
                    closeOf(l, p.coach)};
    std::erase_if(letter.parts, [](const AnswerPart& part) { return part.text.empty(); });
    for (AnswerPart& part : letter.parts) {
        part.computed = part.text;
        if (part.id != "greeting" && part.id != "close") part.heading = l.say(part.title);
    }
    return letter;
}

} // namespace deft
