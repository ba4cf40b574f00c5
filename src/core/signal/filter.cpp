#include "signal/filter.h"

#include "base/units.h"
#include "signal/resample.h"
#include "signal/spline.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace deft {
namespace {

// Two passes square the gain; −3 dB after both needs this factor on the warped frequency.
const double kTwoPassFactor = std::pow(std::sqrt(2.0) - 1.0, 0.25);

std::vector<double> onePass(const Biquad& f, const std::vector<double>& x) {
    std::vector<double> y(x.size());
    double s0 = f.z0 * x.front(), s1 = f.z1 * x.front();
    for (size_t i = 0; i < x.size(); ++i) {
        y[i] = f.b0 * x[i] + s0;
        s0 = f.b1 * x[i] - f.a1 * y[i] + s1;
        s1 = f.b2 * x[i] - f.a2 * y[i];
    }
    return y;
}

} // namespace

Biquad lowPassSection(double w, double q) {
    const double k = w / q, d = 1 + k + w * w;
    Biquad f{};
    f.b0 = w * w / d;
    f.b1 = 2 * f.b0;
    f.b2 = f.b0;
    f.a1 = 2 * (w * w - 1) / d;
    f.a2 = (1 - k + w * w) / d;
    f.z1 = f.b2 - f.a2; // steady state for a constant input of 1, whose output is 1
    f.z0 = f.b1 - f.a1 + f.z1;
    return f;
}

Result<Biquad> dualPassButterworth(double cutoffHz, double sampleRateHz) {
    if (!(cutoffHz > 0) || !(cutoffHz < sampleRateHz / 2))
        return fail(Errc::OutOfRange, "a cutoff of " + std::to_string(cutoffHz) + " Hz is not between 0 and half of " +
                                          std::to_string(sampleRateHz) + " Hz");
    return lowPassSection(std::tan(kPi * cutoffHz / sampleRateHz) / kTwoPassFactor, std::sqrt(0.5));
}

Result<std::vector<double>> filterBothWays(const Biquad& filter, const std::vector<double>& x) {
    const size_t n = x.size(), pad = kFilterPadding;
    if (n <= pad) return fail(Errc::TooShort, "a filter needs more than 9 samples, there are " + std::to_string(n));
    if (!std::all_of(x.begin(), x.end(), [](double v) { return std::isfinite(v); }))
        return fail(Errc::NotFinite, "a signal with a gap cannot be filtered across it");
    std::vector<double> padded;
    padded.reserve(n + 2 * pad);
    for (size_t k = pad; k >= 1; --k) padded.push_back(2 * x.front() - x[k]);
    padded.insert(padded.end(), x.begin(), x.end());
    for (size_t k = 1; k <= pad; ++k) padded.push_back(2 * x.back() - x[n - 1 - k]);
    auto y = onePass(filter, padded);
    std::reverse(y.begin(), y.end());
    y = onePass(filter, y);
    std::reverse(y.begin(), y.end());
    return std::vector<double>(y.begin() + pad, y.end() - pad);
}

Result<double> residualCutoffHz(const std::vector<double>& x, double sampleRateHz, const ResidualOptions& o) {
    std::vector<double> cutoff, residual;
    const double top = std::min(o.lineToHz, 0.45 * sampleRateHz);
    for (int i = 1; i * o.stepHz <= top + 1e-9; ++i) {
        auto filter = dualPassButterworth(i * o.stepHz, sampleRateHz);
        if (!filter) return tl::unexpected(filter.error());
        auto y = filterBothWays(*filter, x);
        if (!y) return tl::unexpected(y.error());
        double sum = 0;
        for (size_t k = 0; k < x.size(); ++k) sum += std::pow(x[k] - (*y)[k], 2);
        cutoff.push_back(i * o.stepHz);
        residual.push_back(std::sqrt(sum / double(x.size())));
    }
    // Ordinary least squares through the part that is noise only.
    const double from = std::min(o.lineFromHz, 0.6 * top);
    double n = 0, sx = 0, sy = 0, sxx = 0, sxy = 0;
    for (size_t i = 0; i < cutoff.size(); ++i) {
        if (cutoff[i] < from - 1e-9) continue;
        n += 1, sx += cutoff[i], sy += residual[i], sxx += cutoff[i] * cutoff[i], sxy += cutoff[i] * residual[i];
    }
    if (n < 2) return fail(Errc::TooShort, "the sample rate is too low for a residual analysis");
    const double slope = (n * sxy - sx * sy) / (n * sxx - sx * sx);
    const double intercept = (sy - slope * sx) / n;
    for (size_t i = 0; i < cutoff.size(); ++i) {
        if (residual[i] > intercept) continue;
        double fc = cutoff[i];
        if (i > 0) fc = cutoff[i - 1] + (residual[i - 1] - intercept) / (residual[i - 1] - residual[i]) * o.stepHz;
        return std::clamp(fc, o.minHz, o.maxHz);
    }
    return o.maxHz;
}

std::vector<double> smoothed(const std::vector<double>& time_s, const std::vector<double>& x, double cutoffHz) {
    std::vector<double> out = x;
    const auto stretches = runsWithoutGaps(x);
    if (stretches.empty()) return out;
    auto even = [&](const Run& run, double& rate) {
        const double step = medianStep(time_s, run);
        rate = 1 / step;
        return toEvenTimes(time_s, x, run, step);
    };
    if (cutoffHz <= 0) {
        const auto longest = *std::max_element(stretches.begin(), stretches.end(), [](const Run& a, const Run& b) {
            return a.end - a.begin < b.end - b.begin;
        });
        cutoffHz = 6; // Winter's usual choice for slow movement, when the stretch is too short to ask
        if (longest.end - longest.begin > 3 * kFilterPadding) {
            double rate = 0;
            const auto samples = even(longest, rate);
            if (auto fc = residualCutoffHz(samples, rate)) cutoffHz = *fc;
        }
    }
    for (const Run& run : stretches) {
        if (run.end - run.begin <= kFilterPadding + 1) continue;
        double rate = 0;
        const auto samples = even(run, rate);
        const auto filter = dualPassButterworth(std::min(cutoffHz, 0.45 * rate), rate);
        if (!filter) continue;
        const auto y = filterBothWays(*filter, samples);
        if (!y) continue;
        std::vector<double> evenly(y->size());
        std::iota(evenly.begin(), evenly.end(), 0.0);
        const NaturalSpline between(std::move(evenly), *y);
        for (size_t i = run.begin; i < run.end; ++i) out[i] = between((time_s[i] - time_s[run.begin]) * rate);
    }
    return out;
}

} // namespace deft
