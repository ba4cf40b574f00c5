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

std::optional<Patch> Patch::take(const cv::Mat& image, const Point2& centre, double radius, double sigma) {
    Patch p;
    p.radius_ = radius;
    const int r = int(std::ceil(radius));
    double xx = 0, xy = 0, yy = 0, total = 0;
    for (int j = -r; j <= r; ++j)
        for (int i = -r; i <= r; ++i) {
            const double d2 = double(i) * i + double(j) * j;
            if (d2 > radius * radius) continue;
            const float x = float(centre.x()) + float(i), y = float(centre.y()) + float(j);
            if (!inside(image, x - 1, y - 1) || !inside(image, x + 1, y + 1)) return std::nullopt;
            const float gx = (sample(image, x + 1, y) - sample(image, x - 1, y)) / 2,
                        gy = (sample(image, x, y + 1) - sample(image, x, y - 1)) / 2;
            const auto w = float(std::exp(-d2 / (2 * sigma * sigma)));
            p.x_.push_back(float(i)), p.y_.push_back(float(j));
            p.grey_.push_back(sample(image, x, y));
            p.gradX_.push_back(gx), p.gradY_.push_back(gy), p.weight_.push_back(w);
            xx += double(w * gx * gx), xy += double(w * gx * gy), yy += double(w * gy * gy), total += double(w);
        }
    const double half = (xx + yy) / 2, root = std::sqrt(std::pow((xx - yy) / 2, 2) + xy * xy);
    p.texture_ = (half - root) / total;
    return p;
}

std::optional<PatchMatch> Patch::align(const cv::Mat& image, PatchPose start, const AlignOptions& o) const {
    const size_t n = grey_.size();
    PatchMatch match;
    PatchPose& pose = match.pose = start;
    const bool turns = o.anglePriorRad > 0, scales = o.scalePrior > 0;
    if (!turns) pose.angleRad = o.predictedAngleRad;
    if (!scales) pose.scale = o.predictedScale;
    std::vector<float> seen(n), weight(n);
    double variance = 4;
    Eigen::Matrix4d hessian = Eigen::Matrix4d::Identity();

    for (int step = 0; step < o.steps; ++step) {
        const auto c = float(pose.scale * std::cos(pose.angleRad)), s = float(pose.scale * std::sin(pose.angleRad));
        const auto cx = float(pose.centre.x()), cy = float(pose.centre.y());
        // Read the picture; fit gain and bias.
        double sw = 0, st = 0, si = 0, stt = 0, sti = 0, sii = 0;
        for (size_t i = 0; i < n; ++i) {
            const float x = cx + c * x_[i] - s * y_[i], y = cy + s * x_[i] + c * y_[i];
            if (!inside(image, x, y)) return std::nullopt;
            seen[i] = sample(image, x, y);
            const double w = double(weight_[i]), t = double(grey_[i]), v = double(seen[i]);
            sw += w, st += w * t, si += w * v, stt += w * t * t, sti += w * t * v, sii += w * v * v;
        }
        const double covariance = sti - st * si / sw, spreadT = stt - st * st / sw, spreadI = sii - si * si / sw;
        if (spreadT < 1e-6 || spreadI < 1e-6) return std::nullopt;
        match.correlation = covariance / std::sqrt(spreadT * spreadI);
        const double gain = std::clamp(covariance / spreadT, 0.3, 3.0), bias = (si - gain * st) / sw;

        double mean = 0;
        for (size_t i = 0; i < n; ++i)
            mean += double(weight_[i]) * std::abs((double(seen[i]) - bias) / gain - double(grey_[i]));
        const double cut = std::max(2.0, 3 * 1.25 * mean / sw) * 1.6;
        hessian.setZero();
        Eigen::Vector4d right = Eigen::Vector4d::Zero();
        double residual = 0, kept = 0;
        for (size_t i = 0; i < n; ++i) {
            const double e = (double(seen[i]) - bias) / gain - double(grey_[i]), u = e / cut;
            if (std::abs(u) >= 1) continue;
            const double w = double(weight_[i]) * (1 - u * u) * (1 - u * u);
            const double gx = double(gradX_[i]), gy = double(gradY_[i]);
            const Eigen::Vector4d j(gx, gy, gy * double(x_[i]) - gx * double(y_[i]),
                                    gx * double(x_[i]) + gy * double(y_[i]));
            hessian += w * j * j.transpose();
            right += w * e * j;
            residual += w * e * e, kept += w;
        }
        if (kept < 0.15 * sw) return std::nullopt;
        variance = std::max(0.3, residual / kept);
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
    const size_t n = grey_.size();
    double sw = 0, st = 0, stt = 0;
    for (size_t i = 0; i < n; ++i) {
        const double w = double(weight_[i]), t = double(grey_[i]);
        sw += w, st += w * t, stt += w * t * t;
    }
    const double spreadT = stt - st * st / sw;
    double best = -1;
    const int reach = int(to), step = to > 16 ? 2 : 1; // the larger a ring is, the coarser it may be searched
    for (int dy = -reach; dy <= reach; dy += step)
        for (int dx = -reach; dx <= reach; dx += step) {
            const double d = std::hypot(dx, dy);
            if (d < from || d > to) continue;
            const int cx = int(std::lround(centre.x())) + dx, cy = int(std::lround(centre.y())) + dy;
            const auto r = int(std::ceil(radius_));
            if (cx < r || cy < r || cx + r >= image.cols || cy + r >= image.rows) continue;
            double si = 0, sti = 0, sii = 0;
            for (size_t i = 0; i < n; ++i) {
                const double w = double(weight_[i]), v = image.at<uchar>(cy + int(y_[i]), cx + int(x_[i]));
                si += w * v, sti += w * double(grey_[i]) * v, sii += w * v * v;
            }
            const double spreadI = sii - si * si / sw;
            if (spreadT > 1e-6 && spreadI > 1e-6)
                best = std::max(best, (sti - st * si / sw) / std::sqrt(spreadT * spreadI));
        }
    return best < -0.5 ? 1 : best;
}

} // namespace deft
