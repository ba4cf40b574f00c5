// SPDX-License-Identifier: GPL-3.0-or-later
#include "stats/reliability.h"

#include "stats/trend.h"

#include <boost/math/distributions/chi_squared.hpp>
#include <boost/math/distributions/fisher_f.hpp>
#include <boost/math/distributions/students_t.hpp>
#include <cmath>
#include <numeric>

namespace deft {
namespace {

double fQuantile(double p, double df1, double df2) {
    if (!(df1 > 0) || !(df2 > 0)) return kGap;
    return boost::math::quantile(boost::math::fisher_f(df1, df2), p);
}

double square(double x) { return x * x; }

bool allFinite(const std::vector<double>& x) {
    return std::all_of(x.begin(), x.end(), [](double v) { return std::isfinite(v); });
}

/// Forms 1 and 3 share their limits: an F quotient with its degrees of freedom, read for one reading or for the mean.
void fillFromF(IntraclassCorrelation& one, IntraclassCorrelation& mean, double above, double below, double df1,
               double df2, double k) {
    const double f = above / below;
    const double low = f / fQuantile(0.975, df1, df2), high = f * fQuantile(0.975, df2, df1);
    one.value = (above - below) / (above + (k - 1) * below);
    one.low95 = (low - 1) / (low + k - 1), one.high95 = (high - 1) / (high + k - 1);
    mean.value = (above - below) / above;
    mean.low95 = 1 - 1 / low, mean.high95 = 1 - 1 / high;
    if (below == 0) // the repeats are the same to the last digit: the quotient has no bound
        one.value = one.low95 = one.high95 = mean.value = mean.low95 = mean.high95 = 1;
}

/// Shrout & Fleiss' limits for repeats that stand for any repeat.
void fillRandomRepeats(IntraclassCorrelation& one, IntraclassCorrelation& mean, const MeanSquares& s) {
    const double n = s.things, k = s.repeats;
    one.value = (s.between - s.rest) / (s.between + (k - 1) * s.rest + k * (s.repeat - s.rest) / n);
    mean.value = (s.between - s.rest) / (s.between + (s.repeat - s.rest) / n);
    if (s.rest > 0) {
        const double ratio = s.repeat / s.rest, icc = one.value;
        const double spread = n * (1 + (k - 1) * icc) - k * icc;
        const double df =
            (k - 1) * (n - 1) * square(k * icc * ratio + spread) / ((n - 1) * square(k * icc * ratio) + square(spread));
        const double rest = k * s.repeat + (k * n - k - n) * s.rest;
        const double up = fQuantile(0.975, n - 1, df), down = fQuantile(0.975, df, n - 1);
        one.low95 = n * (s.between - up * s.rest) / (up * rest + n * s.between);
        one.high95 = n * (down * s.between - s.rest) / (rest + n * down * s.between);
    } else
        one.low95 = one.high95 = one.value;
    const auto ofMean = [k](double icc) { return icc * k / (1 + icc * (k - 1)); };
    mean.low95 = ofMean(one.low95), mean.high95 = ofMean(one.high95);
    if (mean.value > 1) mean.value = mean.low95 = mean.high95 = kGap; // people who do not differ: 5.58 is no share
}

} // namespace

Result<MeanSquares> meanSquares(const Repeats& readings) {
    MeanSquares s;
    s.things = int(readings.size());
    s.repeats = s.things == 0 ? 0 : int(readings[0].size());
    if (s.things < 2 || s.repeats < 2) return fail(Errc::TooShort, "repeatability needs two things measured twice");
    double sum = 0;
    std::vector<double> columns(size_t(s.repeats), 0.0);
    for (const std::vector<double>& row : readings) {
        if (int(row.size()) != s.repeats)
            return fail(Errc::BadFormat, "one thing was measured more often than another");
        if (!allFinite(row)) return fail(Errc::NotFinite, "a reading is missing");
        for (size_t j = 0; j < row.size(); ++j) columns[j] += row[j], sum += row[j];
    }
    const double n = s.things, k = s.repeats, mean = sum / (n * k);
    double between = 0, repeat = 0, rest = 0;
    for (const double c : columns) repeat += n * square(c / n - mean);
    for (const std::vector<double>& row : readings) {
        const double rowMean = std::accumulate(row.begin(), row.end(), 0.0) / k;
        between += k * square(rowMean - mean);
        for (size_t j = 0; j < row.size(); ++j) rest += square(row[j] - rowMean - columns[j] / n + mean);
    }
    s.between = between / (n - 1);
    s.repeat = repeat / (k - 1);
    s.rest = rest / ((n - 1) * (k - 1));
    s.within = (repeat + rest) / (n * (k - 1));
    return s;
}

Result<std::vector<IntraclassCorrelation>> intraclassCorrelations(const MeanSquares& s) {
    if (s.between == 0 && s.within == 0)
        return fail(Errc::Degenerate, "all readings are the same, so their correlation cannot be computed");
    const double n = s.things, k = s.repeats, dfRest = (n - 1) * (k - 1);
    std::vector<IntraclassCorrelation> all(6);
    const char* forms[] = {"ICC(1,1)", "ICC(2,1)", "ICC(3,1)", "ICC(1,k)", "ICC(2,k)", "ICC(3,k)"};
    for (size_t i = 0; i < 6; ++i) {
        IntraclassCorrelation& c = all[i];
        c.form = forms[i];
        const bool own = i % 3 == 0;
        c.df1 = n - 1, c.df2 = own ? n * (k - 1) : dfRest;
        const double below = own ? s.within : s.rest;
        c.f = s.between / below;
        c.p = below > 0 ? boost::math::cdf(complement(boost::math::fisher_f(c.df1, c.df2), c.f)) : 0;
    }
    fillFromF(all[0], all[3], s.between, s.within, n - 1, n * (k - 1), k);
    fillRandomRepeats(all[1], all[4], s);
    fillFromF(all[2], all[5], s.between, s.rest, n - 1, dfRest, k);
    return all;
}

double semConsistency(const MeanSquares& s) { return std::sqrt(s.rest); }

double semAgreement(const MeanSquares& s) {
    return std::sqrt(std::max(0.0, (s.repeat - s.rest) / double(s.things)) + s.rest);
}

double minimalDetectableChange(double sem) { return kU95 * std::sqrt(2.0) * sem; }

Result<Agreement> limitsOfAgreement(const std::vector<double>& first, const std::vector<double>& second) {
    if (first.size() != second.size()) return fail(Errc::BadFormat, "the two lists of readings differ in length");
    if (first.size() < 3) return fail(Errc::TooShort, "limits of agreement need three pairs of readings");
    if (!allFinite(first) || !allFinite(second)) return fail(Errc::NotFinite, "a reading is missing");
    Agreement a;
    a.pairs = int(first.size());
    const double n = a.pairs;
    std::vector<double> difference, mean;
    for (size_t i = 0; i < first.size(); ++i) {
        difference.push_back(first[i] - second[i]);
        mean.push_back((first[i] + second[i]) / 2);
    }
    a.bias = std::accumulate(difference.begin(), difference.end(), 0.0) / n;
    for (const double d : difference) a.sd += square(d - a.bias);
    const double sum = a.sd;
    a.sd = std::sqrt(sum / (n - 1));
    const double t = boost::math::quantile(boost::math::students_t(n - 1), 0.975);
    a.biasU95 = t * a.sd / std::sqrt(n);
    a.low = a.bias - kU95 * a.sd, a.high = a.bias + kU95 * a.sd;
    a.limitU95 = t * a.sd * std::sqrt(1 / n + square(kU95) / (2 * (n - 1)));
    a.typicalError = a.sd / std::sqrt(2.0);
    const boost::math::chi_squared chi(n - 1);
    a.typicalErrorLow95 = std::sqrt(sum / 2 / boost::math::quantile(chi, 0.975));
    a.typicalErrorHigh95 = std::sqrt(sum / 2 / boost::math::quantile(chi, 0.025));
    if (const auto line = straightLine(mean, difference)) a.slope = line->slope, a.slopeU95 = line->slopeU95;
    return a;
}

} // namespace deft
