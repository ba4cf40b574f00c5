// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/segments.h"

#include "marks/names.h"
#include "tracking/constants.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft {
using namespace tracking;
namespace {

const std::vector<SegmentPlan>& plans() {
    static const std::vector<SegmentPlan> p = {
        {BodyPart::Pelvis, "pelvis", {"asis", "psis", "crest", "pubis", "sacrum", "hip"}, "", ""},
        {BodyPart::Trunk, "trunk", {"shoulder", "hip", "rib", "t12", "back_mid", "c7", "sternum"}, "shoulder", "hip"},
        {BodyPart::Head, "head", {"ear", "eye", "chin", "nose"}, "", ""},
        {BodyPart::Thigh, "thigh", {"hip", "knee"}, "hip", "knee"},
        {BodyPart::Shank, "shank", {"knee", "ankle"}, "knee", "ankle"},
        {BodyPart::Foot, "foot", {"ankle", "heel", "toe"}, "", ""},
        {BodyPart::UpperArm, "upper arm", {"shoulder", "elbow"}, "shoulder", "elbow"},
        {BodyPart::Forearm, "forearm", {"elbow", "wrist"}, "elbow", "wrist"},
        {BodyPart::Hand, "hand", {"wrist", "hand"}, "", ""},
        {BodyPart::Scene,
         "scene",
         {"floor_a", "floor_b", "plumb_a", "plumb_b", "scale_a", "scale_b", "mat_a", "mat_b", "mat_c", "mat_d"},
         "",
         ""},
    };
    return p;
}

cv::Point px(const Point2& p) { return {int(std::lround(p.x())), int(std::lround(p.y()))}; }

void capsule(cv::Mat& mask, const Point2& a, const Point2& b, double radius, int grey) {
    cv::line(mask, px(a), px(b), cv::Scalar(grey), std::max(1, int(2 * radius)));
}

const Point2* at(const std::map<std::string, Point2>& points, const std::string& name) {
    const auto it = points.find(name);
    return it == points.end() ? nullptr : &it->second;
}

/// Where left and right are both marked, marks often lie on the body's outline: the body is on the side of the other
/// mark. Moves a place of `name` toward it by `px`.
Point2 inward(const std::map<std::string, Point2>& points, const std::string& name, double px) {
    const Point2& here = points.at(name);
    const Point2* other = at(points, otherSideOf(name));
    const double apart = other ? (*other - here).norm() : 0;
    return apart > 1e-6 ? Point2(here + std::min(px / apart, 0.5) * (*other - here)) : here;
}

} // namespace

std::vector<SegmentPlan> segmentsFor(const std::vector<std::string>& landmarks) {
    std::vector<SegmentPlan> found;
    for (const SegmentPlan& plan : plans())
        for (const std::string side : {"", "_l", "_r"}) {
            SegmentPlan own{plan.part, plan.name + side, {}, "", ""};
            for (const std::string& name : plan.landmarks)
                if (std::find(landmarks.begin(), landmarks.end(), name + side) != landmarks.end())
                    own.landmarks.push_back(name + side);
            if (own.landmarks.empty()) continue;
            // A joint alone is no segment: the shoulder belongs to an arm only when the elbow is marked too.
            const bool jointOnly = own.landmarks.size() == 1 &&
                                   (own.landmarks[0] == "hip" + side || own.landmarks[0] == "knee" + side ||
                                    own.landmarks[0] == "ankle" + side || own.landmarks[0] == "shoulder" + side ||
                                    own.landmarks[0] == "elbow" + side || own.landmarks[0] == "wrist" + side);
            if (jointOnly) continue;
            if (!plan.proximal.empty()) own.proximal = plan.proximal + side, own.distal = plan.distal + side;
            found.push_back(own);
        }
    return found;
}

