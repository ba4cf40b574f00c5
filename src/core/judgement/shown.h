// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "judgement/decision.h"

namespace deft {

/// What the clip shows against what was asked.
struct Shown {
    int total = 0;          ///< holds, or reps when the dose has no hold
    int clean = 0;          ///< of them, those that stayed clean as long as was asked
    int early = 0;          ///< the anchor went in the first third of the range or of the hold
    int brokenOnTheWay = 0; ///< reps whose anchor went before the far end was reached
    bool met = false;       ///< every one reached what was asked, clean or not, and there were enough
    bool bothSides = true;  ///< false: a side that belongs to the exercise is missing
    double medianClean_s = 0;
    double sideDifference = 0; ///< |R − L| over their mean, of the measure that differs most
    std::string weakSide;      ///< empty = no difference
    double weak = 0, strong = 0;
    std::string weakUnit;
};

Shown summarisePerformance(const Exercise& exercise, const Case& now);

} // namespace deft
