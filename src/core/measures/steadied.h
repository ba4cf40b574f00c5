// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/tracks.h"

namespace deft {

/// The tracks as a camera on a stand would have them: what all marks of the still scene (mat line, plumb line, known
/// length) do together is the camera's own motion, and is taken out of every point. Unchanged with fewer than two such
/// marks. A frame in which they are lost or do not agree keeps the shift of the one before.
Tracks steadied(Tracks tracks);

} // namespace deft
