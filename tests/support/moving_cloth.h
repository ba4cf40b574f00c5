// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Cloth that moves in a known way, and marks on it as on a body that lies.
#include "geometry/angle.h"

#include <cmath>
#include <map>
#include <opencv2/imgproc.hpp>
#include <optional>
#include <string>

namespace deft::test {

inline const std::map<std::string, Point2> kClothMarks = {{"shoulder", {150, 240}}, {"hip", {330, 240}},
                                                          {"asis", {320, 205}},     {"crest", {285, 225}},
                                                          {"knee", {480, 190}},     {"ankle", {520, 330}}};

/// Noise smoothed to blobs of a few pixels.
inline cv::Mat cloth() {
    cv::Mat m(480, 640, CV_8U);
    cv::RNG random(5);
    random.fill(m, cv::RNG::NORMAL, 128, 90);
    cv::GaussianBlur(m, m, {}, 2.2);
    cv::normalize(m, m, 20, 235, cv::NORM_MINMAX);
    return m;
}

/// Turned about the middle, counter-clockwise as seen, and moved.
inline cv::Mat moved(const cv::Mat& m, double degrees_, const Vector2& by) {
    cv::Mat a = cv::getRotationMatrix2D({320, 240}, degrees_, 1), out;
    a.at<double>(0, 2) += by.x(), a.at<double>(1, 2) += by.y();
    cv::warpAffine(m, out, a, m.size(), cv::INTER_CUBIC, cv::BORDER_REFLECT);
    return out;
}
inline Point2 movedPoint(const Point2& p, double degrees_, const Vector2& by) {
    const double c = std::cos(radians(degrees_)), s = std::sin(radians(degrees_));
    const Vector2 d = p - Point2(320, 240);
    return Point2(320, 240) + Vector2(c * d.x() + s * d.y(), -s * d.x() + c * d.y()) + by;
}

inline std::map<std::string, std::optional<Point2>> asMarks(const std::map<std::string, Point2>& points) {
    return {points.begin(), points.end()};
}

} // namespace deft::test
