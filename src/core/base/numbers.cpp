// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/numbers.h"

#include <charconv>
#include <cmath>
#include <cstdint>
#include <limits>

namespace deft {
namespace {
constexpr double kUnscaled = std::numeric_limits<double>::infinity();
}

std::string fixed(double value, int decimals) {
    std::string out;
    appendFixed(out, value, decimals);
    return out;
}

void appendFixed(std::string& out, double value, int decimals) {
    char text[400]; // the longest double has 309 digits before the point
    constexpr double kPowers[] = {1, 10, 100, 1e3, 1e4, 1e5, 1e6};
    const double scaled = decimals <= 6 ? std::abs(value) * kPowers[decimals] : kUnscaled;
    const double whole = std::floor(scaled);
    // Whole numbers are written much quicker. Not where scaling may have moved the last digit over a half.
    if (scaled < 1e10 && std::abs(scaled - whole - 0.5) > 1e-3) {
        auto digits = std::uint64_t(whole) + (scaled - whole > 0.5 ? 1 : 0);
        if (value < 0 && digits > 0) out += '-';
        char* const end = text + 24;
        char* at = end;
        for (int place = 0; digits > 0 || place <= decimals; digits /= 10, ++place) {
            if (place == decimals && decimals > 0) *--at = '.';
            *--at = char('0' + digits % 10);
        }
        out.append(at, end);
        return;
    }
    const auto end = std::to_chars(text, text + sizeof text, value, std::chars_format::fixed, decimals).ptr;
    const bool zero = text[0] == '-' && std::string_view(text, end).find_first_of("123456789ni") == std::string::npos;
    out.append(text + (zero ? 1 : 0), end);
}

std::optional<double> parseNumber(std::string_view text) {
    double value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc() || end != text.data() + text.size() || !std::isfinite(value)) return std::nullopt;
    return value;
}

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
