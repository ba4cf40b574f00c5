// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_reader.h"
#include "judgement/case.h"

namespace deft {

/// Members of a target, as they stand in cases, parcels and programmes.
void readTarget(JsonReader& reader, Target& target);

} // namespace deft
