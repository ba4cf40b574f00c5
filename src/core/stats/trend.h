// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Whether readings go up or down over the weeks, or only scatter.

#include "base/result.h"
#include "base/units.h"

#include <vector>

namespace deft {

/// A line y = at0 + slope · x. `slopeU95` is the slope's 95 % half-width, where the method gives a symmetric one.
struct Line {
    double slope = 0, at0 = 0;
    double slopeU95 = 0;
};

/// Ordinary least squares; the half-width from the scatter about the line (Student). It is infinite for two points.
/// @errors TooShort (fewer than two points), Degenerate (all at one x)
Result<Line> straightLine(const std::vector<double>& x, const std::vector<double>& y);

/// Weighted least squares where every y has a known standard deviation of its own.
struct KnownErrorLine {
    Line line;
    double p = 1;      ///< two-sided, of "there is no slope"
    double misfit = 0; ///< Σ ((y − line) / sd)²; about n − 2 when the scatter is no more than the errors
};
/// @errors TooShort, Degenerate, OutOfRange (a standard deviation that is not above 0)
Result<KnownErrorLine> straightLine(const std::vector<double>& x, const std::vector<double>& y,
                                    const std::vector<double>& sd);

/// Theil's and Sen's slope, the median over all pairs: one odd visit does not move it. Limits after Sen, J Am Stat
/// Assoc 63, 1968. `at0` is the median of y less the slope times the median of x.
struct MedianLine {
    Line line;                    ///< without half-width: the limits are not symmetric
    double low95 = 0, high95 = 0; ///< of the slope
};
/// @errors as straightLine
Result<MedianLine> medianLine(const std::vector<double>& x, const std::vector<double>& y);

/// Mann's and Kendall's test of a trend (Mann, Econometrica 13, 1945; Kendall, Rank Correlation Methods, 1975).
/// @param y in the order of time
struct MonotoneTrend {
    int s = 0;           ///< pairs that rise less pairs that fall
    double variance = 0; ///< of s without a trend, corrected for ties
    double p = 1;        ///< two-sided; counted out for up to ten values without ties, else normal with continuity
};
MonotoneTrend monotoneTrend(const std::vector<double>& y);
/// Two-sided chance of |s| or more among n values in no order, by counting orders. n from 2 up, no ties.
double exactTrendChance(int n, int s);

/// Limits of a chart of single values: mean ± 3 · mean moving range / 1.128 (Shewhart's individuals chart; 1.128 as
/// tabulated in Montgomery, Introduction to Statistical Quality Control). A value outside is unlike the others.
struct ControlLimits {
    double mean = 0, sd = 0, low = 0, high = 0;
};
/// @errors TooShort (fewer than two)
Result<ControlLimits> controlLimits(const std::vector<double>& x);

} // namespace deft
