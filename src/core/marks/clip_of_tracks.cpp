// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/clip_of_tracks.h"

#include <algorithm>
#include <utility>

namespace deft {

ClipInfo clipOf(const Tracks& tracks) {
    ClipInfo clip;
    clip.time_s = tracks.time_s;
    std::vector<double> steps;
    for (size_t i = 1; i < clip.time_s.size(); ++i) steps.push_back(clip.time_s[i] - clip.time_s[i - 1]);
    double step = 0;
    if (!steps.empty()) {
        std::nth_element(steps.begin(), steps.begin() + long(steps.size() / 2), steps.end());
        step = steps[steps.size() / 2];
    }
    clip.medianRateHz = step > 0 ? 1 / step : 0;
    clip.duration_s = clip.time_s.empty() ? 0 : clip.time_s.back() + step;
    double right = 0, bottom = 0;
    for (const auto& [name, points] : tracks.landmark)
        for (const TrackPoint& p : points)
            if (p.usable()) right = std::max(right, p.at.x()), bottom = std::max(bottom, p.at.y());
    int longer = 1280, shorter = 720;
    const bool upright = bottom > right;
    constexpr int kMostSide_px = 8192;
    while (longer < kMostSide_px && (std::max(right, bottom) > longer - 1 || std::min(right, bottom) > shorter - 1))
        longer += 640, shorter += 360; // 1920 × 1080 next
    clip.width = upright ? shorter : longer, clip.height = upright ? longer : shorter;
    clip.codedWidth = clip.width, clip.codedHeight = clip.height;
    return clip;
}

} // namespace deft
