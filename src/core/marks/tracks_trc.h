// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/tracks.h"

namespace deft {

/// Landmark trajectories as TRC, the text format of marker trajectories that motion laboratories exchange: tabs, a head
/// of five lines, a row a frame; X right, Y up from the picture's lower edge, Z 0 (one camera tells no depth). What was
/// lost or not visible stays empty, and is never 0.
/// @param height_px of the upright picture
/// @param pxPerCm 0 where no scale is known: then the unit is "px" and the head says so, else "m"
std::string toTrc(const Tracks& tracks, int height_px, double pxPerCm);

} // namespace deft
