// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/programme_letter.h"

#include "answer/letter_parts.h"
#include "answer/phrases.h"
#include "base/dates.h"
#include "judgement/safety.h"
#include "programme/phases.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

std::string weekdayWords(std::chrono::weekday day) {
    static const std::array<const char*, 7> names = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                                     "Thursday", "Friday", "Saturday"};
    return names[day.c_encoding()];
}

std::string whenWords(const Catalogue& catalogue, const Programme& p) {
    std::vector<std::string> days;
    for (const auto day : p.days) days.push_back(weekdayWords(day));
    const int minutes = int(std::ceil(secondsOf(catalogue, p) / 60));
    std::string words = p.days.size() == 7 ? "Every day" : "On " + listOf(days);
    words += ", for " + countWords(p.weeks) + (p.weeks == 1 ? " week" : " weeks");
    if (const auto from = parseDate(p.from)) words += " from " + dayInWords(*from);
    return words + ". It takes about " + std::to_string(minutes) + (minutes == 1 ? " minute." : " minutes.");
}

} // namespace

Result<Answer> programmeLetter(const Catalogue& catalogue, const Programme& p, const PageExtras& extras) {
    Answer letter;
    letter.clientName = p.client, letter.exerciseName = "Your practice", letter.about = "your practice";
    std::string list, cautions;
    const auto once = [&](const std::string& line) {
        if (cautions.find(line) == std::string::npos) cautions += (cautions.empty() ? "" : "\n") + line;
    };
    for (size_t i = 0; i < p.items.size(); ++i) {
        const auto e = exerciseOf(catalogue, p.items[i], extras.schools);
        if (!e) return tl::unexpected(e.error());
        list += (list.empty() ? "" : "\n") + std::to_string(i + 1) + ". " +
                nameWithVersion(*e, p.items[i].target.version) + ": " + doseOf(*e, p.items[i]) + ".";
        if (e->series && !e->series->purpose.empty()) list += " It " + e->series->purpose + ".";
        if (!p.items[i].watch.empty()) list += " " + p.items[i].watch;
        once(e->stopRule);
        Case asked;
        asked.exercise = e->id, asked.flags = extras.flags;
        for (const std::string& caution : cautionsFor(catalogue.safety(), *e, asked, {})) once(caution);
    }
    letter.parts = {
        greetingTo(p.client, " here is what I would like you to practise."),
        plainPart("programme", "In this order", list),
        plainPart("when", "When", whenWords(catalogue, p)),
        plainPart(
            "page", "The page",
            "Open the attached practice page on your phone. It shows each exercise, counts for you, and keeps what "
            "you did and how it felt; nothing leaves your phone by itself. At the end it writes a short note: "
            "send it to me with your next clip."),
        plainPart("again", "Look again", lookAgainWords(catalogue, p)),
        plainPart("cautions", "Cautions and stop rule", cautions),
        closeOf(p.coach)};
    std::erase_if(letter.parts, [](const AnswerPart& part) { return part.text.empty(); });
    for (AnswerPart& part : letter.parts) {
        part.computed = part.text;
        if (part.id != "greeting" && part.id != "close") part.heading = part.title;
    }
    return letter;
}

} // namespace deft
