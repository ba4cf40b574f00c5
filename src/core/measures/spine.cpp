// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

double heightOfBackPx(const MeasureInput& in, const MeasureContext& c) { return c.axes.aboveMatPx(in.at[0]); }

} // namespace

std::vector<Measure> spineMeasures() {
    return {
        {.id = "upper_back",
         .name = "upper back against upright",
         .unit = "deg",
         .landmarks = {"t12", "c7"},
         .needed = 2,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 return elevationDeg(in.at[1] - in.at[0], c.axes.cranial, c.axes.anterior); // + rounded
             }},
        {.id = "hunch",
         .name = "upper back above the line",
         .unit = "%",
         .landmarks = {"shoulder", "t12", "hip"},
         .needed = 3,
         .zero = Zero::Start,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const auto off = lineOffsetPx(in.at[1], in.at[0], in.at[2]);
                 if (!off || !(c.startTrunkPx > 0)) return kGap;
                 const Vector2 d = in.at[2] - in.at[0], toRight(-d.y(), d.x());
                 return 100 * (toRight.dot(c.axes.anterior) > 0 ? -*off : *off) / c.startTrunkPx; // + toward the back
             }},
        {.id = "curve",
         .name = "low-back curve",
         .unit = "deg",
         .landmarks = {"back_mid", "t12", "sacrum", "psis"},
         .needed = 2,
         .zero = Zero::Start,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const Point2 low = in.at[2].allFinite() ? in.at[2] : in.at[3];
                 // + arching: the middle mark lies to the front of the line between its neighbours.
                 const auto lower = c.axes.towardFrontDeg(in.at[0] - low),
                            upper = c.axes.towardFrontDeg(in.at[1] - in.at[0]);
                 return lower && upper ? wrapDeg(*lower - *upper) : kGap;
             }},
        {.id = "gap",
         .name = "daylight under the low back",
         .unit = "%",
         .landmarks = {"back_mid"},
         .needed = 1,
         .zero = Zero::Start,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 return c.startTrunkPx > 0 ? 100 * heightOfBackPx(in, c) / c.startTrunkPx : kGap;
             }},
        {.id = "gap_cm",
         .name = "daylight under the low back",
         .unit = "cm",
         .landmarks = {"back_mid"},
         .needed = 1,
         .zero = Zero::Start,
         .value = [](const MeasureInput& in,
                     const MeasureContext& c) { return c.pxPerCm > 0 ? heightOfBackPx(in, c) / c.pxPerCm : kGap; }},
        {.id = "ribs",
         .name = "rib lift",
         .unit = "%",
         .landmarks = {"rib", "asis"},
         .needed = 2,
         .zero = Zero::StartRatio,
         .value = [](const MeasureInput& in, const MeasureContext&) { return (in.at[0] - in.at[1]).norm(); }},
        {.id = "rib_angle",
         .name = "rib angle against the trunk",
         .unit = "deg",
         .landmarks = {"shoulder", "rib", "hip"},
         .needed = 3,
         .zero = Zero::Start,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const auto rib = c.axes.towardFrontDeg(in.at[1] - in.at[0]),
                            hip = c.axes.towardFrontDeg(in.at[2] - in.at[0]);
                 return rib && hip ? wrapDeg(*hip - *rib) : kGap;
             }},
    };
}

} // namespace deft
