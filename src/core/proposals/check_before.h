// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "checks/clip_check.h"
#include "proposals/body_facts.h"
#include "proposals/picture_quality.h"

namespace deft {

/// What can be said before anything is measured.
/// @param body nothing when nobody was found @param searched false: nobody was looked for
/// @param exercise null when it is not known
std::vector<ClipCheck> checkBefore(const ClipInfo& clip, const PictureQuality& quality,
                                   const std::optional<BodyFacts>& body, bool searched, const Exercise* exercise,
                                   std::optional<double> rollDeg);

} // namespace deft
