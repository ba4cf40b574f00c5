// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/rigid_fit.h"
#include "measures/parts.h"

#include <algorithm>

namespace deft {

using namespace parts;

namespace {

/// Every mark counts by its own uncertainty, so that one weak mark does not carry the angle.
double weightOf(double sd) { return 1 / (sd * sd + 0.09); }

/// Turn of the rigid pelvis, as its marks were set, that lays it best on every mark that is seen, degrees, + anterior;
/// gap with fewer than two marks. The angle of fitPose()'s closed form alone: it is asked for some hundred times for
/// every frame.
double turnSinceMarked(const MeasureInput& in, const MeasureContext& c) {
    double total = 0;
    int seen = 0;
    Vector2 from = Vector2::Zero(), to = Vector2::Zero();
    const auto both = [&](size_t i) { return c.layout[i].allFinite() && in.at[i].allFinite(); };
    for (size_t i = 0; i < c.layout.size(); ++i) {
        if (!both(i)) continue;
        const double w = weightOf(in.sd[i]);
        total += w, ++seen;
        from += w * c.layout[i], to += w * in.at[i];
    }
    if (seen < 2) return kGap;
    from /= total, to /= total;
    double along = 0, across = 0;
    for (size_t i = 0; i < c.layout.size(); ++i) {
        if (!both(i)) continue;
        const double w = weightOf(in.sd[i]);
        const Vector2 a = c.layout[i] - from, b = in.at[i] - to;
        along += w * a.dot(b), across += w * (a.x() * b.y() - a.y() * b.x());
    }
    if (!(std::hypot(along, across) > 1e-9)) return kGap; // all in one place
    return (c.axes.frontIsCounterClockwise() ? -1 : 1) * degrees(std::atan2(across, along));
}

/// As far as the marks disagree with each other; 0 = two marks cannot.
double misfitOfPelvisSd(const MeasureInput& in, const MeasureContext& c) {
    std::vector<Point2> from, to;
    std::vector<double> weight;
    for (size_t i = 0; i < c.layout.size(); ++i) {
        if (!c.layout[i].allFinite() || !in.at[i].allFinite()) continue;
        from.push_back(c.layout[i]), to.push_back(in.at[i]), weight.push_back(weightOf(in.sd[i]));
    }
    const auto n = double(from.size());
    if (!(n > 2)) return 0;
    const auto fit = fitPose(from, to, weight, {.withScale = true});
    // Four numbers are fitted; what is left of the residual stands for that many less.
    return fit ? degrees(fit->angleSdRad) * std::sqrt(2 * n / (2 * n - 4)) : 0;
}

double fittedRaw(const MeasureInput& in, const MeasureContext& c) {
    return wrapDeg(c.layoutRaw_deg + turnSinceMarked(in, c));
}

/// The pairs that tell the pelvis's angle, the best first, as places in kPelvisMarks.
enum : size_t { kAsis, kPsis, kCrest, kPubis, kSacrum, kHip };
constexpr std::array<std::pair<size_t, size_t>, 4> kPairs = {
    {{kPsis, kAsis}, {kPubis, kAsis}, {kHip, kCrest}, {kHip, kAsis}}};
template <class Has> auto firstPair(const Has& has) {
    return std::find_if(kPairs.begin(), kPairs.end(),
                        [&](const auto& pair) { return has(pair.first) && has(pair.second); });
}

} // namespace

std::optional<PelvisPair> pelvisPair(const std::vector<std::string>& landmarks) {
    const auto pair = firstPair([&](size_t mark) {
        return std::find(landmarks.begin(), landmarks.end(), kPelvisMarks[mark]) != landmarks.end();
    });
    if (pair == kPairs.end()) return std::nullopt;
    return PelvisPair{kPelvisMarks[pair->first], kPelvisMarks[pair->second]};
}

double rawTiltOfPair(std::span<const Point2> marks, const BodyAxes& axes) {
    const auto pair = firstPair([&](size_t mark) { return marks[mark].allFinite(); });
    if (pair == kPairs.end()) return kGap;
    const Vector2 d = marks[pair->second] - marks[pair->first];
    // Against the perpendicular of cranial: level points read 0 with the back hip point straight behind.
    if (pair->first == kPsis) return degrees(std::atan2(-d.dot(axes.cranial), d.dot(axes.anterior)));
    return orGap(axes.towardFrontDeg(d));
}

namespace {

double pelvisOnTrunk(const MeasureInput& in, const MeasureContext& c) {
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
         .value = [](const MeasureInput& in, const MeasureContext& c) { return rawTiltOfPair(in.at, c.axes); }},
        {.id = "tilt",
         .name = "pelvic tilt",
         .unit = "deg",
         .landmarks = kPelvisMarks,
         .needed = 0,
         .zero = Zero::Neutral,
         .value = fittedRaw,
         .misfitSd = misfitOfPelvisSd},
        {.id = "pelvis_on_trunk",
         .name = "pelvis against trunk",
         .unit = "deg",
         .landmarks = withShoulder,
         .needed = 0,
         .zero = Zero::Neutral,
         .value = pelvisOnTrunk,
         .misfitSd = misfitOfPelvisSd},
        // Where a round back is the aim, what counts is that the round of the start stays.
        {.id = "trunk_unrounds",
         .name = "pelvis against trunk, from the start",
         .unit = "deg",
         .landmarks = withShoulder,
         .needed = 0,
         .zero = Zero::Start,
         .value = pelvisOnTrunk,
         .misfitSd = misfitOfPelvisSd},
    };
}

} // namespace deft
