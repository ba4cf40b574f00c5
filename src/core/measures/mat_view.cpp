// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/mat_view.h"

#include "geometry/homography.h"
#include "marks/names.h"

#include <algorithm>
#include <cmath>
#include <unsupported/Eigen/NonLinearOptimization>

namespace deft {
namespace {

// Standard deviations of what is known beforehand, in natural logarithms. Mats differ from what is written on them, and
// their corners are round; phones have wide and long cameras besides their main one (chosen here).
constexpr double kProportionSd = 0.03, kFocalSd = 0.4;
constexpr double kWorstFit_px = 12; // farther off, and they are no corners of such a mat

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

/// The camera over the mat, and what is not quite known of lens and mat.
enum Unknown { Turn, Pitch, Roll, Across, Below, Away, LogFocal, LogProportion, Unknowns };
using Vec = Eigen::Matrix<double, Unknowns, 1>;
/// Eight coordinates and the two that are known beforehand, each less what it should be, over its standard deviation.
using Misfit = Eigen::Matrix<double, 10, 1>;

/// From the mat's own plane (x along it, y away from the camera) to the camera: x right, y down, z forward.
Eigen::Matrix3d bearings(const Vec& v) {
    // Turned on the floor, then the camera's pitch downwards, then its roll.
    return (Eigen::AngleAxisd(-v[Roll], Eigen::Vector3d::UnitZ()) *
            Eigen::AngleAxisd(v[Pitch], Eigen::Vector3d::UnitX()) *
            Eigen::AngleAxisd(-v[Turn], Eigen::Vector3d::UnitY()))
        .toRotationMatrix();
}

Eigen::Vector3d middleOf(const Vec& v) {
    Vec level = v;
    level[Turn] = 0;
    return bearings(level) * Eigen::Vector3d(v[Across], v[Below], v[Away]);
}

Misfit misfitOf(const Vec& v, const std::array<Point2, 4>& corners, const MatSize& size, const Lens& lens) {
    const double l = size.length_cm / 2, w = l / std::exp(v[LogProportion]), f = std::exp(v[LogFocal]);
    const Eigen::Matrix3d turned = bearings(v);
    const Eigen::Vector3d middle = middleOf(v);
    Misfit off;
    for (size_t i = 0; i < 4; ++i) {
        const double x = i == 0 || i == 3 ? -l : l, away = i < 2 ? -w : w;
        const Eigen::Vector3d at = middle + turned * Eigen::Vector3d(x, 0, away);
        const Point2 seen = lens.centre + f * at.head<2>() / std::max(1.0, at.z());
        off.segment<2>(Eigen::Index(2 * i)) = (seen - corners[i]) / kSceneMarkingSd_px;
    }
    off[8] = (v[LogFocal] - std::log(lens.focalPx)) / kFocalSd;
    off[9] = (v[LogProportion] - std::log(size.length_cm / size.width_cm)) / kProportionSd;
    return off;
}

/// The corners with what is known beforehand, as Eigen's Levenberg-Marquardt solver wants it. Its own differences take
/// steps in proportion to the unknowns, and the mat's middle may well lie at nought.
struct LeastSquares {
    using Scalar = double;
    using InputType = Eigen::VectorXd;
    using ValueType = Eigen::VectorXd;
    using JacobianType = Eigen::MatrixXd;
    enum { InputsAtCompileTime = Eigen::Dynamic, ValuesAtCompileTime = Eigen::Dynamic };
    const std::array<Point2, 4>& corners;
    const MatSize& size;
    const Lens& lens;

