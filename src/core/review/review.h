#pragma once
#include "base/progress.h"
#include "checks/clip_check.h"
#include "events/breath.h"
#include "judgement/decision.h"
#include "judgement/findings.h"
#include "landmarks/marks.h"
#include "review/annotations.h"
#include "video/clip_info.h"

namespace deft {

/// What people decide about a review; everything else is computed from it.
struct ReviewInputs {
    std::string clipPath, clipSha256;
    Marks marks;
    std::string exercise = "bridge", side = "both";
    std::string view; ///< empty = the first of the exercise's views whose landmarks are marked
    Schools schools;  ///< what is not named stays at the exercise's default
    std::optional<Neutral> neutral;
    std::string client, clientRole, coach, date; ///< for the answer; may be empty
    std::string answerBy;                        ///< ISO date that was promised; empty = none
    std::string answered;                        ///< ISO date of the answer; empty = none has been given yet
    Target asked;
    ClientNote note;
    std::vector<std::string> flags, cleared; ///< from intake; those whose readiness list is confirmed
    std::vector<PastReview> history;
    std::map<std::string, bool> agreed;       ///< fault id @ rep → does the coach agree?
    std::vector<SeenFault> seen;              ///< faults that the coach added; they stand beside what was measured
    std::vector<Drawing> drawings;            ///< in the order in which they were made
    std::vector<BreathTap> breaths;           ///< in order of time
    std::map<std::string, std::string> words; ///< part of the answer → text as edited
    /// part of the answer → the computed text that was edited, so that what it says can be kept true
    std::map<std::string, std::string> wordsOn;
    std::map<std::string, ChosenPictures> pictures; ///< fault id → frames that the coach chose for its pictures
    std::map<std::string, bool> parts;              ///< part of the answer → sent or left out
    std::optional<Target> overruled;                ///< the coach's own target instead of the proposed one
    std::string overruledStep, overruledWhy;        ///< the coach's own step, empty = as proposed, and the reason
    std::vector<CueRecord> cueRecord;               ///< of this coach, over all clients

    /// Key of a fault in `agreed`.
    static std::string momentKey(const std::string& fault, int rep) { return fault + "@" + std::to_string(rep + 1); }
    /// Has the coach turned down a fault or set-up check in a rep (from 0)?
    bool hasRejected(const std::string& fault, int rep) const {
        const auto it = agreed.find(momentKey(fault, rep));
        return it != agreed.end() && !it->second;
    }
};

/// Everything computed from the inputs and the tracks.
struct Review {
    ReviewInputs inputs;
    Exercise exercise; ///< in the view and the schools of this review
    ClipInfo clip;
    Tracks tracks;
    SeriesSet series;
    Events events;
    Findings findings;
    Decision decision;
    std::vector<ClipCheck> check;
    std::vector<std::string> missing; ///< landmarks that the exercise needs and that are not marked
    /// What series and movement were computed from, besides the tracks, and the movement before any judgement: while
    /// they stay the same, judging anew does not measure again; another neutral only shifts what is told against it.
    std::string measuredFrom;
    Events movement;

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
Result<Exercise> exerciseOf(const ReviewInputs& inputs);

/// Are the landmarks marked that the exercise needs?
bool isMarked(const Exercise& exercise, const Marks& marks);

/// All stages after tracking; pure. @errors NotFound (exercise, needed landmark)
Result<Review> measureReview(ReviewInputs inputs, ClipInfo clip, Tracks tracks);
/// The same from a review of the same clip and marks: what the changed inputs do not bear on is taken over.
Result<Review> judgeAgain(Review before, ReviewInputs inputs);

/// Tracking and all that follows. @errors those of trackClip and measureReview
Result<Review> analyse(ReviewInputs inputs, StopToken stop = {}, const ProgressFn& progress = {});

/// What the decision is made from.
Case caseOf(const Review& review);

/// The reading of each measure over the clip, told as the contract's summary.
struct Summary {
    double min = kGap, minAt_s = 0, max = kGap, maxAt_s = 0, mean = kGap, u95 = 0;
};
Summary summaryOf(const SeriesSet& set, const std::string& measure);

} // namespace deft
