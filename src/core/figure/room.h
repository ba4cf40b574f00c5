// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "figure/camera.h"

#include <opencv2/core.hpp>
#include <string>
#include <vector>

namespace deft::figure {

/// The still background: a room of boxes, ray-cast once for a camera, with its light kept apart so that the body's
/// shadow can fall on it afterwards.
struct RoomPicture {
    cv::Mat3f sky, key;  ///< linear light by source
    cv::Mat2f floorSpot; ///< world x, z where a pixel shows the floor or the mat; NaN elsewhere
};

bool roomExists(const std::string& name);
std::vector<std::string> roomNames();

/// Something that a scene puts into the room, a box (m).
struct Block {
    Vec3 low, high, colour;
};

/// @param samplesPerPixel rays a pixel; 4 is good, 1 is quick
RoomPicture renderRoom(const std::string& name, const Camera& camera, const Vec3& matColour, int samplesPerPixel,
                       const std::vector<Block>& blocks = {});

constexpr float kMatTop = 0.010f;                      ///< height of the mat's surface (m)
constexpr float kMatLength = 1.80f, kMatWidth = 0.64f; ///< (m)

} // namespace deft::figure
