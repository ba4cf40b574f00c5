// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/rigid_fit.h"

#include <memory>
#include <opencv2/core.hpp>
#include <optional>

namespace deft {

/// Where a patch was found, relative to where it was taken.
struct PatchPose {
    Point2 centre = Point2::Zero();
    double angleRad = 0; ///< turned since it was taken (x toward y)
    double scale = 1;
};

struct PatchMatch {
    PatchPose pose;
    double correlation = 0; ///< weighted, −1…1
    double sdPx = 0;        ///< of the weaker axis, from the residual and the patch's own texture
};

struct AlignOptions {
    double predictedAngleRad = 0, anglePriorRad = 0.05; ///< 0 = the angle is held at the prediction
    double predictedScale = 1, scalePrior = 0.03;       ///< 0 = held
    int steps = 12;
    double stopPx = 0.003;
};

/// A round piece of a picture that finds itself in other pictures.
///
/// Inverse-compositional Gauss-Newton (Baker and Matthews, IJCV 56, 2004) over shift, turn and scale, with free gain
/// and bias and Tukey weights. Aligning to the picture in which it was taken, not to the last one, is what stops drift.
class Patch {
public:
    /// @param image 8-bit grey, already smoothed. Empty when the disc does not lie inside the picture.
    static std::optional<Patch> take(const cv::Mat& image, const Point2& centre, double radius, double sigma);

    /// @return nothing when it leaves the picture or has too little texture
    std::optional<PatchMatch> align(const cv::Mat& image, PatchPose start, const AlignOptions& options) const {
        return align(*fewPixels_, *pixels_, image, start, options);
    }
    /// The same with a quarter of its pixels and half as many steps, to within a pixel: where it is worth to align it.
    std::optional<PatchMatch> alignRoughly(const cv::Mat& image, PatchPose start, AlignOptions options) const;

    double radius() const { return radius_; }
    /// Smaller eigenvalue of the structure tensor per pixel, grey levels² / px²: low = blank or a bare edge.
    double texture() const { return texture_; }
    /// The best correlation that it has with places `from` to `to` px beside it in the picture that it was taken from:
    /// near 1 on blank skin and along a bare edge, where it cannot tell one place from the next. Places outside the
    /// picture are left out, and those with less than `leastContrast` of its own spread; 1 when all lie outside.
    double lookalike(const cv::Mat& image, const Point2& centre, double from, double to,
                     double leastContrast = 0) const;

private:
    /// One row a pixel of the disc. Never changed once taken, so that copies share it.
    struct Pixels {
        Pixels(const cv::Mat& image, const Point2& centre, double radius, double sigma, int apart);
        Eigen::ArrayXf x, y;   ///< from the middle
        Eigen::ArrayXf grey;   ///< less the weighted mean
        Eigen::ArrayXf weight; ///< falls with the distance from the middle, 1 there
        /// How much the grey rises with a px of shift in x, in y, a rad of turn, a unit of scale.
        Eigen::Matrix<float, Eigen::Dynamic, 4> rise;
        float total = 0;  ///< of the weights
        float spread = 0; ///< weighted variance of the grey
        /// Weighted mean of one value for each pixel.
        template <class Values> float mean(const Values& values) const { return (weight * values).sum() / total; }
    };
    /// With `atFirst` until near the place, from then on with `atLast`.
    std::optional<PatchMatch> align(const Pixels& atFirst, const Pixels& atLast, const cv::Mat& image, PatchPose start,
                                    const AlignOptions& options) const;

    double radius_ = 0, texture_ = 0;
    std::shared_ptr<const Pixels> pixels_, fewPixels_;
};

} // namespace deft
