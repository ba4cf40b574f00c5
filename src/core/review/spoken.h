// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

#include <string>
#include <vector>

namespace deft {

/// A line drawn by hand while speaking; it grows as it was drawn and stands until the moment is shown anew.
struct PenLine {
    struct Point {
        double time_s = 0;   ///< since the voice began
        double x = 0, y = 0; ///< shares of the clip's width and height
        bool operator==(const Point&) const = default;
    };
    std::vector<Point> points; ///< in order of time
    bool operator==(const PenLine&) const = default;
};

/// What the coach says over a reply clip and draws meanwhile.
struct Spoken {
    std::string voice;              ///< the sound file, cut and levelled (video/voice.h)
    double begins_s = 0;            ///< of the moment's run, at which the voice begins
    double best_s = 0, worst_s = 0; ///< the frames of the two halves over which it was said
    std::string captions;           ///< what is said, in writing; empty = none
    std::vector<PenLine> lines;
    bool operator==(const Spoken&) const = default;
};

Json toJson(const Spoken& spoken);
/// @errors BadFormat naming the entry
Result<Spoken> parseSpoken(const Json& json, const std::string& where);

} // namespace deft
