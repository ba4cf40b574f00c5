// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "marks/clip_info.h"

#include <optional>
#include <string>
#include <vector>

namespace deft {

/// One fact that bears on what a clip can tell. Limits are chosen here; the filming guide asks for more.
struct ClipCheck {
    std::string id, verdict; ///< good, poor, unusable, unknown
    double value = 0;
    std::string unit, ask; ///< the one thing to ask the client to change
    std::string suffers{}; ///< what can be trusted less while it is poor
};

/// Good up to one limit, poor up to the next; a `good` above `poor` means that more is better.
const char* graded(double value, double good, double poor);
/// One that is good asks for nothing.
ClipCheck gradedCheck(std::string id, const char* verdict, double value, std::string unit, std::string ask,
                      std::string suffers);

ClipCheck frameRateCheck(const ClipInfo& clip);
/// @param rollDeg slope of the mat line, nothing when it is not marked
ClipCheck levelCheck(std::optional<double> rollDeg);
/// @param turnDeg how far a camera beside the body stands off square
ClipCheck squareCheck(double turnDeg);
/// @param still_s how long nothing moves at the start
ClipCheck stillStartCheck(double still_s);

/// The worst of them: unusable, poor, unknown, good.
std::string verdictOf(const std::vector<ClipCheck>& checks);

Json toJson(const std::vector<ClipCheck>& checks);
std::vector<ClipCheck> checksFrom(const Json& json);

} // namespace deft
