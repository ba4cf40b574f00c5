// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/marks.h"
#include "marks/tracks.h"

#include <optional>

namespace deft {

/// What a position of the body means for signs. Lying and on all fours: reference line = the mat.
enum class Position { Supine, Prone, SideLying, Upright };

/// Where the camera stands. Side: landmarks without a side; the others: `_l` and `_r`, the client's own.
enum class View { Side, Front, Rear, FootEnd, HeadEnd, Above };
/// Along the body's long axis, of which hardly any length is seen.
inline bool isEnd(View view) { return view == View::FootEnd || view == View::HeadEnd; }
/// "side", "front", "rear", "foot-end", "head-end", "above". Unknown names are Side.
View viewOf(const std::string& name);

/// The directions that signs refer to, in the picture: they follow from the marks, so that it does not matter which way
/// the client faces, whether the clip is mirrored, or how the camera is rolled.
struct BodyAxes {
    Vector2 cranial{-1, 0};           ///< unit, along the mat (or plumb) toward the head
    Vector2 anterior{0, -1};          ///< unit, perpendicular to it, toward the client's front (side view)
    Vector2 up{0, -1};                ///< unit, away from the floor
    Vector2 right{0, 0};              ///< unit, toward the client's right; zero in the side view
    Point2 matPoint = Point2::Zero(); ///< a point on the mat line
    double rollDeg = 0;               ///< slope of the mat line on the screen, + right end higher
    double rollSd_deg = 0;            ///< its standard deviation
    bool matMarked = false;           ///< false: the camera is taken as level, within rollSd_deg

    /// Does `anterior` lie counter-clockwise of `cranial` as seen on the screen?
    bool frontIsCounterClockwise() const;
    /// Degrees of a direction from cranial toward anterior, (-180, 180]. @errors NotFinite, Degenerate
    Result<double> towardFrontDeg(const Vector2& direction) const;
    /// Height above the mat line (px).
    double aboveMatPx(const Point2& p) const { return (p - matPoint).dot(up); }
};

/// A level camera is level within this: hand-set phones on a support (chosen here).
constexpr double kUnmarkedRollSd_deg = 1.5;

/// Left and right mark that stand for the hip points in this view, the most telling pair that is marked:
/// asis from the front and the foot end, psis from the rear and above, else hip.
std::optional<std::pair<std::string, std::string>> hipPair(const Tracks& tracks, View view);

/// Median place of a landmark over all usable frames: robust against single wrong frames.
std::optional<Point2> medianPlace(const Tracks& tracks, const std::string& name);

struct MatView;

/// The floor comes from floor_a–floor_b, else from the line halfway between the mat's long sides, else from
/// plumb_a–plumb_b, else the camera is taken as level. Who lies is told against that line, which is seen through the
/// same camera; who stands against the level itself: from plumb_a–plumb_b, else from what the mat's corners tell of the
/// camera, else from the floor as above.
/// @param mat what the corners tell, if they are marked
/// @errors NotFound when the marks that give the body's direction are missing: shoulder or ear, and hip, from the side;
/// a left and a right hip point and shoulder else
Result<BodyAxes> bodyAxes(const Tracks& tracks, Position position, View view = View::Side,
                          const MatView* mat = nullptr);

} // namespace deft
