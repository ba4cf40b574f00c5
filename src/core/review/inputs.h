// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/breath.h"
#include "judgement/case.h"
#include "marks/marks.h"
#include "measures/series.h"
#include "review/annotations.h"
#include "review/spoken.h"

namespace deft {

/// What people decide about a review; everything else is computed from it.
struct ReviewInputs {
    std::string clipPath, clipSha256;
    std::optional<FilmPart> part; ///< of the film at clipPath that is this clip; nothing = all of it
    Marks marks;
    std::string exercise = "bridge", side = "both";
    std::string view; ///< empty = the first of the exercise's views whose landmarks are marked
    Schools schools;  ///< what is not named stays at the exercise's default
    std::optional<Neutral> neutral;
    std::string client, clientRole, coach, date; ///< for the answer; may be empty
    std::string language; ///< in which the client is written to, a code such as "de"; empty = English
    std::string answerBy;                        ///< ISO date that was promised; empty = none
    /// ISO day on which the client's programme asks for the next clip; empty = a week after the answer.
    std::string nextClip;
    std::string answered; ///< ISO date of the answer; empty = none has been given yet
    Target asked;
    ClientNote note;
    std::optional<Practice> practice;        ///< before the clip; nothing = not told
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
    std::optional<Spoken> spoken;                   ///< over the reply clip
    std::vector<std::string> order;                 ///< of its parts, as the coach put them; empty = as composed
    std::optional<Target> overruled;                ///< the coach's own target instead of the proposed one
    std::string overruledStep, overruledWhy;        ///< the coach's own step, empty = as proposed, and the reason
    std::vector<CueRecord> cueRecord;               ///< of this coach, over all clients
    bool ready = false; ///< looked at: it goes out with the one letter on the client's visit

    bool operator==(const ReviewInputs&) const = default;

    /// Key of a fault in `agreed`.
    static std::string momentKey(const std::string& fault, int rep) { return fault + "@" + std::to_string(rep + 1); }
    /// Has the coach turned down a fault or set-up check in a rep (from 0)?
    bool hasRejected(const std::string& fault, int rep) const {
        const auto it = agreed.find(momentKey(fault, rep));
        return it != agreed.end() && !it->second;
    }
};

/// What has to be computed anew after a change of inputs, each with all that comes before it here.
enum class Change {
    None,
    Answer,    ///< words, parts and pictures of the answer
    Judgement, ///< and what was measured, as far as it hangs on the change: see MeasuringPlan
    Tracks,    ///< the marks themselves
};
Change changeBetween(const ReviewInputs& before, const ReviewInputs& after);

/// Takes over what only the answer is made from. The rest stays: a review's own inputs are told in full (view, schools,
/// what was asked), which those of a draft need not be.
void takeAnswer(ReviewInputs& to, const ReviewInputs& from);

/// The same review of another part of the film: marks go along, without those outside of it; what else hangs on times,
/// or was judged, is to be seen anew. @param part nothing = the whole film
ReviewInputs ofPart(ReviewInputs inputs, const std::optional<FilmPart>& part);

} // namespace deft
