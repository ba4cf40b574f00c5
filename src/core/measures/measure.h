// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "measures/mat_view.h"

#include <array>
#include <functional>
#include <span>

namespace deft {

inline const std::vector<std::string> kPelvisMarks = {"asis", "psis", "crest", "pubis", "sacrum", "hip"};
inline std::array<Point2, 6> noPelvisMarks() {
    std::array<Point2, 6> none;
    none.fill(Point2(kGap, kGap));
    return none;
}

/// What a measure may use besides the points of its frame.
struct MeasureContext {
    BodyAxes axes;
    double markingSd_px = kMarkingSd_px;
    Position position = Position::Supine;
    View view = View::Side;
    /// Pelvis marks where they were set, in the order of kPelvisMarks: the rigid pelvis. NaN = not marked.
    std::array<Point2, 6> layout = noPelvisMarks();
    double layoutRaw_deg = 0;     ///< raw tilt of the preferred pair in that layout
    double startTrunkPx = 0;      ///< shoulder–hip length in the set-up
    double startPelvisPx = 0;     ///< distance of the hip points in the set-up, views with two sides
    double startShouldersPx = 0;  ///< distance of the shoulders in the set-up, views with two sides
    double pxPerCm = 0;           ///< 0 = no known length was marked
    std::optional<MatView> mat;   ///< what the mat's corners tell of the camera
    std::string lineEnd = "knee"; ///< far end of the line that `sag` is measured from
    std::string hipLeft;          ///< left mark of the pair of hip points, see hipPair()
    std::string midline;          ///< the midline mark of `shift`; empty = none is marked
    std::string side;             ///< "left", "right": the side that works; empty = both
    std::string stance;           ///< the side that stands; empty = both
};

/// Points of one frame in the order of Measure::landmarks; NaN where a landmark is not usable.
struct MeasureInput {
    std::span<const Point2> at;
    std::span<const double> sd;
};

/// What a reading is told against. Start = median of the still time at the start, subtracted; StartRatio = per cent
/// more or less than it was there; Neutral = the client's neutral (series.h).
enum class Zero { None, Start, StartRatio, Neutral };

/// One measure: what it is called, what it needs, how it is computed. Signs: docs/measures.md.
struct Measure {
    std::string id, name, unit; ///< unit "deg", "%", "cm", "ratio" or "s"
    std::vector<std::string> landmarks;
    size_t needed;           ///< the first `needed` landmarks must be there; the others help
    bool againstMat = false; ///< the camera's roll enters its uncertainty
    Zero zero = Zero::None;  ///< other than None: constant marking errors cancel
    bool isTurn = false;     ///< tells a turn out of the picture's plane itself
    using Function = std::function<double(const MeasureInput&, const MeasureContext&)>;
    Function value; ///< NaN = not measurable
    /// Standard deviation that the marks' disagreement with each other tells of, where more are seen than are needed.
    /// The band is at least that wide, whatever the marks say of themselves.
    Function misfitSd{};
};

/// All measures that are computed from marks in one frame, in the order in which practitioners inspect.
const std::vector<Measure>& measures();
const Measure* findMeasure(const std::string& id);
/// Also the measures that need events, such as level_loss. Empty for an unknown id.
std::string measureName(const std::string& id);
/// Of all of them.
std::vector<std::string> measureNames();
std::string measureUnit(const std::string& id);
std::string unitSign(const std::string& unit); ///< "deg" → "°"

// The families; each has its own file.
std::vector<Measure> pelvisMeasures();
std::vector<Measure> trunkMeasures();
std::vector<Measure> spineMeasures();
std::vector<Measure> lineMeasures();
std::vector<Measure> stackMeasures();
std::vector<Measure> levelMeasures();
std::vector<Measure> turnMeasures();
std::vector<Measure> limbMeasures();
std::vector<Measure> excursionMeasures();

/// Two marks whose line tells the pelvis's raw angle.
struct PelvisPair {
    std::string from, to;
    bool operator==(const PelvisPair&) const = default;
};
/// The preferred pair of these landmarks: PSIS→ASIS, pubis→ASIS, hip→crest, hip→ASIS. Nothing without one.
std::optional<PelvisPair> pelvisPair(const std::vector<std::string>& landmarks);
/// Raw tilt of the preferred pair of these pelvis marks, in the order of kPelvisMarks. NaN without a pair.
double rawTiltOfPair(std::span<const Point2> marks, const BodyAxes& axes);

} // namespace deft
