#include "answer/dose_words.h"

#include "answer/phrases.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Seconds, or breaths where the school counts those.
std::string holdWords(const Exercise& e, double hold_s) {
    if (!e.breath_s) return secondsWords(hold_s);
    const int breaths = std::max(1, int(std::lround(hold_s / *e.breath_s)));
    return countWords(breaths) + (breaths == 1 ? " calm breath" : " calm breaths");
}

} // namespace

std::string doseWords(const Exercise& e, const Target& t, const Rung* version) {
    // One movement a round is told as that movement, more as rounds of it.
    const bool single = t.reps.value_or(1) == 1;
    std::string movement = single ? e.words.many : "rounds of " + countWords(*t.reps) + " " + e.words.many;
    if (single && t.sets == 1) movement = e.words.one;
    if (!single && t.sets == 1) movement = "round of " + countWords(*t.reps) + " " + e.words.many;
    std::string text = countWords(t.sets) + " " + movement;
    if (t.hold_s) text += ", " + holdWords(e, *t.hold_s) + (single ? "" : " each");
    if (e.eachSide)
        text += t.firstSide.empty() ? ", the same on both sides"
                                    : ", the same on both sides, beginning with the " + t.firstSide;
    if (version) text += ", now as “" + version->name + "”";
    text += t.daysPerWeek >= 7 ? ", every day"
            : t.daysPerWeek == 3
                ? ", every other day"
                : ", on " + countWords(t.daysPerWeek) + (t.daysPerWeek == 1 ? " day" : " days") + " of the week";
    return text + ", with a good rest between them.";
}

} // namespace deft
