// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/handling.h"

#include "figure/noise.h"

#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft::figure {
namespace {

constexpr int kExposures = 4; // sub-frames of one shutter time

/// A hand sways slowly and trembles on top of it; standard deviation about 1.
double handWander(double seconds, int channel) {
    return 0.85 * wander(seconds, channel, 1.3) + 0.5 * wander(seconds, channel + 7, 6);
}

void shake(FilmedFrame& f, const Scene& scene, double seconds) {
    const double dx = scene.shakePx * handWander(seconds, scene.seed + 31),
                 dy = scene.shakePx * handWander(seconds, scene.seed + 57);
    cv::warpAffine(f.picture, f.picture, cv::Matx23d(1, 0, dx, 0, 1, dy), f.picture.size(), cv::INTER_CUBIC,
                   cv::BORDER_REPLICATE);
    for (auto* places : {&f.points, &f.joints})
        for (auto& [name, p] : *places) p.x += dx, p.y += dy;
}

/// A sleeved arm that hangs into the picture from above and swings over the landmark.
void cover(FilmedFrame& f, const Scene& scene, const Cover& c, double seconds) {
    const auto it = f.points.find(c.landmark);
    if (it == f.points.end()) return;
    const double unit = scene.camera.height / 720.0, share = (seconds - c.from_s) / (c.to_s - c.from_s);
    const double wide = 46 * unit, x = it->second.x + (2 * share - 1) * 30 * unit, low = it->second.y + 80 * unit;
    const double top = x + 120 * unit * (share - 0.5);
    cv::Mat sleeve(f.picture.size(), CV_8UC3, cv::Scalar(58, 74, 92)), mask = cv::Mat::zeros(f.picture.size(), CV_8U);
    for (int y = 0; y < sleeve.rows; ++y) // ribs of the cloth
        for (int k = 0; k < sleeve.cols; ++k)
            sleeve.at<cv::Vec3b>(y, k) *= 0.85 + 0.15 * std::sin(0.35 * (k - x) / unit + 0.06 * y / unit);
    cv::line(mask, cv::Point2d(top, -40), cv::Point2d(x, low), 255, int(2 * wide), cv::LINE_AA);
    cv::GaussianBlur(mask, mask, {5, 5}, 1.2);
    for (int y = 0; y < sleeve.rows; ++y)
        for (int k = 0; k < sleeve.cols; ++k) {
            const double a = mask.at<uchar>(y, k) / 255.0;
            if (a > 0)
                f.picture.at<cv::Vec3b>(y, k) =
                    f.picture.at<cv::Vec3b>(y, k) * (1 - a) + sleeve.at<cv::Vec3b>(y, k) * a;
        }
    for (auto& [name, p] : f.points) {
        const cv::Point at(int(std::lround(p.x)), int(std::lround(p.y)));
        if (cv::Rect({}, mask.size()).contains(at) && mask.at<uchar>(at) > 60) p.visible = false;
    }
}

FilmedFrame oneExposure(const FilmStudio& studio, const Scene& scene, double seconds) {
    FilmedFrame f = studio.frame(seconds);
    for (const Cover& c : scene.covers)
        if (seconds >= c.from_s && seconds <= c.to_s) cover(f, scene, c, seconds);
    if (scene.shakePx > 0) shake(f, scene, seconds);
    return f;
}

} // namespace

FilmedFrame handledFrame(const FilmStudio& studio, const Scene& scene, double seconds) {
    FilmedFrame f = oneExposure(studio, scene, seconds);
    if (scene.shutter <= 0) return f;
    cv::Mat sum;
    for (int k = 0; k < kExposures; ++k) { // spread evenly about the frame's time, to which the truth belongs
        const double at = seconds + ((k + 0.5) / kExposures - 0.5) * scene.shutter / scene.fps;
        cv::Mat one;
        oneExposure(studio, scene, std::max(0.0, at)).picture.convertTo(one, CV_32FC3, 1.0 / kExposures);
        sum = sum.empty() ? one : cv::Mat(sum + one);
    }
    sum.convertTo(f.picture, CV_8UC3);
    return f;
}

} // namespace deft::figure
