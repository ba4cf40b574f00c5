// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

/// How far a landmark has gone since the set-up, % of the trunk's length.
Measure along(const char* id, const char* name, const char* landmark, Vector2 (*direction)(const MeasureContext&)) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = {landmark},
            .needed = 1,
            .zero = Zero::Start,
            .value = [direction](const MeasureInput& in, const MeasureContext& c) {
                return c.startTrunkPx > 0 ? 100 * in.at[0].dot(direction(c)) / c.startTrunkPx : kGap;
            }};
}

/// The same for the working side of a pair.
Measure alongOnSide(const char* id, const char* name, const char* landmark,
                    Vector2 (*direction)(const MeasureContext&)) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = bothSides({landmark}),
            .needed = 0,
            .zero = Zero::Start,
            .value = [direction](const MeasureInput& in, const MeasureContext& c) {
                const double at = onSide(in, 0, c.side).dot(direction(c));
                return c.startTrunkPx > 0 ? 100 * at / c.startTrunkPx : kGap;
            }};
}

/// Rise of the middle between left and right.
Measure riseOfMiddle(const char* id, const char* name, const char* landmark) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = bothSides({landmark}),
            .needed = 2,
            .zero = Zero::Start,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                return c.startTrunkPx > 0 ? 100 * middleOf(in, 0).dot(c.axes.up) / c.startTrunkPx : kGap;
            }};
}

Vector2 up(const MeasureContext& c) { return c.axes.up; }
Vector2 cranial(const MeasureContext& c) { return c.axes.cranial; }
Vector2 anterior(const MeasureContext& c) { return c.axes.anterior; }
Vector2 caudal(const MeasureContext& c) { return -c.axes.cranial; }
Vector2 outward(const MeasureContext& c) { return c.side == "left" ? Vector2(-c.axes.right) : c.axes.right; }

/// How far left and right have come apart, % of the trunk.
Measure apart(const char* id, const char* name, const char* joint) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = bothSides({joint}),
            .needed = 2,
            .zero = Zero::Start,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                return c.startTrunkPx > 0 ? 100 * (leftOf(in, 0) - rightOf(in, 0)).norm() / c.startTrunkPx : kGap;
            }};
}

} // namespace

std::vector<Measure> excursionMeasures() {
    return {
        along("hip_rise", "hips lifted", "hip", up),
        along("hip_forward", "hips toward the head", "hip", cranial),
        along("pelvis_forward", "pelvis forward", "hip", anterior),
        along("shoulder_rise", "chest lifted", "shoulder", up),
        along("hand_rise", "hand lifted", "wrist", up),
        along("hand_out", "hand reached out", "wrist", cranial),
        along("knee_rise", "knee lifted", "knee", up),
        along("foot_rise", "foot lifted", "ankle", up),
        along("foot_out", "foot slid out", "ankle", caudal),
        along("wheel_out", "wheel rolled out", "wheel", cranial),
        alongOnSide("upper_knee_rise", "upper knee lifted", "knee", up),
        alongOnSide("upper_foot_rise", "upper foot lifted", "ankle", up),
        alongOnSide("elbow_rise", "elbow lifted", "elbow", up),
        alongOnSide("upper_hand_rise", "hand raised", "wrist", up),
        alongOnSide("elbow_away", "elbow away from the side", "elbow", outward),
        alongOnSide("wrist_away", "hand turned out", "wrist", outward),
        riseOfMiddle("hips_rise", "hips lifted, lying on the side", "hip"),
        riseOfMiddle("feet_rise", "both feet lifted", "ankle"),
        {.id = "off_wall",
         .name = "trunk off the wall",
         .unit = "%",
         .landmarks = {"shoulder", "psis"},
         .needed = 2,
         .zero = Zero::Start,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // Shoulder and back of the pelvis together: a pelvis that only tucks leaves the shoulder where it is.
                 const double ahead = 0.5 * (in.at[0] + in.at[1]).dot(c.axes.anterior);
                 return c.startTrunkPx > 0 ? 100 * ahead / c.startTrunkPx : kGap;
             }},
        {.id = "free_foot",
         .name = "free foot above the standing one",
         .unit = "%",
         .landmarks = bothSides({"ankle"}),
         .needed = 2,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const double higher = (onSide(in, 0, other(c.stance)) - onSide(in, 0, c.stance)).dot(c.axes.up);
                 return c.startTrunkPx > 0 ? 100 * higher / c.startTrunkPx : kGap;
             }},
        {.id = "free_knee",
         .name = "free knee against hip height",
         .unit = "%",
         .landmarks = bothSides({"hip", "knee"}),
         .needed = 0,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const std::string free = other(c.stance);
                 const double above = (onSide(in, 1, free) - onSide(in, 0, free)).dot(c.axes.up);
                 return c.startTrunkPx > 0 ? 100 * above / c.startTrunkPx : kGap;
             }},
        apart("feet_apart", "feet apart", "ankle"),
        apart("knees_apart", "knees apart", "knee"),
        {.id = "knees_turn",
         .name = "knees to the side",
         .unit = "deg",
         .landmarks = hipPointsAnd(bothSides({"knee"})),
         .needed = 0,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 // From the foot end: the line mid-hip → mid-knee against upright, + toward the working side.
                 const auto [left, right] = hipPoints(in, c);
                 const size_t k = kHipPoints.size();
                 return elevationDeg(0.5 * (in.at[k] + in.at[k + 1]) - 0.5 * (left + right), c.axes.up, outward(c));
             }},
    };
}

} // namespace deft
