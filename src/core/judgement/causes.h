// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/message.h"
#include "exercises/exercise.h"

#include <map>
#include <set>

namespace deft {

constexpr int kMaxCorrections = 3; // chosen here

/// What to act on now and what waits, from the graph of causes in the exercise file.
struct CorrectionOrder {
    std::vector<std::string> act; ///< ids of set-up checks and faults, most upstream first, at most kMaxCorrections
    std::vector<std::pair<std::string, Message>> wait; ///< id, why it waits
};

/// What was found: poor set-up checks, and clear faults by the rep (from 0) that they were found in.
struct Found {
    std::set<std::string> setup;
    std::map<int, std::set<std::string>> inRep;
    std::set<std::string> all() const;
};

/// The nearest cause of a fault that was found with it: among the set-up checks, or in the same rep. Empty = none.
std::string causeFound(const FaultPlan& plan, const Found& found, int rep);

/// Set-up comes before movement, a cause before what follows from it. A fault that follows from another one in every
/// rep in which it was found waits; one that is there without its cause in any rep is told.
CorrectionOrder correctionOrder(const Exercise& exercise, const Found& found);

} // namespace deft
