#include "measures/measure.h"

namespace deft {
namespace {

Measure joint(const char* id, const char* name, std::vector<std::string> landmarks, bool closesAtTheFront) {
    return {id,
            name,
            "deg",
            std::move(landmarks),
            3,
            false,
            false,
            [closesAtTheFront](const MeasureInput& in, const MeasureContext& c) {
                // From the proximal to the distal segment by way of the side on which the joint folds.
                const bool ccw = c.axes.frontIsCounterClockwise() == closesAtTheFront;
                const auto angle = jointAngleDeg(in.at[0], in.at[1], in.at[2], ccw);
                if (!angle) return kGap;
                return *angle > 300 ? *angle - 360 : *angle; // a folded joint does not read 359
            }};
}

} // namespace

std::vector<Measure> limbMeasures() {
    return {
        joint("hip_angle", "hip angle", {"shoulder", "hip", "knee"}, true),
        joint("knee_angle", "knee angle", {"hip", "knee", "ankle"}, false),
        {"shank",
         "shin against upright",
         "deg",
         {"ankle", "knee"},
         2,
         true,
         false,
         [](const MeasureInput& in, const MeasureContext& c) {
             // + knee toward the feet; 0 = the shin stands square on the mat.
             const auto angle = c.axes.towardFrontDeg(in.at[1] - in.at[0]);
             return angle ? wrapDeg(*angle - 90) : kGap;
         }},
        {"foot",
         "foot on the mat",
         "deg",
         {"heel", "toe"},
         2,
         true,
         false,
         [](const MeasureInput& in, const MeasureContext& c) {
             // + toes lifted.
             const auto angle = c.axes.towardFrontDeg(in.at[0] - in.at[1]);
             return angle ? -*angle : kGap;
         }},
    };
}

} // namespace deft
