// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "detection/keypoint_network.h"

#include <optional>

namespace deft {

/// A person found in one picture.
struct FoundBody {
    std::array<ScoredPoint, kKeypoints> points; ///< px of the upright picture
    double presence = 0, second = 0;            ///< see KeypointPass

    const Point2& at(Keypoint k) const { return points[size_t(k)].place; }
    double score(Keypoint k) const { return points[size_t(k)].score; }
    /// Middle of the shoulders to the middle of the hips, px.
    double torsoPx() const;
    /// Mean score of the joints from the shoulders down.
    double bodyScore() const;
    Point2 shoulders() const { return (at(ShoulderLeft) + at(ShoulderRight)) / 2; }
    Point2 hips() const { return (at(HipLeft) + at(HipRight)) / 2; }
};

/// Presence times mean joint score, below which nobody is said to be in the picture. Either alone is no gate, as the
/// best of six looks is taken: photographs without a person reach 0.18, with one 0.34 and more
/// (docs/accuracy.md).
constexpr double kBodyGate = 0.25;
/// Presence of a second body elsewhere in the picture that is worth a word.
constexpr double kAnotherGate = 0.55;

/// Looks for one person lying, kneeling or standing any way round: the whole picture at four quarter turns, then the
/// best of them twice more, cut to the body and turned so that hips → shoulders points up. Six passes.
/// @param picture 8-bit BGR, upright
/// @param before the same person in another picture of the clip: two passes, from the way it lay then, do where they
/// find it about as surely
/// @return nothing when the gate is not passed
std::optional<FoundBody> findBody(KeypointNetwork& network, const cv::Mat& picture, const FoundBody* before = nullptr);

/// The same person a moment later, in one pass: where and as it lay before. `second` is not told.
std::optional<FoundBody> findBodyNear(KeypointNetwork& network, const cv::Mat& picture, const FoundBody& before);

/// 8-bit BGR of a picture as the reader gives it.
cv::Mat withoutAlpha(const cv::Mat& bgra);

} // namespace deft
