// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/segment_cloud.h"

#include "tracking/constants.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft {
using namespace tracking;
namespace {

double middleOf(std::vector<double> v) {
    const auto middle = v.begin() + std::ptrdiff_t(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
}

size_t wantedPoints(const SegmentPlan& plan) {
    if (plan.part == BodyPart::Scene) return 16;
    return plan.part == BodyPart::Pelvis ? 60 : plan.part == BodyPart::Trunk ? 50 : 30;
}

} // namespace

SegmentCloud::SegmentCloud(SegmentPlan plan, const cv::Mat& image, const std::map<std::string, Point2>& points)
    : plan_(std::move(plan)) {
    const cv::Mat mask = segmentMask(plan_, points, image);
    std::vector<cv::Point2f> corners;
    const cv::Rect box = cv::boundingRect(mask);
    // In order of strength. One seam or hem is far stronger than cloth, so how strong the best one is says nothing.
    const double apart = plan_.part == BodyPart::Scene ? 40 : 4; // px
    if (box.area() > 0) cv::goodFeaturesToTrack(image(box), corners, 600, 1e-4, apart, mask(box), 5);
    for (const cv::Point2f& c : corners) {
        if (points_.size() >= wantedPoints(plan_)) break;
        const Point2 at(c.x + float(box.x), c.y + float(box.y));
        auto patch = Patch::take(image, at, kPointRadius, kPointSigma);
        if (!patch || patch->texture() < kLeastTexture) continue;
        if (patch->lookalike(image, at, kPointRadius - 1, 12) > kMostAlike) continue;
        points_.push_back({at, at, {{std::move(*patch)}}});
    }
    inliers_ = usual_ = int(points_.size());
    for (const Point& p : points_) middle_ += p.inSegment / usual_;
    // From the front a leg may come toward the camera; beside the body it stays in the picture's plane.
    const auto a = points.find(plan_.proximal), b = points.find(plan_.distal);
    const bool leg = plan_.part == BodyPart::Thigh || plan_.part == BodyPart::Shank;
    const bool fromTheFront = points.count("hip_l") && points.count("hip_r");
    if (leg && fromTheFront && a != points.end() && b != points.end() && a->second != b->second)
        pose_.axis = (b->second - a->second).normalized();
    predicted_ = previous_ = lastMeasured_ = pose_;
    middleOfAgreeing_ = middle_;
}

double SegmentCloud::extrapolationSd(const Point2& inSegment) const {
    if (pose_.axis.isZero()) return 0;
    // Some points are always lost where limbs join.
    const double usual = (inSegment - middle_).norm(), off = lever(inSegment) - usual;
    return kUneven * std::abs(1 - pose_.stretch) * usual + (off > kUsuallyLost * usual ? kBeyond * off : 0);
}

size_t SegmentCloud::Point::nearest(double angleRad) const {
    size_t best = 0;
    for (size_t k = 1; k < looks.size(); ++k)
        if (std::abs(looks[k].bornAngle - angleRad) < std::abs(looks[best].bornAngle - angleRad)) best = k;
    return best;
}

Vector2 SegmentCloud::leftBehind(const Point2& inSegment) const {
    Vector2 sum = Vector2::Zero();
    double total = kFewAround;
    for (const Point& p : points_) {
        if (!p.agrees) continue;
        const double w = p.trust * std::exp(-0.5 * (p.inSegment - inSegment).squaredNorm() / (kAround_px * kAround_px));
        sum += w * (p.now - pose_(p.inSegment)), total += w;
    }
    return sum / total;
}

void SegmentCloud::predict(double) {
    // Half of the last motion: between standing still and going on.
    predicted_ = pose_;
    predicted_.angleRad += 0.5 * (pose_.angleRad - previous_.angleRad);
    predicted_.shift += 0.5 * (pose_.shift - previous_.shift);
    predicted_.stretch += 0.5 * (pose_.stretch - previous_.stretch);
}

void SegmentCloud::stepOnMarks(const std::vector<LandmarkSight>& sights) {
    std::vector<Point2> from, to;
    for (const LandmarkSight& s : sights) from.push_back(s.inSegment), to.push_back(s.now);
    Pose2 pose = pose_;
    double rms = 0.3;
    const PoseFitOptions plain{.withScale = true, .scalePrior = 0.5, .axis = pose_.axis};
    if (const auto fit = fitPose(from, to, std::vector<double>(from.size(), 1), plain, &pose_))
        pose = fit->pose, rms = fit->rms;
    else
        pose.shift += to[0] - pose(from[0]); // a single mark tells where, not how far it has turned
    previous_ = pose_;
    pose_ = pose;
    measured_ = true;
    poseSd_ = rms + 0.03;
    middleOfAgreeing_ = middle_;
    for (Point& p : points_) p.now = pose_(p.inSegment);
}

void SegmentCloud::hangOn(const cv::Mat& image, const Pose2& pose) {
    pose_ = previous_ = pose;
    for (Point& p : points_) p.now = pose_(p.inSegment);
    const Attempt again = attemptFrom(pose, image, {}, std::vector<uchar>(points_.size(), 0), {});
    if (!again.measured) return;
    measured_ = true;
    accept(image, again);
}

std::vector<cv::Point2f> SegmentCloud::places() const {
    std::vector<cv::Point2f> out;
    for (const Point& p : points_) out.emplace_back(float(p.now.x()), float(p.now.y()));
    return out;
}

void SegmentCloud::step(const cv::Mat& image, const std::vector<cv::Point2f>& flow, const std::vector<uchar>& flowFound,
                        const std::vector<LandmarkSight>& sights) {
    // A first pose from the flow alone tells how far the patches have turned.
    std::vector<Point2> from, to;
    std::vector<double> weight;
    for (size_t i = 0; i < points_.size(); ++i) {
        from.push_back(points_[i].inSegment);
        to.emplace_back(flow[i].x, flow[i].y);
        weight.push_back(flowFound[i] ? points_[i].trust : 0);
    }
    for (const LandmarkSight& s : sights) from.push_back(s.inSegment), to.push_back(s.now), weight.push_back(s.weight);
    const PoseFitOptions options{.withScale = true,
                                 .scalePrior = 0.5,
                                 .tukeyPx = 3.0,
                                 .iterations = 6,
                                 .minTukeyPx = 1.0,
                                 .axis = pose_.axis,
                                 .stretchPrior = kStretchPrior};
    // A quick limb is far from where it was expected: what most points say about that comes first.
    Pose2 guess = predicted_;
    std::vector<double> dx, dy;
    for (size_t i = 0; i < points_.size(); ++i)
        if (weight[i] > 0.5) {
            const Vector2 off = to[i] - predicted_(from[i]);
            dx.push_back(off.x()), dy.push_back(off.y());
        }
    if (dx.size() >= 5) guess.shift += Vector2(middleOf(std::move(dx)), middleOf(std::move(dy)));
    const Pose2 start = guess;
    if (auto fit = fitPose(from, to, weight, options, &start);
        fit && fit->inliers >= 3 && std::abs(fit->pose.angleRad - pose_.angleRad) < 2 * kMaxTurnPerFrame)
        guess = fit->pose;

    Attempt best = attemptFrom(guess, image, flow, flowFound, sights);
    for (const Pose2& other : {predicted_, lastMeasured_})
        if (!best.measured) best = attemptFrom(other, image, flow, flowFound, sights);
    // Who moves out comes back: now and then a lost segment is looked for where it was marked.
    lostFor_ = best.measured ? 0 : lostFor_ + 1;
    if (lostFor_ % kLookAtStart == kLookAtStart - 1) {
        Pose2 marked;
        marked.axis = pose_.axis;
        if (Attempt back = attemptFrom(marked, image, {}, std::vector<uchar>(points_.size(), 0), sights);
            back.measured && back.inliers >= kMost * usual_)
            best = std::move(back), lostFor_ = 0;
    }

    previous_ = pose_;
    measured_ = best.measured;
    if (!measured_) {
        inliers_ = best.inliers;
        pose_ = predicted_;
        for (Point& p : points_) p.now = pose_(p.inSegment), p.trust = std::max(0.1, p.trust * 0.7);
        return;
    }
    accept(image, best);
}

bool SegmentCloud::stepStill(const cv::Mat& image, const std::vector<LandmarkSight>& sights) {
    const double way = (pose_(middle_) - previous_(middle_)).norm();
    if (!measured_ || way > kStill_px || inliers_ < kStillNeeds) return false;
    const Attempt attempt = attemptFrom(predicted_, image, {}, std::vector<uchar>(points_.size(), 0), sights);
    if (!attempt.measured || attempt.inliers < kStillAgree * inliers_) return false;
    previous_ = pose_;
    accept(image, attempt);
    return true;
}

void SegmentCloud::accept(const cv::Mat& image, const Attempt& best) {
    const PoseFit& fit = *best.fit;
    const double renewAfter = isCore() ? kRenewAfterTurn : kRenewLimbAfterTurn;
    pose_ = lastMeasured_ = fit.pose;
    inliers_ = fit.inliers;
    poseSd_ = fit.rms / std::sqrt(2.0) / std::sqrt(std::max(1.0, double(fit.inliers) - 2)) + 0.03;
    Point2 sum = Point2::Zero();
    double agreeing = 0;
    for (size_t i = 0; i < points_.size(); ++i) {
        Point& p = points_[i];
        const bool seen = best.weight[i] > 0, agrees = fit.weights[i] > 0;
        if (agrees) sum += p.inSegment, ++agreeing;
        Look& look = p.looks[best.look[i]];
        if (seen) look.typicalCorrelation += 0.1 * (best.matches[i].correlation - look.typicalCorrelation);
        p.trust = agrees ? std::min(1.0, p.trust + 0.1) : std::max(0.1, p.trust * (seen ? 0.85 : 0.7));
        p.now = agrees ? best.found[i] : pose_(p.inSegment);
        p.agrees = agrees;
        // A turned limb shows its cloth from another side: take a new patch, but only where the old one still fits. The
        // old one stays, so that who goes to and fro comes back to the first and does not drift.
        const Look& next = p.looks[p.nearest(pose_.angleRad)];
        const bool turned = std::abs(pose_.angleRad - next.bornAngle) > renewAfter;
        if (!agrees || (!turned && look.typicalCorrelation >= 0.8)) continue;
        if (auto patch = Patch::take(image, p.now, kPointRadius, kPointSigma)) {
            Look taken{std::move(*patch), pose_.angleRad};
            if (turned)
                p.looks.push_back(std::move(taken));
            else
                look = std::move(taken);
        }
    }
    middleOfAgreeing_ = agreeing > 0 ? Point2(sum / agreeing) : middle_;
}

SegmentCloud::Attempt SegmentCloud::attemptFrom(const Pose2& guess, const cv::Mat& image,
                                                const std::vector<cv::Point2f>& flow,
                                                const std::vector<uchar>& flowFound,
                                                const std::vector<LandmarkSight>& sights) const {
    Attempt out;
    std::vector<Point2> from;
    for (size_t i = 0; i < points_.size(); ++i) {
        const Point& p = points_[i];
        const Point2 expected = guess(p.inSegment);
        Point2 start = flowFound[i] ? Point2(flow[i].x, flow[i].y) : expected;
        if ((start - expected).norm() > 4) start = expected;
        out.look.push_back(p.nearest(guess.angleRad));
        const Look& look = p.looks[out.look.back()];
        const AlignOptions how{.predictedAngleRad = guess.angleRad - look.bornAngle,
                               .anglePriorRad = 0.05,
                               .predictedScale = 1,
                               .scalePrior = 0,
                               .steps = 6,
                               .stopPx = 0.02};
        const auto match = look.patch.align(image, {start, how.predictedAngleRad, 1}, how);
        const double needed = std::clamp(look.typicalCorrelation - 0.22, 0.45, 0.75);
        const bool good = match && match->correlation > needed && (match->pose.centre - start).norm() < 2.5;
        from.push_back(p.inSegment);
        out.found.push_back(good ? match->pose.centre : expected);
        out.weight.push_back(good ? p.trust * match->correlation : 0);
        out.matches.push_back(good ? *match : PatchMatch{});
    }
    for (const LandmarkSight& s : sights)
        from.push_back(s.inSegment), out.found.push_back(s.now), out.weight.push_back(s.weight);
    PoseFitOptions fine{.withScale = true, .scalePrior = 0.5, .tukeyPx = 2.0, .iterations = 6, .minTukeyPx = 0.8};
    const auto agreeing = [&](const PoseFit& fit) {
        return int(std::count_if(fit.weights.begin(), fit.weights.begin() + std::ptrdiff_t(points_.size()),
                                 [](double w) { return w > 0; }));
    };
    if (auto fit = fitPose(from, out.found, out.weight, fine, &guess)) out.fit = std::move(*fit);
    if (!guess.axis.isZero()) {
        if (out.fit) out.fit->pose.axis = guess.axis;
        fine.axis = guess.axis, fine.stretchPrior = kStretchPrior;
        auto fit = fitPose(from, out.found, out.weight, fine, &guess);
        // Few points of bare skin slide: only where many agree on it is a limb stretched.
        const double gains = pose_.stretch == 1 ? kStretchBegins : kStretchGoesOn;
        if (fit && agreeing(*fit) >= kSurePoints && (!out.fit || agreeing(*fit) > gains * agreeing(*out.fit)))
            out.fit = std::move(*fit);
    }
    if (!out.fit) return out;
    out.inliers = agreeing(*out.fit);
    // Some points fit anywhere, and the joints that a lost leg hangs on may be wrong themselves.
    // What is left of a limb of few points may well lie beside it, and stays when the limb goes.
    const bool limb = !isCore() && plan_.part != BodyPart::Scene;
    const double needed = limb && usual_ < kSurePoints       ? kMost
                          : measured_ || pose_.axis.isZero() ? kEnough
                                                             : kFoundAgain;
    const bool enough = out.inliers >= 5 && out.inliers >= needed * usual_;
    const bool most = out.inliers >= kSurePoints && out.inliers >= kMost * usual_;
    // A lost segment may have turned any way, where nearly all of it is found again.
    out.measured = (enough || out.fit->inliers - out.inliers >= 2) &&
                   ((!measured_ && most) || std::abs(out.fit->pose.angleRad - pose_.angleRad) < kMaxTurnPerFrame);
    return out;
}

} // namespace deft
