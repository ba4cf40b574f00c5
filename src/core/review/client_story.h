#pragma once
#include "judgement/cue_record.h"
#include "judgement/ladder_story.h"
#include "review/filed_review.h"
#include "review/over_time.h"

namespace deft {

/// What the filed reviews of one client and one exercise tell together.
struct ClientStory {
    Exercise exercise;                ///< as the last review read it
    std::vector<FiledReview> reviews; ///< oldest first
    /// Readings of the last review over all of them: tolerances, range and holds first, then those of the set-up.
    std::vector<OverTime> weeks;
    std::vector<CueSpell> cues;
    std::vector<LadderStep> ladder;

    std::vector<PastReview> history() const;
    /// The version that is to be done next; that of the last review while nothing was decided. Empty without reviews.
    std::string rungNow() const;
};

/// @param reviews oldest first @param cleared flags whose readiness list was confirmed in the last review
ClientStory tellStory(const Exercise& exercise, std::vector<FiledReview> reviews, const std::vector<std::string>& flags,
                      const std::vector<std::string>& cleared);

} // namespace deft
