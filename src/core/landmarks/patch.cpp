#include "landmarks/patch.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Bilinear reading of an 8-bit picture; the place must lie inside by one pixel.
inline float sample(const cv::Mat& image, float x, float y) {
    const int ix = int(x), iy = int(y);
    const float fx = x - float(ix), fy = y - float(iy);
    const uchar *a = image.ptr(iy) + ix, *b = image.ptr(iy + 1) + ix;
    const float top = float(a[0]) + fx * float(a[1] - a[0]), bottom = float(b[0]) + fx * float(b[1] - b[0]);
    return top + fy * (bottom - top);
}

inline bool inside(const cv::Mat& image, float x, float y) {
    return x >= 1 && y >= 1 && x < float(image.cols - 2) && y < float(image.rows - 2);
}

} // namespace

Patch::Pixels::Pixels(const cv::Mat& image, const Point2& centre, double radius, double sigma, int apart) {
    const int r = int(radius) / apart * apart;
    std::vector<std::pair<int, int>> disc;
    for (int j = -r; j <= r; j += apart)
        for (int i = -r; i <= r; i += apart)
            if (double(i) * i + double(j) * j <= radius * radius) disc.emplace_back(i, j);
    const auto n = Eigen::Index(disc.size());
    for (Eigen::ArrayXf* column : {&x, &y, &grey, &weight}) column->resize(n);
    rise.resize(n, 4);
    for (Eigen::Index k = 0; k < n; ++k) {
        x[k] = float(disc[size_t(k)].first), y[k] = float(disc[size_t(k)].second);
        const float atX = float(centre.x()) + x[k], atY = float(centre.y()) + y[k];
        grey[k] = sample(image, atX, atY);
        rise(k, 0) = (sample(image, atX + 1, atY) - sample(image, atX - 1, atY)) / 2;
        rise(k, 1) = (sample(image, atX, atY + 1) - sample(image, atX, atY - 1)) / 2;
    }
    const auto gx = rise.col(0).array(), gy = rise.col(1).array();
    rise.col(2) = gy * x - gx * y;
    rise.col(3) = gx * x + gy * y;
    weight = (-(x.square() + y.square()) / float(2 * sigma * sigma)).exp();
    total = weight.sum();
    grey -= mean(grey);
    spread = mean(grey.square());
}

std::optional<Patch> Patch::take(const cv::Mat& image, const Point2& centre, double radius, double sigma) {
    const auto x = float(centre.x()), y = float(centre.y()), reach = float(std::ceil(radius) + 1);
    if (!inside(image, x - reach, y - reach) || !inside(image, x + reach, y + reach)) return std::nullopt;
    Patch patch;
    patch.radius_ = radius;
    patch.pixels_ = std::make_shared<Pixels>(image, centre, radius, sigma, 1);
    patch.fewPixels_ = std::make_shared<Pixels>(image, centre, radius, sigma, 2);
    const Pixels& p = *patch.pixels_;
    const auto gx = p.rise.col(0).array(), gy = p.rise.col(1).array();
    const auto xx = double(p.mean(gx * gx)), xy = double(p.mean(gx * gy)), yy = double(p.mean(gy * gy));
    patch.texture_ = (xx + yy) / 2 - std::hypot((xx - yy) / 2, xy);
    return patch;
}

std::optional<PatchMatch> Patch::alignRoughly(const cv::Mat& image, PatchPose start, AlignOptions o) const {
    o.steps = (o.steps + 1) / 2, o.stopPx = 0.5;
    return align(*fewPixels_, image, start, o);
}

