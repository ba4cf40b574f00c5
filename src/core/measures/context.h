#pragma once
#include "landmarks/marks.h"
#include "landmarks/tracks.h"

#include <optional>

namespace deft {

/// What a position of the body means for signs. `lying` and `all fours`: reference line = the mat.
enum class Position { Supine, Prone, Upright };

/// The directions that signs refer to, in the picture: they follow from the marks, so that it does not matter which way
/// the client faces, whether the clip is mirrored, or how the camera is rolled.
struct BodyAxes {
    Vector2 cranial{-1, 0};           ///< unit, along the mat (or plumb) toward the head
    Vector2 anterior{0, -1};          ///< unit, perpendicular to it, toward the client's front
    Point2 matPoint = Point2::Zero(); ///< a point on the mat line
    double rollDeg = 0;               ///< slope of the mat line on the screen, + right end higher
    double rollSd_deg = 0;            ///< its standard deviation
    bool matMarked = false;           ///< false: the camera is taken as level, within rollSd_deg

    /// Does `anterior` lie counter-clockwise of `cranial` as seen on the screen?
    bool frontIsCounterClockwise() const;
    /// Degrees of a direction from cranial toward anterior, (-180, 180]. @errors NotFinite, Degenerate
    Result<double> towardFrontDeg(const Vector2& direction) const;
    /// Height above the mat line (px), + toward the side away from the mat for a client on the back.
    double aboveMatPx(const Point2& p) const;
};

/// A level camera is level within this: hand-set phones on a support (chosen here).
constexpr double kUnmarkedRollSd_deg = 1.5;
/// Standard deviation of a mark set by hand until the coach's own has been measured (chosen here), px.
constexpr double kMarkingSdPx = 1.5;

/// @errors NotFound when neither shoulder and hip nor ear and hip are marked
Result<BodyAxes> bodyAxes(const Tracks& tracks, Position position);

} // namespace deft
