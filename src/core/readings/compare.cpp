// SPDX-License-Identifier: GPL-3.0-or-later
#include "readings/compare.h"

#include "stats/two_samples.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// False also where too little is known of it.
bool repsDifferAsMuch(const std::vector<double>& a, const std::vector<double>& b) {
    if (std::min(a.size(), b.size()) < kRepsThatScatter) return false;
    const auto means = meanDifference(a, b);
    return means && !means->isReal();
}

} // namespace

bool isRealChange(double before, double beforeU95, double after, double afterU95) {
    return std::abs(after - before) > std::hypot(beforeU95, afterU95); // false for gaps
}

std::optional<bool> isBetter(const ReadingRow& row, double before, double after) {
    if (row.aim.isSet()) return row.aim.isWorse(before, after);
    if (std::max(row.limit.excess(before), row.limit.excess(after)) <= 0) return std::nullopt; // inside all is well
    return row.limit.isWorse(before, after);
}

std::vector<Difference> differences(const std::vector<ReadingRow>& a, const std::vector<ReadingRow>& b) {
    std::vector<Difference> out;
    for (const ReadingRow& first : a) {
        const auto second = std::find_if(b.begin(), b.end(), [&](const ReadingRow& row) {
            return row.measure == first.measure && row.stat == first.stat;
        });
        if (second == b.end()) continue;
        Difference d{first, *second, kGap, kGap, Difference::Verdict::CannotTell, {}};
        if (std::isfinite(first.value) && std::isfinite(second->value)) {
            d.change = second->value - first.value;
            const double before = changeU95(first.u95, first.slideU95),
                         after = changeU95(second->u95, second->slideU95);
            d.u95 = std::hypot(before, after);
            d.verdict = !isRealChange(first.value, before, second->value, after) ? Difference::Verdict::WithinBand
                        : repsDifferAsMuch(first.reps, second->reps)             ? Difference::Verdict::WithinReps
                                                                                 : Difference::Verdict::Real;
        }
        if (d.verdict == Difference::Verdict::Real) d.better = isBetter(first, first.value, second->value);
        out.push_back(std::move(d));
    }
    return out;
}

double alignedTime(const Rep& rep, double place) {
    const double at[] = {rep.start_s, rep.top_s, rep.holdEnd_s, rep.end_s};
    place = std::clamp(place, kAlignStart, kAlignEnd);
    const int part = std::min(2, int(place));
    return at[part] + (place - part) * (at[part + 1] - at[part]);
}

double alignedPlace(const Rep& rep, double time_s) {
    const double at[] = {rep.start_s, rep.top_s, rep.holdEnd_s, rep.end_s};
    for (int part = 0; part < 3; ++part)
        if (time_s < at[part + 1])
            return part + std::clamp((time_s - at[part]) / std::max(1e-9, at[part + 1] - at[part]), 0.0, 1.0);
    return kAlignEnd;
}

} // namespace deft
