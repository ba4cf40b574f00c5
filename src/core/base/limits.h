#pragma once
#include <algorithm>
#include <optional>

namespace deft {

/// How far a value is outside (> 0) or inside (≤ 0) of what lies between two limits, either of which may be missing.
inline double outsideBy(double value, const std::optional<double>& low, const std::optional<double>& high) {
    double e = -1e9;
    if (high) e = std::max(e, value - *high);
    if (low) e = std::max(e, *low - value);
    return e;
}

} // namespace deft
