// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "readings/compare.h"

namespace deft {

/// A reading as it stood on one day.
struct Visit {
    std::string date; ///< ISO
    double value = kGap, u95 = kGap;
};

/// One reading over a client's visits, and whether it goes one way.
struct OverTime {
    ReadingRow now;            ///< as it stands; its value is the last visit's
    std::vector<Visit> visits; ///< oldest first, those with a value
    std::vector<double> weeks; ///< since the first of them
    enum class Verdict { TooFew, NoTrend, Trend } verdict = Verdict::TooFew;
    /// Slope and its 95 % half-width, in the reading's unit a week; `atFirst` is the line at the first visit. Gaps for
    /// fewer than three visits.
    double perWeek = kGap, perWeekU95 = kGap, atFirst = kGap;
    /// Is it going the better way? Nothing without a trend, or when neither way is better.
    std::optional<bool> better;
    /// The last visit lies outside what the ones before it scatter (kUnlikeFrom of them or more).
    bool unlike = false;
};

/// Can readings of two reviews of an exercise be told against each other? Not those of two versions: another movement
/// is no change. A review that says no version counts as any.
bool isSameVersion(const std::string& version, const std::string& other);

constexpr size_t kTrendFrom = 3; ///< visits; two are compared, not called a trend
/// From as many visits on the line is that of Theil and Sen, and a trend must also show in the visits' order alone
/// (Mann and Kendall), so that one odd visit neither makes nor hides one; with fewer that test cannot say anything.
constexpr size_t kOrderFrom = 5;
constexpr size_t kUnlikeFrom = 5; ///< earlier visits whose scatter is worth something (chosen here)

/// Up to four visits: the line goes through them weighted by their bands, none of which counts for less than half of
/// the widest. Where they scatter more than their bands explain, its band is wider by the square root of misfit over
/// degrees of freedom (Birge, Phys Rev 40, 1932): the client's days differ, too. From five on: the median of the slopes
/// of all pairs, with the farther of its limits, and no narrower than the visits' own bands allow.
/// @param earlier any order; those without a value or a band are left out
OverTime overTime(const ReadingRow& now, const std::string& today, std::vector<Visit> earlier);

} // namespace deft
