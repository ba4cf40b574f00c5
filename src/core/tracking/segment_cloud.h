// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "tracking/patch.h"
#include "tracking/segments.h"

#include <algorithm>

namespace deft {

/// An observation of a segment by one of its landmarks.
struct LandmarkSight {
    Point2 inSegment; ///< where the landmark sits in the marked frame
    Point2 now;
    double weight;
};

/// Texture points of one body segment and its pose since the marked frame.
///
/// Every point keeps the patch it was born with and is aligned to it, turned and scaled as the segment is, so that it
/// cannot drift; the segment's pose is a robust fit of all of them, so that single points may fail.
class SegmentCloud {
public:
    SegmentCloud(SegmentPlan plan, const cv::Mat& image, const std::map<std::string, Point2>& points);

    /// @param flow where optical flow found each texture point; @param sights landmarks found on their own
    void step(const cv::Mat& image, const std::vector<cv::Point2f>& flow, const std::vector<uchar>& flowFound,
              const std::vector<LandmarkSight>& sights);

    /// The same for a segment that hardly moves, without optical flow. @return false, and nothing is changed, when it
    /// moved or when fewer points agree than before
    bool stepStill(const cv::Mat& image, const std::vector<LandmarkSight>& sights);

    /// The newest picture by the segment's own landmarks alone, when they prove themselves.
    void stepOnMarks(const std::vector<LandmarkSight>& sights);

    /// A segment that was lost hangs on the joints of its neighbours. Its points are looked for there at once; where
    /// they are not, that is where the next picture is searched.
    void hangOn(const cv::Mat& image, const Pose2& pose);

    const SegmentPlan& plan() const { return plan_; }
    bool isCore() const { return plan_.part == BodyPart::Pelvis || plan_.part == BodyPart::Trunk; }
    const Pose2& pose() const { return pose_; } ///< marked frame → newest frame
    const Pose2& predicted() const { return predicted_; }
    void predict(double frames);
    bool measured() const { return measured_; } ///< the newest frame's pose comes from this frame
    double poseSdPx() const { return poseSd_; } ///< scatter of the points that agreed
    /// Of the points that it began with: those that agree in the newest frame. Few are left where it shows another
    /// side or comes toward the camera.
    double agreeing() const { return usual_ > 0 ? std::min(1.0, double(inliers_) / usual_) : 1; }
    int points() const { return inliers_; } ///< that agree in the newest frame
    /// Standard deviation (px) of a place that lies beyond the points that agree: a leg that comes toward the camera is
    /// followed by its near end and says little of the other.
    double extrapolationSd(const Point2& inSegment) const;
    /// How far a place lies from the middle of the points that agree, px in the marked frame.
    double lever(const Point2& inSegment) const { return (inSegment - middleOfAgreeing_).norm(); }
    /// How far the points around a place have left where the pose has them, px in the newest frame: skin is no rigid
    /// body, least where it reaches over to the next one.
    Vector2 leftBehind(const Point2& inSegment) const;
    std::vector<cv::Point2f> places() const; ///< of the texture points in the newest frame

private:
    /// What a guess of the pose leads to: the points found from there and the pose that they agree on.
    struct Attempt {
        std::vector<Point2> found; ///< of every texture point, then of the sights
        std::vector<double> weight;
        std::vector<size_t> look;        ///< of each texture point: with which it was looked for
        std::vector<PatchMatch> matches; ///< correlation 0 = not found
        std::optional<PoseFit> fit;
        int inliers = 0; ///< texture points that agree
        bool measured = false;
    };
    void accept(const cv::Mat& image, const Attempt& attempt);
    Attempt attemptFrom(const Pose2& guess, const cv::Mat& image, const std::vector<cv::Point2f>& flow,
                        const std::vector<uchar>& flowFound, const std::vector<LandmarkSight>& sights) const;

    /// How a point looks from one side.
    struct Look {
        Patch patch;
        double bornAngle = 0; ///< of the segment when the patch was taken
        double typicalCorrelation = 0.95;
    };
    struct Point {
        Point2 inSegment, now;
        std::vector<Look> looks;
        size_t nearest(double angleRad) const; ///< look, by the segment's angle
        double trust = 1;
        bool agrees = false;
    };
    SegmentPlan plan_;
    std::vector<Point> points_;
    Pose2 pose_, predicted_, previous_;
    Point2 middle_ = Point2::Zero(), middleOfAgreeing_ = Point2::Zero(); ///< of the points, in the marked frame
    Pose2 lastMeasured_; ///< where to look again besides where its neighbours say
    bool measured_ = true;
    double poseSd_ = 0.1;
    int inliers_ = 0, usual_ = 0, lostFor_ = 0;
};

} // namespace deft
