// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <opencv2/core.hpp>

namespace deft {

/// A picture into which libswscale may write: it works on whole vectors, so it goes past the end of a row, and of the
/// last row, by up to 56 bytes. At least 64 bytes follow each row here, and one more row follows the last.
inline cv::Mat paddedPicture(int width, int height, int type) {
    constexpr int kVector = 64; // bytes
    const int pixel = int(CV_ELEM_SIZE(type));
    const int stride = (width * pixel + kVector - 1) / kVector * kVector + kVector;
    return cv::Mat(height + 1, (stride + pixel - 1) / pixel, type)(cv::Rect(0, 0, width, height));
}

} // namespace deft
