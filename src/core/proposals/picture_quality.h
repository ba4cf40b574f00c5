// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "base/result.h"

namespace cv {
class Mat;
}

namespace deft {

class ClipReader;

/// How good the pictures of a clip are, from a few frames spread over it.
struct PictureQuality {
    double light = 0;     ///< median grey of the median frame, 0…255
    double noise = 0;     ///< standard deviation of the grain, grey levels (Immerkær, CVIU 64, 1996)
    double blur = 0;      ///< of the sharpest frame, 0 sharp … 1 (Crété and others, SPIE 6492, 2007): focus
    double worstBlur = 0; ///< of the least sharp frame: movement
    double shakePx = 0;   ///< how far the still background has wandered at most
    double still_s = 0;   ///< from the start, how long hardly anything moves; at most 3
};

/// @errors Cancelled, those of ClipReader; damaged frames are passed over
Result<PictureQuality> pictureQuality(ClipReader& clip, StopToken stop = {});

// Of one 8-bit grey picture; for tests.
double blurEffect(const cv::Mat& grey);
double grainSd(const cv::Mat& grey);

} // namespace deft
