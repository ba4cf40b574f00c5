#pragma once
#include <string>
#include <string_view>
#include <vector>

namespace deft {

/// Names of the side view (near side of the body).
const std::vector<std::string>& sideLandmarks();
/// Floor, plumb and scale marks: fixed in the room.
const std::vector<std::string>& sceneLandmarks();

/// A side-view name, one of those with _l or _r (the client's own left and right), a midline or a scene name.
bool isLandmark(std::string_view name);
bool isSceneLandmark(std::string_view name);

/// Plain words for a landmark, for example "front hip point".
std::string landmarkWords(std::string_view name);

} // namespace deft
