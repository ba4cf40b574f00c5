// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

/// The client's neutral as it is in one frame, when the coach says that this is it: median over a third of a second.
/// Nothing where the pelvis is not measured.
std::optional<Neutral> neutralAt(const Review& review, int64_t frame);

/// The client's own range, and the neutral midway in it: from the farthest arch to the farthest flat before the first
/// rep, or in the whole clip where the pelvis itself is what moves.
struct OwnRange {
    int64_t arch = 0, flat = 0; ///< frames
    Neutral neutral;            ///< source "clip", with its range
};
/// @errors NotFound when the pelvis was not measured or did not turn far enough to have gone both ways
Result<OwnRange> ownRange(const Review& review);

/// The neutral that another clip of the same client has, told for this one. Angles against the mat hang on where the
/// marks were set and on how the camera was held, in both clips; that is in its band. The range stays with
/// the clip that shows it.
/// @errors Unsupported when the other clip has no neutral of its own, shows another position or tells the pelvis by
/// other marks; NotFound when the pelvis is not measured here
Result<Neutral> neutralOfOther(const Review& here, const ReviewInputs& other);

} // namespace deft