    int inputs() const { return Unknowns; }
    int values() const { return int(Misfit::RowsAtCompileTime); }
    int operator()(const InputType& at, ValueType& off) const {
        off = misfitOf(at, corners, size, lens);
        return 0;
    }
    int df(const InputType& at, JacobianType& slope) const {
        slope.resize(values(), inputs());
        for (int k = 0; k < Unknowns; ++k) {
            Vec above = at, below = at;
            const double way = k >= Across && k <= Away ? 0.05 : 1e-5; // cm, or rad and logarithms
            above[k] += way, below[k] -= way;
            slope.col(k) = (misfitOf(above, corners, size, lens) - misfitOf(below, corners, size, lens)) / (2 * way);
        }
        return 0;
    }
};

/// Where to begin: the plane's picture taken apart as if the lens were known (Hartley and Zisserman, ch. 8).
std::optional<Vec> firstGuess(const std::array<Point2, 4>& corners, const MatSize& size, const Lens& lens) {
    const double l = size.length_cm / 2, w = size.width_cm / 2, f = lens.focalPx;
    std::array<Point2, 4> picture = corners;
    for (Point2& c : picture) c -= lens.centre;
    const auto h = fitHomography({Point2(-l, -w), Point2(l, -w), Point2(l, w), Point2(-l, w)}, picture);
    if (!h || !(f > 0)) return std::nullopt;
    const auto inCamera = [&](int column) {
        return Eigen::Vector3d(h->m(0, column) / f, h->m(1, column) / f, h->m(2, column));
    };
    const double perCm = inCamera(0).norm();
    const Eigen::Vector3d x = inCamera(0) / perCm, raw = inCamera(1), middle = inCamera(2) / perCm;
    const Eigen::Vector3d y = (raw - raw.dot(x) * x).normalized(), up = x.cross(y);
    Vec v;
    v[Turn] = std::atan2(x.z(), y.z());
    v[Roll] = std::atan2(-up.x(), -up.y());
    v[Pitch] = std::atan2(-up.z(), std::hypot(up.x(), up.y()));
    Vec level = v;
    level[Turn] = 0;
    v.segment<3>(Across) = bearings(level).transpose() * middle;
    v[LogFocal] = std::log(f), v[LogProportion] = std::log(l / w);
    return v;
}

} // namespace

std::optional<MatView> matView(const std::array<Point2, 4>& given, const MatSize& size, const Lens& lens) {
    if (!(size.length_cm > 0) || !(size.width_cm > 0)) return std::nullopt;
    const auto corners = inOrder(given);
    auto v = firstGuess(corners, size, lens);
    if (!v) return std::nullopt;
    const LeastSquares problem{corners, size, lens};
    LeastSquares::InputType best = *v;
    Eigen::LevenbergMarquardt<const LeastSquares>(problem).minimize(best);
    *v = best;
    const Misfit off = misfitOf(*v, corners, size, lens);
    LeastSquares::JacobianType slope;
    problem.df(best, slope);
    const Eigen::Matrix<double, Unknowns, Unknowns> covariance = (slope.transpose() * slope).inverse();
    const double farthest = kSceneMarkingSd_px * off.head<8>().lpNorm<Eigen::Infinity>();
    const Eigen::Vector3d middle = middleOf(*v);
    MatView view;
    view.turnDeg = degrees((*v)[Turn]), view.rollDeg = degrees((*v)[Roll]);
    view.turnU95 = kU95 * degrees(std::sqrt(covariance(Turn, Turn)));
    view.rollSd_deg = degrees(std::sqrt(covariance(Roll, Roll)));
    view.focalPx = std::exp((*v)[LogFocal]);
    view.pxPerCm = view.focalPx / middle.z();
    const bool possible = middle.z() > 0 && (*v)[Below] > 0 && std::abs(view.turnDeg) < 60 && farthest < kWorstFit_px;
    if (!possible || !std::isfinite(view.turnU95) || !std::isfinite(view.rollSd_deg)) return std::nullopt;
    return view;
}

std::optional<std::array<Point2, 4>> matCorners(const Tracks& tracks) {
    std::array<Point2, 4> corners;
    for (size_t i = 0; i < 4; ++i) {
        const auto at = medianPlace(tracks, kMatCorners[i]);
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
