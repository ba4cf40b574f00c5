// SPDX-License-Identifier: GPL-3.0-or-later
#include "signal/resample.h"

#include "base/units.h"
#include "signal/spline.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

// Of the usual step: frames that are nearer to each other are one. Between two at almost the same time a spline would
// overshoot, and damaged clips show two at one.
constexpr double kOneFrame = 0.25;

} // namespace

std::vector<Run> runsWithoutGaps(const std::vector<double>& x) {
    std::vector<Run> runs;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!std::isfinite(x[i])) continue;
        if (!runs.empty() && runs.back().end == i)
            ++runs.back().end;
        else
            runs.push_back({i, i + 1});
    }
    return runs;
}

double medianStep(const std::vector<double>& time_s, const Run& run) {
    std::vector<double> steps;
    for (size_t i = run.begin + 1; i < run.end; ++i) steps.push_back(time_s[i] - time_s[i - 1]);
    return steps.empty() ? 0 : medianOf(std::move(steps));
}

std::vector<double> toEvenTimes(const std::vector<double>& time_s, const std::vector<double>& x, const Run& run,
                                double step) {
    std::vector<double> times, values;
    for (size_t i = run.begin; i < run.end; ++i)
        if (times.empty() || time_s[i] - times.back() > kOneFrame * step)
            times.push_back(time_s[i]), values.push_back(x[i]);
    const NaturalSpline between(std::move(times), std::move(values));
    std::vector<double> out;
    const double first = time_s[run.begin], last = time_s[run.end - 1] + 1e-9;
    for (int i = 0; first + i * step <= last; ++i) out.push_back(between(first + i * step));
    return out;
}

std::vector<double> derivative(const std::vector<double>& t, const std::vector<double>& x) {
    std::vector<double> d(x.size(), kGap);
    for (const Run& run : runsWithoutGaps(x)) {
        if (run.end - run.begin < 2) continue;
        for (size_t i = run.begin; i < run.end; ++i) {
            if (i == run.begin)
                d[i] = (x[i + 1] - x[i]) / (t[i + 1] - t[i]);
            else if (i + 1 == run.end)
                d[i] = (x[i] - x[i - 1]) / (t[i] - t[i - 1]);
            else {
                const double h = t[i] - t[i - 1], g = t[i + 1] - t[i];
                d[i] = (h * h * x[i + 1] + (g * g - h * h) * x[i] - g * g * x[i - 1]) / (h * g * (h + g));
            }
        }
    }
    return d;
}

double medianOf(std::vector<double> values) {
    std::erase_if(values, [](double v) { return !std::isfinite(v); });
    if (values.empty()) return kGap;
    const auto middle = values.begin() + std::ptrdiff_t(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    if (values.size() % 2) return *middle;
    return (*middle + *std::max_element(values.begin(), middle)) / 2;
}

} // namespace deft
