// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "review/review.h"
#include "video/clip_reader.h"

namespace deft::ui {

/// A review to be passed on, as the bytes of a zip: review.json, marks.json, series.csv, tracks.csv, and in stills/ the
/// frames of the rep sheet with their lines, face made unrecognisable; a frame in which the head was lost is left out.
/// Paths of this machine are not in it. @errors Cancelled, those of zipOf
Result<std::string> reviewBundle(Review review, ClipReader& reader, StopToken stop = {},
                                 const ProgressFn& progress = {});

} // namespace deft::ui
