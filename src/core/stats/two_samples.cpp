// SPDX-License-Identifier: GPL-3.0-or-later
#include "stats/two_samples.h"

#include <algorithm>
#include <boost/math/distributions/students_t.hpp>
#include <cmath>

namespace deft {
namespace {

struct Moments {
    double mean = 0, ofMean = 0, df = 0; ///< mean, its variance, degrees of freedom
};
Moments momentsOf(const std::vector<double>& x) {
    const auto n = double(x.size());
    Moments m;
    for (const double v : x) m.mean += v / n;
    for (const double v : x) m.ofMean += (v - m.mean) * (v - m.mean) / (n * (n - 1));
    m.df = n - 1;
    return m;
}

} // namespace

Result<MeanDifference> meanDifference(const std::vector<double>& a, const std::vector<double>& b) {
    if (std::min(a.size(), b.size()) < 2) return fail(Errc::TooShort, "two means are compared from two values each on");
    const Moments p = momentsOf(a), q = momentsOf(b);
    const double variance = p.ofMean + q.ofMean;
    if (variance <= 0) return fail(Errc::Degenerate, "all values are equal: how they scatter is not known");
    MeanDifference d;
    d.change = q.mean - p.mean;
    d.se = std::sqrt(variance);
    d.df = variance * variance / (p.ofMean * p.ofMean / p.df + q.ofMean * q.ofMean / q.df);
    const boost::math::students_t t(d.df);
    const double u95 = boost::math::quantile(t, 0.975) * d.se;
    d.low95 = d.change - u95, d.high95 = d.change + u95;
    d.p = 2 * boost::math::cdf(boost::math::complement(t, std::abs(d.change) / d.se));
    return d;
}

} // namespace deft
