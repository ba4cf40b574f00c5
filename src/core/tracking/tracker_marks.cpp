// SPDX-License-Identifier: GPL-3.0-or-later
// Where a mark is found again by its own patch, and where it is settled beside what its segments say.
#include "marks/names.h"

#include "tracking/constants.h"
#include "tracking/stickers.h"
#include "tracking/tracker.h"

#include <algorithm>
#include <cmath>

namespace deft {
using namespace tracking;
namespace {

/// Standard deviation of a patch's position. The fit's own value is far too small, because neighbouring residuals are
/// not independent; and a patch that fits less well has been bent or squeezed, which moves its middle.
double patchSd(const PatchMatch& m) {
    return std::hypot(3 * m.sdPx, 0.07) * (1 + 10 * std::max(0.0, 0.97 - m.correlation));
}
} // namespace

std::optional<LandmarkTracker::Anchor> LandmarkTracker::anchorAt(const cv::Mat& image, const Point2& place) {
    auto patch = Patch::take(image, place, kAnchorRadius, kAnchorSigma);
    if (!patch) return std::nullopt;
    Anchor a;
    a.patch = std::move(*patch);
    // An outline before a line of the room has as much texture, but does not look the same after half a turn.
    a.sticker = a.patch.texture() > kStickerTexture && looksTheSameTurned(image, place);
    a.lookalike = a.patch.lookalike(image, place, kLookalikeFrom, kLookalikeTo);
    a.blank = a.lookalike > kBlank;
    return a;
}

LandmarkTracker::Sight LandmarkTracker::look(const cv::Mat& image, const Anchor& a, const Point2& predicted,
                                             const Point2& going, double angle, double limit) const {
    Sight sight;
    const double turn = angle - a.bornAngle;
    const double needed = a.failures ? kGoodAgain : kGood;
    // A patch that looks like its surroundings proves nothing, however well it fits.
    // Stickers look like each other, but none is where another is expected.
    const double beside = a.lookalike + (a.failures ? 2 : 1) * kDistinct;
    const double distinct = a.sticker ? std::min(beside, kSure) : beside;
    struct Look {
        const Patch* patch;
        double born, extraSd;
        AlignOptions how;
    };
    auto lookOf = [&](const Patch& patch, double born, double extraSd) {
        return Look{&patch, born, extraSd, {.predictedAngleRad = turn - born, .stopPx = 0.01}};
    };
    // The first patch is free of drift, so it goes first; the newer one only where the first no longer fits well.
    std::vector<Look> looks{lookOf(a.patch, 0, 0)};
    if (a.renewed) looks.push_back(lookOf(*a.renewed, a.renewedAngle, a.renewedSd));
    auto attempt = [&](const Look& with, const Point2& start) {
        auto m = with.patch->align(image, {start, turn - with.born, 1}, with.how);
        if (!m || m->correlation < needed || (m->pose.centre - predicted).norm() > limit) return;
        if (sight.good && m->correlation <= sight.match.correlation) return;
        m->pose.angleRad += with.born;
        sight = {*m, true, m->correlation > distinct, false, false, with.extraSd};
    };
    for (const Point2& start : {predicted, going})
        for (const Look& with : looks)
            if (!sight.distinct || (&with != &looks[0] && sight.match.correlation <= kChanged)) attempt(with, start);
    if ((sight.distinct && sight.match.correlation > 0.85) || a.blank) return sight;
    // Search around the prediction: starts on a ring, as the patch pulls in about half its σ. Roughly at first; only
    // the best places are worth to be looked at closely.
    const double reach = std::min(limit, a.failures ? 12.0 : 8.0);
    for (const Look& with : looks) {
        std::vector<PatchMatch> rough;
        for (double r = 4; r <= reach; r += 4)
            for (int k = 0; k < 8; ++k) {
                const double direction = k * kPi / 4;
                const Point2 start = predicted + r * Vector2(std::cos(direction), std::sin(direction));
                if (const auto m = with.patch->alignRoughly(image, {start, turn - with.born, 1}, with.how))
                    if (m->correlation > needed - kRough) rough.push_back(*m);
            }
        std::sort(rough.begin(), rough.end(),
                  [](const auto& m, const auto& n) { return m.correlation > n.correlation; });
        std::vector<Point2> tried;
        for (const PatchMatch& m : rough) {
            const bool again = std::any_of(tried.begin(), tried.end(),
                                           [&](const Point2& t) { return (t - m.pose.centre).norm() < kSamePlace_px; });
            if (again) continue;
            attempt(with, m.pose.centre);
            tried.push_back(m.pose.centre);
            if (tried.size() == kPlacesToTry) break;
        }
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
                best = {*m, true, m->correlation > a.lookalike + 2 * kDistinct, false, false, 0};
        }
    return best;
}

void LandmarkTracker::partClaims(std::vector<Search>& searches) {
    const auto place = [](const Search& s) { return s.sight.match.pose.centre; };
    const auto surprise = [](const Search& s, const Point2& at) { return (at - s.predicted).norm(); };
    std::vector<bool> givenUp(searches.size(), false);
    for (size_t i = 0; i < searches.size(); ++i) {
        const Search& mine = searches[i];
        if (!mine.anchor->sticker || !mine.sight.good) continue;
        for (size_t j = 0; j < searches.size(); ++j) {
            const Search& other = searches[j];
            if (i == j || !other.anchor->sticker) continue;
            // The other one is there, too, or is nowhere, and was expected to be there.
            const bool claims = other.sight.good && (place(other) - place(mine)).norm() < kOnePlace_px;
            if (!claims && other.sight.good) continue;
            const double further = surprise(mine, place(mine)) - surprise(other, place(mine));
            if (further > (claims ? -kAsNear_px : kAsNear_px)) givenUp[i] = true;
        }
    }
    for (size_t i = 0; i < searches.size(); ++i)
        if (givenUp[i]) searches[i].sight = {};
}

/// What was taken for a sticker and keeps its place while every limb that it was taken on has gone away is the room's:
/// an outline that crosses a post behind it, say.
bool LandmarkTracker::isBackground(const std::string& name, const Point2& at) const {
    const auto tells = [](const SegmentCloud& s) { return s.measured() && s.points() >= kManyPoints; };
    // What lies beside the main one only tells of the joint from afar, and while that is covered it may be far off.
    if (const SegmentCloud* main = mainSegment(name); !main || !tells(*main)) return false;
    bool left = false;
    for (const SegmentCloud& s : segments_) {
        const auto place = layout_.at(s.plan().name).find(name);
        if (place == layout_.at(s.plan().name).end() || !tells(s)) continue;
        const double way = (s.pose()(place->second) - place->second).norm();
        if (way < kGoneAway || (at - place->second).norm() > kStayed * way) return false;
        left = true;
    }
    return left;
}

void LandmarkTracker::settle(const cv::Mat& image, const std::string& name, TrackPoint& p,
                             const std::map<std::string, Sight>& sights, double seconds) {
    auto it = anchors_.find(name);
    if (it != anchors_.end() && it->second.sticker && !isSceneLandmark(name) && sights.at(name).good &&
        isBackground(name, sights.at(name).match.pose.centre))
        anchors_.erase(it), it = anchors_.end(); // from now on its segments alone carry it
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
    const SegmentCloud* main = mainSegment(name);
    const BodyPart part = main ? main->plan().part : BodyPart::Scene;
    const bool onArm = part == BodyPart::UpperArm || part == BodyPart::Forearm;
    const double fewTurned = kFewTurned * std::max(0, kManyPoints - carried.points) * std::min(1.0, 2 * carried.turn);
    const bool poorTrunk = part == BodyPart::Trunk && carried.agreeing <= kHalfAgree;
    const Point2 before = p.at;
    const bool backed = isBacked(carried);
    const double gap = hasSegment && sight.good ? (sight.match.pose.centre - carried.at).norm() : 0;
    // A sticker that fits much worse than it did is being covered, and would go along with what covers it.
    const bool sticker = sight.distinct && a->sticker &&
                         sight.match.correlation > std::max(a->failures ? 0.85 : 0.75, a->typical - kCovered);
    const double reach = !sight.good ? 0 : sight.distinct ? std::max(4.0, 3 * carried.sd) : kSupports;
    const bool goesOn = sight.distinct || (sight.good && sight.goesOn && !a->blank);
    const bool agrees = hasSegment ? gap < reach : goesOn && !a->sticker;
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
        const double w = hasSegment ? patchWeight(name, own, carried.sd, gap) : 1;
        p.at = w * sight.match.pose.centre + (1 - w) * carried.at;
        // A match that is not distinct follows the segments, so it cannot narrow their band.
        const double both = !hasSegment      ? own
                            : sight.distinct ? 1 / std::hypot(1 / own, 1 / carried.sd)
                                             : carried.sd + (carried.atEnd && !backed ? kEndOfLimb * 25 : 0);
        p.sd = std::hypot(both, 0.5 * gap);
        // A patch whose segment is gone may have stayed behind with what lies beside the body, unless the limb was
        // still anyway; and one that moves on alone has mostly slid along an outline, unless a body finder sees it
        // there.
        if (!hasSegment && main) {
            if (sight.bySeed) {
                a->provenAlone |= a->alone > 0 && (p.at - a->aloneFrom).norm() > kGoneAlong;
                a->alone = 1, a->aloneFrom = p.at, a->wasStill = a->speed < kStill;
            } else if (a->alone++ == 0) {
                a->aloneFrom = before, a->wasStill = a->speed < kStill;
            }
            p.sd = std::hypot(p.sd, kAlone * std::min(a->alone, a->wasStill ? 8 : 40));
            p.sd = std::max(p.sd, (a->provenAlone ? kProvenMoves : kAloneMoves) * (p.at - a->aloneFrom).norm());
        }
        const double trusted = hasSegment ? 1 : kCalibrated; // a patch alone is given up sooner
        const bool lost = p.sd > trusted * kPatchLost;
        if (carried.segments == 1 && !sideOf(name).empty()) p.sd += fewTurned;
        p.sd = std::hypot(p.sd, goesRound(name, carried));
        p.state = lost ? PointState::Lost : p.sd > trusted * kWeak ? PointState::Weak : PointState::Seen;
    } else if (sight.distinct && sight.match.correlation > kSure && mayContradict(name, carried, *a) &&
               gap < (carried.atEnd && !poorTrunk ? kSkinSlides : kBackBends)) {
        // The mark is plainly there, but its segment has moved on: skin slides over bone, most at the shoulder.
        p.at = sight.match.pose.centre;
        p.sd = std::hypot(patchSd(sight.match) + 0.5, (carried.atEnd ? kSkinOff : kBackOff) * gap);
        p.state = p.sd > kWeak ? PointState::Weak : PointState::Seen;
        accepted = true;
    } else if (hasSegment) {
        p.at = carried.at;
        p.sd = kCarried * carried.sd + 1 + carried.blindSd + carried.rolled +
               kFewPoints * std::max(0, kManyPoints - carried.points) + fewTurned;
        // The end of one limb alone is a poor witness of a joint, the longer the worse: skin slides there.
        if (carried.atEnd && !backed && a)
            p.sd += kEndOfLimb * std::min(a->failures, 25) + (onArm ? kFewOfArm : kFewAgree) * (1 - carried.agreeing);
        // What is left of a trunk may well be a fold of the shirt, or the mat behind it.
        if (carried.segments == 1 && part == BodyPart::Trunk)
            p.sd += kFewOfTrunk * std::max(0.0, kHalfAgree - carried.agreeing);
        p.state = p.sd > kLost ? PointState::Lost : PointState::Weak;
    } else {
        p.sd = std::min(kAnywhere * std::max(image.cols, image.rows), std::max(p.sd, 1.0) * 1.15 + 0.5);
        p.state = PointState::Lost;
    }
    if (!sticker && p.state != PointState::Lost)
        p.sd *= p.state == PointState::Weak ? kCalibrated
                : part == BodyPart::Pelvis  ? kCalibratedWaist
                                            : kCalibratedSeen;
    if (!a) return;
    if (hasSegment || sticker) a->alone = 0, a->provenAlone = false;
    const Point2 &from = hasSegment ? a->carried : before, &to = hasSegment ? carried.at : p.at;
    a->speed += 0.3 * ((to - from).norm() - a->speed);
    if (hasSegment) a->carried = carried.at;
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
