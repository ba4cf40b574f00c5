// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/phrases.h"

#include <cmath>

namespace deft {

Message countWords(int n) { return {"number.words", {{"n", n}}}; }

Message ordinal(int rep) { return {"number.ordinal", {{"n", rep + 1}}}; }

Message secondsWords(double seconds) {
    const double told = std::round(10 * seconds) / 10;
    return {
        "time.seconds",
        {{"n", told}, {"words", told == std::floor(told) ? Argument(countWords(int(told))) : Argument(Amount{told})}}};
}

Amount reading(double value, const std::string& unit, int decimals, bool withSign, std::optional<double> u95) {
    return {value, decimals, unit, withSign, u95};
}

} // namespace deft
