// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "judgement/cue_record.h"
#include "judgement/ladder_story.h"
#include "readings/over_time.h"
#include "records/filed_review.h"

namespace deft {

/// What the filed reviews of one client and one exercise tell together.
struct ClientStory {
    Exercise exercise;                ///< as the last review read it
    std::vector<FiledReview> reviews; ///< oldest first
    /// Readings of the last review over all of them: tolerances, range and holds first, then those of the set-up.
    std::vector<OverTime> weeks;
    std::vector<CueSpell> cues;
    std::vector<LadderStep> ladder;
    std::optional<Target> asked; ///< with a clip that came since and waits for its review

    std::vector<PastReview> history() const;
    /// What the client does now: what was asked with the clip that waits, else what was decided last.
    /// Nothing without either.
    std::optional<Target> now() const;
};

/// @param reviews oldest first @param cleared flags whose readiness list was confirmed in the last review
ClientStory tellStory(const Catalogue& catalogue, const Exercise& exercise, std::vector<FiledReview> reviews,
                      const std::vector<std::string>& flags, const std::vector<std::string>& cleared);

} // namespace deft
