// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

/// The review file, `deft-mirror-review` 1 (docs/formats.md), with the inputs it was computed from under "inputs".
Json toJson(const Review& review);

Json toJson(const ReviewInputs& inputs);
/// {"tilt_raw": °, "pelvis_on_trunk_raw": °, "u95": °, "source": …, "range": ° or null, "range_u95": °}; all but the
/// first may be missing. @param usualU95 where no band is told (°) @errors BadFormat, OutOfRange
Result<Neutral> parseNeutral(const Json& json, const std::string& where, double usualU95);
/// @errors BadFormat naming the path
Result<ReviewInputs> parseInputs(const Json& json, const std::string& where);

/// What this review adds to the client's history.
PastReview asPast(const Review& review);

/// Writes DIR/review.json, series.csv, tracks.csv and datapackage.json (what their columns mean); the folder is made when it is not there. @errors WriteFailed
Result<void> writeFolder(const Review& review, const std::filesystem::path& folder);

} // namespace deft
