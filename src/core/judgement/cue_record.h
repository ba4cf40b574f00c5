// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "judgement/case.h"

namespace deft {

/// Adds what one client's reviews of one exercise, oldest first, say about its cues: a cue counts as tried when the
/// next review tells how the fault went on, and as helped when the fault is gone or has shrunk beyond the detectable
/// change. A fault that is still there without a reading says nothing.
void addToCueRecord(std::vector<CueRecord>& record, const Exercise& exercise, const std::vector<PastReview>& history);

/// A cue that was said in one review, or in several running, and what became of its fault.
struct CueSpell {
    std::string fault, level;
    size_t first = 0, last = 0; ///< reviews of the history in which it was said
    /// How much the fault had shrunk from when it was first said to the review that tells how it went on: the one after
    /// the last, or the last itself while none came after it; and the change that counts. Gaps without a reading.
    double change = kGap, mdc = kGap;
    enum class Effect {
        JustSaid,     ///< in one review, and none came after it
        Gone,         ///< the next review has no such fault
        Less,         ///< smaller beyond the detectable change
        NoRealChange, ///< within it, or worse
        NotTold       ///< still there, without a reading
    } effect = Effect::JustSaid;
};

/// In the order in which they were first said; within a review in that of its cues.
std::vector<CueSpell> cueSpells(const Exercise& exercise, const std::vector<PastReview>& history);

/// How much less far outside its limit a fault or set-up check lies after than before, in its unit; a gap where the
/// exercise knows no limit of it.
double shrunkBy(const Exercise& exercise, const std::string& id, double before, double after);

} // namespace deft
