// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/programme_calendar.h"

#include "answer/calendar_file.h"
#include "base/dates.h"
#include "exercises/translated.h"
#include "programme/phases.h"
#include "programme/practice_page.h"

#include <cmath>

namespace deft {

Result<std::string> programmeCalendar(const Catalogue& catalogue, const Programme& p, int revision,
                                      const std::string& made, const std::string& language) {
    const LanguagePtr spoken = catalogue.language(language);
    const Language& l = *spoken;
    const auto today = parseDate(made);
    if (!today || !parseDate(p.from)) return fail(Errc::BadFormat, "a calendar needs days such as 2026-05-14");
    const auto days = practiceDays(p);
    std::vector<CalendarEvent> events;
    for (const auto day : days) {
        const auto items = itemsOn(p, day);
        std::string words;
        for (const size_t i : items) {
            const auto e = exerciseOf(catalogue, p.items[i]);
            if (!e) return tl::unexpected(e.error());
            const Exercise told = inLanguage(*e, l);
            words += told.name + ": " + l.say(doseOf(told, p.items[i])) + "\n";
        }
        const int minutes = int(std::ceil(secondsOf(catalogue, p, items) / 60));
        std::string title = l.say({"programme.practice", {{"minutes", minutes}}});
        if (!p.reminder.empty()) words = title + "\n" + words, title = p.reminder;
        events.push_back(
            {p.uid + "-" + isoDate(day) + "@deft-mirror.invalid", title, words + scopeNote(l), day, revision});
    }
    const auto again = p.lookAgain ? parseDate(p.lookAgain->on) : std::nullopt;
    if (again) {
        std::string words;
        for (const std::string& id : p.lookAgain->exercises)
            if (const auto e = catalogue.exercise(id)) words += l.text(e->name) + "\n";
        events.push_back({p.uid + "-clip@deft-mirror.invalid", l.say("programme.film-again"),
                          words + l.say("programme.same-spot") + "\n" + scopeNote(l), *again, revision});
    }
    return calendarFile(events, *today);
}

} // namespace deft
