// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/calendar.h"

#include "answer/calendar_file.h"

#include <algorithm>

namespace deft {
namespace {
constexpr std::chrono::days kUntilNext{7}; // common practice, no published source
} // namespace

std::optional<std::chrono::sys_days> nextClipDay(const std::string& answered, const std::string& planned) {
    const auto day = parseDate(answered), asked = parseDate(planned);
    if (day && asked && *asked > *day) return asked;
    return day ? std::optional(*day + kUntilNext) : std::nullopt;
}

std::optional<std::chrono::sys_days> nextClipDay(const ReviewInputs& inputs) {
    const std::string& answered = inputs.answered.empty() ? inputs.date : inputs.answered;
    return nextClipDay(answered, inputs.nextClip);
}

Result<std::string> answerCalendar(const Answer& answer, const ReviewInputs& inputs) {
    const AnswerPart* next = answer.find("next");
    if (!next || !next->sent) return fail(Errc::Unsupported, "no next clip is asked for, so there is no day for one");
    const auto due = nextClipDay(inputs);
    if (!due) return fail(Errc::Unsupported, "the review has no date, so there is no next date either");
    // The letter on a visit also names what is not to be filmed; its own sentence says what is.
    const bool isVisit =
        std::any_of(answer.parts.begin(), answer.parts.end(), [](const AnswerPart& p) { return p.of > 0; });
    const Language& l = *answer.language;
    const std::string title = l.say({"calendar.film", {{"visit", isVisit}, {"exercise", answer.exerciseName}}});
    std::string words = isVisit ? next->text + "\n" : "";
    for (const AnswerPart& part : answer.parts)
        if (part.id == "target" && part.sent) words += part.text + "\n";
    words += scopeNote(l);
    const std::string uid = inputs.clipSha256.substr(0, 32) + "-" + inputs.date + "@deft-mirror.invalid";
    // Made on the day of the answer: the same review gives the same bytes.
    return calendarFile({{uid, title, words, *due}},
                        *parseDate(inputs.answered.empty() ? inputs.date : inputs.answered));
}

} // namespace deft
