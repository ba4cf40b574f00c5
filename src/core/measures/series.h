// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "measures/measure.h"
#include "measures/soft_tissue.h"
#include "measures/turned.h"

#include <algorithm>
#include <cmath>

namespace deft {

/// One measure over the clip. NaN = gap; gaps are never bridged.
struct Series {
    std::string id, unit;
    std::vector<double> value; ///< smoothed without lag
    std::vector<double> u95;   ///< half-width of the 95 % band, against the bones
    /// What of it is the slide of skin over bone, which most cancels between two clips of one person. Empty = nothing.
    std::vector<double> slideU95{};
    /// Frames in which it hangs on marks that are weak. Empty = none.
    std::vector<bool> weak{};

    bool isWeak(size_t frame) const { return frame < weak.size() && weak[frame]; }
    double slideAt(size_t frame) const { return frame < slideU95.size() ? slideU95[frame] : 0; }
};

/// Half-width of a reading for its change against another clip of the same person at the same place of the same
/// movement: of the slide of skin only this share differs from one day to the next (chosen here).
constexpr double kSlideThatStays = 0.3;
inline double changeU95(double u95, double slideU95) {
    return std::sqrt(std::max(0.0, u95 * u95 - (1 - kSlideThatStays * kSlideThatStays) * slideU95 * slideU95));
}

struct Neutral {
    double tilt_raw = 0; ///< degrees
    double pelvis_on_trunk_raw = 0;
    double u95 = 0;
    std::string source = "set-up"; ///< "clip", "set-up" (provisional) or "coach"
    std::optional<double>
        range{}; ///< the client's own, full arch minus full flat, degrees; from a clip that shows both
    double rangeU95 = 0;
    bool operator==(const Neutral&) const = default;
};

struct SeriesOptions {
    Position position = Position::Supine;
    View view = View::Side;
    std::string lineEnd = "knee";
    std::string side, stance;  ///< "left", "right" or empty: the side that works, the side that stands
    double scaleLength_cm = 0; ///< distance of scale_a and scale_b
    MatSize mat;               ///< whose corners are mat_a … mat_d
    double markingSd_px = kMarkingSd_px;
    double markingSd_cm = 0; ///< in its place where the clip tells a scale; 0 = it stays
    double setupStart_s = 0;
    double setupEnd_s = 1.5;        ///< the still time at the start
    std::optional<Neutral> neutral; ///< from the neutral clip or the coach; else from the set-up phase
    double cutoffHz = 0;            ///< 0 = by residual analysis
    Lens lens;                      ///< bears on the band alone
    std::vector<std::string> only;  ///< these measures; empty = all

    bool inSetup(double t) const { return t >= setupStart_s - 1e-9 && t <= setupEnd_s; }
};

struct SeriesSet {
    std::vector<double> time_s;
    std::vector<Series> series;
    Neutral neutral;
    MeasureContext context;
    /// What is told against neutral, before it was, and the neutral of the set-up with its half-widths: another neutral
    /// needs no measuring anew. Empty when the set was put together from two.
    std::vector<Series> beforeNeutral;
    Neutral ofSetup;
    double ofSetupTrunk_u95 = 0;

    const Series* find(const std::string& id) const;
    Series* find(const std::string& id);
};

/// Computes every measure whose landmarks are marked.
///
/// Half-widths: Jacobian of the measure times the tracks' standard deviations, with the marking noise for measures that
/// are not relative, the slide of skin over bone, the camera's roll for those against the mat, and what a
/// turn out of the picture's plane that is possible (possibleTurn) would change. Such a turn is never corrected.
/// @errors those of bodyAxes
Result<SeriesSet> computeSeries(const Tracks& tracks, const SeriesOptions& options);

/// Tells tilt and pelvis_on_trunk against this neutral, or without one against that of the set-up. Nothing else in the
/// set depends on it. The set must have its `beforeNeutral`.
void applyNeutral(SeriesSet& set, const std::optional<Neutral>& neutral);

/// `frame,time_s,<measure>,<measure>_u95,…`; empty = not measurable.
std::string toCsv(const SeriesSet& set);

} // namespace deft
