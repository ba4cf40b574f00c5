// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/sway.h"
#include "events/tremor.h"
#include "measures/limit.h"
#include "measures/series.h"

#include <cmath>
#include <functional>
#include <optional>

namespace deft {

/// How the mover of an exercise is read: the part that goes out, holds and comes back.
struct MoverPlan {
    std::string measure = "hip_height";
    double minExcursion = 5;         ///< in the measure's unit: less is no rep
    bool falls = false;              ///< the movement goes toward smaller values
    std::optional<double> low, high; ///< when set, a rep is a still stretch inside this window
    std::vector<Limit> inPosition{}; ///< see Exercise::inPosition
    double stillShare = 0.25;        ///< a hold is slower than this share of the excursion per second (chosen here)
    double levelShare = 0.6;         ///< and farther out than this share of it (chosen here)

    bool operator==(const MoverPlan&) const = default;
    bool isWindow() const { return low || high; }
    bool inWindow(double value) const { return value >= low.value_or(-1e300) && value <= high.value_or(1e300); }
    /// Slower is still, for a hold in a window; its unit a second (chosen here).
    double stillInWindow() const { return 5 * minExcursion; }
    /// The mover's value so that more is farther out.
    double outward(double value) const { return falls ? -value : value; }
};

/// A limit that a measure must keep to while the mover works.
struct Tolerance {
    Limit limit;
    Phases counts;
    std::string fault{}; ///< id of the fault whose limit it is; may be empty
};

struct Hold {
    std::string side = "both";
    double start_s = 0, end_s = 0;
    double clean_s = 0;                  ///< until the first break; the whole hold when there is none
    std::optional<double> first_break_s; ///< the hold's start when it was already broken on the way
    std::string brokenBy;                ///< measure, empty = clean
    double startU95_s = 0, endU95_s = 0, breakU95_s = 0;
    double u95_s = 0;           ///< of its length
    std::optional<Sway> sway{}; ///< of the pelvis, % of the trunk's length; see addSway()
    double swayU95 = kGap;      ///< of its RMS
    std::optional<Tremor> tremor{};
    double duration_s() const { return end_s - start_s; }
    double cleanU95_s() const { return first_break_s ? std::hypot(startU95_s, breakU95_s) : u95_s; }
};

/// How long one part moves before another.
struct Lead {
    double s = 0, u95 = kGap; ///< seconds, + = before
};

struct Rep {
    std::string side = "both";
    double start_s = 0, top_s = 0, holdEnd_s = 0, end_s = 0;
    double baseline = 0;     ///< mover before the rep, as MoverPlan::outward
    double reach = 0;        ///< greatest excursion from the start
    double controlRange = 0; ///< excursion at which an anchor first left its tolerance, on any way; reach = never
    double controlRangeU95 = 0;
    std::string brokenBy;          ///< measure that broke while the mover still went out, empty = none
    std::optional<double> break_s; ///< when, while the mover still went out
    std::string brokenBackBy;      ///< measure that broke on the way back and not before, empty = none
    std::optional<double> breakBack_s;
    double startU95_s = 0, endU95_s = 0, breakU95_s = 0;
    bool finished = true;
    /// Time up to the end of the hold, and right after it, in which the mover or the anchor lost longest was not
    /// measurable.
    double lost_s = 0;
    std::optional<Lead> shouldersLead{}; ///< before the pelvis; see addLead()
    Hold hold;
    double out_s() const { return top_s - start_s; }
    double outU95_s() const { return std::hypot(startU95_s, hold.startU95_s); }
    double back_s() const { return end_s - holdEnd_s; }
    double backU95_s() const { return std::hypot(hold.endU95_s, endU95_s); }
    /// Too much was not seen to say how it went (limit chosen here).
    bool unsure() const { return lost_s > 0.5; }
};

/// From the first to the last phase of a rep in which something counts, s.
struct Span {
    double start_s, end_s;
};
Span countedIn(const Rep& rep, const Phases& counts);

struct Events {
    double setupStart_s = 0; ///< in position and still; at most kSetup_s before its end
    double setupEnd_s = 0;   ///< the first movement begins here; of a hold in a window, its first second is the set-up
    std::vector<Rep> reps;
};

/// When the body begins to move: the first time that the mover leaves the level that it has at `from_s`.
double setupEnd(const std::vector<double>& time_s, const std::vector<double>& mover, double minExcursion,
                double from_s = 0);

/// No more than this much before the first movement is the set-up: how somebody gets there is not (chosen here).
constexpr double kSetup_s = 3;

/// For every frame: is the client in the position and settled there? Leaving it for less than half a second is not
/// leaving it; what cannot be measured does not speak against it.
std::vector<bool> inPosition(const SeriesSet& set, const std::vector<Limit>& position);

/// Reps with start, top, end of the hold and end. An excursion counts when it is at least minExcursion and at least six
/// times the series' own noise; two are two when the mover comes back by as much in between, and by half of its way
/// out. Less than a quarter of the largest is a fidget. What begins or ends out of position is none. With the
/// half-width of the time of each, see addTimeBands().
Events findMovement(const SeriesSet& set, const MoverPlan& plan);

/// A hold in a window shorter than this is none (chosen here).
constexpr double kShortestHold_s = 1;

/// Adds the series `level_loss`: height lost since the start of the hold, % of the lift; gaps outside of holds.
void addLevelLoss(SeriesSet& set, const Events& events, const MoverPlan& plan);

/// Adds the series `pace_out` and `pace_back`: how long each rep took on that way, s; gaps elsewhere. Holds in a window
/// have none.
void addTempo(SeriesSet& set, const Events& events, const MoverPlan& plan);

/// A stretch outside a limit: begins at its end, ends 10 % of its width inside it, lasts more than 0.3 s (both chosen
/// here; a measure in seconds tells of a whole phase, which may be shorter). Times are interpolated between frames.
struct Excursion {
    double start_s, end_s, worst_s, worst, worstU95;
    double limit;
    double startU95_s = 0; ///< half the time in which the limit lies inside the measure's band, around the start
    double slideU95 = 0;   ///< of worstU95, see Series::slideU95
    bool isSeen = false;   ///< some of it lies beyond the band, on weak marks far beyond it
};
constexpr double kBreakLasts_s = 0.3;
std::vector<Excursion> excursions(const SeriesSet& set, const Limit& limit, double from_s, double to_s);

/// Marks the first break of every rep and hold, with the half-width of its time, and control ranges.
/// @param passedOver does a tolerance break nothing in this rep (from 0)? Empty = all of them count
void findBreaks(Events& events, const SeriesSet& set, const MoverPlan& plan, const std::vector<Tolerance>& tolerances,
                const std::function<bool(const Tolerance&, int rep)>& passedOver = {});

// Two reference detectors of holds, kept for checks against other data (time in frames).
struct BandHold {
    size_t first, last;
};
/// Frames with |x − target| ≤ tolerance, breaks up to `bridge` frames joined, kept when last − first ≥ `minimum`
/// frames.
std::vector<BandHold> holdsInBand(const std::vector<double>& x, double target, double tolerance, double minimum,
                                  double bridge);

} // namespace deft
