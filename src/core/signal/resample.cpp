#include "signal/resample.h"

#include "base/units.h"

#include <algorithm>
#include <cmath>

namespace deft {

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
    std::vector<double> out;
    size_t k = run.begin;
    const double last = time_s[run.end - 1] + 1e-9;
    for (int i = 0; time_s[run.begin] + i * step <= last; ++i) {
        const double t = time_s[run.begin] + i * step;
        while (k + 2 < run.end && time_s[k + 1] < t) ++k;
        const size_t next = std::min(k + 1, run.end - 1);
        const double span = time_s[next] - time_s[k];
        const double f = span > 0 ? std::clamp((t - time_s[k]) / span, 0.0, 1.0) : 0;
        out.push_back(x[k] + f * (x[next] - x[k]));
    }
    return out;
}

double atEvenTime(const std::vector<double>& x, double index) {
    const double at = std::clamp(index, 0.0, double(x.size() - 1));
    const size_t k = std::min(size_t(at), x.size() - 1), next = std::min(k + 1, x.size() - 1);
    return x[k] + (at - double(k)) * (x[next] - x[k]);
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
