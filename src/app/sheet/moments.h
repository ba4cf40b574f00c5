// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft::ui {

/// The parts of a rep, one column each on the rep sheet.
enum class Phase { SetUp, Out, Hold, Back, Worst };
constexpr int kPhases = 5;

/// Something that the program proposes and the coach agrees with or does not.
struct Moment {
    std::string id; ///< of the fault or set-up check
    int rep = 0;
    Phase phase = Phase::Hold;
    int64_t frame = 0;
    double start_s = 0, end_s = 0;
    std::string title, measure;
    bool clear = true;
    std::optional<bool> agreed; ///< nothing = still to be looked at
    std::string key() const { return ReviewInputs::momentKey(id, rep); }
};

/// In the order of reps and time; one for each fault and rep, at its worst.
std::vector<Moment> momentsOf(const Review& review);

/// The rep that a time belongs to, and the phase within it.
std::pair<int, Phase> placeOf(const Events& events, double time_s);

} // namespace deft::ui
