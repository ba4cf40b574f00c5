// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/tremor.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <unsupported/Eigen/FFT>

namespace deft {
namespace {

constexpr double kShortestRun_s = 2, kSlowestHz = 24 * 0.95; // chosen here; phones tell 24 for 23.98

/// Adds the power of one coordinate: all that moves, and the part between 4 and 12 Hz.
void addPower(const std::vector<double>& even, double rateHz, double& all, double& band) {
    const int n = int(even.size());
    double mean = 0, window2 = 0;
    for (const double v : even) mean += v / n;
    std::vector<double> windowed(even.size());
    std::vector<std::complex<double>> spectrum;
    for (int i = 0; i < n; ++i) {
        const double w = 0.5 - 0.5 * std::cos(2 * M_PI * (i + 0.5) / n);
        windowed[size_t(i)] = w * (even[size_t(i)] - mean);
        window2 += w * w;
    }
    Eigen::FFT<double>().fwd(spectrum, windowed);
    for (int k = 1; k <= n / 2; ++k) {
        // One-sided, scaled so that white noise of variance v has the sum v.
        const double power = (k * 2 == n ? 1 : 2) * std::norm(spectrum[size_t(k)]) / (n * window2), hz = k * rateHz / n;
        if (hz > kTremorToHz) break;
        all += power;
        if (hz >= kTremorFromHz) band += power;
    }
}

} // namespace

std::optional<Tremor> tremorOf(const std::vector<double>& time_s, const std::vector<Point2>& points, double sd) {
    std::vector<double> x, y;
    for (const Point2& p : points) {
        const bool there = p.allFinite();
        x.push_back(there ? p.x() : kGap), y.push_back(there ? p.y() : kGap);
    }
    const auto runs = runsWithoutGaps(x);
    if (runs.empty()) return std::nullopt;
    const Run run = *std::max_element(runs.begin(), runs.end(),
                                      [](const Run& a, const Run& b) { return a.end - a.begin < b.end - b.begin; });
    const double step = medianStep(time_s, run);
    if (!(step > 0) || 1 / step < kSlowestHz || time_s[run.end - 1] - time_s[run.begin] < kShortestRun_s)
        return std::nullopt;
    double all = 0, band = 0;
    for (const auto& axis : {x, y}) addPower(toEvenTimes(time_s, axis, run, step), 1 / step, all, band);
    if (!(all > 0)) return std::nullopt;
    const double perHz = 2 * sd * sd * 2 * step; // of the jitter of both axes, spread evenly up to half the rate
    const double jitterBand = std::min(band, perHz * (kTremorToHz - kTremorFromHz)),
                 jitterAll = std::min(0.99 * all, perHz * kTremorToHz);
    const double most = band / all, least = (band - jitterBand) / (all - jitterAll);
    Tremor t;
    t.share = 50 * (most + least);
    t.u95 = 50 * std::abs(most - least);
    t.rms = std::sqrt(band);
    return t;
}

} // namespace deft
