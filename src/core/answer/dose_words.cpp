// SPDX-License-Identifier: GPL-3.0-or-later
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

std::string askedWords(const Exercise& e, const Target& t) {
    // One movement a round is told as that movement, more as rounds of it.
    const bool single = t.reps.value_or(1) == 1;
    std::string one = e.words.one, many = e.words.many;
    if (t.hold_s && one == "rep") one = "hold", many = "holds";
    std::string text = countWords(t.sets) + " ";
    const std::string sides = e.eachSide ? " on each side" : "";
    if (single) return text + (t.sets == 1 ? one : many) + (t.hold_s ? " of " + holdWords(e, *t.hold_s) : "") + sides;
    return text + (t.sets == 1 ? "round of " : "rounds of ") + countWords(*t.reps) + " " + many + sides +
           (t.hold_s ? ", " + holdWords(e, *t.hold_s) + " each" : "");
}

std::string doseWords(const Exercise& e, const Target& t, const Version* version) {
    std::string text = askedWords(e, t);
    if (e.eachSide && !t.firstSide.empty()) text += ", beginning with the " + t.firstSide;
    if (version) text += ", now as “" + version->name + "”";
    text += t.daysPerWeek >= 7 ? ", every day"
            : t.daysPerWeek == 3
                ? ", every other day"
                : ", on " + countWords(t.daysPerWeek) + (t.daysPerWeek == 1 ? " day" : " days") + " of the week";
    return text + (t.sets > 1 ? ", with a good rest between them." : ".");
}

} // namespace deft