namespace {

/// Everything but the body and what it may reach.
cv::Mat sceneMask(const std::map<std::string, Point2>& points, const cv::Size& size) {
    cv::Mat mask(size, CV_8UC1, cv::Scalar(255));
    std::vector<cv::Point> body, hull;
    for (const auto& [name, p] : points)
        if (!isSceneLandmark(name)) body.push_back(px(p));
    if (body.empty()) return mask;
    cv::convexHull(body, hull);
    const cv::Rect box = cv::boundingRect(hull);
    cv::fillConvexPoly(mask, hull, 0);
    cv::polylines(mask, hull, true, 0, std::max(20, (box.width + box.height) / 6)); // a margin of half of that
    return mask;
}

void alongTrunk(cv::Mat& mask, const SegmentPlan& segment, const std::map<std::string, Point2>& points) {
    const double wide = 0.15 * (points.at(segment.distal) - points.at(segment.proximal)).norm();
    const Point2 a = inward(points, segment.proximal, wide), b = inward(points, segment.distal, wide);
    capsule(mask, a + 0.22 * (b - a), a + 0.66 * (b - a), wide, 255);
}

/// An arm is bare or in one sleeve, and thin: what is much lighter or darker than its middle line lies behind it, and
/// would be followed in its place when the arm moves off.
void leaveOutWhatLiesBehind(cv::Mat& arm, const Point2& a, const Point2& b, double wide, const cv::Mat& image) {
    cv::Mat middle = cv::Mat::zeros(arm.size(), CV_8UC1);
    capsule(middle, a + 0.16 * (b - a), a + 0.84 * (b - a), 0.3 * wide, 255);
    std::vector<uchar> grey;
    for (int y = 0; y < image.rows; ++y)
        for (int x = 0; x < image.cols; ++x)
            if (middle.at<uchar>(y, x)) grey.push_back(image.at<uchar>(y, x));
    if (grey.empty()) return;
    const auto quantile = [&](double share) {
        const auto at = grey.begin() + std::ptrdiff_t(share * double(grey.size() - 1));
        std::nth_element(grey.begin(), at, grey.end());
        return double(*at);
    };
    const double usual = quantile(0.5), spread = std::max(kLeastSpread, (quantile(0.84) - quantile(0.16)) / 2);
    arm &= (image >= usual - kOtherGrey * spread) & (image <= usual + kOtherGrey * spread);
}

/// Seen from the front joints are marked on a limb's outline or in its middle: the limb is where the picture is most
/// alike. The hip is always on the outline.
void alongLimb(cv::Mat& mask, const SegmentPlan& segment, const std::map<std::string, Point2>& points,
               const cv::Mat& image) {
    const double wide = 0.10 * (points.at(segment.distal) - points.at(segment.proximal)).norm();
    const auto limbWith = [&](double atProximal, double atDistal) {
        const Point2 a = inward(points, segment.proximal, atProximal), b = inward(points, segment.distal, atDistal);
        cv::Mat limb = cv::Mat::zeros(mask.size(), CV_8UC1);
        capsule(limb, a + 0.16 * (b - a), a + 0.84 * (b - a), wide, 255);
        cv::Scalar mean, spread;
        cv::meanStdDev(image, mean, spread, limb);
        return std::pair{limb, spread[0]};
    };
    const auto onOutline = limbWith(wide, wide), inMiddle = limbWith(segment.part == BodyPart::Thigh ? wide : 0, 0);
    cv::Mat limb = inMiddle.second < kPlainlyLess * onOutline.second ? inMiddle.first : onOutline.first;
    if (segment.part == BodyPart::UpperArm || segment.part == BodyPart::Forearm)
        leaveOutWhatLiesBehind(limb, points.at(segment.proximal), points.at(segment.distal), wide, image);
    mask |= limb;
}

} // namespace

cv::Mat segmentMask(const SegmentPlan& segment, const std::map<std::string, Point2>& points, const cv::Mat& image) {
    const cv::Size size = image.size();
    if (segment.part == BodyPart::Scene) return sceneMask(points, size);
    cv::Mat mask = cv::Mat::zeros(size, CV_8UC1);
    const std::string side = sideOf(segment.landmarks.front());
    const Point2 *shoulder = at(points, "shoulder" + side), *hip = at(points, "hip" + side),
                 *knee = at(points, "knee" + side);
    const double trunk = shoulder && hip ? (*shoulder - *hip).norm() : 0.25 * size.width;
    const bool isTrunk = segment.part == BodyPart::Trunk, isPelvis = segment.part == BodyPart::Pelvis,
               isThigh = segment.part == BodyPart::Thigh;

    std::vector<cv::Point> hull, corners;
    for (const std::string& name : segment.landmarks)
        if (const Point2* p = at(points, name)) corners.push_back(px(*p));
    if (corners.empty()) return mask;
    if (!segment.proximal.empty()) {
        if (at(points, segment.proximal) && at(points, segment.distal)) {
            if (isTrunk)
                alongTrunk(mask, segment, points);
            else
                alongLimb(mask, segment, points, image);
        }
    } else if (isPelvis && shoulder && hip) {
        // From the hip to the waist; the marks themselves may lie close together.
        const Vector2 d = *shoulder - *hip;
        const Point2 from = inward(points, "hip" + side, 0.15 * d.norm());
        capsule(mask, from, from + 0.26 * d, 0.15 * d.norm(), 255);
        const Vector2 along = d.normalized();
        for (int y = 0; y < mask.rows; ++y)
            for (int x = 0; x < mask.cols; ++x)
                if (mask.at<uchar>(y, x) && (Point2(x, y) - *hip).dot(along) > 0.30 * d.norm())
                    mask.at<uchar>(y, x) = 0;
    } else if (corners.size() >= 3) {
        cv::convexHull(corners, hull);
        cv::fillConvexPoly(mask, hull, 255);
        cv::dilate(mask, mask, cv::getStructuringElement(cv::MORPH_ELLIPSE, {17, 17}));
    } else if (corners.size() == 2) {
        cv::line(mask, corners[0], corners[1], 255, std::max(9, int(0.10 * trunk)));
    } else {
        cv::circle(mask, corners[0], std::max(10, int(0.10 * trunk)), 255, cv::FILLED);
    }

    if ((isPelvis || isThigh) && shoulder && hip && knee) {
        const Vector2 across = ((*knee - *hip).normalized() - (*shoulder - *hip).normalized()).normalized();
        for (int y = 0; y < mask.rows; ++y)
            for (int x = 0; x < mask.cols; ++x) {
                if (!mask.at<uchar>(y, x)) continue;
                const double towardKnee = (Point2(x, y) - *hip).dot(across);
                if (isPelvis ? towardKnee > -6 : towardKnee < 6) mask.at<uchar>(y, x) = 0;
            }
    }
    if (isTrunk || isPelvis || isThigh) {
        const Point2 *elbow = at(points, "elbow" + side), *wrist = at(points, "wrist" + side);
        if (shoulder && elbow) capsule(mask, *shoulder, *elbow, 0.10 * trunk, 0);
        if (elbow && wrist) capsule(mask, *elbow, *wrist + kHand * (*wrist - *elbow), 0.09 * trunk, 0);
    }
    return mask;
}

} // namespace deft
