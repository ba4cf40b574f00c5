// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"
#include "exercises/exercise.h"
#include "marks/clip_info.h"
#include "marks/tracks.h"
#include "review/inputs.h"

#include <memory>

namespace deft {

/// A clip and what was followed in it.
struct Footage {
    ClipInfo clip;
    Tracks tracks;
};

/// Everything that series and movement hang on besides the footage: while it stays the same, so do they.
struct MeasuringPlan {
    Position position = Position::Supine;
    View view = View::Side; ///< of the picture
    std::string lineEnd;
    bool eachSide = false, sideIsStance = false, needsRollOrder = false;
    std::string side; ///< as the coach says it
    MoverPlan mover;
    double scaleLength_cm = 0;
    MatSize mat;
    double markingSd_px = kMarkingSd_px, markingSd_cm = 0; ///< as SeriesOptions
    std::vector<DoubtfulMark> doubtful;                    ///< marks that are trusted less
    std::optional<Neutral> neutral;

    bool operator==(const MeasuringPlan&) const = default;
};
MeasuringPlan measuringPlan(const Exercise& exercise, const ReviewInputs& inputs, const ClipInfo& clip);

/// What was measured in a clip, before anything is judged. It never changes, so every review of it shares it.
struct Measurement {
    std::shared_ptr<const Footage> footage;
    MeasuringPlan plan;
    SeriesSet series;
    Events movement; ///< with the bands of its times, without breaks
};

/// @errors those of computeSeries
Result<std::shared_ptr<const Measurement>> measureFootage(std::shared_ptr<const Footage> footage, MeasuringPlan plan);
/// The same for another plan: only what hangs on the difference is measured again, nothing at all when there is none.
/// @errors as measureFootage
Result<std::shared_ptr<const Measurement>> measureAgain(std::shared_ptr<const Measurement> before, MeasuringPlan plan);

} // namespace deft
