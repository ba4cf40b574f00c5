// SPDX-License-Identifier: GPL-3.0-or-later
#include "readings/over_time.h"

#include "base/dates.h"
#include "stats/trend.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// No visit counts as much surer than the others: a clean hold of nothing has no band, but no endless weight either.
constexpr double kLeastShare = 0.5; // of the widest band (chosen here)

void findTrend(OverTime& o, const std::vector<double>& value, const std::vector<double>& sd) {
    const auto line = straightLine(o.weeks, value, sd);
    if (!line) return; // all on one day
    o.perWeek = line->line.slope, o.perWeekU95 = line->line.slopeU95, o.atFirst = line->line.at0;
    bool ordered = true;
    if (value.size() < kOrderFrom) {
        o.perWeekU95 *= std::sqrt(std::max(1.0, line->misfit / double(value.size() - 2)));
    } else if (const auto median = medianLine(o.weeks, value)) {
        o.perWeek = median->line.slope, o.atFirst = median->line.at0;
        o.perWeekU95 = std::max({o.perWeekU95, median->high95 - o.perWeek, o.perWeek - median->low95});
        ordered = monotoneTrend(value).p < 0.05;
    }
    if (std::abs(o.perWeek) <= o.perWeekU95 || !ordered) {
        o.verdict = OverTime::Verdict::NoTrend;
        return;
    }
    o.verdict = OverTime::Verdict::Trend;
    o.better = isBetter(o.now, o.atFirst, o.atFirst + o.perWeek * o.weeks.back());
}

} // namespace

bool isSameVersion(const std::string& version, const std::string& other) {
    return version.empty() || other.empty() || version == other;
}

OverTime overTime(const ReadingRow& now, const std::string& today, std::vector<Visit> earlier) {
    OverTime o{now, std::move(earlier), {}, OverTime::Verdict::TooFew, kGap, kGap, kGap, {}, false};
    o.visits.push_back({today, now.value, changeU95(now.u95, now.slideU95)});
    o.visits.erase(std::remove_if(o.visits.begin(), o.visits.end(),
                                  [](const Visit& v) {
                                      return !std::isfinite(v.value) || !std::isfinite(v.u95) || !parseDate(v.date);
                                  }),
                   o.visits.end());
    std::stable_sort(o.visits.begin(), o.visits.end(), [](const Visit& a, const Visit& b) { return a.date < b.date; });
    double widest = 0;
    for (const Visit& v : o.visits) widest = std::max(widest, v.u95);
    std::vector<double> value, sd;
    for (const Visit& v : o.visits) {
        value.push_back(v.value);
        sd.push_back(std::max({v.u95, kLeastShare * widest, 1e-6}) / kU95);
        o.weeks.push_back(double((*parseDate(v.date) - *parseDate(o.visits.front().date)).count()) / 7);
    }
    if (value.size() >= kTrendFrom) findTrend(o, value, sd);
    if (value.size() > kUnlikeFrom) {
        const auto limits = controlLimits({value.begin(), value.end() - 1});
        const double off = limits ? std::max(limits->low - value.back(), value.back() - limits->high) : 0;
        o.unlike = off > o.visits.back().u95;
    }
    return o;
}

} // namespace deft
