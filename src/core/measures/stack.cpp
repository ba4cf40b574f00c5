// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

/// How far the upper joint lies off the point straight above the lower one, % of their distance. + toward the head;
/// upright: toward the front.
Measure stack(const char* id, const char* name, const char* upper, const char* lower) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = {upper, lower},
            .needed = 2,
            .againstMat = true,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                const Vector2 d = in.at[0] - in.at[1];
                const Vector2 along = c.position == Position::Upright ? c.axes.anterior : c.axes.cranial;
                return d.norm() > kMinSegmentPx ? 100 * d.dot(along) / d.norm() : kGap;
            }};
}

/// The same for two joints that lie above each other when the body is on its side.
Measure stackedPair(const char* id, const char* name, const char* joint) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = bothSides({joint}),
            .needed = 2,
            .againstMat = true,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                Vector2 d = leftOf(in, 0) - rightOf(in, 0);
                if (d.dot(c.axes.up) < 0) d = -d;
                return d.norm() > kMinSegmentPx ? 100 * d.dot(c.axes.cranial) / d.norm() : kGap;
            }};
}

/// Of somebody propped up on the side: the shoulder that carries, off the point above its own elbow.
double carryingShoulder(const MeasureInput& in, const MeasureContext& c) {
    const bool leftBelow = (leftOf(in, 0) - rightOf(in, 0)).dot(c.axes.up) < 0;
    const Vector2 d = leftBelow ? Vector2(leftOf(in, 0) - leftOf(in, 1)) : Vector2(rightOf(in, 0) - rightOf(in, 1));
    return d.norm() > kMinSegmentPx ? 100 * d.dot(c.axes.cranial) / d.norm() : kGap;
}

/// Of somebody on the side, seen along the body: the upper knee off the point above the lower one, % of the distance of
/// the hip points.
double upperKneeAhead(const MeasureInput& in, const MeasureContext& c) {
    Vector2 d = leftOf(in, 0) - rightOf(in, 0);
    if (d.dot(c.axes.up) < 0) d = -d;
    return c.startPelvisPx > kMinSegmentPx ? 100 * d.dot(c.axes.anterior) / c.startPelvisPx : kGap;
}

} // namespace

std::vector<Measure> stackMeasures() {
    return {
        stack("stack_wrist", "shoulder over wrist", "shoulder", "wrist"),
        stack("stack_elbow", "shoulder over elbow", "shoulder", "elbow"),
        stack("stack_knee", "hip over knee", "hip", "knee"),
        stack("stack_ankle", "knee over ankle", "knee", "ankle"),
        stack("stack_head", "ear over shoulder", "ear", "shoulder"),
        stack("stack_trunk", "shoulder over hip", "shoulder", "hip"),
        stack("stack_leg", "hip over ankle", "hip", "ankle"),
        stackedPair("stack_shoulders", "upper shoulder over lower shoulder", "shoulder"),
        stackedPair("stack_hips", "upper hip over lower hip", "hip"),
        {.id = "stack_carrying",
         .name = "carrying shoulder over elbow",
         .unit = "%",
         .landmarks = bothSides({"shoulder", "elbow"}),
         .needed = 2,
         .againstMat = true,
         .value = carryingShoulder},
        {.id = "knee_ahead",
         .name = "upper knee ahead of the lower one",
         .unit = "%",
         .landmarks = bothSides({"knee"}),
         .needed = 2,
         .againstMat = true,
         .value = upperKneeAhead},
    };
}

} // namespace deft
