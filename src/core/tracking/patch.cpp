// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/patch.h"

#include "tracking/constants.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>
#include <opencv2/core/hal/intrin.hpp>

namespace deft {
using namespace tracking;
namespace {

// What follows runs hundreds of times a frame: one walk over a patch each, in plain loops that the compiler can turn
// into instructions for several pixels at once (-fopenmp-simd).

struct SeenSums {
    float covariance, spread;
};
/// Takes the weighted mean out of what is seen. @return its weighted mean product with the patch and with itself
SeenSums centred(const float* weight, const float* grey, float* seen, Eigen::Index n, float total) {
    float mean = 0, covariance = 0, spread = 0;
#pragma omp simd reduction(+ : mean)
    for (Eigen::Index i = 0; i < n; ++i) mean += weight[i] * seen[i];
    mean /= total;
#pragma omp simd reduction(+ : covariance, spread)
    for (Eigen::Index i = 0; i < n; ++i) {
        seen[i] -= mean;
        covariance += weight[i] * grey[i] * seen[i];
        spread += weight[i] * seen[i] * seen[i];
    }
    return {covariance / total, spread / total};
}

/// Turns what is seen into how far it is off. @return its weighted sum
float lessThePatch(const float* weight, const float* grey, float* seen, Eigen::Index n, float gain) {
    float sum = 0;
    const float perGain = 1 / gain;
#pragma omp simd reduction(+ : sum)
    for (Eigen::Index i = 0; i < n; ++i) {
        seen[i] = seen[i] * perGain - grey[i];
        sum += weight[i] * std::abs(seen[i]);
    }
    return sum;
}

struct StepSums {
    float kept, squares; ///< weights after Tukey's loss; squares that they weigh
    Eigen::Vector4f right;
    Eigen::Matrix4f hessian; ///< its lower half
};
/// @param rise four columns of n @param off of each pixel, in grey levels @param cut where Tukey's loss leaves it out
StepSums stepSums(const float* weight, const float* rise, const float* off, Eigen::Index n, float cut) {
    const float *a = rise, *b = rise + n, *c = rise + 2 * n, *d = rise + 3 * n;
    const float perCut = 1 / cut;
    float kept = 0, squares = 0, ra = 0, rb = 0, rc = 0, rd = 0;
    float aa = 0, ba = 0, bb = 0, ca = 0, cb = 0, cc = 0, da = 0, db = 0, dc = 0, dd = 0;
#pragma omp simd reduction(+ : kept, squares, ra, rb, rc, rd, aa, ba, bb, ca, cb, cc, da, db, dc, dd)
    for (Eigen::Index i = 0; i < n; ++i) {
        const float u = off[i] * perCut, inside = std::max(0.0F, 1 - u * u), w = weight[i] * inside * inside;
        const float wa = w * a[i], wb = w * b[i], wc = w * c[i], wd = w * d[i];
        kept += w, squares += w * off[i] * off[i];
        ra += wa * off[i], rb += wb * off[i], rc += wc * off[i], rd += wd * off[i];
        aa += wa * a[i], ba += wb * a[i], bb += wb * b[i];
        ca += wc * a[i], cb += wc * b[i], cc += wc * c[i];
        da += wd * a[i], db += wd * b[i], dc += wd * c[i], dd += wd * d[i];
    }
    StepSums sums{kept, squares, {ra, rb, rc, rd}, Eigen::Matrix4f::Zero()};
    sums.hessian << aa, 0, 0, 0, ba, bb, 0, 0, ca, cb, cc, 0, da, db, dc, dd;
    return sums;
}

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

/// Bilinear reading of every pixel of a disc that is turned and sized by (c, s), eight at once; it must lie inside by
/// one pixel. @param n a multiple of eight
void readDisc(const cv::Mat& image, const float* x, const float* y, Eigen::Index n, const cv::Point2f& centre, float c,
              float s, float* out) {
#if CV_SIMD128
    using namespace cv;
    const auto stride = int(image.step[0]);
    const v_float32x4 cs = v_setall_f32(c), sn = v_setall_f32(s), cx = v_setall_f32(centre.x),
                      cy = v_setall_f32(centre.y);
    alignas(16) int at[8], below[8];
    const v_uint16x8 low = v_setall_u16(255);
    for (Eigen::Index i = 0; i < n; i += 8) {
        v_float32x4 right[2], down[2]; // of the pixel's corner
        for (int half = 0; half < 2; ++half) {
            const v_float32x4 px = v_load(x + i + 4 * half), py = v_load(y + i + 4 * half);
            const v_float32x4 atX = cx + cs * px - sn * py, atY = cy + sn * px + cs * py;
            const v_int32x4 column = v_trunc(atX), row = v_trunc(atY);
            right[half] = atX - v_cvt_f32(column), down[half] = atY - v_cvt_f32(row);
            const v_int32x4 index = row * v_setall_s32(stride) + column;
            v_store(at + 4 * half, index);
            v_store(below + 4 * half, index + v_setall_s32(stride));
        }
        const auto pairs = [&](const int* index, v_float32x4* first, v_float32x4* second) {
            const v_uint16x8 both = v_reinterpret_as_u16(v_lut_pairs(image.data, index));
            v_uint32x4 a, b;
            v_expand(both & low, a, b);
            first[0] = v_cvt_f32(v_reinterpret_as_s32(a)), first[1] = v_cvt_f32(v_reinterpret_as_s32(b));
            v_expand(both >> 8, a, b);
            second[0] = v_cvt_f32(v_reinterpret_as_s32(a)), second[1] = v_cvt_f32(v_reinterpret_as_s32(b));
        };
        v_float32x4 a[2], b[2], d[2], e[2];
        pairs(at, a, b);
        pairs(below, d, e);
        for (int half = 0; half < 2; ++half) {
            const v_float32x4 top = a[half] + right[half] * (b[half] - a[half]),
                              bottom = d[half] + right[half] * (e[half] - d[half]);
            v_store(out + i + 4 * half, top + down[half] * (bottom - top));
        }
    }
#else
    for (Eigen::Index i = 0; i < n; ++i)
        out[i] = sample(image, centre.x + c * x[i] - s * y[i], centre.y + s * x[i] + c * y[i]);
#endif
}

} // namespace

Patch::Pixels::Pixels(const cv::Mat& image, const Point2& centre, double radius, double sigma, int apart) {
    const int r = int(radius) / apart * apart;
    std::vector<std::pair<int, int>> disc;
    for (int j = -r; j <= r; j += apart)
        for (int i = -r; i <= r; i += apart)
            if (double(i) * i + double(j) * j <= radius * radius) disc.emplace_back(i, j);
    // Filled up with pixels without weight, so that they can be taken eight at once.
    const auto real = Eigen::Index(disc.size()), n = (real + 7) / 8 * 8;
    disc.resize(size_t(n));
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
    weight.tail(n - real) = 0;
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
    return align(*fewPixels_, *fewPixels_, image, start, o);
}

std::optional<PatchMatch> Patch::align(const Pixels& atFirst, const Pixels& atLast, const cv::Mat& image,
                                       PatchPose start, const AlignOptions& o) const {
    PatchMatch match;
    PatchPose& pose = match.pose = start;
    const bool turns = o.anglePriorRad > 0, scales = o.scalePrior > 0;
    if (!turns) pose.angleRad = o.predictedAngleRad;
    if (!scales) pose.scale = o.predictedScale;
    const Pixels* pixels = &atFirst;
    Eigen::ArrayXf values(atLast.grey.size()); // what is seen, then how far it is off
    double variance = 4;
    Eigen::Matrix4d hessian = Eigen::Matrix4d::Identity();

    for (int step = 0; step < o.steps; ++step) {
        const Pixels& p = *pixels;
        const Eigen::Index n = p.grey.size();
        const auto c = float(pose.scale * std::cos(pose.angleRad)), s = float(pose.scale * std::sin(pose.angleRad));
        const auto cx = float(pose.centre.x()), cy = float(pose.centre.y()), reach = float(radius_ * pose.scale);
        if (!inside(image, cx - reach, cy - reach) || !inside(image, cx + reach, cy + reach)) return std::nullopt;
        readDisc(image, p.x.data(), p.y.data(), n, {cx, cy}, c, s, values.data());
        const SeenSums seen = centred(p.weight.data(), p.grey.data(), values.data(), n, p.total);
        if (p.spread < 1e-6F || seen.spread < 1e-6F) return std::nullopt;
        match.correlation = double(seen.covariance / std::sqrt(p.spread * seen.spread));
        const float gain = std::clamp(seen.covariance / p.spread, 0.3F, 3.0F);
        const float scatter = lessThePatch(p.weight.data(), p.grey.data(), values.data(), n, gain) / p.total;
        const float cut = std::max(2.0F, 3 * 1.25F * scatter) * 1.6F;
        const StepSums sums = stepSums(p.weight.data(), p.rise.data(), values.data(), n, cut);
        if (sums.kept < 0.15F * p.total) return std::nullopt;
        variance = std::max(0.3, double(sums.squares / sums.kept));
        Eigen::Vector4d right = sums.right.cast<double>();
        hessian = sums.hessian.cast<double>();
        hessian.triangularView<Eigen::StrictlyUpper>() = hessian.transpose();
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
        const double way = d.head<2>().norm();
        if (pixels != &atLast) {
            if (way < kNear_px || step + 1 + kStepsWithAll >= o.steps) pixels = &atLast;
        } else if (way < o.stopPx && std::abs(d[2]) * radius_ < 2 * o.stopPx) {
            break;
        }
    }
    const Eigen::Matrix4d inverse = hessian.inverse();
    match.sdPx = std::sqrt(variance * std::max(inverse(0, 0), inverse(1, 1)));
    return match;
}

double Patch::lookalike(const cv::Mat& image, const Point2& centre, double from, double to,
                        double leastContrast) const {
    const Pixels& p = *pixels_;
    const Eigen::Index n = p.grey.size();
    Eigen::ArrayXf seen(n);
    float best = -1;
    bool any = false;
    const int reach = int(to), step = to > 16 ? 2 : 1; // the larger a ring is, the coarser it may be searched
    for (int dy = -reach; dy <= reach; dy += step)
        for (int dx = -reach; dx <= reach; dx += step) {
            const double d = std::hypot(dx, dy);
            if (d < from || d > to) continue;
            const int cx = int(std::lround(centre.x())) + dx, cy = int(std::lround(centre.y())) + dy;
            const auto r = int(std::ceil(radius_));
            if (cx < r || cy < r || cx + r >= image.cols || cy + r >= image.rows) continue;
            for (Eigen::Index i = 0; i < n; ++i) seen[i] = image.at<uchar>(cy + int(p.y[i]), cx + int(p.x[i]));
            any = true;
            seen -= p.mean(seen);
            const float spread = p.mean(seen.square());
            if (p.spread > 1e-6F && spread > std::max(1e-6F, float(leastContrast * leastContrast) * p.spread))
                best = std::max(best, p.mean(p.grey * seen) / std::sqrt(p.spread * spread));
        }
    return !any || (best < -0.5F && leastContrast <= 0) ? 1 : double(best);
}

} // namespace deft
