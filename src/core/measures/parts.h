// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Small pieces that several families of measures share.

#include "measures/measure.h"
#include "signal/resample.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace deft::parts {

inline double orGap(const Result<double>& r) { return r ? *r : kGap; }

/// "hip" → {"hip_l", "hip_r"}, for every name in turn.
inline std::vector<std::string> bothSides(std::initializer_list<const char*> names) {
    std::vector<std::string> out;
    for (const std::string name : names) out.push_back(name + "_l"), out.push_back(name + "_r");
    return out;
}

/// Points of bothSides(): the k-th landmark on one side, or in the middle of both.
inline Point2 leftOf(const MeasureInput& in, size_t k) { return in.at[2 * k]; }
inline Point2 rightOf(const MeasureInput& in, size_t k) { return in.at[2 * k + 1]; }
inline Point2 middleOf(const MeasureInput& in, size_t k) { return 0.5 * (leftOf(in, k) + rightOf(in, k)); }
inline Point2 onSide(const MeasureInput& in, size_t k, const std::string& side) {
    return side == "right" ? rightOf(in, k) : side == "left" ? leftOf(in, k) : Point2(kGap, kGap);
}
inline std::string other(const std::string& side) { return side == "left" ? "right" : side == "right" ? "left" : ""; }

/// Hip points in the order of preference of hipPair(): asis or psis, then hip, then the other, then crest. One pair is
/// taken for the whole clip, so that a mark that is lost leaves a gap and not a jump.
inline const std::vector<std::string> kHipPoints = {"asis_l", "asis_r", "psis_l",  "psis_r",
                                                    "hip_l",  "hip_r",  "crest_l", "crest_r"};
inline std::pair<Point2, Point2> hipPoints(const MeasureInput& in, const MeasureContext& c) {
    const auto it = std::find(kHipPoints.begin(), kHipPoints.end(), c.hipLeft);
    if (it == kHipPoints.end()) return {Point2(kGap, kGap), Point2(kGap, kGap)};
    const auto k = size_t(it - kHipPoints.begin());
    return {in.at[k], in.at[k + 1]};
}

/// The landmark names of kHipPoints followed by more.
inline std::vector<std::string> hipPointsAnd(const std::vector<std::string>& more) {
    std::vector<std::string> names = kHipPoints;
    names.insert(names.end(), more.begin(), more.end());
    return names;
}

/// Elevation of a direction from `from`, degrees, + toward `toward`; both unit and square to each other.
inline double elevationDeg(const Vector2& d, const Vector2& from, const Vector2& toward) {
    return d.allFinite() && d.norm() > kMinSegmentPx ? degrees(std::atan2(d.dot(toward), d.dot(from))) : kGap;
}

} // namespace deft::parts
