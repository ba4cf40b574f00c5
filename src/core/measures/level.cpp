// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/parts.h"

namespace deft {

using namespace parts;

namespace {

/// + the client's right, or toward the stance side when one is named.
double towardStance(const MeasureContext& c, double towardRight) {
    return c.stance == "left" ? -towardRight : towardRight;
}
/// + the client's right lower, or the free side lower: the free side is the right one when the left one stands.
double freeLower(const MeasureContext& c, double rightLower) { return c.stance == "right" ? -rightLower : rightLower; }

/// Depth of the right point below the left one and their distance across, px.
std::pair<double, double> fall(const std::pair<Point2, Point2>& pair, const MeasureContext& c) {
    const Vector2 d = pair.second - pair.first;
    return {-d.dot(c.axes.up), std::abs(d.x() * c.axes.up.y() - d.y() * c.axes.up.x())};
}

double ratioOfSides(const MeasureInput& in, const MeasureContext& c) {
    const double left = (leftOf(in, 0) - leftOf(in, 1)).norm(), right = (rightOf(in, 0) - rightOf(in, 1)).norm();
    return c.side == "left" ? left / right : right / left;
}

Measure levelOf(const char* id, const char* name, std::vector<std::string> landmarks,
                std::function<std::pair<Point2, Point2>(const MeasureInput&, const MeasureContext&)> pair,
                Zero zero = Zero::None) {
    return {.id = id,
            .name = name,
            .unit = "deg",
            .landmarks = std::move(landmarks),
            .needed = 0,
            .againstMat = zero == Zero::None, // a change is not touched by the camera's roll
            .zero = zero,
            .value = [pair = std::move(pair)](const MeasureInput& in, const MeasureContext& c) {
                const auto [depth, across] = fall(pair(in, c), c);
                return freeLower(c, degrees(std::atan2(depth, across)));
            }};
}

/// Distance of two marks on the working side against the start: − shortened.
Measure shortening(const char* id, const char* name, const std::string& above, const std::string& below) {
    return {.id = id,
            .name = name,
            .unit = "%",
            .landmarks = {above + "_l", above + "_r", below + "_l", below + "_r", above, below},
            .needed = 0,
            .zero = Zero::StartRatio,
            .value = [](const MeasureInput& in, const MeasureContext& c) {
                if (c.view == View::Side) return (in.at[4] - in.at[5]).norm();
                return (onSide(in, 0, c.side) - onSide(in, 1, c.side)).norm();
            }};
}

} // namespace

std::vector<Measure> levelMeasures() {
    const auto shoulders = [](const MeasureInput& in, const MeasureContext&) {
        return std::pair(leftOf(in, 0), rightOf(in, 0));
    };
    return {
        levelOf("drop", "hip drop", kHipPoints, hipPoints),
        levelOf("twist", "pelvis twisted from the start", kHipPoints, hipPoints, Zero::Start),
        {.id = "drop_cm",
         .name = "hip drop",
         .unit = "cm",
         .landmarks = kHipPoints,
         .needed = 0,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 return c.pxPerCm > 0 ? freeLower(c, fall(hipPoints(in, c), c).first) / c.pxPerCm : kGap;
             }},
        levelOf("shoulder_drop", "shoulder drop", bothSides({"shoulder"}), shoulders),
        levelOf("knee_level", "knees level with each other", bothSides({"knee"}), shoulders),
        {.id = "lean",
         .name = "sideways trunk lean",
         .unit = "deg",
         .landmarks = hipPointsAnd(bothSides({"shoulder"})),
         .needed = 0,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 const auto [left, right] = hipPoints(in, c);
                 const size_t k = kHipPoints.size();
                 const Vector2 trunk = 0.5 * (in.at[k] + in.at[k + 1]) - 0.5 * (left + right);
                 return towardStance(c, elevationDeg(trunk, c.axes.up, c.axes.right));
             }},
        {.id = "shift",
         .name = "sideways shift",
         .unit = "%",
         .landmarks = {"sacrum", "back_mid", "t12", "c7", "hip_l", "hip_r"},
         .needed = 0,
         .zero = Zero::Start,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 if (!(c.startPelvisPx > 0) || c.midline.empty()) return kGap;
                 static const std::vector<std::string> names = {"sacrum", "back_mid", "t12", "c7"};
                 const auto it = std::find(names.begin(), names.end(), c.midline);
                 const Point2 p =
                     it == names.end() ? Point2(0.5 * (in.at[4] + in.at[5])) : in.at[size_t(it - names.begin())];
                 return 100 * p.dot(c.axes.right) / c.startPelvisPx; // + toward the client's right
             }},
        {.id = "waist",
         .name = "waist, one side over the other",
         .unit = "ratio",
         .landmarks = bothSides({"shoulder", "hip"}),
         .needed = 4,
         .value = ratioOfSides},
        shortening("hike", "hip hike", "rib", "crest"),
        shortening("shoulder_hike", "shoulder toward the ear", "ear", "shoulder"),
    };
}

} // namespace deft
