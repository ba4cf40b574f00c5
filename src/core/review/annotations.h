// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "events/breath.h"
#include "geometry/angle.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace deft {

/// A fault that the coach saw. It stands beside what was measured of that fault in that rep and never makes a reading
/// better; only where the coach has moved the span of what was measured, or turned it down before, it stands instead.
struct SeenFault {
    std::string id; ///< of the exercise
    double start_s = 0, end_s = 0;
    bool instead = false;
    bool operator==(const SeenFault&) const = default;
};

/// Something drawn on a frame; it goes into the answer with that frame.
struct Drawing {
    enum class Kind { Arrow, Line, Angle, Words };
    Kind kind = Kind::Arrow;
    double time_s = 0;
    std::vector<Point2> points; ///< px of the clip: arrow from, to; line; angle: arm, vertex, arm; words: where
    std::string words;
    bool operator==(const Drawing&) const = default;

    static size_t pointsOf(Kind kind); ///< how many it needs
};

/// The frames that the coach chose for a correction's pictures; what is empty stays as computed.
struct ChosenPictures {
    std::optional<double> best_s, worst_s;
    bool operator==(const ChosenPictures&) const = default;
};

Json toJson(const std::map<std::string, ChosenPictures>& pictures);
/// @errors BadFormat naming the entry
Result<std::map<std::string, ChosenPictures>> parsePictures(const Json& json, const std::string& where);

Json toJson(const std::vector<SeenFault>& seen);
Json toJson(const std::vector<Drawing>& drawings);
Json toJson(const std::vector<BreathTap>& breaths);
/// @errors BadFormat naming the entry
Result<std::vector<SeenFault>> parseSeen(const Json& json, const std::string& where);
Result<std::vector<BreathTap>> parseBreaths(const Json& json, const std::string& where);
Result<std::vector<Drawing>> parseDrawings(const Json& json, const std::string& where);

} // namespace deft
