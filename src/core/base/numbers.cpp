#include "base/numbers.h"

#include <charconv>
#include <cmath>

namespace deft {

std::string fixed(double value, int decimals) {
    char text[400]; // the longest double has 309 digits before the point
    const auto end = std::to_chars(text, text + sizeof text, value, std::chars_format::fixed, decimals).ptr;
    const std::string out(text, end);
    return out.front() == '-' && out.find_first_of("123456789ni") == std::string::npos ? out.substr(1) : out;
}

std::optional<double> parseNumber(std::string_view text) {
    double value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc() || end != text.data() + text.size() || !std::isfinite(value)) return std::nullopt;
    return value;
}

} // namespace deft
