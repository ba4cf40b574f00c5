// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

/// Facts about the clip that bear on its measures: level, square, frame rate, still start, marks kept, in the frame.
/// Limits chosen here.
std::vector<ClipCheck> checkClip(const Review& review);

} // namespace deft
