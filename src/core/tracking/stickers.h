// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

#include <map>
#include <opencv2/core.hpp>
#include <optional>
#include <vector>

namespace deft {

/// A round or square sticker in a picture.
struct Sticker {
    Point2 centre = Point2::Zero(); ///< px, sub-pixel
    double radiusPx = 0;            ///< of a disc of the same area
    double score = 0;               ///< 0…1: how well it agrees with itself turned by 180°, and how compact it is
};

/// Stickers inside a region: patches of one size, compact, brighter or darker than the cloth around them. Their centres
/// are the points about which they look the same after half a turn, so a pattern on them does not shift them.
/// @param grey 8-bit @param radiusPx expected; half to twice of it is looked for
std::vector<Sticker> findStickers(const cv::Mat& grey, const cv::Rect& region, double radiusPx);

/// Does the picture look the same after half a turn about a middle within `reach` px, as a sticker does in any light?
/// Corners where an outline passes before a line do not: what was bright is dark then.
bool looksTheSameTurned(const cv::Mat& grey, const Point2& near, double reach = 6);

/// Marks that lie within a sticker mean that sticker: their places moved to its middle. One sticker is one mark's, the
/// nearest one's.
std::map<std::string, Point2> onStickers(const cv::Mat& grey, std::map<std::string, Point2> marks);

/// The sticker nearest to a place, within `reach` px, of any size from 3 to 30 px.
std::optional<Sticker> stickerAt(const cv::Mat& grey, const Point2& near, double reach = 9);

} // namespace deft
