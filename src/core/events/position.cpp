#include "events/movement.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

// Getting into a position and out of it is quicker than this, per cent or degrees a second; it lasts no longer, and a
// moment outside is none (all chosen here).
constexpr double kSettling = 8, kLongestSettling_s = 1.5, kMoment_s = 0.5;

} // namespace

std::vector<bool> inPosition(const SeriesSet& set, const std::vector<Limit>& position) {
    const auto& t = set.time_s;
    std::vector<bool> in(t.size(), true);
    std::vector<std::vector<double>> speeds;
    for (const Limit& limit : position) {
        const Series* s = set.find(limit.measure);
        if (!s) continue;
        for (size_t i = 0; i < t.size(); ++i)
            if (limit.excess(s->value[i]) > 0) in[i] = false;
        speeds.push_back(derivative(t, s->value));
    }
    const auto settling = [&](size_t i) {
        return std::any_of(speeds.begin(), speeds.end(),
                           [&](const auto& speed) { return std::abs(speed[i]) > kSettling; });
    };
    for (size_t i = 0; i < t.size(); ++i) { // a moment outside
        if (in[i]) continue;
        size_t end = i;
        while (end < t.size() && !in[end]) ++end;
        if (i > 0 && end < t.size() && t[end] - t[i] < kMoment_s)
            std::fill(in.begin() + long(i), in.begin() + long(end), true);
        i = end;
    }
    for (size_t i = 1; i + 1 < t.size(); ++i) { // getting in, getting out
        if (in[i] && !in[i - 1])
            for (size_t k = i; k < t.size() && in[k] && t[k] - t[i] < kLongestSettling_s && settling(k); ++k)
                in[k] = false;
    }
    for (size_t i = t.size(); i-- > 1;)
        if (in[i - 1] && !in[i]) {
            const double edge = t[i - 1];
            for (size_t k = i; k-- > 0 && in[k] && edge - t[k] < kLongestSettling_s && settling(k);) in[k] = false;
        }
    return in;
}

} // namespace deft
