#include "events/lead.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kLeastTurn_deg = 6;
constexpr double kBefore_s = 0.5; // what is not the mover may begin before it

/// When a series has done half of its way out, and the half-width of that time.
std::optional<std::pair<double, double>> halfTurned(const SeriesSet& set, const Series& s, double from_s, double to_s) {
    std::vector<size_t> way;
    for (size_t i = 0; i < set.time_s.size(); ++i)
        if (set.time_s[i] >= from_s && set.time_s[i] <= to_s && std::isfinite(s.value[i])) way.push_back(i);
    if (way.size() < 3) return std::nullopt;
    const double from = s.value[way.front()];
    size_t far = way.front();
    for (const size_t i : way)
        if (std::abs(s.value[i] - from) > std::abs(s.value[far] - from)) far = i;
    const double turn = s.value[far] - from;
    if (std::abs(turn) < std::max(kLeastTurn_deg, 3 * s.u95[far])) return std::nullopt;
    for (size_t k = 1; k < way.size(); ++k) {
        const size_t a = way[k - 1], b = way[k];
        const double before = (s.value[a] - from) / turn, after = (s.value[b] - from) / turn;
        if (before >= 0.5 || after < 0.5) continue;
        if (b != a + 1) return std::nullopt; // it happened while it was not seen
        const double dt = set.time_s[b] - set.time_s[a], speed = std::abs(turn) * (after - before) / dt;
        return std::pair(set.time_s[a] + dt * (0.5 - before) / (after - before), s.u95[b] / speed);
    }
    return std::nullopt;
}

} // namespace

void addLead(Events& events, const SeriesSet& set) {
    const Series *pelvis = set.find("roll"), *shoulders = set.find("shoulder_roll");
    if (!pelvis || !shoulders) return;
    double free = 0; // the rep before has ended
    for (Rep& rep : events.reps) {
        const double from = std::max(free, rep.start_s - kBefore_s);
        free = rep.end_s;
        const auto p = halfTurned(set, *pelvis, from, rep.hold.end_s),
                   s = halfTurned(set, *shoulders, from, rep.hold.end_s);
        if (p && s) rep.shouldersLead = Lead{p->first - s->first, std::hypot(p->second, s->second)};
    }
}

} // namespace deft
