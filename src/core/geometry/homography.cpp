// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/homography.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Moves points to a middle of zero and a mean distance of √2, without which the equations are badly scaled.
Eigen::Matrix3d normaliser(const std::array<Point2, 4>& points) {
    Point2 middle = Point2::Zero();
    for (const Point2& p : points) middle += p / 4;
    double away = 0;
    for (const Point2& p : points) away += (p - middle).norm() / 4;
    const double scale = away > 0 ? std::sqrt(2.0) / away : 1;
    Eigen::Matrix3d m;
    m << scale, 0, -scale * middle.x(), 0, scale, -scale * middle.y(), 0, 0, 1;
    return m;
}

bool allFinite(const std::array<Point2, 4>& points) {
    return std::all_of(points.begin(), points.end(), [](const Point2& p) { return p.allFinite(); });
}

} // namespace

Result<Homography> fitHomography(const std::array<Point2, 4>& from, const std::array<Point2, 4>& to) {
    if (!allFinite(from) || !allFinite(to)) return fail(Errc::NotFinite, "a corner has no place");
    const Eigen::Matrix3d a = normaliser(from), b = normaliser(to);
    Eigen::Matrix<double, 8, 9> equations;
    for (size_t i = 0; i < from.size(); ++i) {
        const Eigen::Vector3d p = a * from[i].homogeneous();
        const Point2 q = (b * to[i].homogeneous()).hnormalized();
        const auto row = 2 * Eigen::Index(i);
        equations.row(row) << p.transpose(), 0, 0, 0, -q.x() * p.transpose();
        equations.row(row + 1) << 0, 0, 0, p.transpose(), -q.y() * p.transpose();
    }
    const Eigen::JacobiSVD<Eigen::Matrix<double, 8, 9>> svd(equations, Eigen::ComputeFullV);
    // One solution only: eight directions of the equations must tell something.
    if (svd.singularValues()[7] < 1e-9 * svd.singularValues()[0])
        return fail(Errc::Degenerate, "three of the corners lie on one line");
    const Eigen::Matrix3d h = svd.matrixV().col(8).reshaped<Eigen::RowMajor>(3, 3);
    Homography out{b.inverse() * h * a};
    if (!(std::abs(out.m.determinant()) > 1e-12 * std::pow(out.m.norm(), 3)))
        return fail(Errc::Degenerate, "three of the corners lie on one line");
    out.m /= out.m.norm();
    if (out.m(2, 2) < 0) out.m = -out.m;
    return out;
}

} // namespace deft
