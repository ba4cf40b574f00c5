// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/marks.h"

namespace deft {

/// A mark set by a coach on a picture whose true points are known.
struct PlacedMark {
    std::string landmark;
    /// Placed less true, in trunk lengths (shoulder to hip): x toward the head, y toward the client's front, of a
    /// landmark with a side outward.
    Vector2 off = Vector2::Zero();
};

/// @param truth the true points of a side view: shoulder, hip, and asis, which tells where the front is; or both
/// shoulders and hips
/// @errors NotFound when one of them is missing; Degenerate when shoulder and hip are one
Result<PlacedMark> placedMark(const std::string& landmark, const Point2& placed,
                              const std::map<std::string, Point2>& truth);

/// How a coach's own marks scatter. What is off the same way every time does not count: it cancels between two visits
/// and in everything that is told against neutral or the start.
struct MarkingNoise {
    struct OfLandmark {
        int marks = 0;
        Vector2 habit = Vector2::Zero(); ///< mean, as PlacedMark::off
        double sd = kGap;                ///< of each axis about it; a gap with a single mark
    };
    int marks = 0;
    /// Standard deviation of each axis, trunk lengths, pooled over the landmarks about their own habits; with its 95 %
    /// limits (chi-squared with 2 · Σ (n − 1) degrees of freedom).
    double sd = 0, sdLow95 = 0, sdHigh95 = 0;
    std::map<std::string, OfLandmark> landmarks;
};

/// Fewer degrees of freedom tell too little: with twelve the upper limit is 1.65 times the value.
constexpr int kLeastFreedom = 12;

/// @errors TooShort with fewer than kLeastFreedom
Result<MarkingNoise> markingNoise(const std::vector<PlacedMark>& placed);

/// Length of the trunk in a frame's marks, px: shoulder to hip, the longer side where both are marked. 0 = not marked.
double trunkPx(const MarkedFrame& frame);

} // namespace deft
