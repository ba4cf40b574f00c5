// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/phrases.h"

#include "judgement/wording.h"
#include "measures/measure.h"

#include <cmath>

namespace deft {

std::string sec(double v) { return numberWords(v, 1) + " s"; }

std::string withUnit(double v, const std::string& unit, int decimals, bool withSign) {
    const std::string sign = unitSign(unit);
    return (withSign ? signedWords(v, decimals) : numberWords(v, decimals)) + (sign == "°" ? sign : " " + sign);
}

std::string band(double v, double u, const std::string& unit, bool withSign) {
    const std::string sign = unitSign(unit);
    return (withSign ? signedWords(v, 1) : numberWords(v, 1)) + " ± " + numberWords(u, 1) +
           (sign == "°" ? sign : " " + sign);
}

std::string ordinal(int rep) {
    static const char* words[] = {"first", "second",  "third",  "fourth", "fifth",
                                  "sixth", "seventh", "eighth", "ninth",  "tenth"};
    if (rep < 10) return words[rep];
    const int n = rep + 1;
    const bool teen = n % 100 >= 11 && n % 100 <= 13;
    const char* ending = teen ? "th" : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : n % 10 == 3 ? "rd" : "th";
    return std::to_string(n) + ending;
}

std::string secondsWords(double seconds) {
    const std::string n = numberWords(seconds, 1);
    return (seconds == std::floor(seconds) ? countWords(int(seconds)) : n) + (seconds == 1 ? " second" : " seconds");
}

std::string countWords(int n) {
    static const char* words[] = {"no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"};
    return n >= 0 && n <= 10 ? words[n] : std::to_string(n);
}

std::string listOf(const std::vector<std::string>& items) {
    std::string out;
    for (size_t i = 0; i < items.size(); ++i) out += (i == 0 ? "" : i + 1 == items.size() ? " and " : ", ") + items[i];
    return out;
}

std::string withoutSign(double v, const std::string& unit) {
    const std::string sign = unitSign(unit);
    return numberWords(v, 0) + (sign == "°" ? sign : " " + sign);
}

} // namespace deft
