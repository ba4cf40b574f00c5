// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "review/review.h"

namespace deft {

/// Tracking and all that follows. @errors those of trackClip and measureReview
Result<Review> analyse(CataloguePtr catalogue, ReviewInputs inputs, StopToken stop = {},
                       const ProgressFn& progress = {});

/// Reads a folder that writeFolder() has written: inputs and tracks, the rest is computed anew. Of a clip that has gone
/// the tracks tell.
Result<Review> readFolder(CataloguePtr catalogue, const std::filesystem::path& folder);

} // namespace deft
