// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <cstddef>
#include <vector>

namespace deft {

/// Half-open stretch of samples.
struct Run {
    size_t begin, end;
    bool operator==(const Run&) const = default;
};

/// Stretches of finite values.
std::vector<Run> runsWithoutGaps(const std::vector<double>& x);

/// Median time between neighbours inside the run (s); 0 for fewer than two samples.
double medianStep(const std::vector<double>& time_s, const Run& run);

/// The natural cubic spline at times begin, begin + step, …, not past the last sample.
std::vector<double> toEvenTimes(const std::vector<double>& time_s, const std::vector<double>& x, const Run& run,
                                double step);

/// First derivative per second at uneven times: slope of the parabola through the neighbours, one-sided at the ends and
/// beside gaps (second order inside, like numpy.gradient with coordinates).
std::vector<double> derivative(const std::vector<double>& time_s, const std::vector<double>& x);

/// Median of the finite values; NaN when there are none.
double medianOf(std::vector<double> values);

} // namespace deft
