// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/reminder.h"

#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "base/dates.h"

namespace deft {

Answer reminder(const Exercise& exercise, const Target& target, const std::string& client, const std::string& coach,
                const std::string& due) {
    Answer letter;
    letter.clientName = client, letter.exerciseName = exercise.name, letter.about = "your next clip";
    const auto day = parseDate(due);
    letter.parts = {
        greetingTo(client),
        plainPart(
            "reminder", "Reminder",
            "How is it going? I had looked forward to your next clip" +
                (day ? " by " + dayInWords(*day) : std::string()) +
                ". If it did not fit in, send it when it does; if something got in the way, or hurts, tell me and "
                "we will change it."),
        plainPart("target", "What was asked for", "We had said: " + doseWords(exercise, target, nullptr)),
        plainPart("cautions", "Stop rule", exercise.stopRule), closeOf(coach)};
    return letter;
}

} // namespace deft
