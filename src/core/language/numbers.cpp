// SPDX-License-Identifier: GPL-3.0-or-later
#include "language/numbers.h"

#include "base/numbers.h"

#include <cmath>

namespace deft {

std::string numberWords(double value, int decimals) {
    std::string s = fixed(std::abs(value), decimals);
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
