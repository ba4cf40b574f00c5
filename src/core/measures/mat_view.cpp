#include "measures/mat_view.h"

#include "geometry/homography.h"
#include "geometry/propagate.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Mats differ from what is written on them, and corners are round: standard deviation of length over width (chosen
/// here).
constexpr double kProportionSd = 0.03;
/// Focal lengths of phones over the longer side of the picture, from the wide to the long camera (common practice).
constexpr double kLeastFocal = 0.45, kMostFocal = 3;

/// Near left, near right, far right, far left, as the camera sees them; y runs down.
std::array<Point2, 4> inOrder(std::array<Point2, 4> c) {
    const Point2 middle = (c[0] + c[1] + c[2] + c[3]) / 4;
    const auto bearing = [&](const Point2& p) { return std::atan2(p.y() - middle.y(), p.x() - middle.x()); };
    std::sort(c.begin(), c.end(), [&](const Point2& a, const Point2& b) { return bearing(a) < bearing(b); });
    // The sides that run across the picture are the long ones; the lower of them is the near one.
    const auto across = [&](size_t i) { return std::abs(c[(i + 1) % 4].x() - c[i].x()); };
    if (across(0) + across(2) < across(1) + across(3)) std::rotate(c.begin(), c.begin() + 1, c.end());
    if (c[0].y() + c[1].y() < c[2].y() + c[3].y()) std::rotate(c.begin(), c.begin() + 2, c.end());
    if (c[0].x() > c[1].x()) std::swap(c[0], c[1]), std::swap(c[2], c[3]);
    return c;
}

struct Seen {
    double turnDeg = kGap, rollDeg = kGap, focalPx = kGap, pxPerCm = kGap;
};

/// @param proportion length over width
Seen seenFrom(const std::array<Point2, 4>& corners, double length_cm, double proportion, const Lens& lens) {
    const double l = length_cm / 2, w = length_cm / proportion / 2;
    // On the mat: x along it, y away from the camera. In the picture and the camera: from its centre, x right, y down,
    // z forward.
    const std::array<Point2, 4> mat{Point2(-l, -w), Point2(l, -w), Point2(l, w), Point2(-l, w)};
    std::array<Point2, 4> picture = corners;
    for (Point2& c : picture) c -= lens.centre;
    const auto h = fitHomography(mat, picture);
    if (!h) return {};
    // The first columns are the mat's own directions, focal length times too long in x and y. Both are equally long,
    // which tells the focal length (Hartley and Zisserman, ch. 8: a known plane, square pixels, known centre).
    const Eigen::Vector3d along = h->m.col(0), away = h->m.col(1);
    const double f2 =
        (along.head<2>().squaredNorm() - away.head<2>().squaredNorm()) / (away.z() * away.z() - along.z() * along.z());
    const double longer = 2 * std::max(lens.centre.x(), lens.centre.y());
    double f = std::sqrt(f2); // not a number where the corners tell none
    if (!(f > kLeastFocal * longer && f < kMostFocal * longer)) f = lens.focalPx;
    if (!(f > 0)) return {};
    const auto direction = [f](const Eigen::Vector3d& column) {
        return Eigen::Vector3d(column.x() / f, column.y() / f, column.z());
    };
    const double perCm = direction(along).norm();
    const Eigen::Vector3d x = direction(along) / perCm, raw = direction(away);
    const Eigen::Vector3d y = (raw - raw.dot(x) * x).normalized(), up = x.cross(y);
    Seen seen;
    seen.focalPx = f;
    seen.turnDeg = degrees(std::atan2(x.z(), y.z()));
    seen.rollDeg = degrees(std::atan2(-up.x(), -up.y()));
    seen.pxPerCm = f * perCm / h->m(2, 2);
    return seen;
}

} // namespace

std::optional<MatView> matView(const std::array<Point2, 4>& given, const MatSize& size, const Lens& lens) {
    if (!(size.length_cm > 0) || !(size.width_cm > 0)) return std::nullopt;
    const auto corners = inOrder(given);
    std::vector<double> x, sd(9, kMarkingSdPx);
    for (const Point2& c : corners) x.push_back(c.x()), x.push_back(c.y());
    x.push_back(size.length_cm / size.width_cm);
    sd.back() = kProportionSd * x.back();
    const auto see = [&](const std::vector<double>& v) {
        return seenFrom({Point2(v[0], v[1]), Point2(v[2], v[3]), Point2(v[4], v[5]), Point2(v[6], v[7])},
                        size.length_cm, v[8], lens);
    };
    const Seen seen = see(x);
    if (!std::isfinite(seen.turnDeg) || std::abs(seen.turnDeg) > 60) return std::nullopt;
    MatView view;
    view.turnDeg = seen.turnDeg, view.rollDeg = seen.rollDeg;
    view.focalPx = seen.focalPx, view.pxPerCm = seen.pxPerCm;
    view.turnU95 = kU95 * propagatedSd([&](const auto& v) { return see(v).turnDeg; }, x, sd);
    view.rollSd_deg = propagatedSd([&](const auto& v) { return see(v).rollDeg; }, x, sd);
    if (!std::isfinite(view.turnU95) || !std::isfinite(view.rollSd_deg)) return std::nullopt;
    return view;
}

std::optional<std::array<Point2, 4>> matCorners(const Tracks& tracks) {
    std::array<Point2, 4> corners;
    for (size_t i = 0; i < 4; ++i) {
        const auto at = medianPlace(tracks, std::string("mat_") + char('a' + i));
        if (!at) return std::nullopt;
        corners[i] = *at;
    }
    return inOrder(corners);
}

std::optional<MatView> matView(const Tracks& tracks, const MatSize& size, const Lens& lens) {
    const auto corners = matCorners(tracks);
    return corners ? matView(*corners, size, lens) : std::nullopt;
}

} // namespace deft
