// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/limit.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace deft {

const char* originWords(Origin origin) {
    switch (origin) {
    case Origin::CommonPractice:
        return "common practice, no published source";
    case Origin::Published:
        return "published";
    case Origin::Coach:
        return "chosen by the coach";
    case Origin::ChosenHere:
        break;
    }
    return "chosen here";
}

double Limit::excess(double value) const {
    if (std::isnan(value)) return value;
    double e = -std::numeric_limits<double>::infinity();
    if (high) e = std::max(e, value - *high);
    if (low) e = std::max(e, *low - value);
    return e;
}

double Limit::endAt(double value) const {
    if (!low || !high) return low ? *low : high.value_or(std::numeric_limits<double>::quiet_NaN());
    return value - *high >= *low - value ? *high : *low;
}

double Limit::width() const {
    const double w = low && high ? *high - *low : std::abs(low.value_or(high.value_or(0)));
    return w > 0 ? w : 1;
}

bool Limit::isWorse(double value, double than) const {
    if (std::isnan(value)) return false;
    return std::isnan(than) || excess(value) > excess(than);
}

int64_t Limit::worst(const std::vector<double>& values) const {
    int64_t at = -1;
    for (size_t i = 0; i < values.size(); ++i)
        if (isWorse(values[i], at < 0 ? std::numeric_limits<double>::quiet_NaN() : values[size_t(at)])) at = int64_t(i);
    return at;
}

Verdict Limit::verdict(double value, double u95) const {
    const double e = excess(value);
    if (e > u95) return Verdict::Out;
    return e < -u95 ? Verdict::In : Verdict::CannotTell;
}

} // namespace deft
