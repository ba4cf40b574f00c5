// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/propose.h"

#include "geometry/rigid_fit.h"
#include "marks/names.h"
#include "proposals/snap.h"
#include "video/clip_reader.h"

#include <algorithm>

namespace deft {
namespace {

// Frames in which joints are known besides those that were searched. They help where a mark is lost (a stand from the
// front has its rep with the five looks, as with one each 2 s, and none without); closer ones changed nothing on twelve
// clips, and cost half of a proposal's time (docs/proposals.md).
constexpr double kSeedsApart_s = 8;
constexpr double kLastTimeSd = 0.05; // torso lengths, on top of how well the frames fit each other

/// Torso lengths, of each axis; measured on made clips (docs/accuracy.md). The shoulder's mark sits on skin that slides
/// far over its joint as the arm moves.
double jointSd(const std::string& name) {
    return name.starts_with("shoulder") ? 0.11 : name.starts_with("ankle") ? 0.09 : 0.065;
}

std::vector<std::string> landmarksOf(const Exercise& e) {
    std::vector<std::string> names = e.landmarksNeeded;
    for (const auto& [name, why] : e.landmarksOptional) names.push_back(name);
    return names;
}

std::map<std::string, Point2> placesOf(const Proposals& p) {
    std::map<std::string, Point2> places;
    for (const auto& [name, mark] : p.marks) places[name] = mark.at;
    return places;
}

/// Joints under the names of the exercise's landmarks.
std::map<std::string, ScoredPoint> jointsFor(const FoundBody& body, const BodyFacts& facts, const Exercise& e,
                                             bool mirrored) {
    return e.view == "side" ? jointsOfSide(body, facts.leftNear) : jointsOfBoth(body, facts.exchanged != mirrored);
}

void fromJoints(Proposals& p, const FoundBody& body, const Exercise& e, bool mirrored) {
    for (const auto& [name, j] : jointsFor(body, *p.facts, e, mirrored))
        p.marks[name] = {j.place, jointSd(name) * body.torsoPx(), j.score, MarkSource::Keypoint};
}

/// All that the layout knows: a sticker on a point that nobody asked for is not to be taken for its neighbour.
void fromLayout(Proposals& p, const Exercise& e, const BodyLayout& layout) {
    const auto joints = placesOf(p);
    for (const std::string& name : layout.landmarks(e.view)) {
        // Seen from the front the hip's own mark lies outside of its joint.
        const auto now = p.marks.find(name);
        const bool ownJoint = now != p.marks.end() && !(e.view != "side" && name.starts_with("hip_"));
        if (ownJoint) continue;
        if (const auto g = layout.place(name, joints, e.view, frontTurn(*p.facts)))
            p.marks[name] = {g->at, g->sd, g->own ? 0.8 : 0.5, MarkSource::Layout};
    }
}

/// Last time's first marks, moved, sized and turned so that the joints of both clips come together.
void fromLastTime(Proposals& p, const Exercise& e, const ProposeContext& c, const ClipInfo& clip) {
    if (!c.lastTime || c.lastTime->frames.empty()) return;
    const auto& last = c.lastTime->frames.front().points;
    std::vector<Point2> from, to;
    std::vector<double> weights;
    for (const auto& [name, at] : last)
        if (const auto now = p.marks.find(name); at && now != p.marks.end() && now->second.from == MarkSource::Keypoint)
            from.push_back(*at), to.push_back(now->second.at), weights.push_back(1);
    Pose2 pose;
    double sd = 0, score = 0.6;
    if (const auto fit = fitPose(from, to, weights, {.withScale = true}); fit && from.size() >= 3) {
        pose = fit->pose;
        sd = fit->rms;
    } else if (p.marks.empty()) { // nobody was looked for: the phone stands where it stood
        pose.scale = c.lastHeight > 0 ? double(clip.height) / c.lastHeight : 1;
        pose.shift = {(clip.width - pose.scale * c.lastWidth) / 2, 0};
        if (c.lastWidth == 0) pose.shift = Vector2::Zero();
        sd = 0.03 * clip.height;
        score = 0.3;
    } else
        return;
    const auto shoulder = last.find("shoulder"), hip = last.find("hip");
    const double torso = shoulder != last.end() && hip != last.end() && shoulder->second && hip->second
                             ? pose.scale * (*shoulder->second - *hip->second).norm()
                             : 0.2 * clip.width;
    for (const std::string& name : landmarksOf(e))
        if (const auto at = last.find(name); at != last.end() && at->second && !p.marks.count(name))
            p.marks[name] = {pose(*at->second), std::hypot(sd, kLastTimeSd * torso), score, MarkSource::LastTime};
}

} // namespace

Result<std::map<int64_t, FoundBody>> findBodies(ClipReader& reader, KeypointNetwork& network, int looks, StopToken stop,
                                                const ProgressFn& progress) {
    std::map<int64_t, FoundBody> bodies;
    for (int look = 0; look < looks; ++look) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "looking for the body was stopped");
        if (progress) progress({look, looks, "looking for the body"});
        const int64_t last = reader.info().frames() - 1, apart = last / std::max(1, looks);
        const int64_t frame = reader.keyFrameNear(look * last / std::max(1, looks), apart / 4);
        if (bodies.count(frame)) continue; // fewer frames than looks
        const auto picture = reader.bgra(frame);
        if (!picture) continue; // damaged; the others may do
        const FoundBody* before = bodies.empty() ? nullptr : &bodies.rbegin()->second;
        if (const auto body = findBody(network, withoutAlpha(*picture), before)) bodies[frame] = *body;
    }
    if (progress) progress({looks, looks, "looking for the body"});
    return bodies;
}

