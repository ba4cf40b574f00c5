// SPDX-License-Identifier: GPL-3.0-or-later
#include "signal/filter.h"

#include "base/units.h"
#include "signal/resample.h"
#include "signal/spline.h"

#include <Eigen/Core>
#include <algorithm>
#include <cmath>
#include <numeric>
#include <optional>

namespace deft {
namespace {

// Two passes square the gain; −3 dB after both needs this factor on the warped frequency.
const double kTwoPassFactor = std::pow(std::sqrt(2.0) - 1.0, 0.25);

/// A section, or several side by side (T: an array of numbers), over samples that stand as they are for all of them.
template <class T> struct Sections {
    T b0, b1, b2, a1, a2, z0, z1;

    template <class Samples> std::vector<T> onePass(const Samples& x) const {
        std::vector<T> y(x.size());
        T s0 = z0 * x.front(), s1 = z1 * x.front();
        for (size_t i = 0; i < x.size(); ++i) {
            y[i] = b0 * x[i] + s0;
            s0 = b1 * x[i] - a1 * y[i] + s1;
            s1 = b2 * x[i] - a2 * y[i];
        }
        return y;
    }
    /// Forward, then backward. @param x of more than kFilterPadding samples @return as many as x has
    std::vector<T> bothWays(const std::vector<double>& x) const {
        const size_t n = x.size(), pad = kFilterPadding;
        std::vector<double> padded;
        padded.reserve(n + 2 * pad);
        for (size_t k = pad; k >= 1; --k) padded.push_back(2 * x.front() - x[k]);
        padded.insert(padded.end(), x.begin(), x.end());
        for (size_t k = 1; k <= pad; ++k) padded.push_back(2 * x.back() - x[n - 1 - k]);
        auto y = onePass(padded);
        std::reverse(y.begin(), y.end());
        y = onePass(y);
        std::reverse(y.begin(), y.end());
        return {y.begin() + pad, y.end() - pad};
    }
};

constexpr int kAtOnce = 4;
using Several = Eigen::Array<double, kAtOnce, 1>;

Result<void> verifyFilterable(const std::vector<double>& x) {
    if (x.size() <= kFilterPadding)
        return fail(Errc::TooShort,
                    {"a filter needs more than 9 samples, there are {found}", {{"found", int(x.size())}}});
    if (!std::all_of(x.begin(), x.end(), [](double v) { return std::isfinite(v); }))
        return fail(Errc::NotFinite, "a signal with a gap cannot be filtered across it");
    return {};
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
        return fail(Errc::OutOfRange,
                    {"a cutoff of {cutoff} is not between 0 and half of {rate}",
                     {{"cutoff", Amount{cutoffHz, 3, "Hz"}}, {"rate", Amount{sampleRateHz, 3, "Hz"}}}});
    return lowPassSection(std::tan(kPi * cutoffHz / sampleRateHz) / kTwoPassFactor, std::sqrt(0.5));
}

Result<std::vector<double>> filterBothWays(const Biquad& f, const std::vector<double>& x) {
    if (auto ok = verifyFilterable(x); !ok) return tl::unexpected(ok.error());
    return Sections<double>{f.b0, f.b1, f.b2, f.a1, f.a2, f.z0, f.z1}.bothWays(x);
}

Result<double> residualCutoffHz(const std::vector<double>& x, double sampleRateHz, const ResidualOptions& o) {
    if (auto ok = verifyFilterable(x); !ok) return tl::unexpected(ok.error());
    std::vector<double> cutoff, residual;
    const double top = std::min(o.lineToHz, 0.45 * sampleRateHz);
    for (int i = 1; i * o.stepHz <= top + 1e-9; ++i) cutoff.push_back(i * o.stepHz);
    for (size_t first = 0; first < cutoff.size(); first += kAtOnce) {
        Sections<Several> sections{};
        const size_t count = std::min<size_t>(kAtOnce, cutoff.size() - first);
        for (size_t k = 0; k < count; ++k) {
            auto f = dualPassButterworth(cutoff[first + k], sampleRateHz);
            if (!f) return tl::unexpected(f.error());
            const auto lane = Eigen::Index(k);
            sections.b0[lane] = f->b0, sections.b1[lane] = f->b1, sections.b2[lane] = f->b2;
            sections.a1[lane] = f->a1, sections.a2[lane] = f->a2, sections.z0[lane] = f->z0, sections.z1[lane] = f->z1;
        }
        const auto y = sections.bothWays(x);
        Several sum = Several::Zero();
        for (size_t k = 0; k < x.size(); ++k) sum += (x[k] - y[k]).square();
        for (size_t k = 0; k < count; ++k) residual.push_back(std::sqrt(sum[Eigen::Index(k)] / double(x.size())));
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
    struct Even {
        double rate;
        std::vector<double> samples;
    };
    const auto even = [&](const Run& run) {
        const double step = medianStep(time_s, run);
        return Even{1 / step, toEvenTimes(time_s, x, run, step)};
    };
    std::optional<std::pair<Run, Even>> asked;
    if (cutoffHz <= 0) {
        const auto longest = *std::max_element(stretches.begin(), stretches.end(), [](const Run& a, const Run& b) {
            return a.end - a.begin < b.end - b.begin;
        });
        cutoffHz = 6; // Winter's usual choice for slow movement, when the stretch is too short to ask
        if (longest.end - longest.begin > 3 * kFilterPadding) {
            asked = {longest, even(longest)};
            if (auto fc = residualCutoffHz(asked->second.samples, asked->second.rate)) cutoffHz = *fc;
        }
    }
    for (const Run& run : stretches) {
        if (run.end - run.begin <= kFilterPadding + 1) continue;
        const auto [rate, samples] = asked && asked->first == run ? std::move(asked->second) : even(run);
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
