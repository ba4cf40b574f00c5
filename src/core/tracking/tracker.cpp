// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/tracker.h"

#include "marks/names.h"
#include "tracking/constants.h"
#include "tracking/stickers.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

namespace deft {
using namespace tracking;
namespace {

const cv::Size kWindow{11, 11};

std::vector<cv::Mat> flowPyramid(const cv::Mat& image) {
    cv::Mat half;
    cv::pyrDown(image, half);
    std::vector<cv::Mat> pyramid;
    cv::buildOpticalFlowPyramid(half, pyramid, kWindow, kLevels);
    return pyramid;
}

/// Pyramidal Lucas-Kanade flow of points of one picture into the next, both given by their flowPyramid().
std::pair<std::vector<cv::Point2f>, std::vector<uchar>>
flow(const std::vector<cv::Mat>& from, const std::vector<cv::Mat>& to, std::vector<cv::Point2f> points) {
    for (cv::Point2f& p : points) p *= 0.5F;
    std::vector<cv::Point2f> after;
    std::vector<uchar> found;
    std::vector<float> error;
    if (!points.empty())
        cv::calcOpticalFlowPyrLK(from, to, points, after, found, error, kWindow, kLevels,
                                 {cv::TermCriteria::COUNT | cv::TermCriteria::EPS, 12, 0.03});
    for (cv::Point2f& p : after) p *= 2;
    return {std::move(after), std::move(found)};
}

} // namespace

cv::Mat LandmarkTracker::smooth(const cv::Mat& image) const {
    cv::Mat out;
    cv::GaussianBlur(image, out, {5, 5}, 0.8);
    return out;
}

const SegmentCloud* LandmarkTracker::mainSegment(const std::string& name) const {
    // Pelvis before trunk before limbs: the order of the list.
    for (const SegmentCloud& s : segments_)
        if (layout_.at(s.plan().name).count(name)) return &s;
    return nullptr;
}

/// Where the segment carries a mark: its place in the marked frame, as far as it had slid when it was last seen.
Point2 LandmarkTracker::placeIn(const SegmentCloud& s, const std::string& name, const Pose2& pose) const {
    Point2 place = layout_.at(s.plan().name).at(name);
    if (const auto a = anchors_.find(name); a != anchors_.end())
        if (const auto slide = a->second.slide.find(s.plan().name); slide != a->second.slide.end())
            place += slide->second;
    return pose(place);
}

void LandmarkTracker::restartSegments(const cv::Mat& image, const std::vector<std::string>& moved) {
    std::vector<std::string> present;
    std::map<std::string, Point2> places;
    for (const auto& [name, p] : now_)
        if (p.state != PointState::Absent) present.push_back(name), places[name] = p.at;
    std::vector<SegmentCloud> next;
    for (const SegmentPlan& plan : segmentsFor(present)) {
        if (std::none_of(plan.landmarks.begin(), plan.landmarks.end(),
                         [&](const std::string& name) { return isFollowed(name); }))
            continue; // nobody will ask it
        const auto same = std::find_if(segments_.begin(), segments_.end(),
                                       [&](const SegmentCloud& s) { return s.plan().name == plan.name; });
        const bool touched = std::any_of(plan.landmarks.begin(), plan.landmarks.end(), [&](const std::string& name) {
            return std::find(moved.begin(), moved.end(), name) != moved.end();
        });
        if (same != segments_.end() && !touched && same->plan().landmarks == plan.landmarks) {
            next.push_back(*same);
            continue;
        }
        next.emplace_back(plan, image, places);
        auto& layout = layout_[plan.name];
        layout.clear();
        for (const std::string& name : plan.landmarks) layout[name] = places.at(name);
        if (plan.part == BodyPart::Thigh)
            if (const auto other = places.find(otherSideOf(plan.proximal)); other != places.end())
                across_[plan.proximal] = other->second - layout.at(plan.proximal);
    }
    segments_ = std::move(next);
}

bool LandmarkTracker::isFollowed(const std::string& name) const {
    const auto it = now_.find(name);
    return it != now_.end() && it->second.state != PointState::Absent && !joined_.count(name);
}

void LandmarkTracker::tell(const std::map<std::string, TrackPoint>& points) {
    for (const auto& [name, p] : points) now_[name] = p;
}

void LandmarkTracker::mark(const cv::Mat& raw, const std::map<std::string, std::optional<Point2>>& points,
                           const std::set<std::string>& joined) {
    const cv::Mat image = smooth(raw);
    std::vector<std::string> moved;
    std::map<std::string, Point2> places, followed;
    for (const auto& [name, point] : points) {
        if (!point || joined.count(name) || isSceneLandmark(name)) continue;
        const auto known = anchors_.find(name);
        const bool isFollowedThere = known != anchors_.end() && known->second.sticker &&
                                     now_[name].state == PointState::Seen &&
                                     (now_[name].at - *point).norm() < kSameSticker_px;
        (isFollowedThere ? followed : places)[name] = isFollowedThere ? now_[name].at : *point;
    }
    places = onStickers(raw, std::move(places));
    places.merge(followed);
    for (const auto& [name, point] : points) {
        if (joined.count(name))
            joined_.insert(name);
        else
            joined_.erase(name);
        if (!point) {
            now_[name] = {};
            anchors_.erase(name);
            moved.push_back(name);
            continue;
        }
        const auto place = places.find(name);
        now_[name] = {place == places.end() ? *point : place->second, 0, PointState::ByHand};
        moved.push_back(name);
    }
    restartSegments(image, moved);
    for (const std::string& name : moved) {
        anchors_.erase(name);
        if (!isFollowed(name)) continue;
        auto a = anchorAt(image, now_[name].at);
        if (!a) continue; // too near the edge of the picture: the segment alone carries it
        const SegmentCloud* s = mainSegment(name);
        a->bornAngle = s ? s->pose().angleRad : 0;
        a->carried = now_[name].at;
        anchors_.emplace(name, std::move(*a));
    }
    pyramid_ = flowPyramid(image);
}

LandmarkTracker LandmarkTracker::asleep() const {
    LandmarkTracker copy = *this;
    copy.pyramid_.clear();
    return copy;
}

void LandmarkTracker::wake(const cv::Mat& image) { pyramid_ = flowPyramid(smooth(image)); }

/// Trunk and pelvis meet at the hip and turn much alike; limbs only share their joints, and two joints tell how a limb
/// lies.
void LandmarkTracker::hangLostSegments(const cv::Mat& image, const std::map<std::string, Sight>& sights) {
    for (SegmentCloud& lost : segments_) {
        if (lost.measured()) continue;
        const auto& own = layout_.at(lost.plan().name);
        Pose2 pose = lost.pose();
        std::map<std::string, Point2> joints; // where the neighbours have them
        for (const SegmentCloud& other : segments_) {
            if (!other.measured() || (lost.isCore() && !other.isCore())) continue;
            for (const auto& [name, place] : layout_.at(other.plan().name)) {
                if (!own.count(name)) continue;
                // The pelvis knows the hip better than the trunk does, and comes first in the list.
                joints.try_emplace(name, placeIn(other, name, other.pose()));
                if (lost.isCore()) pose.angleRad = other.pose().angleRad, pose.scale = other.pose().scale;
            }
        }
        // A mark whose own patch is in sight tells where its limb is, too.
        for (const auto& [name, place] : own)
            if (const auto sight = sights.find(name);
                sight != sights.end() && sight->second.distinct && !lost.isCore() && anchors_.at(name).failures == 0)
                joints.try_emplace(name, sight->second.match.pose.centre);
        if (joints.empty()) continue;
        std::vector<Point2> from, to;
        for (const auto& [name, at] : joints) from.push_back(own.at(name)), to.push_back(at);
        if (from.size() > 1 && !lost.isCore()) {
            if (const auto fit =
                    fitPose(from, to, std::vector<double>(from.size(), 1), {.scalePrior = 1, .axis = pose.axis}))
                pose = fit->pose;
        } else {
            pose.shift += to[0] - pose(from[0]);
        }
        lost.hangOn(image, pose);
    }
}

/// A segment whose marks are all stickers in plain sight needs no cloth to be found by, one that keeps still no flow.
void LandmarkTracker::stepSegments(const cv::Mat& image, const std::vector<cv::Mat>& pyramid,
                                   const std::map<std::string, Sight>& sights) {
    const size_t n = segments_.size();
    std::vector<std::vector<LandmarkSight>> seen(n);
    std::vector<char> onMarks(n, 1), done(n, 0); // not bool: each is written by its own thread
    for (size_t k = 0; k < n; ++k)
        for (const auto& [name, place] : layout_.at(segments_[k].plan().name)) {
            const auto it = sights.find(name);
            const bool good = it != sights.end() && it->second.distinct;
            const bool sticker = good && anchors_.at(name).sticker;
            if (good)
                seen[k].push_back({place, it->second.match.pose.centre,
                                   sticker                               ? 8.0
                                   : it->second.match.correlation > 0.85 ? 2.0
                                                                         : 0.5});
            if (!sticker || it->second.match.correlation <= 0.85) onMarks[k] = 0;
        }
    // Each stands alone, so the result is the same however they are shared out.
    const auto forEach = [&](const auto& work) {
        cv::parallel_for_({0, int(n)}, [&](const cv::Range& part) {
            for (int k = part.start; k < part.end; ++k)
                if (!done[size_t(k)]) work(size_t(k));
        });
    };
    forEach([&](size_t k) {
        if (onMarks[k]) segments_[k].stepOnMarks(seen[k]);
        done[k] = onMarks[k] || segments_[k].stepStill(image, seen[k]);
    });
    std::vector<size_t> first(n, 0);
    std::vector<cv::Point2f> cloth;
    for (size_t k = 0; k < n; ++k) {
        if (done[k]) continue;
        first[k] = cloth.size();
        const auto places = segments_[k].places();
        cloth.insert(cloth.end(), places.begin(), places.end());
    }
    const auto [after, found] = flow(pyramid_, pyramid, cloth);
    forEach([&, &after = after, &found = found](size_t k) {
        const auto at = std::ptrdiff_t(first[k]), count = std::ptrdiff_t(segments_[k].places().size());
        segments_[k].step(image, {after.begin() + at, after.begin() + at + count},
                          {found.begin() + at, found.begin() + at + count}, seen[k]);
    });
}

void LandmarkTracker::step(const cv::Mat& raw, double seconds, const std::map<std::string, Point2>& seeds) {
    const cv::Mat image = smooth(raw);
    std::vector<cv::Mat> pyramid = flowPyramid(image);

    for (SegmentCloud& s : segments_) s.predict(seconds);

    std::vector<cv::Point2f> before;
    std::map<std::string, size_t> flowOf;
    for (const auto& [name, p] : now_)
        if (isFollowed(name)) flowOf[name] = before.size(), before.emplace_back(float(p.at.x()), float(p.at.y()));
    const auto [after, found] = flow(pyramid_, pyramid, before);

    // Marks that prove themselves.
    std::vector<Search> searches;
    for (auto& [name, p] : now_) {
        const auto it = anchors_.find(name);
        if (!isFollowed(name) || it == anchors_.end()) continue;
        const Anchor& a = it->second;
        const SegmentCloud* s = mainSegment(name);
        Point2 predicted = p.at + 0.5 * a.velocity * seconds;
        double angle = 0;
        if (s) {
            angle = a.sticker ? a.bornAngle + a.angle : s->predicted().angleRad;
            // A lost segment is no guide to a mark that was found without it.
            if (a.failures || (!a.sticker && s->measured())) predicted = placeIn(*s, name, s->predicted());
        }
        const size_t f = flowOf.at(name);
        const bool byFlow = found[f] && (Point2(after[f].x, after[f].y) - p.at).norm() < 12 && !a.failures;
        if (byFlow) predicted = {double(after[f].x), double(after[f].y)};
        const double limit =
            isSceneLandmark(name) ? 3 : std::max(4.0, kMaxSpeed * seconds) * (1 + std::min(3, a.failures));
        searches.push_back({&name, &a, predicted, p.at + a.velocity * seconds, angle, limit, byFlow, {}});
    }
    // Each search and each segment stands alone, so the result is the same however they are shared out.
    cv::parallel_for_({0, int(searches.size())}, [&](const cv::Range& part) {
        for (int k = part.start; k < part.end; ++k) {
            Search& s = searches[size_t(k)];
            s.sight = look(image, *s.anchor, s.predicted, s.going, s.angle, s.limit);
            s.sight.goesOn = s.byFlow && (s.sight.match.pose.centre - s.predicted).norm() < kGoesOn_px;
            const auto seed = seeds.find(*s.name);
            const auto nearSeed = [&] {
                return s.sight.good && seed != seeds.end() &&
                       (s.sight.match.pose.centre - seed->second).norm() < kSeedReach_px;
            };
            s.sight.bySeed = nearSeed();
            if (s.sight.distinct || !s.anchor->failures) continue;
            // Lost: where a body finder sees the joint, and from time to time around the place where it was last; but
            // not a sticker, which would be taken for its neighbour.
            if (seed != seeds.end())
                s.sight = lookAround(image, *s.anchor, seed->second, s.angle), s.sight.bySeed = nearSeed();
            else if (s.anchor->failures % kLookAgain == 0 && !s.anchor->blank && !s.anchor->sticker)
                s.sight = lookAround(image, *s.anchor, now_.at(*s.name).at, s.angle);
        }
    });
    partClaims(searches);
    std::map<std::string, Sight> sights;
    for (const Search& s : searches) sights[*s.name] = s.sight;

    stepSegments(image, pyramid, sights);
    pyramid_ = std::move(pyramid);
    hangLostSegments(image, sights);

    for (auto& [name, p] : now_)
        if (isFollowed(name)) settle(image, name, p, sights, seconds);
}

} // namespace deft
