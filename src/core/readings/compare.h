// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "readings/readings.h"

namespace deft {

/// A change that two readings with independent errors tell of: outside the 95 % band of their difference. With one
/// band for both this is the minimal detectable change, 1.96 * sqrt(2) * SEM (Weir, J Strength Cond Res 19, 2005).
bool isRealChange(double before, double beforeU95, double after, double afterU95);

/// Is a reading better after than before? More range, longer clean holds, less wandering, less outside of the
/// tolerance. Nothing where both lie within its tolerance, or neither way is better.
std::optional<bool> isBetter(const ReadingRow& row, double before, double after);

/// Reps on either side from which their scatter is worth something: with two, means must differ by several times it
/// (chosen here).
constexpr size_t kRepsThatScatter = 3;

/// One reading taken twice.
struct Difference {
    ReadingRow a, b;
    double change = kGap, u95 = kGap; ///< b - a and its 95 % half-width; gap when one of them is not known
    /// Real: outside the band, and more than the reps of a side scatter. WithinReps: outside the band, but no more.
    enum class Verdict { Real, WithinReps, WithinBand, CannotTell } verdict = Verdict::CannotTell;
    /// Is b better? Nothing when the change is not real or neither way is better.
    std::optional<bool> better;
};

/// The readings that both have, in the order of the first.
std::vector<Difference> differences(const std::vector<ReadingRow>& a, const std::vector<ReadingRow>& b);

/// Parts of a rep that can be laid side by side, whatever time each took.
constexpr double kAlignStart = 0, kAlignTop = 1, kAlignHoldEnd = 2, kAlignEnd = 3;
/// Time at a place within a rep: 0 start, 1 top, 2 end of the hold, 3 end; linear in time between them.
double alignedTime(const Rep& rep, double place);
/// The place of a time within a rep; 0 before it, 3 after it.
double alignedPlace(const Rep& rep, double time_s);

} // namespace deft
