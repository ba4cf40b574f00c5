// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

/// How far one landmark is above another, % of the trunk's length.
Measure heightOver(const char* id, const char* name, const char* upper, const char* lower) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = {upper, lower},
            .needed = 2,
            .againstMat = true,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                return c.startTrunkPx > 0 ? 100 * (in.at[0] - in.at[1]).dot(c.axes.up) / c.startTrunkPx : kGap;
            }};
}

} // namespace

std::vector<Measure> trunkMeasures() {
    return {
        heightOver("hip_over_wrist", "hip above the hand", "hip", "wrist"),
        heightOver("hip_over_elbow", "hip above the elbow", "hip", "elbow"),
        heightOver("knee_over_wrist", "knee above the hand", "knee", "wrist"),
        heightOver("knee_over_elbow", "knee above the elbow", "knee", "elbow"),
        {.id = "hips_over_feet",
         .name = "hips above the feet",
         .unit = "%",
         .landmarks = bothSides({"hip", "ankle"}),
         .needed = 4,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const double feet = std::min(leftOf(in, 1).dot(c.axes.up), rightOf(in, 1).dot(c.axes.up));
                 const double higher = middleOf(in, 0).dot(c.axes.up) - feet; // above the foot that stands
                 return c.startTrunkPx > 0 ? 100 * higher / c.startTrunkPx : kGap;
             }},
        {.id = "side_trunk",
         .name = "trunk above the mat, lying on the side",
         .unit = "deg",
         .landmarks = bothSides({"hip", "shoulder"}),
         .needed = 4,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 return elevationDeg(middleOf(in, 1) - middleOf(in, 0), c.axes.cranial, c.axes.up);
             }},
        {.id = "side_line",
         .name = "shoulders above the feet, lying on the side",
         .unit = "deg",
         .landmarks = bothSides({"shoulder", "knee", "ankle"}),
         .needed = 4,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const Point2 end = middleOf(in, c.lineEnd == "ankle" ? 2 : 1);
                 return elevationDeg(middleOf(in, 0) - end, c.axes.cranial, c.axes.up);
             }},
        {.id = "trunk",
         .name = "trunk angle",
         .unit = "deg",
         .landmarks = {"hip", "shoulder"},
         .needed = 2,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // Upright: + forward. Lying and on all fours: + shoulders higher than hips.
                 const Vector2 toward = c.position == Position::Upright ? c.axes.anterior : c.axes.up;
                 return elevationDeg(in.at[1] - in.at[0], c.axes.cranial, toward);
             }},
        {.id = "hip_height",
         .name = "hip height",
         .unit = "%",
         .landmarks = {"hip"},
         .needed = 1,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 return c.startTrunkPx > 0 ? 100 * c.axes.aboveMatPx(in.at[0]) / c.startTrunkPx : kGap;
             }},
        {.id = "neck",
         .name = "head position",
         .unit = "deg",
         .landmarks = {"ear", "shoulder", "hip"},
         .needed = 3,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // + head forward or dropped, − thrown back.
                 const auto head = c.axes.towardFrontDeg(in.at[0] - in.at[1]),
                            trunk = c.axes.towardFrontDeg(in.at[1] - in.at[2]);
                 return head && trunk ? wrapDeg(*head - *trunk) : kGap;
             }},
    };
}

} // namespace deft
