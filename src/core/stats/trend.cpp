// SPDX-License-Identifier: GPL-3.0-or-later
#include "stats/trend.h"

#include "signal/resample.h"

#include <algorithm>
#include <boost/math/distributions/students_t.hpp>
#include <cmath>
#include <limits>
#include <map>
#include <numeric>

namespace deft {
namespace {

double twoSided(double z) { return std::erfc(std::abs(z) / std::sqrt(2.0)); }

/// Σ t (t − 1) (2 t + 5) over groups of equal values, as in the variance of Kendall's s.
double tieTerm(const std::vector<double>& x) {
    std::map<double, double> count;
    for (const double v : x) ++count[v];
    double sum = 0;
    for (const auto& [value, t] : count) sum += t * (t - 1) * (2 * t + 5);
    return sum;
}

Result<void> usable(const std::vector<double>& x, const std::vector<double>& y) {
    if (x.size() != y.size()) return fail(Errc::BadFormat, "a trend needs one time for every reading");
    if (x.size() < 2) return fail(Errc::TooShort, "a trend needs two readings");
    if (*std::max_element(x.begin(), x.end()) == *std::min_element(x.begin(), x.end()))
        return fail(Errc::Degenerate, "all readings are of one time");
    return {};
}

/// Least squares with weights; `sxx` is the weighted spread of x about its mean.
Line weighted(const std::vector<double>& x, const std::vector<double>& y, const std::vector<double>& w, double& sxx) {
    double sw = 0, sx = 0, sy = 0, sxy = 0;
    for (size_t i = 0; i < x.size(); ++i) sw += w[i], sx += w[i] * x[i], sy += w[i] * y[i];
    const double mx = sx / sw, my = sy / sw;
    sxx = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        sxx += w[i] * (x[i] - mx) * (x[i] - mx);
        sxy += w[i] * (x[i] - mx) * (y[i] - my);
    }
    const double slope = sxy / sxx;
    return {slope, my - slope * mx, 0};
}

double missed(const Line& line, double x, double y) { return y - line.at0 - line.slope * x; }

} // namespace

Result<Line> straightLine(const std::vector<double>& x, const std::vector<double>& y) {
    if (const auto ok = usable(x, y); !ok) return tl::unexpected(ok.error());
    double sxx = 0, rest = 0;
    Line line = weighted(x, y, std::vector<double>(x.size(), 1.0), sxx);
    for (size_t i = 0; i < x.size(); ++i) rest += std::pow(missed(line, x[i], y[i]), 2);
    const double df = double(x.size()) - 2;
    line.slopeU95 = df < 1 ? std::numeric_limits<double>::infinity()
                           : boost::math::quantile(boost::math::students_t(df), 0.975) * std::sqrt(rest / df / sxx);
    return line;
}

Result<KnownErrorLine> straightLine(const std::vector<double>& x, const std::vector<double>& y,
                                    const std::vector<double>& sd) {
    if (const auto ok = usable(x, y); !ok) return tl::unexpected(ok.error());
    if (sd.size() != x.size()) return fail(Errc::BadFormat, "a trend needs one error for every reading");
    std::vector<double> w;
    for (const double s : sd) {
        if (!(s > 0)) return fail(Errc::OutOfRange, "the standard deviation of a reading must be above 0");
        w.push_back(1 / (s * s));
    }
    double sxx = 0;
    KnownErrorLine out;
    out.line = weighted(x, y, w, sxx);
    const double slopeSd = 1 / std::sqrt(sxx);
    out.line.slopeU95 = kU95 * slopeSd;
    out.p = twoSided(out.line.slope / slopeSd);
    for (size_t i = 0; i < x.size(); ++i) out.misfit += w[i] * std::pow(missed(out.line, x[i], y[i]), 2);
    return out;
}

Result<MedianLine> medianLine(const std::vector<double>& x, const std::vector<double>& y) {
    if (const auto ok = usable(x, y); !ok) return tl::unexpected(ok.error());
    std::vector<double> slopes;
    for (size_t i = 0; i < x.size(); ++i)
        for (size_t j = 0; j < x.size(); ++j)
            if (x[j] > x[i]) slopes.push_back((y[j] - y[i]) / (x[j] - x[i]));
    std::sort(slopes.begin(), slopes.end());
    MedianLine out;
    out.line.slope = medianOf(slopes);
    out.line.at0 = medianOf(y) - out.line.slope * medianOf(x);
    const double n = double(y.size()), pairs = double(slopes.size());
    const double sd = std::sqrt((n * (n - 1) * (2 * n + 5) - tieTerm(x) - tieTerm(y)) / 18);
    const auto rank = [&](double at) { return size_t(std::clamp(at, 0.0, pairs - 1)); };
    out.low95 = slopes[rank(std::nearbyint((pairs - kU95 * sd) / 2) - 1)];
    out.high95 = slopes[rank(std::nearbyint((pairs + kU95 * sd) / 2))];
    return out;
}

double exactTrendChance(int n, int s) {
    // Orders of n things by their number of inversions; s = pairs less twice the inversions.
    std::vector<double> orders{1};
    for (int m = 2; m <= n; ++m) {
        std::vector<double> next(orders.size() + size_t(m) - 1, 0.0);
        for (size_t i = 0; i < orders.size(); ++i)
            for (size_t j = 0; j < size_t(m); ++j) next[i + j] += orders[i];
        orders = std::move(next);
    }
    if (s == 0) return 1;
    const int pairs = n * (n - 1) / 2;
    const size_t from = size_t((pairs + std::abs(s)) / 2);
    const double tail = std::accumulate(orders.begin() + std::ptrdiff_t(from), orders.end(), 0.0);
    return std::min(1.0, 2 * tail / std::accumulate(orders.begin(), orders.end(), 0.0));
}

MonotoneTrend monotoneTrend(const std::vector<double>& y) {
    MonotoneTrend t;
    for (size_t i = 0; i < y.size(); ++i)
        for (size_t j = i + 1; j < y.size(); ++j) t.s += (y[j] > y[i]) - (y[j] < y[i]);
    const double n = double(y.size()), ties = tieTerm(y);
    t.variance = (n * (n - 1) * (2 * n + 5) - ties) / 18;
    if (t.s == 0) return t;
    t.p = ties == 0 && y.size() <= 10 ? exactTrendChance(int(y.size()), t.s)
                                      : twoSided((std::abs(t.s) - 1) / std::sqrt(t.variance));
    return t;
}

Result<ControlLimits> controlLimits(const std::vector<double>& x) {
    if (x.size() < 2) return fail(Errc::TooShort, "control limits need two values");
    double moved = 0;
    for (size_t i = 1; i < x.size(); ++i) moved += std::abs(x[i] - x[i - 1]);
    ControlLimits c;
    c.mean = std::accumulate(x.begin(), x.end(), 0.0) / double(x.size());
    c.sd = moved / double(x.size() - 1) / 1.128;
    c.low = c.mean - 3 * c.sd, c.high = c.mean + 3 * c.sd;
    return c;
}

} // namespace deft
