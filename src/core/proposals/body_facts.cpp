// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/body_facts.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kWrongWayUp = 0.3; // torso lengths that a guess is set back when the face looks the other way

const std::pair<const char*, Keypoint> kJoints[] = {
    {"ear", EarLeft},     {"eye", EyeLeft}, {"shoulder", ShoulderLeft}, {"elbow", ElbowLeft},
    {"wrist", WristLeft}, {"hip", HipLeft}, {"knee", KneeLeft},         {"ankle", AnkleLeft}};

/// Root mean square distance of the joints from a drawn position, in torso lengths, after moving and sizing alone: the
/// camera stands level, so a body that would have to be turned lies otherwise.
double distanceFrom(const Sketch& drawn, const std::map<std::string, ScoredPoint>& joints, bool mirror) {
    std::vector<Point2> from, to;
    for (const auto& [name, p] : drawn)
        if (const auto j = joints.find(name); j != joints.end() && !name.starts_with("ear")) {
            from.emplace_back(mirror ? -p.x() : p.x(), -p.y()); // drawings point up, pictures down
            to.push_back(j->second.place);
        }
    if (from.size() < 4) return kGap;
    Point2 a = Point2::Zero(), b = Point2::Zero();
    for (size_t i = 0; i < from.size(); ++i) a += from[i], b += to[i];
    a /= double(from.size()), b /= double(from.size());
    double cross = 0, own = 0;
    for (size_t i = 0; i < from.size(); ++i) cross += (from[i] - a).dot(to[i] - b), own += (from[i] - a).squaredNorm();
    const double scale = own > 0 ? cross / own : 0;
    if (scale <= 0) return kGap;
    double sum = 0;
    for (size_t i = 0; i < from.size(); ++i) sum += (scale * (from[i] - a) - (to[i] - b)).squaredNorm();
    const auto length = [&](const std::string& side) {
        const auto s = drawn.find("shoulder" + side), h = drawn.find("hip" + side);
        return s == drawn.end() || h == drawn.end() ? kGap : (s->second - h->second).norm();
    };
    const double torso = std::isnan(length("")) ? length("_r") : length("");
    return std::sqrt(sum / double(from.size())) / (scale * torso);
}

/// Nearest fit over the ways in which a body can be drawn: either side near, mirrored or not, left and right exchanged.
double bestDistance(const Sketch& drawn, const FoundBody& body, bool fromTheSide) {
    double best = kGap;
    for (const bool either : {true, false})
        for (const bool mirror : {true, false}) {
            const auto joints = fromTheSide ? jointsOfSide(body, either) : jointsOfBoth(body, either);
            const double d = distanceFrom(drawn, joints, mirror);
            if (std::isnan(best) || d < best) best = d;
        }
    return best;
}

bool lies(const FoundBody& body) {
    const Vector2 trunk = body.shoulders() - body.hips();
    return std::abs(trunk.y()) < std::abs(trunk.x());
}

/// Of a lying body: is the nose higher than the ears?
bool faceUp(const FoundBody& body) { return body.at(Nose).y() < (body.at(EarLeft).y() + body.at(EarRight).y()) / 2; }

/// Is there a joint well below the trunk, that carries it?
bool propped(const FoundBody& body) {
    double lowest = -1e9;
    for (const ScoredPoint& p : body.points)
        if (p.score >= kJointGate) lowest = std::max(lowest, p.place.y());
    return lowest - body.shoulders().y() > 0.3 * body.torsoPx();
}

/// Do shoulders and hips stand apart across the trunk, as they do seen from the front or the rear?
double breadth(const FoundBody& body) {
    const Vector2 trunk = (body.shoulders() - body.hips()).normalized();
    const Vector2 s = body.at(ShoulderRight) - body.at(ShoulderLeft);
    return std::abs(trunk.x() * s.y() - trunk.y() * s.x()) / std::max(1.0, body.torsoPx());
}

} // namespace

std::map<std::string, ScoredPoint> jointsOfSide(const FoundBody& body, bool left) {
    std::map<std::string, ScoredPoint> joints;
    for (const auto& [name, k] : kJoints)
        if (const ScoredPoint& p = body.points[size_t(k) + (left ? 0 : 1)]; p.score >= kJointGate) joints[name] = p;
    return joints;
}

