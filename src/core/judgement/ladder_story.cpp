// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/ladder_story.h"

namespace deft {

std::vector<LadderStep> ladderStory(const Catalogue& catalogue, const Exercise& exercise,
                                    const std::vector<PastReview>& history, const std::vector<std::string>& flags,
                                    const std::vector<std::string>& cleared) {
    std::vector<LadderStep> story;
    for (const Version& version : exercise.ladder) {
        LadderStep step;
        step.version = version.id;
        for (const PastReview& past : history) {
            if (past.version != version.id) continue;
            ++step.reviews;
            step.last = past.date;
            step.met += past.met && past.clean;
        }
        step.locks = locksOf(catalogue, exercise, version.id, flags, cleared);
        story.push_back(std::move(step));
    }
    return story;
}

} // namespace deft
