// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

/// Turn of a left–right line about the body's long axis, degrees.
///
/// From the end or from above the line itself turns in the picture: signed, + the client's right goes toward the mat;
/// who lies on the side: + the upper one goes back.
/// From the front or rear only its apparent width tells: the arc cosine of the width over that in the set-up, without a
/// sign, and blunt while the turn is small.
double turnOf(const Point2& left, const Point2& right, double startWidthPx, const MeasureContext& c) {
    const Vector2 d = right - left;
    if (!d.allFinite()) return kGap;
    if (isEnd(c.view) && c.position == Position::SideLying) {
        const Vector2 stacked = d.dot(c.axes.up) < 0 ? Vector2(-d) : d; // from the lower to the upper
        return degrees(std::atan2(-stacked.dot(c.axes.anterior), stacked.dot(c.axes.up)));
    }
    if (isEnd(c.view) || c.view == View::Above)
        return degrees(std::atan2(-d.dot(c.axes.up), std::abs(d.x() * c.axes.up.y() - d.y() * c.axes.up.x())));
    if (!(startWidthPx > 0)) return kGap;
    return degrees(std::acos(std::clamp(d.norm() / startWidthPx, 0.0, 1.0)));
}

double pelvisTurn(const MeasureInput& in, const MeasureContext& c) {
    const auto [left, right] = hipPoints(in, c);
    return turnOf(left, right, c.startPelvisPx, c);
}

double shoulderTurn(const MeasureInput& in, const MeasureContext& c) {
    const size_t k = in.at.size() - 2;
    return turnOf(in.at[k], in.at[k + 1], c.startShouldersPx, c);
}

} // namespace

std::vector<Measure> turnMeasures() {
    return {
        {.id = "roll",
         .name = "pelvis roll",
         .unit = "deg",
         .landmarks = kHipPoints,
         .needed = 0,
         .zero = Zero::Start,
         .isTurn = true,
         .value = pelvisTurn},
        {.id = "shoulder_roll",
         .name = "shoulder roll",
         .unit = "deg",
         .landmarks = bothSides({"shoulder"}),
         .needed = 2,
         .zero = Zero::Start,
         .isTurn = true,
         .value = shoulderTurn},
        {.id = "dissociation",
         .name = "shoulders ahead of the pelvis",
         .unit = "deg",
         .landmarks = hipPointsAnd(bothSides({"shoulder"})),
         .needed = 0,
         .zero = Zero::Start,
         .isTurn = true,
         .value = [](const MeasureInput& in,
                     const MeasureContext& c) { return shoulderTurn(in, c) - pelvisTurn(in, c); }},
    };
}

} // namespace deft
