// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace deft {

/// A stretch of a film that is a clip of its own: several exercises, or both sides, filmed in one go. Seconds of the
/// film; both ends belong to it.
struct FilmPart {
    double from_s = 0, to_s = 0;
    bool operator==(const FilmPart&) const = default;
};
Json toJson(const FilmPart& part);
/// @errors BadFormat: from_s and to_s, neither before the film begins, the first before the second
Result<FilmPart> parsePart(const Json& json, const std::string& where);

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
    std::optional<FilmPart>
        part; ///< of the film, as it begins and ends in it; frames and times above are the part's own

    int64_t frames() const { return int64_t(time_s.size()); }
    /// Frame whose time is nearest. The clip has at least one frame.
    int64_t frameAt(double seconds) const;
};

} // namespace deft
