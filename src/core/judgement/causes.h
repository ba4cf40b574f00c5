#pragma once
#include "exercises/exercise.h"

#include <set>

namespace deft {

constexpr int kMaxCorrections = 3; // chosen here

/// What to act on now and what waits, from the graph of causes in the exercise file.
struct CorrectionOrder {
    std::vector<std::string> act; ///< ids of set-up checks and faults, most upstream first, at most kMaxCorrections
    std::vector<std::pair<std::string, std::string>> wait; ///< id, why it waits
};

/// The nearest cause of a fault that was found too, or empty.
std::string causeFound(const FaultPlan& plan, const std::set<std::string>& found);

/// @param found ids of poor set-up checks and clear faults. Set-up comes before movement, a cause before what follows
/// from it; what follows from another fault waits.
CorrectionOrder correctionOrder(const Exercise& exercise, const std::set<std::string>& found);

} // namespace deft
