#include "answer/phrases.h"

#include "judgement/wording.h"
#include "measures/measure.h"

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

const char* ordinal(int rep) {
    static const char* words[] = {"first", "second",  "third",  "fourth", "fifth",
                                  "sixth", "seventh", "eighth", "ninth",  "tenth"};
    return rep < 10 ? words[rep] : "last";
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
