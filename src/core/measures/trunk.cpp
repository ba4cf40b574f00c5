#include "measures/parts.h"

namespace deft {

using namespace parts;

std::vector<Measure> trunkMeasures() {
    return {
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
