// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "tracking/track_pass.h"

namespace deft {

/// Where marks of a landmark lie so near to each other in time that nothing moves far from the curve through them, it
/// need not be followed: fills in `told`, `joinedOnward` and `joinedBack` from `marked`.
/// @param time_s of every frame
void joinMarks(PassInput& input, const std::vector<double>& time_s);

} // namespace deft