std::optional<PatchMatch> Patch::align(const Pixels& p, const cv::Mat& image, PatchPose start,
                                       const AlignOptions& o) const {
    const Eigen::Index n = p.grey.size();
    PatchMatch match;
    PatchPose& pose = match.pose = start;
    const bool turns = o.anglePriorRad > 0, scales = o.scalePrior > 0;
    if (!turns) pose.angleRad = o.predictedAngleRad;
    if (!scales) pose.scale = o.predictedScale;
    const Eigen::Index unknowns = scales ? 4 : 3; // what is held costs nothing
    Eigen::ArrayXf x(n), y(n), seen(n), off(n), weight(n), weighted(n);
    double variance = 4;
    Eigen::Matrix4d hessian = Eigen::Matrix4d::Identity();

    for (int step = 0; step < o.steps; ++step) {
        const auto c = float(pose.scale * std::cos(pose.angleRad)), s = float(pose.scale * std::sin(pose.angleRad));
        const auto cx = float(pose.centre.x()), cy = float(pose.centre.y()), reach = float(radius_ * pose.scale);
        if (!inside(image, cx - reach, cy - reach) || !inside(image, cx + reach, cy + reach)) return std::nullopt;
        // Read the picture; fit gain and bias.
        x = cx + c * p.x - s * p.y, y = cy + s * p.x + c * p.y;
        for (Eigen::Index i = 0; i < n; ++i) seen[i] = sample(image, x[i], y[i]);
        seen -= p.mean(seen);
        const float covariance = p.mean(p.grey * seen), spread = p.mean(seen.square());
        if (p.spread < 1e-6F || spread < 1e-6F) return std::nullopt;
        match.correlation = double(covariance / std::sqrt(p.spread * spread));
        off = seen / std::clamp(covariance / p.spread, 0.3F, 3.0F) - p.grey;

        const float cut = std::max(2.0F, 3 * 1.25F * p.mean(off.abs())) * 1.6F;
        weight = p.weight * (1 - (off / cut).square().min(1.0F)).square();
        const auto kept = double(weight.sum());
        if (kept < 0.15 * double(p.total)) return std::nullopt;
        variance = std::max(0.3, double((weight * off.square()).sum()) / kept);
        Eigen::Vector4d right = Eigen::Vector4d::Zero();
        for (Eigen::Index i = 0; i < unknowns; ++i) {
            weighted = p.rise.col(i).array() * weight;
            right[i] = double((weighted * off).sum());
            for (Eigen::Index j = 0; j <= i; ++j)
                hessian(i, j) = hessian(j, i) = double((weighted * p.rise.col(j).array()).sum());
        }
        // Priors pull turn and scale to what the segment says; without texture they hold.
        auto hold = [&](int k, bool free, double now, double predicted, double sd) {
            if (!free) {
                hessian.row(k).setZero(), hessian.col(k).setZero();
                hessian(k, k) = 1, right[k] = 0;
                return;
            }
            const double strength = variance / (sd * sd);
            hessian(k, k) += strength;
            right[k] += strength * (now - predicted);
        };
        hold(2, turns, pose.angleRad, o.predictedAngleRad, o.anglePriorRad);
        hold(3, scales, pose.scale, o.predictedScale, o.scalePrior);
        const Eigen::LDLT<Eigen::Matrix4d> solver(hessian);
        if (solver.info() != Eigen::Success || hessian(0, 0) < 1e-3 || hessian(1, 1) < 1e-3) return std::nullopt;
        const Eigen::Vector4d d = solver.solve(right);
        if (!d.allFinite() || d.head<2>().norm() > 8) return std::nullopt;
        // Compose with the inverse of the small step.
        const double grow = 1 + (scales ? d[3] : 0);
        const Vector2 back = -Vector2(d[0], d[1]) / grow;
        const double cosA = std::cos(-d[2]), sinA = std::sin(-d[2]);
        const Vector2 turned(cosA * back.x() - sinA * back.y(), sinA * back.x() + cosA * back.y());
        pose.centre +=
            Vector2(double(c) * turned.x() - double(s) * turned.y(), double(s) * turned.x() + double(c) * turned.y());
        pose.angleRad -= d[2];
        pose.scale = std::clamp(pose.scale / grow, 0.6, 1.6);
        if (d.head<2>().norm() < o.stopPx && std::abs(d[2]) * radius_ < 2 * o.stopPx) break;
    }
    const Eigen::Matrix4d inverse = hessian.inverse();
    match.sdPx = std::sqrt(variance * std::max(inverse(0, 0), inverse(1, 1)));
    return match;
}

double Patch::lookalike(const cv::Mat& image, const Point2& centre, double from, double to) const {
    const Pixels& p = *pixels_;
    const Eigen::Index n = p.grey.size();
    Eigen::ArrayXf seen(n);
    float best = -1;
    const int reach = int(to), step = to > 16 ? 2 : 1; // the larger a ring is, the coarser it may be searched
    for (int dy = -reach; dy <= reach; dy += step)
        for (int dx = -reach; dx <= reach; dx += step) {
            const double d = std::hypot(dx, dy);
            if (d < from || d > to) continue;
            const int cx = int(std::lround(centre.x())) + dx, cy = int(std::lround(centre.y())) + dy;
            const auto r = int(std::ceil(radius_));
            if (cx < r || cy < r || cx + r >= image.cols || cy + r >= image.rows) continue;
            for (Eigen::Index i = 0; i < n; ++i) seen[i] = image.at<uchar>(cy + int(p.y[i]), cx + int(p.x[i]));
            seen -= p.mean(seen);
            const float spread = p.mean(seen.square());
            if (p.spread > 1e-6F && spread > 1e-6F)
                best = std::max(best, p.mean(p.grey * seen) / std::sqrt(p.spread * spread));
        }
    return best < -0.5F ? 1 : double(best);
}

} // namespace deft
