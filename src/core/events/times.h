// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <algorithm>
#include <cmath>
#include <vector>

namespace deft {

/// Of the lift, a second: slower, and a rep has not begun or is over (chosen here).
constexpr double kSlowShare = 0.06;

/// Place of the first frame at or after a time; the last one when there is none.
inline size_t indexAt(const std::vector<double>& time_s, double t) {
    const auto it = std::lower_bound(time_s.begin(), time_s.end(), t - 1e-9);
    return std::min(size_t(it - time_s.begin()), time_s.size() - 1);
}

/// Time at which the line between two samples crosses a level.
inline double crossing(double t0, double v0, double t1, double v1, double level) {
    if (v0 == v1 || !std::isfinite(v0) || !std::isfinite(v1)) return t1;
    return t0 + std::clamp((level - v0) / (v1 - v0), 0.0, 1.0) * (t1 - t0);
}

/// Time between two moments in which a series has no value.
inline double gapBetween(const std::vector<double>& time_s, const std::vector<double>& x, double from_s, double to_s) {
    double gap = 0;
    for (size_t i = indexAt(time_s, from_s) + 1; i < x.size() && time_s[i] <= to_s; ++i)
        if (!std::isfinite(x[i])) gap += time_s[i] - time_s[i - 1];
    return gap;
}

} // namespace deft
