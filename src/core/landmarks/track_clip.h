#pragma once
#include "base/progress.h"
#include "landmarks/marks.h"
#include "landmarks/tracks.h"
#include "video/clip_reader.h"

namespace deft {

/// Follows every marked landmark through the whole clip: forwards from the first marked frame, and backwards from the
/// last one where a landmark has marks before or after; between two marks of a landmark the passes are blended, so that
/// the error of each is shared out. A lost mark is looked for at the seeds too. Damaged frames are named and passed
/// over.
/// @errors TooShort (a clip of one frame), BadFormat (no marks), Cancelled, those of ClipReader
Result<Tracks> trackClip(ClipReader& clip, const Marks& marks, StopToken stop = {}, const ProgressFn& progress = {});

} // namespace deft
