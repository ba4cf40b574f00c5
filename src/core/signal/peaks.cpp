// SPDX-License-Identifier: GPL-3.0-or-later
#include "signal/peaks.h"

#include <algorithm>
#include <cmath>

namespace deft {

std::vector<Peak> findPeaks(const std::vector<double>& x, double minProminence) {
    std::vector<Peak> peaks;
    for (size_t i = 1; i + 1 < x.size(); ++i) {
        if (!(x[i - 1] < x[i])) continue;
        size_t last = i;
        while (last + 1 < x.size() && x[last + 1] == x[i]) ++last;
        if (last + 1 >= x.size() || !(x[last + 1] < x[i])) continue;
        Peak p{(i + last) / 2, x[i], 0, 0, 0};
        auto lowest = [&](int direction, size_t& base) {
            double low = x[p.index];
            base = p.index;
            for (auto k = std::ptrdiff_t(p.index); k >= 0 && k < std::ptrdiff_t(x.size()); k += direction) {
                const double v = x[size_t(k)];
                if (!(v <= p.height)) break; // higher ground, or a gap
                if (v < low) low = v, base = size_t(k);
            }
            return low;
        };
        const double left = lowest(-1, p.leftBase), right = lowest(+1, p.rightBase);
        p.prominence = p.height - std::max(left, right);
        if (p.prominence >= minProminence) peaks.push_back(p);
        i = last;
    }
    return peaks;
}

HysteresisCycles cyclesByHysteresis(const std::vector<double>& x, double low, double high) {
    HysteresisCycles out;
    bool up = false;
    HysteresisCycle now{};
    size_t lastLow = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!std::isfinite(x[i])) continue;
        if (!up) {
            if (x[i] <= low) lastLow = i;
            if (x[i] > high) up = true, now = {lastLow, i, i};
        } else {
            if (x[i] > x[now.peak]) now.peak = i;
            if (x[i] < low) {
                now.end = i;
                out.cycles.push_back(now);
                up = false;
                lastLow = i;
            }
        }
    }
    if (up) {
        now.end = x.size() - 1;
        out.cycles.push_back(now);
        out.unfinished = true;
    }
    return out;
}

} // namespace deft
