// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/picture_quality.h"

#include "base/units.h"
#include "signal/resample.h"
#include "video/clip_reader.h"

#include <algorithm>
#include <map>
#include <opencv2/imgproc.hpp>

namespace deft {
namespace {

constexpr int kPictures = 16;
constexpr double kSmall = 320;  // px: width at which frames are compared with each other
constexpr int kLeastSmall = 16; // px: of either side then, however long and narrow the picture is
constexpr int kLeastPart = 8;   // px: less of the background says nothing of its shift
constexpr double kStill_s = 3;  // of the start are looked at

/// How much of the differences between neighbours a strong blur takes away, in one direction.
double lostBetweenNeighbours(const cv::Mat1f& image, const cv::Mat1f& blurred, bool down) {
    const cv::Size size(image.cols - (down ? 0 : 1), image.rows - (down ? 1 : 0));
    const cv::Rect first({0, 0}, size), second({down ? 0 : 1, down ? 1 : 0}, size);
    cv::Mat before, after, lost;
    cv::absdiff(image(second), image(first), before);
    cv::absdiff(blurred(second), blurred(first), after);
    cv::subtract(before, after, lost);
    const double all = cv::sum(before)[0], taken = cv::sum(cv::max(lost, 0.0))[0];
    return all > 0 ? taken / all : 0;
}

/// Shift of the background from one picture to another: the outer frame of the picture, where bodies seldom are.
double backgroundShift(const cv::Mat& from, const cv::Mat& to) {
    // Stripes along the upper and the two side edges vote; the median is not moved by a body that fills one of them.
    std::vector<double> shifts;
    const int w = from.cols, h = from.rows;
    for (const cv::Rect& part :
         {cv::Rect(0, 0, w / 3, h / 3), cv::Rect(w / 3, 0, w / 3, h / 3), cv::Rect(2 * w / 3, 0, w / 3, h / 3),
          cv::Rect(0, h / 3, w / 5, h / 3), cv::Rect(4 * w / 5, h / 3, w / 5, h / 3)}) {
        if (part.width < kLeastPart || part.height < kLeastPart) continue;
        cv::Mat a, b, window;
        from(part).convertTo(a, CV_32F), to(part).convertTo(b, CV_32F);
        cv::createHanningWindow(window, part.size(), CV_32F);
        double response = 0;
        const cv::Point2d shift = cv::phaseCorrelate(a, b, window, &response);
        if (response > 0.1) shifts.push_back(std::hypot(shift.x, shift.y));
    }
    return shifts.empty() ? 0 : medianOf(shifts);
}

cv::Mat small(const cv::Mat& grey) {
    cv::Mat out;
    const double f = std::min(1.0, kSmall / grey.cols);
    const auto side = [f](int px) { return std::max(int(std::lround(f * px)), std::min(px, kLeastSmall)); };
    cv::resize(grey, out, {side(grey.cols), side(grey.rows)}, 0, 0, cv::INTER_AREA);
    return out;
}

} // namespace

double blurEffect(const cv::Mat& grey) {
    cv::Mat1f image;
    grey.convertTo(image, CV_32F);
    cv::Mat1f across, down;
    cv::blur(image, across, {9, 1});
    cv::blur(image, down, {1, 9});
    return 1 - std::max(lostBetweenNeighbours(image, across, false), lostBetweenNeighbours(image, down, true));
}

double grainSd(const cv::Mat& grey) {
    const cv::Mat kernel = (cv::Mat_<float>(3, 3) << 1, -2, 1, -2, 4, -2, 1, -2, 1);
    cv::Mat1f response;
    cv::filter2D(grey, response, CV_32F, kernel);
    return std::sqrt(kPi / 2) / 6 * cv::mean(cv::abs(response))[0];
}

Result<PictureQuality> pictureQuality(ClipReader& reader, StopToken stop) {
    const ClipInfo& clip = reader.info();
    PictureQuality q;
    // In rising order, so that the clip is gone through once.
    std::map<int64_t, bool> looks; // frame → one of those spread over the clip, besides those of the start
    for (double t = 0.25; t <= std::min(kStill_s, clip.time_s.back()); t += 0.25) looks[clip.frameAt(t)] = false;
    const int64_t apart = (clip.frames() - 1) / (kPictures - 1);
    for (int k = 0; k < kPictures; ++k)
        looks[reader.keyFrameNear(k * (clip.frames() - 1) / (kPictures - 1), apart / 2)] = true;

    std::vector<double> light, noise, blur;
    cv::Mat first;
    bool still = true;
    for (const auto& [frame, spread] : looks) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "checking the clip was stopped");
        const auto picture = reader.grey(frame);
        if (!picture) continue;
        const cv::Mat little = small(*picture);
        if (first.empty()) first = little;
        if (const double t = clip.time_s[size_t(frame)]; still && t <= kStill_s) {
            // Still until more than a hundredth of the picture has changed plainly.
            cv::Mat difference;
            cv::absdiff(first, little, difference);
            const double plain = std::max(12.0, 5 * (noise.empty() ? 0 : noise.front()));
            still = cv::countNonZero(difference > plain) <= 0.01 * double(difference.total());
            if (still) q.still_s = t;
        }
        if (!spread) continue;
        light.push_back(medianOf(std::vector<double>(little.begin<uchar>(), little.end<uchar>())));
        noise.push_back(grainSd(*picture));
        blur.push_back(blurEffect(*picture));
        q.shakePx = std::max(q.shakePx, std::max(1.0, clip.width / kSmall) * backgroundShift(first, little));
    }
    if (light.empty())
        return fail(Errc::DamagedFrame, {"{file}: none of its frames could be decoded", {{"file", clip.path}}});
    q.light = medianOf(light);
    q.noise = medianOf(noise);
    const auto [sharpest, dullest] = std::minmax_element(blur.begin(), blur.end());
    q.blur = *sharpest, q.worstBlur = *dullest;
    return q;
}

} // namespace deft
