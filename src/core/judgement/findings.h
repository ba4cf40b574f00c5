// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"
#include "judgement/causes.h"

namespace deft {

enum class Certainty { Clear, CannotTell };

struct SetupVerdict {
    std::string id;
    std::string verdict; ///< "good", "poor", "cannot-tell"
    double value = kGap, u95 = 0;
    bool high = false;     ///< poor because above the upper limit
    bool rejected = false; ///< the coach does not agree that it is poor
    bool isPoor() const { return verdict == "poor" && !rejected; }
};

/// A stretch in which one measure left its limit.
struct Fault {
    std::string id, measure, side = "both";
    int rep = 0; ///< from 0
    double start_s = 0, end_s = 0, worst_s = 0, worst = 0, limit = 0, u95 = 0;
    std::optional<double> changeU95{}; ///< where it differs from u95, see changeU95()
    Certainty certainty = Certainty::Clear;
    std::string causedBy;  ///< the fault or set-up check upstream that was found too, or empty
    int rank = 0;          ///< 1… among the faults to act on, 0 = waits
    bool byCoach = false;  ///< seen by the coach; `worst` may be a gap then
    bool rejected = false; ///< the coach does not agree, or has an own one instead

    double u95OfChange() const { return changeU95.value_or(u95); }
};

struct Findings {
    std::vector<SetupVerdict> setup;
    std::vector<Fault> faults; ///< in order of time within each rep
    /// Clear faults of an anchor outside of all reps (`rep` = -1), of an exercise that is done on each side: while the
    /// side that is not marked works.
    std::vector<Fault> between;
    CorrectionOrder order; ///< of poor set-up checks and clear faults
};

/// The tolerances that end the clean part of a hold. One that hangs on optional landmarks counts only where they are
/// marked; one that hangs on needed landmarks always, so that what was never seen is not taken for clean.
std::vector<Tolerance> anchorTolerances(const Exercise& exercise, const SeriesSet& series);
MoverPlan moverPlan(const Exercise& exercise);

/// Of a fault: clear where the limit calls its worst reading out, and not only weak marks tell of it.
Certainty certaintyOf(const Limit& limit, const Excursion& x);

/// Checks the set-up, finds every excursion in every rep and orders what was found by cause. A finding whose limit lies
/// inside the reading's 95 % band is CannotTell.
Findings findFaults(const Exercise& exercise, const SeriesSet& series, const Events& events);
/// What causes what, and what comes first, from the checks and faults that stand.
void orderFindings(Findings& findings, const Exercise& exercise);

} // namespace deft
