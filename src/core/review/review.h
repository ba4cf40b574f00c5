// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "checks/clip_check.h"
#include "judgement/decision.h"
#include "judgement/findings.h"
#include "review/inputs.h"
#include "review/measurement.h"

namespace deft {

/// A clip judged: what was measured, which is shared, and what follows from it and the inputs, which is quickly made.
struct Review {
    ReviewInputs inputs;
    std::shared_ptr<const Catalogue> catalogue; ///< by which it was judged
    std::shared_ptr<const Measurement> measurement;
    Exercise exercise; ///< in the version, view and schools of this review
    Events events;     ///< the movement, with what broke in it
    Findings findings;
    Decision decision;
    std::vector<ClipCheck> check;
    std::vector<std::string> missing; ///< landmarks that the exercise needs and that are not marked

    const ClipInfo& clip() const { return measurement->footage->clip; }
    const Tracks& tracks() const { return measurement->footage->tracks; }
    const SeriesSet& series() const { return measurement->series; }

    bool metTarget() const;
    bool allClean() const;
    bool anyUnsure() const; ///< a rep in which too much was not seen
    /// The faults that count: those the coach has not turned down.
    std::vector<const Fault*> standing() const;
    /// Frames of one rep for a fault or check: where its measure was farthest outside its tolerance (`excess`, in its
    /// unit), and near the end of what was clean. Nothing where it was not measured.
    struct RepFrames {
        int64_t clean, worst;
        double excess;
    };
    std::optional<RepFrames> framesOfRep(const std::string& faultId, int rep) const;
    /// Best and worst frame of a measure over the reps, toward and away from its tolerance. Nothing when there is none.
    struct Pair {
        int64_t best, worst;
        int bestRep, worstRep;
    };
    std::optional<Pair> framePair(const std::string& faultId) const;
};

/// Frame of a stretch in which a series lies farthest outside (or least inside) a limit; -1 where it is not measured.
int64_t worstFrame(const Review& review, const Span& span, const Series& series, const Limit& limit);

/// The exercise as this review reads it. @errors NotFound
Result<Exercise> exerciseOf(const Catalogue& catalogue, const ReviewInputs& inputs);

/// Are the landmarks marked that the exercise needs?
bool isMarked(const Exercise& exercise, const Marks& marks);

/// All stages after tracking; pure. @errors NotFound (exercise, needed landmark)
Result<Review> measureReview(CataloguePtr catalogue, ReviewInputs inputs, ClipInfo clip, Tracks tracks);
/// The same from a review of the same clip and marks: what the changed inputs, or another catalogue, do not bear on is
/// taken over. @errors as measureReview
Result<Review> judgeAgain(const Review& before, ReviewInputs inputs, CataloguePtr catalogue = {});

/// What the decision is made from.
Case caseOf(const Review& review);
/// Does a finding of this measure stand in a rep (from 0), clear or seen by the coach?
bool isClearIn(const Review& review, const std::string& measure, int rep);

/// The reading of each measure over the clip, told as the contract's summary.
struct Summary {
    double min = kGap, minAt_s = 0, max = kGap, maxAt_s = 0, mean = kGap, u95 = 0;
};
Summary summaryOf(const SeriesSet& set, const std::string& measure);

} // namespace deft
