#include "landmarks/tracker.h"

#include "landmarks/names.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

namespace deft {
namespace {

constexpr double kAnchorRadius = 14, kAnchorSigma = 6;
constexpr double kStickerTexture =
    35; // grey levels² / px²; made clips: cloth and skin 0.1–26, stickers 41–440, the least where seen askew
constexpr double kGood = 0.60, kGoodAgain = 0.75;
constexpr double kRenewalSd = 0.35;                      // px that one renewal may be off
constexpr double kLookalikeFrom = 8, kLookalikeTo = 24;  // px around a mark
constexpr double kDistinct = 0.04;                       // by how much a match must surpass the best lookalike
constexpr double kLowBack = 0.20, kShoulderBlade = 0.12; // of the trunk: from where hip and shoulder turn with it
constexpr double kBlank = 0.9;                           // such a patch is not searched for: it would be found anywhere
constexpr double kBends = 0.12;                          // of the way that skin has slid
constexpr double kCovered = 0.1;                         // sudden loss of correlation
constexpr double kAlone = 0.3;                           // px a frame, for 40 frames
constexpr double kEndOfLimb = 0.1;                       // px a frame, for 25 frames
constexpr double kSupports = 4;                          // px within which such a match supports what the segments say
constexpr double kSure = 0.85;                           // a patch on cloth that needs no other witness
constexpr double kChanged = 0.90;                        // below it a sticker is also known by its newest look
constexpr double kMaxSpeed = 300;                        // px a second at which a jump is no longer believed
constexpr double kSceneSd = 0.5;                         // px: a still mark on an edge, as precisely as it was set
constexpr int kLevels = 3;
const cv::Size kWindow{15, 15};

/// Standard deviation of a patch's position. The fit's own value is far too small, because neighbouring residuals are
/// not independent; and a patch that fits less well has been bent or squeezed, which moves its middle.
double patchSd(const PatchMatch& m) {
    return std::hypot(3 * m.sdPx, 0.07) * (1 + 10 * std::max(0.0, 0.97 - m.correlation));
}

/// Pyramidal Lucas-Kanade flow of points from one picture to the next.
std::pair<std::vector<cv::Point2f>, std::vector<uchar>>
flow(const std::vector<cv::Mat>& from, const std::vector<cv::Mat>& to, const std::vector<cv::Point2f>& points) {
    std::vector<cv::Point2f> after;
    std::vector<uchar> found;
    std::vector<float> error;
    if (!points.empty())
        cv::calcOpticalFlowPyrLK(from, to, points, after, found, error, kWindow, kLevels,
                                 {cv::TermCriteria::COUNT | cv::TermCriteria::EPS, 12, 0.03});
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
    }
    segments_ = std::move(next);
}

void LandmarkTracker::mark(const cv::Mat& raw, const std::map<std::string, std::optional<Point2>>& points) {
    const cv::Mat image = smooth(raw);
    std::vector<std::string> moved;
    for (const auto& [name, point] : points) {
        if (!point) {
            now_[name] = {};
            anchors_.erase(name);
            moved.push_back(name);
            continue;
        }
        now_[name] = {*point, 0, PointState::ByHand};
        moved.push_back(name);
    }
    restartSegments(image, moved);
    for (const std::string& name : moved) {
        if (now_[name].state == PointState::Absent) continue;
        anchors_.erase(name);
        auto patch = Patch::take(image, now_[name].at, kAnchorRadius, kAnchorSigma);
        if (!patch) continue; // too near the edge of the picture: the segment alone carries it
        Anchor a;
        a.patch = std::move(*patch);
        a.sticker = a.patch.texture() > kStickerTexture;
        a.lookalike = a.patch.lookalike(image, now_[name].at, kLookalikeFrom, kLookalikeTo);
        const SegmentCloud* s = mainSegment(name);
        a.bornAngle = s ? s->pose().angleRad : 0;
        anchors_.emplace(name, std::move(a));
    }
    cv::buildOpticalFlowPyramid(image, pyramid_, kWindow, kLevels);
}

LandmarkTracker::Sight LandmarkTracker::look(const cv::Mat& image, const Anchor& a, const Point2& predicted,
                                             double angle, double limit) const {
    Sight sight;
    const double turn = angle - a.bornAngle;
    const double needed = a.failures ? kGoodAgain : kGood;
    // A patch that looks like its surroundings proves nothing, however well it fits.
    // Stickers look like each other, but none is where another is expected.
    const double beside = a.lookalike + (a.failures ? 2 : 1) * kDistinct;
    const double distinct = a.sticker ? std::min(beside, kSure) : beside;
    auto attemptWith = [&](const Patch& patch, double born, const Point2& start, double extraSd) {
        const AlignOptions how{
            .predictedAngleRad = turn - born, .anglePriorRad = 0.05, .predictedScale = 1, .scalePrior = 0.03};
        auto m = patch.align(image, {start, turn - born, 1}, how);
        if (!m || m->correlation < needed || (m->pose.centre - predicted).norm() > limit) return;
        if (sight.good && m->correlation <= sight.match.correlation) return;
        m->pose.angleRad += born;
        sight = {*m, true, m->correlation > distinct, extraSd};
    };
    auto attempt = [&](const Point2& start) {
        attemptWith(a.patch, 0, start, 0);
        // The first patch is free of drift, so it goes first; the newer one only where the first no longer fits well.
        if (a.renewed && !(sight.good && sight.match.correlation > kChanged))
            attemptWith(*a.renewed, a.renewedAngle, start, a.renewedSd);
    };
    attempt(predicted);
    if ((sight.good && sight.match.correlation > 0.85) || a.lookalike > kBlank) return sight;
    // Search around the prediction: starts on a ring, as the patch pulls in about half its σ.
    const double reach = std::min(limit, a.failures ? 12.0 : 8.0);
    for (double r = 4; r <= reach; r += 4)
        for (int k = 0; k < 8; ++k) {
            const double direction = k * kPi / 4;
            attempt(predicted + r * Vector2(std::cos(direction), std::sin(direction)));
            if (sight.good && sight.match.correlation > 0.9) return sight;
        }
    return sight;
}

LandmarkTracker::Sight LandmarkTracker::lookAround(const cv::Mat& image, const Anchor& a, const Point2& seed,
                                                   double angle) const {
    Sight best;
    constexpr double reach = 36, step = 6; // px; a patch pulls in from about half its σ
    for (double dy = -reach; dy <= reach; dy += step)
        for (double dx = -reach; dx <= reach; dx += step) {
            const AlignOptions how{.predictedAngleRad = angle - a.bornAngle, .steps = 6};
            const Point2 start = seed + Vector2(dx, dy);
            const auto m = a.patch.align(image, {start, angle - a.bornAngle, 1}, how);
            if (!m || m->correlation < kSure || (m->pose.centre - start).norm() > step) continue;
            if (!best.good || m->correlation > best.match.correlation)
                best = {*m, true, m->correlation > a.lookalike + 2 * kDistinct, 0};
        }
    return best;
}

/// Trunk and pelvis meet at the hip and turn much alike; limbs only share their joints, and two joints tell how a limb
/// lies.
void LandmarkTracker::hangLostSegments(const cv::Mat& image) {
    const auto isCore = [](const SegmentCloud& s) {
        return s.plan().name.starts_with("pelvis") || s.plan().name.starts_with("trunk");
    };
    for (SegmentCloud& lost : segments_) {
        if (lost.measured()) continue;
        const auto& own = layout_.at(lost.plan().name);
        Pose2 pose = lost.pose();
        std::map<std::string, Point2> joints; // where the neighbours have them
        for (const SegmentCloud& other : segments_) {
            if (!other.measured() || (isCore(lost) && !isCore(other))) continue;
            for (const auto& [name, place] : layout_.at(other.plan().name)) {
                if (!own.count(name)) continue;
                // The pelvis knows the hip better than the trunk does, and comes first in the list.
                joints.try_emplace(name, placeIn(other, name, other.pose()));
                if (isCore(lost)) pose.angleRad = other.pose().angleRad, pose.scale = other.pose().scale;
            }
        }
        if (joints.empty()) continue;
        std::vector<Point2> from, to;
        for (const auto& [name, at] : joints) from.push_back(own.at(name)), to.push_back(at);
        if (from.size() > 1 && !isCore(lost)) {
            if (const auto fit = fitPose(from, to, std::vector<double>(from.size(), 1), {})) pose = fit->pose;
        } else {
            pose.shift += to[0] - pose(from[0]);
        }
        lost.hangOn(image, pose);
    }
}

void LandmarkTracker::step(const cv::Mat& raw, double seconds, const std::map<std::string, Point2>& seeds) {
    const cv::Mat image = smooth(raw);
    std::vector<cv::Mat> pyramid;
    cv::buildOpticalFlowPyramid(image, pyramid, kWindow, kLevels);

    for (SegmentCloud& s : segments_) s.predict(seconds);

    std::vector<cv::Point2f> before;
    std::map<std::string, size_t> flowOf;
    for (const auto& [name, p] : now_)
        if (p.state != PointState::Absent)
            flowOf[name] = before.size(), before.emplace_back(float(p.at.x()), float(p.at.y()));
    const auto [after, found] = flow(pyramid_, pyramid, before);

    // Marks that prove themselves.
    struct Search {
        const std::string* name;
        const Anchor* anchor;
        Point2 predicted;
        double angle, limit;
        Sight sight;
    };
    std::vector<Search> searches;
    for (auto& [name, p] : now_) {
        const auto it = anchors_.find(name);
        if (p.state == PointState::Absent || it == anchors_.end()) continue;
        const Anchor& a = it->second;
        const SegmentCloud* s = mainSegment(name);
        Point2 predicted = p.at + 0.5 * a.velocity * seconds;
        double angle = 0;
        if (s) {
            angle = a.sticker ? a.bornAngle + a.angle : s->predicted().angleRad;
            if (a.failures || !a.sticker) predicted = placeIn(*s, name, s->predicted());
        }
        if (const size_t f = flowOf.at(name);
            found[f] && (Point2(after[f].x, after[f].y) - p.at).norm() < 12 && !a.failures)
            predicted = {double(after[f].x), double(after[f].y)};
        const double limit =
            isSceneLandmark(name) ? 3 : std::max(4.0, kMaxSpeed * seconds) * (1 + std::min(3, a.failures));
        searches.push_back({&name, &a, predicted, angle, limit, {}});
    }
    // Each search and each segment stands alone, so the result is the same however they are shared out.
    cv::parallel_for_({0, int(searches.size())}, [&](const cv::Range& part) {
        for (int k = part.start; k < part.end; ++k) {
            Search& s = searches[size_t(k)];
            s.sight = look(image, *s.anchor, s.predicted, s.angle, s.limit);
            const auto seed = seeds.find(*s.name);
            if (seed != seeds.end() && s.anchor->failures && !s.sight.good)
                s.sight = lookAround(image, *s.anchor, seed->second, s.angle);
        }
    });
    std::map<std::string, Sight> sights;
    for (const Search& s : searches) sights[*s.name] = s.sight;

    // A segment whose marks are all stickers in plain sight needs no cloth to be found by.
    std::vector<std::vector<LandmarkSight>> seen(segments_.size());
    std::vector<size_t> first(segments_.size(), 0);
    std::vector<bool> onMarks(segments_.size(), true);
    std::vector<cv::Point2f> cloth;
    for (size_t k = 0; k < segments_.size(); ++k) {
        for (const auto& [name, place] : layout_.at(segments_[k].plan().name)) {
            const auto it = sights.find(name);
            const bool good = it != sights.end() && it->second.distinct;
            const bool sticker = good && anchors_.at(name).sticker;
            if (good)
                seen[k].push_back({place, it->second.match.pose.centre,
                                   sticker                               ? 8.0
                                   : it->second.match.correlation > 0.85 ? 2.0
                                                                         : 0.5});
            onMarks[k] = onMarks[k] && sticker && it->second.match.correlation > 0.85;
        }
        if (onMarks[k]) continue;
        first[k] = cloth.size();
        const auto places = segments_[k].places();
        cloth.insert(cloth.end(), places.begin(), places.end());
    }
    const auto [clothAfter, clothFound] = flow(pyramid_, pyramid, cloth);
    pyramid_ = std::move(pyramid);
    auto stepSegment = [&](size_t k) {
        SegmentCloud& s = segments_[k];
        if (onMarks[k]) return s.stepOnMarks(seen[k]);
        const auto at = std::ptrdiff_t(first[k]), n = std::ptrdiff_t(s.places().size());
        s.step(image, {clothAfter.begin() + at, clothAfter.begin() + at + n},
               {clothFound.begin() + at, clothFound.begin() + at + n}, seen[k]);
    };
    cv::parallel_for_({0, int(segments_.size())}, [&](const cv::Range& part) {
        for (int k = part.start; k < part.end; ++k) stepSegment(size_t(k));
    });

    hangLostSegments(image);

    for (auto& [name, p] : now_)
        if (p.state != PointState::Absent) settle(image, name, p, sights, seconds);
}

/// How far a mark may have moved in a segment that holds it loosely, px: the hip hangs on the trunk by the low back,
/// the shoulder by the shoulder blade, so both go along with the other segment when the two turn apart.
double LandmarkTracker::looseness(const SegmentCloud& s, const std::string& name) const {
    if (!s.plan().name.starts_with("trunk") || (name != s.plan().proximal && name != s.plan().distal)) return 0;
    const auto& layout = layout_.at(s.plan().name);
    const auto a = layout.find(s.plan().proximal), b = layout.find(s.plan().distal);
    if (a == layout.end() || b == layout.end()) return 0;
    const bool isHip = name == s.plan().distal;
    const double lever = (isHip ? kLowBack : kShoulderBlade) * (b->second - a->second).norm();
    for (const SegmentCloud& other : segments_)
        if (other.measured() && layout_.at(other.plan().name).count(name) &&
            other.plan().name.starts_with(isHip ? "pelvis" : "upper arm"))
            return lever * std::abs(other.pose().angleRad - s.pose().angleRad);
    return lever * std::abs(s.pose().angleRad);
}

LandmarkTracker::Carried LandmarkTracker::carriedBySegments(const std::string& name) const {
    Carried c;
    double total = 0;
    std::vector<std::pair<Point2, double>> opinions; // place, weight
    for (const SegmentCloud& s : segments_) {
        if (!layout_.at(s.plan().name).count(name) || !s.measured()) continue;
        const double own = 0.5 + 2 * s.poseSdPx() + 1.2 * std::abs(s.pose().angleRad);
        const double w = 1 / (own * own + std::pow(looseness(s, name), 2));
        opinions.emplace_back(placeIn(s, name, s.pose()), w);
        c.at += w * opinions.back().first, total += w;
        c.atEnd = c.atEnd && (name == s.plan().proximal || name == s.plan().distal);
    }
    c.segments = int(opinions.size());
    if (c.segments == 0) return c;
    c.at /= total;
    double apart = 0;
    for (const auto& [place, w] : opinions) apart += w / total * (place - c.at).squaredNorm();
    c.disagreement = std::sqrt(apart);
    // One segment may be wrong in a way that the others would share: averaging does not narrow the band.
    const double share = double(c.segments) / total;
    c.sd = std::hypot(std::sqrt(std::min(share, 1e4)), c.disagreement);
    return c;
}

void LandmarkTracker::settle(const cv::Mat& image, const std::string& name, TrackPoint& p,
                             const std::map<std::string, Sight>& sights, double seconds) {
    const auto it = anchors_.find(name);
    Anchor* a = it == anchors_.end() ? nullptr : &it->second;
    const Sight sight = a ? sights.at(name) : Sight{};
    if (isSceneLandmark(name)) {
        // A patch on a bare edge slides along it, so only a sticker may move the mark, or the whole picture.
        if (const Carried scene = carriedBySegments(name); scene.segments > 0)
            p.at = scene.at;
        else if (sight.good && a->sticker)
            p.at = sight.match.pose.centre;
        p.sd = kSceneSd;
        p.state = PointState::Seen;
        return;
    }
    const Carried carried = carriedBySegments(name);
    const bool hasSegment = carried.segments > 0;
    const Point2 before = p.at;
    const bool backed = carried.segments > 1 && carried.disagreement < 3;
    const double gap = hasSegment && sight.good ? (sight.match.pose.centre - carried.at).norm() : 0;
    // A sticker that fits much worse than it did is being covered, and would go along with what covers it.
    const bool sticker = sight.distinct && a->sticker &&
                         sight.match.correlation > std::max(a->failures ? 0.85 : 0.75, a->typical - kCovered);
    const double reach = !sight.good ? 0 : sight.distinct ? std::max(4.0, 3 * carried.sd) : kSupports;
    const bool agrees = hasSegment ? gap < reach : sight.distinct && !a->sticker;
    bool accepted = sticker || agrees;
    if (sticker) {
        p.at = sight.match.pose.centre;
        // Where skin slides over the bone it also bends, which moves the middle of what is stuck to it.
        double slid = a->slide.empty() ? 0 : 1e9;
        for (const auto& [segment, way] : a->slide) slid = std::min(slid, way.norm());
        p.sd = std::hypot(patchSd(sight.match), std::hypot(sight.extraSd, kBends * slid));
        p.state = PointState::Seen;
    } else if (agrees && (!hasSegment || sight.match.correlation > 0.70)) {
        // On cloth: patch and segment share the say. Their distance is evidence of sliding and widens the band.
        const double own = patchSd(sight.match) + (sight.distinct ? 0.25 : kSupports / 2) +
                           0.5 * std::max(0.0, 0.9 - sight.match.correlation) * 4;
        const double w = hasSegment ? carried.sd * carried.sd / (carried.sd * carried.sd + own * own) : 1;
        p.at = w * sight.match.pose.centre + (1 - w) * carried.at;
        // A match that is not distinct follows the segments, so it cannot narrow their band.
        const double both = !hasSegment ? own : sight.distinct ? 1 / std::hypot(1 / own, 1 / carried.sd) : carried.sd;
        p.sd = std::hypot(both, 0.35 * gap);
        // A patch whose segment is gone may have stayed behind with what lies beside the body.
        if (!hasSegment && mainSegment(name)) p.sd = std::hypot(p.sd, kAlone * std::min(++a->alone, 40));
        p.state = p.sd > 4 ? PointState::Lost : p.sd > 2 ? PointState::Weak : PointState::Seen;
    } else if (sight.distinct && sight.match.correlation > kSure && !a->failures && !backed) {
        // The mark is plainly there, but its segment has moved on: skin slides over bone, most at the shoulder. Not
        // against two segments that agree: then it is a fold or a seam that has moved.
        p.at = sight.match.pose.centre;
        p.sd = std::hypot(patchSd(sight.match) + 0.5, 0.35 * gap);
        p.state = p.sd > 2 ? PointState::Weak : PointState::Seen;
        accepted = true;
    } else if (hasSegment) {
        p.at = carried.at;
        // The end of one limb alone is a poor witness of a joint, the longer the worse: skin slides there.
        p.sd = carried.sd + 0.5 + (carried.atEnd && !backed && a ? kEndOfLimb * std::min(a->failures, 25) : 0);
        p.state = p.sd > (carried.segments > 1 ? 7 : 4) ? PointState::Lost : PointState::Weak;
    } else {
        p.sd = std::min(60.0, std::max(p.sd, 1.0) * 1.15 + 0.5);
        p.state = PointState::Lost;
    }
    if (!a) return;
    if (hasSegment || sticker) a->alone = 0;
    a->failures = accepted ? 0 : a->failures + 1;
    a->velocity = accepted && seconds > 0 ? Vector2((p.at - before) / seconds) : Vector2(0.5 * a->velocity);
    if (accepted) a->angle = sight.match.pose.angleRad;
    if (sticker) a->typical += 0.1 * (sight.match.correlation - a->typical);
    if (sticker) learn(image, name, p.at, *a, sight.match.correlation);
}

void LandmarkTracker::learn(const cv::Mat& image, const std::string& name, const Point2& at, Anchor& a,
                            double correlation) const {
    // Stickers only: on cloth a slide cannot be told from an error, so there the first place stays.
    for (const SegmentCloud& s : segments_) {
        const auto& layout = layout_.at(s.plan().name);
        const auto own = layout.find(name);
        if (own != layout.end() && s.measured()) a.slide[s.plan().name] = s.pose().inverse(at) - own->second;
    }
    if (correlation >= kChanged) return;
    if (auto patch = Patch::take(image, at, kAnchorRadius, kAnchorSigma)) {
        a.renewed = std::move(patch);
        a.renewedAngle = a.angle;
        a.renewedSd = std::hypot(a.renewedSd, kRenewalSd);
    }
}

} // namespace deft
