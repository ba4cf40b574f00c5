// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "judgement/safety.h"

namespace deft {

/// What a client's reviews of an exercise say of one version on its ladder.
struct LadderStep {
    std::string version;
    int reviews = 0, met = 0; ///< reviews of this version; those that met the target with every rep clean
    std::string last;         ///< day of the last of them; empty without any
    std::vector<Lock> locks;  ///< what keeps this client from it
};

/// One entry a version, in the ladder's order, easiest first. @param history oldest first
std::vector<LadderStep> ladderStory(const Catalogue& catalogue, const Exercise& exercise,
                                    const std::vector<PastReview>& history, const std::vector<std::string>& flags,
                                    const std::vector<std::string>& cleared);

} // namespace deft
