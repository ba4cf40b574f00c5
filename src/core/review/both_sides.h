// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"

namespace deft {

/// Left or right while that side works. Empty between the reps.
struct WorkingTime {
    std::string side;
    double from_s = 0, to_s = 0;
};

struct SidedSeries {
    SeriesSet set;
    std::vector<WorkingTime> working; ///< in order of time
    /// The side that works at a time; empty when neither does.
    std::string sideAt(double time_s) const;
};

/// What a side stands for in the options: the working side and the one that stands.
void setSide(SeriesOptions& options, const std::string& side, bool sideIsStance);

/// Series with the set-up where this mover has it. @errors those of computeSeries
Result<SeriesSet> seriesFor(const Tracks& tracks, SeriesOptions options, const MoverPlan& mover);

/// Series of a clip that may show left and right one after the other, seen so that the two can be told apart: in the
/// time of each rep those of the side that works. @errors those of computeSeries
Result<SidedSeries> seriesOfBothSides(const Tracks& tracks, SeriesOptions options, const MoverPlan& mover,
                                      bool sideIsStance);

} // namespace deft