std::map<std::string, ScoredPoint> jointsOfBoth(const FoundBody& body, bool exchanged) {
    std::map<std::string, ScoredPoint> joints;
    for (const bool left : {true, false})
        for (const auto& [name, p] : jointsOfSide(body, left)) joints[name + (left != exchanged ? "_l" : "_r")] = p;
    return joints;
}

BodyFacts factsOf(const Catalogue& catalogue, const std::vector<FoundBody>& bodies, int width, int height,
                  const Exercise* asked) {
    BodyFacts f;
    std::vector<double> breadths;
    for (const FoundBody& b : bodies) {
        f.presence = std::max(f.presence, b.presence);
        f.anotherPerson = f.anotherPerson || b.second > kAnotherGate;
        breadths.push_back(breadth(b));
    }
    const FoundBody& first = bodies.front();
    const bool broad = medianOf(breadths) > 0.42;

    // Which exercises does the body look like, at the start and, better still, at some time at the far end?
    for (const std::string& id : catalogue.exerciseIds()) {
        const auto e = catalogue.exercise(id);
        if (!e) continue;
        const bool side = e->view == "side";
        if (side == broad) continue;
        const double start = bestDistance(e->start, first, side);
        double end = start;
        for (const FoundBody& b : bodies) end = std::min(end, bestDistance(e->end, b, side));
        double distance = 0.7 * start + 0.3 * end;
        // On the back the face looks up, on the front down; arms or knees carry a plank, and nobody who lies.
        const Position lying = e->bodyPosition();
        if (side && lies(first) && (lying == Position::Supine || lying == Position::Prone) &&
            (faceUp(first) == (lying == Position::Prone) ||
             (e->position != "prone" && lying == Position::Prone && !propped(first))))
            distance += kWrongWayUp;
        if (!std::isnan(start)) f.guesses.emplace_back(id, distance);
    }
    std::stable_sort(f.guesses.begin(), f.guesses.end(),
                     [](const auto& a, const auto& b) { return a.second < b.second; });
    if (f.guesses.size() > 5) f.guesses.resize(5);

    if (!f.guesses.empty())
        if (const auto e = catalogue.exercise(f.guesses.front().first))
            f.position = e->position == "bridge" ? "supine" : e->position; // a bridge is done lying on the back
    if (f.position.empty()) f.position = lies(first) ? "supine" : "standing";

    const std::string position = asked ? asked->position : f.position;
    const Vector2 trunk = first.shoulders() - first.hips();
    if (lies(first))
        f.headLeft = trunk.x() < 0;
    else // upright: the nose goes ahead of the ears
        f.headLeft = first.at(Nose).x() < (first.at(EarLeft).x() + first.at(EarRight).x()) / 2;
    // Upright and looking left, the left side is near; on the face with the head to the left too; on the back the
    // right.
    const bool onBack = lies(first) && (position == "supine" || position == "bridge"); // the exercise may say either
    f.leftNear = f.headLeft != onBack;

    // Seen from the front, the body's left is where its upward direction points after a quarter turn clockwise.
    const Vector2 up = trunk.normalized(), leftward(-up.y(), up.x());
    const double apart =
        (first.at(ShoulderLeft) - first.at(ShoulderRight) + first.at(HipLeft) - first.at(HipRight)).dot(leftward);
    f.view = !broad ? "side" : asked && asked->view != "side" ? asked->view : apart >= 0 ? "front" : "rear";
    f.exchanged = (f.view == "rear" || f.view == "above") != (apart < 0);

    for (const FoundBody& b : bodies) {
        const double free = kHandWidth * b.torsoPx();
        for (const ScoredPoint& p : b.points) {
            if (p.score < kJointGate) continue;
            const std::pair<const char*, double> edges[] = {{"left", p.place.x()},
                                                            {"right", width - 1 - p.place.x()},
                                                            {"top", p.place.y()},
                                                            {"bottom", height - 1 - p.place.y()}};
            for (const auto& [name, room] : edges)
                if (room < free && std::find(f.cutAt.begin(), f.cutAt.end(), name) == f.cutAt.end())
                    f.cutAt.push_back(name);
        }
    }
    return f;
}

} // namespace deft
