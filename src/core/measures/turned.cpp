#include "measures/turned.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kMostTurn_deg = 60; // beyond it the width tells nothing more
constexpr double kWidthNoise = 0.02; // of the width, by skin and marks: it would be eleven degrees
constexpr int kAround = 3;           // frames on either side whose median width counts

/// Distance of the hip points in every frame; empty when there is no pair.
std::vector<double> pelvisWidth(const Tracks& tracks, View view) {
    const auto pair = hipPair(tracks, view);
    if (!pair) return {};
    std::vector<double> width;
    for (size_t i = 0; i < tracks.frames(); ++i) {
        const TrackPoint *l = tracks.find(pair->first, i), *r = tracks.find(pair->second, i);
        width.push_back(l && r && l->usable() && r->usable() ? (r->at - l->at).norm() : kGap);
    }
    return width;
}

} // namespace

Lens Lens::ofPhone(double width_px, double height_px) {
    return {kPhoneFocal * std::max(width_px, height_px), {(width_px - 1) / 2, (height_px - 1) / 2}};
}

Point2 seenSquare(const Point2& p, double turnDeg, const Point2& pivot, const Vector2& up, const Lens& lens) {
    const Vector2 along(-up.y(), up.x());
    const double c = std::cos(radians(turnDeg)), s = std::sin(radians(turnDeg));
    if (!(lens.focalPx > 0)) return p + along * ((p - pivot).dot(along) * (1 / c - 1));
    // In units of the distance: where the axis is, and how far along the plane the point lies.
    const Vector2 q = (p - lens.centre) / lens.focalPx;
    const double x = q.dot(along), y = q.dot(up), axis = (pivot - lens.centre).dot(along) / lens.focalPx;
    const double way = (x - axis) / (c - x * s);
    return lens.centre + lens.focalPx * (along * (axis + way) + up * (y * (1 + way * s)));
}

std::vector<double> possibleTurn(const Tracks& tracks, View view) {
    std::vector<double> turn(tracks.frames(), view == View::Above ? 0 : kUnknownTurn_deg);
    if (view == View::Side || view == View::Above) return turn;
    const auto width = pelvisWidth(tracks, view);
    std::vector<double> known;
    std::copy_if(width.begin(), width.end(), std::back_inserter(known), [](double w) { return std::isfinite(w); });
    if (known.empty()) return turn;
    const auto widest = known.begin() + std::ptrdiff_t(0.95 * double(known.size() - 1));
    std::nth_element(known.begin(), widest, known.end());
    for (size_t i = 0; i < turn.size(); ++i) {
        const size_t from = i >= size_t(kAround) ? i - kAround : 0, to = std::min(turn.size(), i + kAround + 1);
        const double w = medianOf({width.begin() + std::ptrdiff_t(from), width.begin() + std::ptrdiff_t(to)});
        if (!std::isfinite(w)) continue;
        const double seen = degrees(std::acos(std::clamp(w / *widest + kWidthNoise, 0.0, 1.0)));
        turn[i] = std::clamp(seen, kUnknownTurn_deg, kMostTurn_deg);
    }
    return turn;
}

Tracks asIfSquare(const Tracks& tracks, const std::vector<double>& turnDeg, double sign, View view,
                  const BodyAxes& axes, const Lens& lens) {
    Point2 pivot = axes.matPoint;
    if (const auto pair = hipPair(tracks, view); view != View::Side && pair)
        pivot = 0.5 * (*medianPlace(tracks, pair->first) + *medianPlace(tracks, pair->second));
    else if (const auto hip = medianPlace(tracks, "hip"))
        pivot = *hip;
    Tracks out = tracks;
    for (auto& [name, points] : out.landmark)
        for (size_t i = 0; i < points.size(); ++i)
            if (points[i].usable()) points[i].at = seenSquare(points[i].at, sign * turnDeg[i], pivot, axes.up, lens);
    return out;
}

} // namespace deft
