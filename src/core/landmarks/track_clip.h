#pragma once
#include "base/progress.h"
#include "landmarks/marks.h"
#include "landmarks/tracks.h"
#include "video/clip_reader.h"

namespace deft {

/// Joints seen by a body finder, by frame: right to within some ten pixels.
using Seeds = std::map<int64_t, std::map<std::string, Point2>>;

/// Follows every marked landmark through the whole clip: forwards from the first marked frame, and backwards from the
/// last one where a landmark has marks before or after; between two marks of a landmark the passes are blended, so that
/// the error of each is shared out. Damaged frames are named and passed over.
/// @errors TooShort (a clip of one frame), BadFormat (no marks), Cancelled, those of ClipReader
Result<Tracks> trackClip(ClipReader& clip, const Marks& marks, StopToken stop = {}, const ProgressFn& progress = {},
                         const Seeds& seeds = {});

} // namespace deft
