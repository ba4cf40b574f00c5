// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

/// One reading of a review: a measure's worst over the movement, its tolerance, and the rep in which it was best.
/// It is what the coach reads, what is filed, and what is compared next time.
struct ReadingRow {
    Message name;              ///< for people
    std::string measure, stat; ///< stat: "set-up", "worst", "least" or "median"
    std::string unit;
    double value = kGap, u95 = kGap;
    double slideU95 = 0; ///< of u95, see Series::slideU95
    int decimals = 1;
    bool sign = false; ///< told with its sign
    Limit limit{};     ///< tolerance, or what was asked for
    /// Which of two values is the worse, where more or less is better without end; unset = the limit tells.
    Limit aim{};
    double best = kGap;
    int64_t bestFrame = -1, worstFrame = -1;
    int bestRep = -1, worstRep = -1;
    std::vector<double> reps; ///< its value in each rep that tells it
    Message why;              ///< why there is no value

    Verdict verdict = Verdict::CannotTell; ///< of the limit; Out only where a finding stands
};

/// In the order in which the exercise is inspected: set-up, tolerances, then range, length and pace.
std::vector<ReadingRow> readingRows(const Review& review);
/// Of some of its reps only, for example those of one side; ReadingRow::worstRep counts within them.
std::vector<ReadingRow> readingRows(const Review& review, const std::vector<Rep>& reps);

/// How a reading is told: name, unit, decimals, sign and the exercise's tolerance; without value, reps or frames.
/// What was asked for (hold, range) is no tolerance of the exercise and is left out.
ReadingRow toldReading(const Exercise& exercise, const std::string& measure, const std::string& stat);

/// Limit of a measure in an exercise as its school has it: of its faults, both ends together; else of a set-up check.
std::optional<Limit> limitOf(const Exercise& exercise, const std::string& measure);

/// A reading is Out where its finding is clear, and nowhere else: a moment beyond the limit that was too short, or that
/// the coach has rejected, cannot tell.
Verdict asFound(Verdict ofReading, bool clear);
/// Is what has this limit told with its sign? Where the whole tolerance lies above nought (elbow and knee angle, a
/// raised leg) a plus says nothing.
bool toldWithSign(const Limit& limit);

} // namespace deft
