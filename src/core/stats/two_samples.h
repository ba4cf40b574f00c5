// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Whether two series of repetitions differ, beside what each of them scatters.

#include "base/result.h"

#include <vector>

namespace deft {

/// Difference of two means, b − a, whose scatter need not be alike.
struct MeanDifference {
    double change = 0;
    double se = 0, df = 0;        ///< standard error and Welch's degrees of freedom
    double low95 = 0, high95 = 0; ///< confidence limits (Student)
    double p = 1;                 ///< two-sided, of "there is none"

    bool isReal() const { return low95 > 0 || high95 < 0; }
};

/// Welch's test (Biometrika 34, 1947).
/// @errors TooShort (fewer than two of either), Degenerate (neither scatters at all)
Result<MeanDifference> meanDifference(const std::vector<double>& a, const std::vector<double>& b);

} // namespace deft
