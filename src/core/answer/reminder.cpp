// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/reminder.h"

#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "base/dates.h"
#include "exercises/translated.h"

namespace deft {

Answer reminder(const LanguagePtr& language, const Exercise& exercise, const Target& target, const std::string& client,
                const std::string& coach, const std::string& due) {
    const Language& l = *language;
    const Exercise e = inLanguage(exercise, l);
    Answer letter;
    letter.language = language;
    letter.clientName = client, letter.exerciseName = e.name, letter.subject = "subject.reminder";
    const auto day = parseDate(due);
    const Argument when = day ? Argument(Day{*day}) : Argument("");
    letter.parts = {
        greetingTo(l, client),
        plainPart("reminder", "Reminder", l.say({"reminder.how", {{"dated", day.has_value()}, {"day", when}}})),
        plainPart("target", "What was asked for",
                  l.say({"reminder.target", {{"dose", doseWords(e, target, nullptr)}}})),
        plainPart("cautions", "Stop rule", e.stopRule), closeOf(l, coach)};
    return letter;
}

} // namespace deft
