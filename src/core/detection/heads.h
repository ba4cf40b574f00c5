// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "detection/body_finder.h"

namespace deft {

/// A circle that holds a head with hair and chin, px of the upright picture.
struct Head {
    Point2 centre = Point2::Zero();
    double radius = 0;
};

/// Every head in a picture, so that each can be covered. Looks for one person, then for others where nobody has been
/// found yet, at most four in all.
///
/// The circle's size hangs on the largest part of the body, as the trunk alone is short when it points at the camera.
/// Measured on made figures in eight positions, camera turned by up to 60 degrees: the farthest of nose, mouth, eyes
/// and ears lay 0.36 trunks from the middle of what was found (tests/landmarks/heads_test.cpp).
///
/// @param picture 8-bit BGR @param marked where marks say that the client's head is, if they do; it is among the
/// results
/// @param before the person of a picture a moment earlier, which saves time; is set to the one found here
/// @errors NotFound when no head was found, Conflict when what was found and what was marked are apart: then nobody can
/// say that all faces are covered
Result<std::vector<Head>> findHeads(KeypointNetwork& network, const cv::Mat& picture, const std::optional<Head>& marked,
                                    std::optional<FoundBody>* before = nullptr);

/// Length of the trunk as it would be if it lay across the view, px: by the longest of trunk, limbs and their usual
/// shares of it.
double bodyScalePx(const FoundBody& body);

} // namespace deft
