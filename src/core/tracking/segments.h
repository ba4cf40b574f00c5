// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "geometry/angle.h"

#include <map>
#include <opencv2/core.hpp>
#include <string>
#include <vector>

namespace deft {

enum class BodyPart { Pelvis, Trunk, Head, Thigh, Shank, Foot, UpperArm, Forearm, Hand, Scene };

/// A rigid part of the body, or the still scene, and the landmarks that move with it. A joint belongs to both of its
/// segments.
struct SegmentPlan {
    BodyPart part;
    std::string name; ///< of the part, with its side
    std::vector<std::string> landmarks;
    std::string proximal, distal; ///< ends of the limb, or empty for a region made from all its landmarks
};

/// The segments for which at least one of these landmarks is marked; names with _l and _r give a segment a side.
std::vector<SegmentPlan> segmentsFor(const std::vector<std::string>& landmarks);

/// Where texture points of a segment may be taken in the marked frame: white on black, of the picture's size.
/// @param image the marked frame, one channel
///
/// Two rules keep a cloud on its own segment: pelvis and thigh are divided at the bisector through the hip with a
/// margin of 6 px, and trunk and pelvis stay clear of the arm. Without them the pelvis follows the thigh.
cv::Mat segmentMask(const SegmentPlan& segment, const std::map<std::string, Point2>& points, const cv::Mat& image);

} // namespace deft
