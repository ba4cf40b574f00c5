// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

namespace deft {

/// Focal length of a phone's main camera over the longer side of its picture: 26 mm on 36 mm of film (common practice,
/// no published source). A longer one makes perspective milder.
constexpr double kPhoneFocal = 26.0 / 36.0;

/// What is known of the camera. Focal length 0 = so far away that there is no perspective.
struct Lens {
    double focalPx = 0;
    Point2 centre = Point2::Zero();
    static Lens ofPhone(double width_px, double height_px);
};

} // namespace deft
