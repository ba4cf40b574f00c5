// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/clip_info.h"
#include "marks/tracks.h"

namespace deft {

/// What tracks tell of the clip that they were followed in, where that is not at hand: its times, and the usual picture
/// (1280 × 720, or larger, on its side where the marks stand higher than wide) in which all of them lie.
ClipInfo clipOf(const Tracks& tracks);

} // namespace deft
