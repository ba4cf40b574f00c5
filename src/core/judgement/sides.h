// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "judgement/case.h"

#include <functional>
#include <set>

namespace deft {

/// The sides that an exercise has to be shown on, "left" and "right"; a single "" where it is not done on each side.
std::vector<std::string> sidesOf(const Exercise& exercise);

/// Of those, the ones that this clip shows. None where nobody can tell which side worked.
std::set<std::string> sidesShown(const Exercise& exercise, const Case& now);

/// In how many reviews running a side has been good, the latest first. Reviews that do not show it are passed over: one
/// side may be filmed today and the other tomorrow. A past review that does not say what it showed counts as this clip.
int reviewsRunning(const Exercise& exercise, const Case& now, const std::string& side, bool goodNow,
                   const std::function<bool(const PastReview&)>& good);

} // namespace deft
