// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/breath.h"

#include <algorithm>

namespace deft {
namespace {

constexpr double kLongestOut_s = 3, kTapping_s = 0.25; // chosen here

/// Seconds of a stretch that lie on breathing out.
double breathedOut(const std::vector<BreathTap>& taps, double from, double to) {
    double sum = 0;
    for (size_t i = 0; i < taps.size(); ++i) {
        if (!taps[i].out) continue;
        double end = taps[i].time_s + kLongestOut_s;
        if (i + 1 < taps.size())
            end = taps[i + 1].out ? std::min(end, (taps[i].time_s + taps[i + 1].time_s) / 2) : taps[i + 1].time_s;
        sum += std::max(0.0, std::min(to, end) - std::max(from, taps[i].time_s));
    }
    return sum;
}

} // namespace

std::optional<BreathFit> breathFit(const std::vector<BreathTap>& taps, const Events& events) {
    if (taps.empty() || events.reps.empty()) return std::nullopt;
    BreathFit fit;
    for (const Rep& rep : events.reps) {
        const double half = rep.out_s() / 2;
        if (half <= 0) continue;
        auto fits = [&](double late) { return breathedOut(taps, rep.start_s - late, rep.top_s - late) >= half; };
        ++fit.efforts;
        fit.fits += fits(0);
        fit.unsure += fits(-kTapping_s) != fits(0) || fits(kTapping_s) != fits(0);
    }
    return fit.efforts ? std::optional(fit) : std::nullopt;
}

} // namespace deft
