#include "checks/picture_quality.h"

#include "base/units.h"

#include <algorithm>
#include <opencv2/imgproc.hpp>

namespace deft {
namespace {

constexpr int kLooks = 16;
constexpr double kSmall = 320; // px: width at which frames are compared with each other

double percentile(std::vector<double> v, double share) {
    if (v.empty()) return 0;
    const auto k = std::min(v.size() - 1, size_t(share * double(v.size())));
    std::nth_element(v.begin(), v.begin() + std::ptrdiff_t(k), v.end());
    return v[k];
}

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
        cv::Mat a, b, window;
        from(part).convertTo(a, CV_32F), to(part).convertTo(b, CV_32F);
        cv::createHanningWindow(window, part.size(), CV_32F);
        double response = 0;
        const cv::Point2d shift = cv::phaseCorrelate(a, b, window, &response);
        if (response > 0.1) shifts.push_back(std::hypot(shift.x, shift.y));
    }
    return percentile(shifts, 0.5);
}

cv::Mat small(const cv::Mat& grey) {
    cv::Mat out;
    const double f = std::min(1.0, kSmall / grey.cols);
    cv::resize(grey, out, {}, f, f, cv::INTER_AREA);
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
    std::vector<double> light, noise, blur, shake;
    cv::Mat first, firstSmall;
    const double factor = std::max(1.0, clip.width / kSmall);
    for (int k = 0; k < kLooks; ++k) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "checking the clip was stopped");
        const auto picture = reader.grey(k * (clip.frames() - 1) / (kLooks - 1));
        if (!picture) continue;
        ++q.looked;
        const cv::Mat little = small(*picture);
        std::vector<uchar> greys(little.begin<uchar>(), little.end<uchar>());
        std::nth_element(greys.begin(), greys.begin() + std::ptrdiff_t(greys.size() / 2), greys.end());
        light.push_back(greys[greys.size() / 2]);
        noise.push_back(grainSd(*picture));
        blur.push_back(blurEffect(*picture));
        if (firstSmall.empty())
            firstSmall = little;
        else
            shake.push_back(factor * backgroundShift(firstSmall, little));
    }
    if (q.looked == 0) return fail(Errc::DamagedFrame, clip.path + ": none of its frames could be decoded");
    q.light = percentile(light, 0.5);
    q.noise = percentile(noise, 0.5);
    q.blur = *std::min_element(blur.begin(), blur.end());
    q.worstBlur = *std::max_element(blur.begin(), blur.end());
    q.shakePx = percentile(shake, 0.95);

    // Still until more than a hundredth of the picture has changed plainly.
    const double plain = std::max(12.0, 5 * q.noise);
    for (double t = 0.25; t <= std::min(3.0, clip.time_s.back()); t += 0.25) {
        const auto now = reader.grey(clip.frameAt(t));
        if (!now) continue;
        cv::Mat difference;
        cv::absdiff(firstSmall, small(*now), difference);
        if (cv::countNonZero(difference > plain) > 0.01 * double(difference.total())) break;
        q.still_s = t;
    }
    return q;
}

} // namespace deft
