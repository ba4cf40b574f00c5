// SPDX-License-Identifier: GPL-3.0-or-later
#include "checks/clip_check.h"

#include "base/json.h"

#include <algorithm>
#include <cmath>

namespace deft {
const char* graded(double value, double good, double poor) {
    const bool falling = good > poor; // larger is better
    if (falling ? value >= good : value <= good) return "good";
    return (falling ? value >= poor : value <= poor) ? "poor" : "unusable";
}

ClipCheck gradedCheck(std::string id, const char* verdict, double value, std::string unit, std::string ask,
                      std::string suffers) {
    if (std::string_view(verdict) == "good") ask.clear(), suffers.clear();
    return {std::move(id), verdict, value, std::move(unit), std::move(ask), std::move(suffers)};
}

ClipCheck frameRateCheck(const ClipInfo& clip) {
    return gradedCheck("frame-rate", graded(clip.medianRateHz, 24, 12), clip.medianRateHz, "1/s",
                       "Please record with 30 frames a second or more.", "times of holds and breaks");
}

ClipCheck levelCheck(std::optional<double> roll) {
    if (!roll)
        return {"level",
                "unknown",
                0,
                "deg",
                "Mark the mat line, or ask for a clip that shows the edge of the mat.",
                "angles against the mat"};
    return gradedCheck("level", graded(std::abs(*roll), 5, 15), *roll, "deg",
                       "Please level the phone: the edge of the mat should run straight across the picture.",
                       "angles against the mat");
}

ClipCheck squareCheck(double turnDeg) {
    return gradedCheck("camera-square", graded(turnDeg, 10, 30), turnDeg, "deg",
                       "Please put the phone so that it looks at you exactly from the side, level with your hips.",
                       "every angle; their bands are wider");
}

ClipCheck stillStartCheck(double still_s) {
    return gradedCheck("still-start", still_s >= 1 ? "good" : "poor", still_s, "s",
                       "Please stay still for three seconds before the first movement.",
                       "everything told against the start");
}

std::string verdictOf(const std::vector<ClipCheck>& checks) {
    for (const char* v : {"unusable", "poor", "unknown"})
        if (std::any_of(checks.begin(), checks.end(), [&](const ClipCheck& c) { return c.verdict == v; })) return v;
    return "good";
}

Json toJson(const std::vector<ClipCheck>& checks) {
    Json all = Json::array();
    for (const ClipCheck& c : checks) {
        Json one = {
            {"id", c.id}, {"verdict", c.verdict}, {"value", rounded(c.value, 3)}, {"unit", c.unit}, {"ask", c.ask}};
        if (!c.suffers.empty()) one["suffers"] = c.suffers;
        all.push_back(std::move(one));
    }
    return all;
}

std::vector<ClipCheck> checksFrom(const Json& json) {
    std::vector<ClipCheck> checks;
    for (const Json& c : json)
        checks.push_back({c.value("id", ""), c.value("verdict", "unknown"), c.value("value", 0.0), c.value("unit", ""),
                          c.value("ask", ""), c.value("suffers", "")});
    return checks;
}

} // namespace deft
