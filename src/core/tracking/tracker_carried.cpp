// SPDX-License-Identifier: GPL-3.0-or-later
// What its segments say of a mark: where it lies, how far that is to be believed, and how much beside its own patch.
#include "marks/names.h"

#include "tracking/constants.h"
#include "tracking/tracker.h"

#include <Eigen/Geometry>
#include <algorithm>
#include <cmath>

namespace deft {
using namespace tracking;
namespace {} // namespace

/// How far a mark may have moved in a segment that holds it loosely, px: the hip hangs on the trunk by the low back,
/// the shoulder by the shoulder blade, so both go along with the other segment when the two turn apart; what lies
/// between them leaves its place when the back bends.
double LandmarkTracker::looseness(const SegmentCloud& s, const std::string& name) const {
    if (s.plan().part != BodyPart::Trunk) return 0;
    const auto& layout = layout_.at(s.plan().name);
    const auto a = layout.find(s.plan().proximal), b = layout.find(s.plan().distal);
    if (a == layout.end() || b == layout.end()) return 0;
    const bool isHip = name == s.plan().distal, isShoulder = name == s.plan().proximal;
    const double lever = (isHip ? kLowBack : isShoulder ? kShoulderBlade : kBetween) * (b->second - a->second).norm();
    const std::string& joint = isShoulder ? s.plan().proximal : s.plan().distal;
    for (const SegmentCloud& other : segments_)
        if (other.measured() && layout_.at(other.plan().name).count(joint) &&
            other.plan().part == (isShoulder ? BodyPart::UpperArm : BodyPart::Pelvis))
            return lever * std::abs(other.pose().angleRad - s.pose().angleRad);
    return lever * std::abs(s.pose().angleRad);
}

/// From the front the mark of a hip lies on the outline, beside its joint; whether its skin goes with the thigh or with
/// the pelvis cannot be told. From where the thigh carries it half way to where the pelvis would, px: the pelvis lies
/// along the line of both joints.
Vector2 LandmarkTracker::towardPelvis(const SegmentCloud& thigh, const std::string& name) const {
    const auto across = across_.find(name), back = across_.find(otherSideOf(name));
    if (thigh.plan().part != BodyPart::Thigh || name != thigh.plan().proximal || across == across_.end() ||
        back == across_.end())
        return Vector2::Zero();
    const auto other = std::find_if(segments_.begin(), segments_.end(), [&](const SegmentCloud& s) {
        return s.measured() && s.plan().part == BodyPart::Thigh && s.plan().proximal == back->first;
    });
    if (other == segments_.end()) return Vector2::Zero();
    const Vector2 lever = -kBesideJoint * across->second;
    const Point2 joint = thigh.pose()(layout_.at(thigh.plan().name).at(name) - lever),
                 otherJoint =
                     other->pose()(layout_.at(other->plan().name).at(back->first) + kBesideJoint * back->second);
    const Vector2 line = otherJoint - joint;
    const double pelvis = std::atan2(line.y(), line.x()) - std::atan2(across->second.y(), across->second.x());
    return 0.5 * (Eigen::Rotation2Dd(pelvis) * lever - Eigen::Rotation2Dd(thigh.pose().angleRad) * lever);
}

/// How far a hip may be off that a trunk of few points carries alone, px: pelvis and thigh have gone another way.
double LandmarkTracker::trunkOnlyHipSd(const SegmentCloud& s, const std::string& name) const {
    const auto& layout = layout_.at(s.plan().name);
    const auto shoulder = layout.find(s.plan().proximal);
    if (s.plan().part != BodyPart::Trunk || name != s.plan().distal || s.points() >= kManyOfTrunk ||
        shoulder == layout.end())
        return 0;
    size_t others = 0;
    for (const SegmentCloud& other : segments_)
        if (&other != &s && layout_.at(other.plan().name).count(name)) {
            if (other.measured()) return 0;
            ++others;
        }
    return others > 0 ? kLowBack * kUntoldTurn * (shoulder->second - layout.at(name)).norm() : 0;
}

/// What a trunk cannot tell, px: whether the shoulder's skin has gone along with an arm that is lost; and how far what
/// lies between its ends has gone along with skin that bends.
double LandmarkTracker::trunkBlindSd(const SegmentCloud& s, const std::string& name) const {
    if (s.plan().part != BodyPart::Trunk || name == s.plan().distal) return 0;
    if (name != s.plan().proximal) return kBackTurns * std::abs(s.pose().angleRad);
    const auto& layout = layout_.at(s.plan().name);
    const auto hip = layout.find(s.plan().distal);
    const bool armLost = std::any_of(segments_.begin(), segments_.end(), [&](const SegmentCloud& other) {
        return !other.measured() && other.plan().part == BodyPart::UpperArm &&
               layout_.at(other.plan().name).count(name);
    });
    return armLost && hip != layout.end() ? kShoulderBlade * kUntoldTurn * (hip->second - layout.at(name)).norm() : 0;
}

LandmarkTracker::Carried LandmarkTracker::carriedBySegments(const std::string& name) const {
    Carried c;
    double total = 0;
    struct Opinion {
        Point2 place;
        double weight, loose; // px by which a segment that holds it loosely may well be off
    };
    std::vector<Opinion> opinions;
    for (const SegmentCloud& s : segments_) {
        if (!layout_.at(s.plan().name).count(name) || !s.measured()) continue;
        const Point2& place = layout_.at(s.plan().name).at(name);
        const bool bare = s.plan().part == BodyPart::Foot || s.plan().part == BodyPart::Hand;
        const double own = kLeastCarriedSd + 2 * s.poseSdPx() + 1.2 * std::abs(s.pose().angleRad) +
                           (bare ? kBareTurns * (1 - s.agreeing()) * s.lever(place) : 0) + trunkOnlyHipSd(s, name);
        const Vector2 skin = towardPelvis(s, name);
        const double loose = std::hypot(looseness(s, name), skin.norm(), s.extrapolationSd(place));
        const double w = 1 / (own * own + loose * loose);
        opinions.push_back({placeIn(s, name, s.pose()) + s.leftBehind(place) + skin, w, loose});
        c.at += w * opinions.back().place, total += w;
        c.agreeing = std::max(c.agreeing, s.agreeing());
        c.points = std::max(c.points, s.points());
        c.turn = std::max(c.turn, std::abs(s.pose().angleRad));
        c.blindSd = std::max(c.blindSd, trunkBlindSd(s, name));
        if (s.plan().part == BodyPart::Pelvis && !sideOf(name).empty()) c.rolled = kRolls * (1 - s.agreeing());
        c.atEnd = c.atEnd && (name == s.plan().proximal || name == s.plan().distal);
    }
    c.segments = int(opinions.size());
    if (c.segments != 1) c.rolled = 0;
    if (c.segments == 0) return c;
    c.at /= total;
    double apart = 0;
    // Seen from the front trunk and thighs turn apart with every hip that drops: that alone is no disagreement.
    const double expected = sideOf(name).empty() ? 0 : 1;
    for (const Opinion& o : opinions)
        apart += o.weight / total * std::pow(std::max(0.0, (o.place - c.at).norm() - expected * o.loose), 2);
    c.disagreement = std::sqrt(apart);
    // Two that are far apart are not both off by a little: one of them follows what lies beside the body.
    if (opinions.size() == 2) {
        const double beyond = (opinions[0].place - opinions[1].place).norm() - opinions[0].loose - opinions[1].loose;
        if (beyond > kFarApart) c.disagreement = std::max(c.disagreement, 0.5 * beyond);
    }
    // One segment may be wrong in a way that the others would share: averaging does not narrow the band.
    const double share = double(c.segments) / total;
    c.sd = std::hypot(std::sqrt(std::min(share, 1e4)), c.disagreement);
    return c;
}

/// Skin slides over the shoulder, a back bends between its ends, and what is seen from the front turns out of the
/// picture. Anything else lies where its segment has it.
bool LandmarkTracker::skinSlides(const std::string& name) const {
    const SegmentCloud* s = mainSegment(name);
    return !sideOf(name).empty() || (s && s->plan().part == BodyPart::Trunk);
}

/// How far a patch may have gone round with the skin of a limb that has turned, and its segment with it, px: arms roll
/// about their own length, feet bend at the toes, shoulders slide over the blade, backs bend, and few points tell
/// little of it.
double LandmarkTracker::goesRound(const std::string& name, const Carried& carried) const {
    struct Skin {
        double least = 0, perRad = 0, most = 0; // px
    };
    Skin skin;
    if (const SegmentCloud* s = mainSegment(name)) {
        const BodyPart part = s->plan().part;
        if (part == BodyPart::UpperArm || part == BodyPart::Forearm)
            skin = {0.4, 60, 1.8};
        else if (part == BodyPart::Foot)
            skin = {0, 38, 1.2};
        else if (part == BodyPart::Thigh)
            skin = {0, 1.6, 1};
        else if (part == BodyPart::Trunk && name == s->plan().proximal)
            skin = {0, 45, 0.75};
        else if (part == BodyPart::Trunk && name != s->plan().distal)
            skin = {name.starts_with("rib") ? 0.4 : 0.7, 0, 0};
    }
    const double few = carried.segments > 0 ? kFewSeen * std::max(0, kManySeen - carried.points) : 0;
    return std::hypot(skin.least + std::min(skin.most, skin.perRad * carried.turn),
                      few * std::min(1.0, carried.turn / kTurned));
}

/// Two segments agree on it.
bool LandmarkTracker::isBacked(const Carried& carried) {
    return carried.segments > 1 && carried.disagreement < kBacked_px;
}

/// Whether a patch may lie apart from where its segments carry the mark. In made clips it was nearer at shoulders in
/// four of five such frames, even against trunk and arm together, and at a back of which few points were left;
/// elsewhere against two segments it was a fold or a seam that had moved.
bool LandmarkTracker::mayContradict(const std::string& name, const Carried& carried, const Anchor& anchor) const {
    if (const SegmentCloud* s = mainSegment(name); s && s->plan().part == BodyPart::Trunk)
        if (name == s->plan().proximal || (!carried.atEnd && carried.agreeing <= kHalfAgree)) return true;
    return !anchor.failures && !isBacked(carried) && skinSlides(name);
}

/// Weight of a patch against what the segments say, 0…1.
double LandmarkTracker::patchWeight(const std::string& name, double patchSd, double carriedSd, double gap) const {
    // A patch that leaves a place on which a whole segment agrees has slid along an outline or been bent.
    if (!skinSlides(name)) {
        carriedSd = kHeld * std::max(kLeastHeld, carriedSd - kLeastCarriedSd);
        patchSd += kSlidAway * gap;
    }
    return carriedSd * carriedSd / (carriedSd * carriedSd + patchSd * patchSd);
}

} // namespace deft
