// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "readings/readings.h"
#include "stats/reliability.h"

namespace deft {

/// How repeatable one reading is when the same clips are marked again: by the same coach, or by another.
struct Repeatability {
    Message name;
    std::string measure, stat, unit; ///< as in ReadingRow
    int clips = 0, markings = 0;
    double bias = kGap;                       ///< second marking less the first, mean over the clips
    double limitLow = kGap, limitHigh = kGap; ///< limits of agreement of the first two markings
    double sem = kGap, leastChange = kGap;    ///< between any two markings (agreement); 1.96 · √2 · SEM
    std::optional<IntraclassCorrelation> icc; ///< ICC(2,1): any marker, one marking
    double band = kGap;                       ///< median of what the program itself gave as half-width
    double explained = kGap; ///< share of pairs of markings that differ by no more than both bands allow
};

/// Readings of one clip, as readingRows gives them.
using ClipReadings = std::vector<ReadingRow>;

/// One entry for each reading that at least three clips have in every marking, in the order of the first clip.
/// @param markings [marking][clip], the same clips in the same order in each
/// @errors TooShort (fewer than two markings or three clips), BadFormat (markings of different clips)
Result<std::vector<Repeatability>> repeatability(const std::vector<std::vector<ClipReadings>>& markings);

} // namespace deft
