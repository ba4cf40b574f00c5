#include "judgement/wording.h"

#include <cmath>
#include <cstdio>

namespace deft {

std::string numberWords(double value, int decimals) {
    char text[64];
    std::snprintf(text, sizeof text, "%.*f", decimals, std::abs(value));
    std::string s = text;
    if (s.find('.') != std::string::npos) {
        while (s.back() == '0') s.pop_back();
        if (s.back() == '.') s.pop_back();
    }
    return value < 0 && s != "0" ? "−" + s : s;
}

std::string signedWords(double value, int decimals) {
    const std::string s = numberWords(value, decimals);
    return value > 0 && s != "0" ? "+" + s : s;
}

} // namespace deft
