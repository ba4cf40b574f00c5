// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// How repeatable readings are: the same movement measured again, by the same coach or by another.

#include "base/result.h"

#include <string>
#include <vector>

namespace deft {

/// Readings of several things (rows) in several repeats (columns), all of the same unit and none missing.
using Repeats = std::vector<std::vector<double>>;

/// Two-way analysis of variance without replication: mean squares between the things measured, between the repeats,
/// of what is left, and within the things (repeats and rest together).
struct MeanSquares {
    int things = 0, repeats = 0;
    double between = 0, repeat = 0, rest = 0, within = 0;
};
/// @errors TooShort (fewer than two rows or columns), BadFormat (rows of different length), NotFinite
Result<MeanSquares> meanSquares(const Repeats& readings);

/// An intraclass correlation with its 95 % limits, after Shrout & Fleiss, Psychol Bull 86, 1979. Form (1,·): every
/// thing has repeats of its own; (2,·): the repeats stand for any repeat; (3,·): these repeats only. (·,1): one
/// reading; (·,k): the mean of all repeats.
struct IntraclassCorrelation {
    std::string form;
    double value = 0, low95 = 0, high95 = 0; ///< NaN where the formula has no meaning (people do not differ)
    double f = 0, df1 = 0, df2 = 0, p = 0;   ///< test of "there is no difference between the things"
};
/// The six forms, single first. @errors Degenerate (all readings are the same)
Result<std::vector<IntraclassCorrelation>> intraclassCorrelations(const MeanSquares& squares);

/// Standard error of measurement, in the readings' unit: of a reading against the others of the same repeat
/// (consistency: a shift between repeats does not count), or against any other (agreement: it does).
/// Weir, J Strength Cond Res 19, 2005.
double semConsistency(const MeanSquares& squares);
double semAgreement(const MeanSquares& squares);
/// Smallest change between two readings that is more than noise: 1.96 · √2 · SEM.
double minimalDetectableChange(double sem);

/// Two ways of measuring the same things, or the same way twice: Bland & Altman, Lancet 327, 1986; limits' own
/// uncertainty after Bland & Altman, Stat Methods Med Res 8, 1999.
struct Agreement {
    int pairs = 0;
    double bias = 0, biasU95 = 0;           ///< mean of first − second
    double sd = 0;                          ///< of the differences
    double low = 0, high = 0, limitU95 = 0; ///< limits of agreement: bias ∓ 1.96 sd
    double typicalError = 0; ///< sd / √2: one reading's own random error (Hopkins, Sports Med 30, 2000)
    double typicalErrorLow95 = 0, typicalErrorHigh95 = 0;
    double slope = 0, slopeU95 = 0; ///< of the difference over the mean: does the error grow with what is measured?
};
/// @errors TooShort (fewer than three pairs), BadFormat (lengths differ), NotFinite
Result<Agreement> limitsOfAgreement(const std::vector<double>& first, const std::vector<double>& second);

} // namespace deft
