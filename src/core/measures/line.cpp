// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

/// Distance of the hip from the line shoulder → end, % of that line, + along `sagging`.
double offLine(const Point2& shoulder, const Point2& hip, const Point2& end, const Vector2& sagging) {
    const auto right = lineOffsetPx(hip, shoulder, end);
    if (!right) return kGap;
    const Vector2 toRight(-(end - shoulder).y(), (end - shoulder).x());
    return 100 * (toRight.dot(sagging) > 0 ? *right : -*right) / (end - shoulder).norm();
}

} // namespace

std::vector<Measure> lineMeasures() {
    return {
        {.id = "sag",
         .name = "hip off the line",
         .unit = "%",
         .landmarks = {"shoulder", "hip", "knee", "ankle"},
         .needed = 2,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // + toward the mat; leaning against a wall: toward the front.
                 const Vector2 sagging = c.position == Position::Upright ? c.axes.anterior : Vector2(-c.axes.up);
                 return offLine(in.at[0], in.at[1], c.lineEnd == "ankle" ? in.at[3] : in.at[2], sagging);
             }},
        {.id = "side_sag",
         .name = "hips off the line, lying on the side",
         .unit = "%",
         .landmarks = bothSides({"shoulder", "hip", "knee", "ankle"}),
         .needed = 4,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 return offLine(middleOf(in, 0), middleOf(in, 1), middleOf(in, c.lineEnd == "ankle" ? 3 : 2),
                                -c.axes.up);
             }},
    };
}

} // namespace deft
