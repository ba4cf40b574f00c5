// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <cstddef>
#include <vector>

namespace deft {

struct Peak {
    size_t index; ///< middle of a flat top, rounded down
    double height;
    double prominence; ///< height above the higher of the two lowest points toward higher ground
    size_t leftBase, rightBase;
};

/// Local maxima with at least this prominence, in order. The ends are never peaks. Same rules as
/// scipy.signal.find_peaks and peak_prominences without a window. Gaps end the search for a base.
std::vector<Peak> findPeaks(const std::vector<double>& x, double minProminence);

struct HysteresisCycle {
    size_t start, peak, end;
};

/// Out-and-back excursions: counted when x has gone above `high` and has come back below `low`. `start` is the last
/// sample at or below `low` before the rise, `end` the first below it after. A first rise without a low sample before
/// it starts at sample 0. An unfinished excursion is reported with `end` = last sample and `finished` false.
struct HysteresisCycles {
    std::vector<HysteresisCycle> cycles;
    bool unfinished = false; ///< the last one had not come back when the signal ended
};
HysteresisCycles cyclesByHysteresis(const std::vector<double>& x, double low, double high);

} // namespace deft
