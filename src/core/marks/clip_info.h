// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <cstdint>
#include <string>
#include <vector>

namespace deft {

/// Facts of a clip, read from the container without decoding more than its first frame.
struct ClipInfo {
    std::string path;
    std::string container, codec;
    int codedWidth = 0, codedHeight = 0;
    int width = 0, height = 0;  ///< upright picture: rotated, square pixels
    int rotationDeg = 0;        ///< clockwise turn that the player must apply: 0, 90, 180, 270
    bool flipped = false;       ///< the display matrix mirrors the picture (after turning, left-right)
    double pixelAspect = 1;     ///< sample aspect ratio, width over height
    bool variableRate = false;  ///< frame steps differ by more than a tenth of their median
    double medianRateHz = 0;    ///< 1 / median frame step
    double duration_s = 0;      ///< first frame to the end of the last one
    bool lengthUnsure = false;  ///< some packets could not be read: the file is cut off or damaged
    std::vector<double> time_s; ///< presentation time of every frame, in display order; the first is 0

    int64_t frames() const { return int64_t(time_s.size()); }
    /// Frame whose time is nearest. The clip has at least one frame.
    int64_t frameAt(double seconds) const;
};

} // namespace deft
