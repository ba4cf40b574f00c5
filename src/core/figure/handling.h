// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/film.h"

namespace deft::figure {

/// What the camera and passers-by do to a frame: shutter, shake and covers of the scene. The truth goes along.
FilmedFrame handledFrame(const FilmStudio& studio, const Scene& scene, double seconds);

} // namespace deft::figure
