// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/scene.h"
#include "marks/tracks.h"

namespace deft::figure {

/// The scene's landmarks as they would be followed in its film, without filming it: each is carried by the bone that it
/// lies on and wanders a little about it. Enough where only numbers are wanted; skin that slides over the bone, cloth
/// and what hides a point are not in it. Same scene, same numbers.
Tracks followedIn(const Scene& scene);

} // namespace deft::figure
