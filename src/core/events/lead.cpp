// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/lead.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kLeastTurn_deg = 6;
constexpr double kBefore_s = 1; // what is not the mover may begin before it

/// Half-width of a turn as far as it is the line's own. What the camera adds is the same for pelvis and shoulders, so
/// it moves the one no sooner than the other.
double ownU95(const SeriesSet& set, double u95, double turn_deg) {
    if (set.context.view != View::Front && set.context.view != View::Rear) return u95;
    const double halfWay = radians(std::max(1.0, std::abs(turn_deg) / 2)); // width = cos(turn)
    return std::min(u95, degrees(kWidthNoise / std::sin(halfWay)));
}

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
    if (std::abs(turn) < std::max(kLeastTurn_deg, 3 * ownU95(set, s.u95[far], turn))) return std::nullopt;
    for (size_t k = 1; k < way.size(); ++k) {
        const size_t a = way[k - 1], b = way[k];
        const double before = (s.value[a] - from) / turn, after = (s.value[b] - from) / turn;
        if (before >= 0.5 || after < 0.5) continue;
        if (b != a + 1) return std::nullopt; // it happened while it was not seen
        const double dt = set.time_s[b] - set.time_s[a], speed = std::abs(turn) * (after - before) / dt;
        return std::pair(set.time_s[a] + dt * (0.5 - before) / (after - before), ownU95(set, s.u95[b], turn) / speed);
    }
    return std::nullopt;
}

} // namespace

void addLead(Events& events, SeriesSet& set) {
    const Series *pelvis = set.find("roll"), *shoulders = set.find("shoulder_roll");
    if (!pelvis || !shoulders) return;
    const auto leadWithin = [&](double from_s, double to_s) -> std::optional<Lead> {
        const auto p = halfTurned(set, *pelvis, from_s, to_s), s = halfTurned(set, *shoulders, from_s, to_s);
        if (!p || !s) return std::nullopt;
        return Lead{p->first - s->first, std::hypot(p->second, s->second)};
    };
    const std::vector<double> none(set.time_s.size(), kGap);
    Series told{"shoulders_lead", "s", none, none};
    const auto tell = [&](const std::optional<Lead>& lead, double from_s, double to_s) {
        for (size_t i = 0; lead && i < set.time_s.size(); ++i)
            if (set.time_s[i] >= from_s && set.time_s[i] <= to_s) told.value[i] = lead->s, told.u95[i] = lead->u95;
    };
    double free = 0; // the rep before has ended
    for (Rep& rep : events.reps) {
        rep.shouldersLead = leadWithin(std::max(free, rep.start_s - kBefore_s), rep.hold.end_s);
        free = rep.end_s;
        tell(rep.shouldersLead, rep.start_s, rep.top_s);
        if (rep.finished)
            tell(leadWithin(std::max(rep.hold.start_s, rep.hold.end_s - kBefore_s), rep.end_s + kBefore_s),
                 rep.hold.end_s, rep.end_s);
    }
    set.series.push_back(std::move(told));
}

} // namespace deft
