#include "geometry/rigid_fit.h"
#include "measures/parts.h"

#include <algorithm>

namespace deft {

using namespace parts;

namespace {

/// The rigid pelvis, as its marks were set, laid on every mark that is seen, weighted by its own uncertainty, so that
/// one weak mark does not carry the angle.
struct PelvisFit {
    double turnDeg = kGap; ///< since the marks were set, + anterior; gap with fewer than two marks
    double sdDeg = 0;      ///< as far as the marks disagree with each other; 0 = two marks cannot
};
PelvisFit fitOf(const MeasureInput& in, const MeasureContext& c) {
    std::vector<Point2> from, to;
    std::vector<double> weight;
    for (size_t i = 0; i < kPelvisMarks.size(); ++i) {
        const auto place = c.layout.find(kPelvisMarks[i]);
        if (place == c.layout.end() || !in.at[i].allFinite()) continue;
        from.push_back(place->second), to.push_back(in.at[i]);
        weight.push_back(1 / (in.sd[i] * in.sd[i] + 0.09));
    }
    const auto fit = fitPose(from, to, weight, {.withScale = true});
    if (!fit) return {};
    PelvisFit out;
    out.turnDeg = (c.axes.frontIsCounterClockwise() ? -1 : 1) * degrees(fit->pose.angleRad);
    // Four numbers are fitted; what is left of the residual stands for that many less.
    const auto n = double(from.size());
    if (n > 2) out.sdDeg = degrees(fit->angleSdRad) * std::sqrt(2 * n / (2 * n - 4));
    return out;
}

double misfitSd(const MeasureInput& in, const MeasureContext& c) { return fitOf(in, c).sdDeg; }

double fittedRaw(const MeasureInput& in, const MeasureContext& c) {
    return wrapDeg(c.layoutRaw_deg + fitOf(in, c).turnDeg);
}

/// The first pair of which both marks are there.
template <class Has> std::optional<PelvisPair> firstPair(const Has& has) {
    static const std::vector<PelvisPair> pairs = {
        {"psis", "asis"}, {"pubis", "asis"}, {"hip", "crest"}, {"hip", "asis"}};
    const auto it = std::find_if(pairs.begin(), pairs.end(),
                                 [&](const PelvisPair& pair) { return has(pair.from) && has(pair.to); });
    return it == pairs.end() ? std::nullopt : std::optional(*it);
}

} // namespace

std::optional<PelvisPair> pelvisPair(const std::vector<std::string>& landmarks) {
    return firstPair([&](const std::string& name) {
        return std::find(landmarks.begin(), landmarks.end(), name) != landmarks.end();
    });
}

double rawTiltOfPair(const std::map<std::string, Point2>& points, const BodyAxes& axes) {
    const auto pair = firstPair([&](const std::string& name) {
        const auto it = points.find(name);
        return it != points.end() && it->second.allFinite();
    });
    if (!pair) return kGap;
    const Vector2 d = points.at(pair->to) - points.at(pair->from);
    // Against the perpendicular of cranial: level points read 0 with the back hip point straight behind.
    if (pair->from == "psis") return degrees(std::atan2(-d.dot(axes.cranial), d.dot(axes.anterior)));
    return orGap(axes.towardFrontDeg(d));
}

namespace {

double onTrunk(const MeasureInput& in, const MeasureContext& c) {
    const Point2 hip = in.at[5], shoulder = in.at[6];
    const auto trunk = c.axes.towardFrontDeg(shoulder - hip);
    return trunk ? wrapDeg(fittedRaw(in, c) - *trunk) : kGap;
}

} // namespace

std::vector<Measure> pelvisMeasures() {
    std::vector<std::string> withShoulder = kPelvisMarks;
    withShoulder.push_back("shoulder");
    return {
        {.id = "tilt_raw",
         .name = "pelvic tilt, raw",
         .unit = "deg",
         .landmarks = kPelvisMarks,
         .needed = 0,
         .againstMat = true,
         .value =
             [](const MeasureInput& in, const MeasureContext& c) {
                 std::map<std::string, Point2> points;
                 for (size_t i = 0; i < kPelvisMarks.size(); ++i)
                     if (in.at[i].allFinite()) points[kPelvisMarks[i]] = in.at[i];
                 return rawTiltOfPair(points, c.axes);
             }},
        {.id = "tilt",
         .name = "pelvic tilt",
         .unit = "deg",
         .landmarks = kPelvisMarks,
         .needed = 0,
         .zero = Zero::Neutral,
         .value = fittedRaw,
         .misfitSd = misfitSd},
        {.id = "pelvis_on_trunk",
         .name = "pelvis against trunk",
         .unit = "deg",
         .landmarks = withShoulder,
         .needed = 0,
         .zero = Zero::Neutral,
         .value = onTrunk,
         .misfitSd = misfitSd},
        // Where a round back is the aim, what counts is that the round of the start stays.
        {.id = "trunk_unrounds",
         .name = "pelvis against trunk, from the start",
         .unit = "deg",
         .landmarks = withShoulder,
         .needed = 0,
         .zero = Zero::Start,
         .value = onTrunk,
         .misfitSd = misfitSd},
    };
}

} // namespace deft
