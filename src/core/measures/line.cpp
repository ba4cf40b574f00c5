#include "measures/measure.h"

namespace deft {

std::vector<Measure> lineMeasures() {
    return {
        {"sag",
         "hip off the line",
         "%",
         {"shoulder", "hip", "knee", "ankle"},
         2,
         false,
         false,
         [](const MeasureInput& in, const MeasureContext& c) {
             const Point2 shoulder = in.at[0], hip = in.at[1], end = c.lineEnd == "ankle" ? in.at[3] : in.at[2];
             const auto right = lineOffsetPx(hip, shoulder, end);
             if (!right) return kGap;
             // + toward the mat. Walking from shoulder to knee, the mat is on the right when the walk goes right.
             const Vector2 toRight(-(end - shoulder).y(), (end - shoulder).x());
             const bool rightIsDown = toRight.y() > 0;
             return 100 * (rightIsDown ? *right : -*right) / (end - shoulder).norm();
         }},
    };
}

} // namespace deft
