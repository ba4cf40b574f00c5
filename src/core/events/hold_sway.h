// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"

namespace deft {

/// Tells how the pelvis wandered in every hold, and how much of that was shaking: the hip point, or the middle of both,
/// smoothed like every series, as a share of the trunk's length at the start (per cent). Half-width: the marks' own
/// uncertainty, all of which may be drift. Holds whose pelvis was hardly seen, and clips without a trunk length, are
/// left without.
void addSway(Events& events, const Tracks& tracks, const MeasureContext& context);

} // namespace deft
