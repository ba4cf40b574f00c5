// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/dose_words.h"

#include "answer/phrases.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Seconds, or breaths where the school counts those.
Message holdWords(const Exercise& e, double hold_s) {
    if (!e.breath_s) return secondsWords(hold_s);
    const int breaths = std::max(1, int(std::lround(hold_s / *e.breath_s)));
    return {"dose.breaths", {{"n", breaths}, {"words", countWords(breaths)}}};
}

} // namespace

Message movements(const Exercise& e, int n, bool byHold) {
    Message one = e.words.one, many = e.words.many;
    if (byHold && e.words.isRep) one = "noun.hold", many = "noun.holds";
    return {"count.movements", {{"n", n}, {"words", countWords(n)}, {"one", one}, {"many", many}}};
}

Message askedWords(const Exercise& e, const Target& t) {
    // One movement a round is told as that movement, more as rounds of it.
    const bool single = t.reps.value_or(1) == 1;
    const Argument hold = t.hold_s ? Argument(holdWords(e, *t.hold_s)) : Argument("");
    return {single ? "dose.single" : "dose.rounds",
            {{"movements", movements(e, single ? t.sets : *t.reps, t.hold_s.has_value())},
             {"n", t.sets},
             {"words", countWords(t.sets)},
             {"held", t.hold_s.has_value()},
             {"hold", hold},
             {"sides", e.eachSide}}};
}

Message doseWords(const Exercise& e, const Target& t, const Version* version) {
    return {"dose.whole",
            {{"dose", askedWords(e, t)},
             {"first", e.eachSide ? t.firstSide : ""},
             {"other", version != nullptr},
             {"version", version ? Message(version->name) : Message()},
             {"days", t.daysPerWeek},
             {"days_words", countWords(t.daysPerWeek)},
             {"sets", t.sets}}};
}

} // namespace deft
