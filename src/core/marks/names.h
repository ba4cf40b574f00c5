// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <array>
#include <string>
#include <string_view>
#include <vector>

namespace deft {

/// Names of the side view (near side of the body).
const std::vector<std::string>& sideLandmarks();
/// Floor, plumb, scale and mat marks: fixed in the room.
const std::vector<std::string>& sceneLandmarks();

/// The corners of the mat, in whatever order they were marked.
inline constexpr std::array<const char*, 4> kMatCorners = {"mat_a", "mat_b", "mat_c", "mat_d"};

/// A side-view name, one of those with _l or _r (the client's own left and right), a midline or a scene name.
bool isLandmark(std::string_view name);
bool isSceneLandmark(std::string_view name);
/// Ears, eyes, nose and chin are told apart by eye, and an ear looks like a sticker; scene marks wear none either.
bool mayWearSticker(std::string_view name);
/// "_l" or "_r" (the client's own left and right), empty for a name without a side.
std::string sideOf(std::string_view name);
/// The same place on the body's other side; empty for a name without a side.
std::string otherSideOf(std::string_view name);

/// Every name that may be marked, those with a side on both.
std::vector<std::string> landmarkNames();
/// Plain words for a landmark, for example "front hip point".
std::string landmarkWords(std::string_view name);

} // namespace deft
