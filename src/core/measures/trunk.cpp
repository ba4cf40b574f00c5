#include "measures/measure.h"

namespace deft {

std::vector<Measure> trunkMeasures() {
    return {
        {"trunk",
         "trunk angle",
         "deg",
         {"hip", "shoulder"},
         2,
         true,
         false,
         [](const MeasureInput& in, const MeasureContext& c) {
             const auto angle = c.axes.towardFrontDeg(in.at[1] - in.at[0]);
             return angle ? *angle : kGap;
         }},
        {"hip_height",
         "hip height",
         "%",
         {"hip"},
         1,
         true,
         false,
         [](const MeasureInput& in, const MeasureContext& c) {
             return c.startTrunkPx > 0 ? 100 * c.axes.aboveMatPx(in.at[0]) / c.startTrunkPx : kGap;
         }},
    };
}

} // namespace deft
