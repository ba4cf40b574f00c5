// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/marks.h"
#include "tracking/track_pass.h"

namespace deft {

/// What tracking a clip once leaves for tracking it with other marks. Belongs to that clip.
struct TrackingMemory {
    std::optional<TrackPass> forward, backward;
};

/// Follows every marked landmark through the whole clip: forwards from the first marked frame, and backwards from the
/// last one where a landmark has marks before or after; between two marks of a landmark the passes are blended, so that
/// the error of each is shared out. A lost mark is looked for at the seeds too. Damaged frames are named and passed
/// over.
/// @param memory of the last time, if any: only the stretch that other marks touch is followed again, with the same
/// result. Holds this time when there is no error.
/// @errors TooShort (a clip of one frame), BadFormat (no marks), Cancelled, those of ClipReader
Result<Tracks> trackClip(ClipReader& clip, const Marks& marks, StopToken stop = {}, const ProgressFn& progress = {},
                         TrackingMemory* memory = nullptr);

} // namespace deft