namespace {

/// Bodies between those that were found, where these lie far apart: the same person moments later.
Result<std::map<int64_t, FoundBody>> followBodies(ClipReader& reader, KeypointNetwork& network,
                                                  std::map<int64_t, FoundBody> bodies, StopToken stop,
                                                  const ProgressFn& progress) {
    if (bodies.empty()) return bodies;
    const ClipInfo& clip = reader.info();
    const int64_t total = int64_t(clip.duration_s / kSeedsApart_s), apart = int64_t(kSeedsApart_s * clip.medianRateHz);
    for (int64_t k = 1; k <= total; ++k) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "looking for the body was stopped");
        if (progress) progress({k, total, "following the body"});
        const int64_t there = clip.frameAt(clip.time_s.front() + double(k) * kSeedsApart_s);
        const int64_t frame = reader.keyFrameNear(there, apart / 3);
        const auto next = bodies.lower_bound(frame);
        const auto before = next == bodies.begin() ? next : std::prev(next);
        const bool known = std::abs(before->first - frame) <= apart / 2 ||
                           (next != bodies.end() && std::abs(next->first - frame) <= apart / 2);
        if (known) continue;
        const auto picture = reader.bgra(frame);
        if (!picture) continue;
        if (const auto body = findBodyNear(network, withoutAlpha(*picture), before->second)) bodies[frame] = *body;
    }
    return bodies;
}

} // namespace

void ProposeContext::learn(const Marks& marks, const Exercise& exercise) {
    if (marks.frames.empty()) return;
    std::map<std::string, Point2> points;
    for (const auto& [name, at] : marks.frames.front().points)
        if (at) points[name] = *at;
    const bool side = exercise.view == "side";
    if (const auto turn = side ? frontTurn(points, exercise.bodyPosition()) : std::optional(1))
        layout.learn(points, exercise.view, *turn);
}

Result<Proposals> proposeMarks(const Catalogue& catalogue, ClipReader& reader, Result<KeypointNetwork>& network,
                               const Exercise& exercise, const ProposeContext& context, StopToken stop,
                               const ProgressFn& progress) {
    const ClipInfo& clip = reader.info();
    Proposals p;
    std::map<int64_t, FoundBody> found, followed;
    if (network) {
        auto looked = findBodies(reader, *network, kLooks, stop, progress);
        if (!looked) return tl::unexpected(looked.error());
        found = std::move(*looked);
        auto between = followBodies(reader, *network, found, stop, progress);
        if (!between) return tl::unexpected(between.error());
        followed = std::move(*between);
    } else {
        p.missing = network.error().detail();
    }
    std::vector<FoundBody> bodies;
    for (const auto& [frame, body] : found) bodies.push_back(body);
    if (!bodies.empty()) {
        p.facts = factsOf(catalogue, bodies, clip.width, clip.height, &exercise);
        p.frame = found.begin()->first;
        fromJoints(p, bodies.front(), exercise, context.mirrored);
        fromLayout(p, exercise, context.layout);
    }
    fromLastTime(p, exercise, context, clip);
    p.time_s = clip.time_s[size_t(p.frame)];

    if (!p.marks.empty()) {
        auto grey = reader.grey(p.frame);
        if (!grey) return tl::unexpected(grey.error());
        snapToStickers(p.marks, *grey, bodies.empty() ? 0.2 * clip.width : bodies.front().torsoPx());
    }
    const std::vector<std::string> wanted = landmarksOf(exercise);
    for (auto it = p.marks.begin(); it != p.marks.end();) {
        const Point2& at = it->second.at;
        const bool inside = at.x() >= 0 && at.y() >= 0 && at.x() <= clip.width - 1 && at.y() <= clip.height - 1;
        const bool asked = std::find(wanted.begin(), wanted.end(), it->first) != wanted.end();
        it = inside && asked ? std::next(it) : p.marks.erase(it);
    }
    for (const std::string& name : wanted)
        if (!p.marks.count(name)) p.empty.push_back(name);
    for (const auto& [frame, body] : followed) {
        MarkedFrame seen{clip.time_s[size_t(frame)], {}};
        for (const auto& [name, joint] : jointsFor(body, *p.facts, exercise, context.mirrored))
            if (std::find(wanted.begin(), wanted.end(), name) != wanted.end()) seen.points[name] = joint.place;
        if (!seen.points.empty()) p.seeds.push_back(std::move(seen));
    }
    return p;
}

void followMarks(Proposals& p, const Exercise& exercise, const BodyLayout& layout,
                 const std::map<std::string, Point2>& confirmed) {
    if (!p.facts) return;
    auto joints = placesOf(p);
    for (const auto& [name, at] : confirmed) joints[name] = at;
    for (auto& [name, mark] : p.marks)
        if (mark.from == MarkSource::Layout)
            if (const auto g = layout.place(name, joints, exercise.view, frontTurn(*p.facts)))
                mark.at = g->at, mark.sd = g->sd;
}

} // namespace deft
