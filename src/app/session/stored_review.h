// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "store/library.h"

namespace deft::ui {

/// A review of the library again from what people decided, with the tracks of its cache where they are; on any thread.
/// @errors those of ClipReader::open, trackClip and measureReview
Result<Review> measureStored(const Library& library, const ReviewInputs& inputs, StopToken stop,
                             const ProgressFn& progress);

} // namespace deft::ui
