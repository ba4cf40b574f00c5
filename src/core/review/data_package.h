// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "review/review.h"

namespace deft {

/// What the columns of series.csv and tracks.csv mean, with their units, for programs that know neither: a Tabular Data
/// Package (specs.frictionlessdata.io, version 1). Units: "deg", "%", "s", "px", …; empty cells were not measured.
Json dataPackage(const Review& review);

} // namespace deft
