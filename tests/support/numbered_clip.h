// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Clips whose frames carry their own number, so that a test can tell exactly which frame it was given.

#include "video/clip_writer.h"

#include <opencv2/imgproc.hpp>
#include <vector>

namespace deft::test {

/// Ten blocks, white = 1, over a grey picture with a bright corner at the upper left.
inline cv::Mat numberedPicture(int number, int width, int height) {
    cv::Mat picture(height, width, CV_8UC3, cv::Scalar(90, 90, 90));
    const int w = width / 12, h = height / 4;
    for (int bit = 0; bit < 10; ++bit)
        cv::rectangle(picture, cv::Rect((bit + 1) * w, height / 2, w, h),
                      (number >> bit) & 1 ? cv::Scalar(235, 235, 235) : cv::Scalar(20, 20, 20), cv::FILLED);
    cv::rectangle(picture, cv::Rect(0, 0, width / 8, height / 8), cv::Scalar(250, 250, 250), cv::FILLED);
    return picture;
}

inline int numberOf(const cv::Mat& grey) {
    const int w = grey.cols / 12, h = grey.rows / 4;
    int number = 0;
    for (int bit = 0; bit < 10; ++bit)
        if (cv::mean(grey(cv::Rect((bit + 1) * w + w / 4, grey.rows / 2 + h / 4, w / 2, h / 2)))[0] > 128)
            number |= 1 << bit;
    return number;
}

inline Result<void> writeNumbered(const std::filesystem::path& path, const std::vector<double>& times,
                                  WriterOptions options = {}) {
    if (options.width == 0) options.width = 192, options.height = 128;
    auto writer = ClipWriter::create(path, options);
    if (!writer) return tl::unexpected(writer.error());
    for (size_t i = 0; i < times.size(); ++i)
        if (auto ok = writer->add(numberedPicture(int(i), options.width, options.height), times[i]); !ok) return ok;
    return writer->finish();
}

inline std::vector<double> evenTimes(int n, double fps = 30) {
    std::vector<double> t;
    for (int i = 0; i < n; ++i) t.push_back(i / fps);
    return t;
}

} // namespace deft::test
