// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/turned.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace deft {
namespace {

constexpr double kMostTurn_deg = 60; // beyond it the width tells nothing more
// In the side view. Limits chosen here: in the nine made scenes with a square camera in which a limb turns that far,
// the slope of its true points lies within 0.03 of what it should be.
constexpr double kLimbNoise = 0.06; // of the slope, 95 %
constexpr double kLimbRange = 0.5;  // of the length², which its level part must run through
constexpr size_t kLimbFrames = 30;
constexpr int kAround = 3; // frames on either side whose median width counts

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

/// Of one limb: the share of its length² that its level part ran through, and how much more than square its upright
/// part² falls for that. Nothing when too little was seen.
struct Foreshortening {
    double range = 0, more = 0;
};
std::optional<Foreshortening> foreshorteningOf(const Tracks& tracks, const BodyAxes& axes, const char* from,
                                               const char* to) {
    std::vector<double> level, upright;
    double longest = 0;
    for (size_t i = 0; i < tracks.frames(); ++i) {
        const TrackPoint *a = tracks.find(from, i), *b = tracks.find(to, i);
        if (!a || !b || !a->usable() || !b->usable() || a->state == PointState::Weak || b->state == PointState::Weak)
            continue;
        const Vector2 d = b->at - a->at;
        upright.push_back(std::pow(d.dot(axes.up), 2));
        level.push_back(d.squaredNorm() - upright.back());
        longest = std::max(longest, d.squaredNorm());
    }
    if (level.size() < kLimbFrames || !(longest > 0)) return std::nullopt;
    const auto [least, most] = std::minmax_element(level.begin(), level.end());
    const auto n = double(level.size());
    const double meanLevel = std::accumulate(level.begin(), level.end(), 0.0) / n,
                 meanUpright = std::accumulate(upright.begin(), upright.end(), 0.0) / n;
    double squares = 0, products = 0;
    for (size_t i = 0; i < level.size(); ++i) {
        squares += std::pow(level[i] - meanLevel, 2);
        products += (level[i] - meanLevel) * (upright[i] - meanUpright);
    }
    if (!(squares > 0)) return std::nullopt;
    return Foreshortening{(*most - *least) / longest, -products / squares - 1};
}

double turnOf(double more) { return degrees(std::atan(std::sqrt(std::max(0.0, more)))); }

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

std::optional<LimbTurn> turnOfLimbs(const Tracks& tracks, const BodyAxes& axes) {
    std::optional<Foreshortening> best;
    for (const auto& [from, to] : {std::pair("hip", "knee"), std::pair("knee", "ankle")})
        if (const auto f = foreshorteningOf(tracks, axes, from, to); f && f->range > (best ? best->range : kLimbRange))
            best = f;
    if (!best) return std::nullopt;
    return LimbTurn{best->more > kLimbNoise ? turnOf(best->more) : 0, turnOf(best->more + kLimbNoise)};
}

std::vector<double> possibleTurn(const Tracks& tracks, View view, const BodyAxes& axes,
                                 const std::optional<MatView>& mat) {
    double camera = view == View::Above ? 0 : kUnknownTurn_deg;
    if (view == View::Side) {
        if (mat) camera = std::abs(mat->turnDeg) + std::hypot(mat->turnU95, kAlongMat_deg);
        if (const auto limbs = turnOfLimbs(tracks, axes); limbs && limbs->deg > 0)
            camera = std::max(camera, limbs->most_deg);
    }
    std::vector<double> turn(tracks.frames(), std::min(camera, kMostTurn_deg));
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
        for (size_t i = 0; i < points.size() && !name.starts_with("mat_"); ++i) // the mat lies in no upright plane
            if (points[i].usable()) points[i].at = seenSquare(points[i].at, sign * turnDeg[i], pivot, axes.up, lens);
    return out;
}

} // namespace deft
