#pragma once
#include "exercises/exercise.h"
#include "judgement/case.h"

namespace deft {

/// Adds what one client's reviews of one exercise, oldest first, say about its cues: a cue counts as tried when the
/// next review tells how the fault went on, and as helped when the fault is gone or has shrunk beyond the detectable
/// change. A fault that is still there without a reading says nothing.
void addToCueRecord(std::vector<CueRecord>& record, const Exercise& exercise, const std::vector<PastReview>& history);

} // namespace deft
