#pragma once
#include "checks/picture_quality.h"
#include "proposals/body_facts.h"

namespace deft {

/// One fact that bears on what a clip can tell. Limits are chosen here; the filming guide asks for more.
struct ClipCheck {
    std::string id, verdict; ///< good, poor, unusable, unknown
    double value = 0;
    std::string unit, ask; ///< the one thing to ask the client to change
    std::string suffers{}; ///< what can be trusted less while it is poor
};

ClipCheck frameRateCheck(const ClipInfo& clip);
/// @param rollDeg slope of the mat line, nothing when it is not marked
ClipCheck levelCheck(std::optional<double> rollDeg);
/// @param turnDeg how far a camera beside the body stands off square
ClipCheck squareCheck(double turnDeg);
/// @param still_s how long nothing moves at the start
ClipCheck stillStartCheck(double still_s);

/// What can be said before anything is measured.
/// @param body nothing when nobody was found @param searched false: nobody was looked for
/// @param exercise null when it is not known
std::vector<ClipCheck> checkBefore(const ClipInfo& clip, const PictureQuality& quality,
                                   const std::optional<BodyFacts>& body, bool searched, const Exercise* exercise,
                                   std::optional<double> rollDeg);

/// The worst of them: unusable, poor, unknown, good.
std::string verdictOf(const std::vector<ClipCheck>& checks);

Json toJson(const std::vector<ClipCheck>& checks);
std::vector<ClipCheck> checksFrom(const Json& json);

} // namespace deft
