// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/movement.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

// Getting into a position and out of it is quicker than this share of the way between outside and inside a second, and
// lasts no longer. Between these two, per cent or degrees a second (all chosen here).
constexpr double kMoment_s = 0.5; // a moment outside is none
constexpr double kSettlingShare = 0.2, kLeastSettling = 2, kMostSettling = 8, kLongestSettling_s = 2.5, kQuiet_s = 0.3;

/// How quickly the position's measure moves where somebody is still getting in or out.
double settlingSpeed(const std::vector<double>& x, const Limit& limit) {
    std::vector<double> inside, outside;
    for (const double v : x) (limit.excess(v) > 0 ? outside : inside).push_back(v);
    const double way = std::abs(medianOf(inside) - medianOf(outside));
    return std::isfinite(way) ? std::clamp(kSettlingShare * way, kLeastSettling, kMostSettling) : kMostSettling;
}

} // namespace

std::vector<bool> inPosition(const SeriesSet& set, const std::vector<Limit>& position) {
    const auto& t = set.time_s;
    std::vector<bool> in(t.size(), true);
    std::vector<std::vector<double>> speeds; // 1 = as quick as somebody who is getting in
    for (const Limit& limit : position) {
        const Series* s = set.find(limit.measure);
        if (!s) continue;
        for (size_t i = 0; i < t.size(); ++i)
            if (limit.excess(s->value[i]) > 0) in[i] = false;
        speeds.push_back(derivative(t, s->value));
        const double settling = settlingSpeed(s->value, limit);
        for (double& v : speeds.back()) v /= settling;
    }
    const auto settling = [&](size_t i) {
        return std::any_of(speeds.begin(), speeds.end(), [&](const auto& speed) { return std::abs(speed[i]) > 1; });
    };
    for (size_t i = 0; i < t.size(); ++i) { // a moment outside
        if (in[i]) continue;
        size_t end = i;
        while (end < t.size() && !in[end]) ++end;
        if (i > 0 && end < t.size() && t[end] - t[i] < kMoment_s)
            std::fill(in.begin() + long(i), in.begin() + long(end), true);
        i = end;
    }
    // Getting in ends, and getting out begins, where nothing is quick for a while: who sets off is slow at first, too.
    const auto leaveOut = [&](size_t from, long step) {
        double quick_s = t[from]; // the last quick moment so far
        size_t reached = from;    // up to there somebody is still getting in
        for (size_t k = from; k < t.size() && in[k] && std::abs(t[k] - t[from]) < kLongestSettling_s; k += step) {
            if (settling(k)) quick_s = t[k], reached = k + step;
            if (std::abs(t[k] - quick_s) > kQuiet_s) break;
        }
        for (size_t k = from; k != reached; k += step) in[k] = false;
    };
    const std::vector<bool> before = in;
    for (size_t i = 1; i < t.size(); ++i)
        if (before[i] && !before[i - 1]) leaveOut(i, 1);
    for (size_t i = t.size(); i-- > 1;)
        if (before[i - 1] && !before[i]) leaveOut(i - 1, -1);
    return in;
}

} // namespace deft
