// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/body_layout.h"

#include "marks/names.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Segment that carries a landmark: its joint, and the joint that gives direction and length.
struct Frame {
    const char *origin, *toward;
};

Frame frameOf(std::string_view name) {
    if (name == "heel" || name == "toe") return {"ankle", "knee"};
    if (name == "hand") return {"wrist", "elbow"};
    return {"hip", "shoulder"};
}

bool onPelvis(std::string_view name) {
    return name == "asis" || name == "psis" || name == "crest" || name == "pubis" || name == "sacrum";
}

/// Share of the thigh's bend that the pelvis follows with: common practice, no published source for the number.
constexpr double kPelvisFollows = 0.12;
constexpr double kOwnSd = 0.02; // segment lengths: what is left after a client's own clips (chosen here)

std::pair<std::string, std::string> parted(const std::string& name) {
    const std::string side = sideOf(name);
    return {name.substr(0, name.size() - side.size()), side};
}

/// Two unit directions of a segment in the picture.
struct Axes {
    Point2 origin;
    Vector2 along, ahead;
    double length = 0, flexDeg = 0;
};

std::optional<Axes> axesFor(const std::string& name, const std::map<std::string, Point2>& points, bool side,
                            int front) {
    const auto [plain, ending] = parted(name);
    const Frame frame = frameOf(plain);
    auto at = [&points, side, &ending = ending](const std::string& joint) -> std::optional<Point2> {
        if (const auto it = points.find(joint + ending); it != points.end()) return it->second;
        if (ending.empty() && !side) { // a midline mark: between left and right
            const auto l = points.find(joint + "_l"), r = points.find(joint + "_r");
            if (l != points.end() && r != points.end()) return Point2((l->second + r->second) / 2);
        }
        return std::nullopt;
    };
    const auto origin = at(frame.origin), toward = at(frame.toward);
    if (!origin || !toward || (*toward - *origin).norm() < 8) return std::nullopt;
    Axes a;
    a.origin = *origin;
    a.length = (*toward - *origin).norm();
    a.along = (*toward - *origin) / a.length;
    const Vector2 clockwise(-a.along.y(), a.along.x());
    a.ahead = double(front) * clockwise;
    if (!side) { // away from the middle of the body
        const auto other = points.find(std::string(frame.origin) + (ending == "_l" ? "_r" : "_l"));
        if (!ending.empty() && other == points.end()) return std::nullopt;
        if (!ending.empty() && (*origin - other->second).dot(a.ahead) < 0) a.ahead = -a.ahead;
    }
    if (const auto knee = at("knee"); side && knee && onPelvis(plain)) {
        const Vector2 thigh = *knee - *origin;
        a.flexDeg = degrees(std::atan2(thigh.dot(a.ahead), -thigh.dot(a.along)));
    }
    return a;
}

} // namespace

BodyLayout::BodyLayout() {
    // Front hip point against the hip joint: Bell, Brand and Pedersen (Human Movement Science 8, 1989; from memory: 14
    // % of the pelvis' width to the middle, 30 % down, 19 % back), with a pelvis half as wide as the trunk is long. The
    // others: common practice, no published source, hence the wide bands.
    places_ = {
        {"asis", {0.15, 0.11, 0.06}},        {"crest", {0.22, 0.01, 0.06}},       {"psis", {0.15, -0.20, 0.07}},
        {"pubis", {-0.02, 0.16, 0.07}},      {"sacrum", {0.12, -0.24, 0.07}},     {"back_mid", {0.33, -0.18, 0.07}},
        {"t12", {0.48, -0.14, 0.08}},        {"rib", {0.48, 0.12, 0.08}},         {"c7", {1.10, -0.14, 0.08}},
        {"sternum", {0.88, 0.22, 0.08}},     {"heel", {-0.10, -0.12, 0.10}},      {"toe", {-0.14, 0.38, 0.14}},
        {"hand", {-0.45, 0, 0.12}},          {"front/hip", {0, 0.17, 0.07}},      {"front/asis", {0.15, 0.07, 0.06}},
        {"front/psis", {0.15, -0.09, 0.06}}, {"front/crest", {0.24, 0.14, 0.07}}, {"front/rib", {0.48, 0.10, 0.08}},
        {"front/sternum", {0.88, 0, 0.07}},  {"front/sacrum", {0.12, 0, 0.06}},   {"front/c7", {1.10, 0, 0.08}},
        {"front/back_mid", {0.33, 0, 0.07}}};
}

std::optional<BodyLayout::Place> BodyLayout::find(const std::string& landmark, const std::string& view) const {
    const auto it = places_.find((view == "side" ? "" : "front/") + parted(landmark).first);
    if (it == places_.end()) return std::nullopt;
    return it->second;
}

std::vector<std::string> BodyLayout::landmarks(const std::string& view) const {
    std::vector<std::string> names;
    const std::string front = "front/";
    for (const auto& [key, place] : places_) {
        if (key.starts_with(front) == (view == "side")) continue;
        const std::string name = view == "side" ? key : key.substr(front.size());
        const bool midline = name == "sternum" || name == "sacrum" || name == "c7" || name == "back_mid";
        if (view == "side" || midline)
            names.push_back(name);
        else
            names.push_back(name + "_l"), names.push_back(name + "_r");
    }
    return names;
}

void BodyLayout::learn(const std::map<std::string, Point2>& marks, const std::string& view, int front) {
    const bool side = view == "side";
    for (const auto& [name, p] : marks) {
        const std::string plain = parted(name).first;
        const auto it = places_.find((side ? "" : "front/") + plain);
        if (it == places_.end() || plain == "hip") continue; // the hip is its own joint
        const auto axes = axesFor(name, marks, side, front);
        if (!axes) continue;
        const Vector2 q = (p - axes->origin) / axes->length;
        Place& place = it->second;
        const double n = place.learned, along = q.dot(axes->along), ahead = q.dot(axes->ahead);
        const double away = std::hypot(along - place.along, ahead - place.ahead);
        place.along = (n * place.along + along) / (n + 1), place.ahead = (n * place.ahead + ahead) / (n + 1);
        place.flexDeg = (n * place.flexDeg + axes->flexDeg) / (n + 1);
        place.sd = n == 0 ? kOwnSd : std::hypot(kOwnSd, 0.5 * away);
        ++place.learned;
    }
}

std::optional<BodyLayout::Ghost> BodyLayout::place(const std::string& landmark,
                                                   const std::map<std::string, Point2>& joints, const std::string& view,
                                                   int front) const {
    const auto place = find(landmark, view);
    const auto axes = axesFor(landmark, joints, view == "side", front);
    if (!place || !axes) return std::nullopt;
    Vector2 q = place->along * axes->along + place->ahead * axes->ahead;
    double sd = place->sd;
    if (onPelvis(parted(landmark).first)) {
        // The pelvis tips backward as the thigh comes up: its front goes toward the head.
        const double turn = radians(kPelvisFollows * (axes->flexDeg - place->flexDeg));
        const double along = q.dot(axes->along), ahead = q.dot(axes->ahead);
        q = (along * std::cos(turn) + ahead * std::sin(turn)) * axes->along +
            (ahead * std::cos(turn) - along * std::sin(turn)) * axes->ahead;
        sd = std::hypot(sd, std::abs(turn) * q.norm());
    }
    return Ghost{axes->origin + axes->length * q, sd * axes->length, place->learned > 0};
}

int frontTurn(const BodyFacts& facts) {
    // Standing looking left: up → left is counter-clockwise on the screen. The near side decides, however the body
    // lies.
    return facts.leftNear ? -1 : 1;
}

std::optional<int> frontTurn(const std::map<std::string, Point2>& marks, Position position) {
    auto at = [&](const char* name) { return marks.find(name); };
    const auto shoulder = at("shoulder"), hip = at("hip");
    if (shoulder == marks.end() || hip == marks.end()) return std::nullopt;
    const Vector2 trunk = shoulder->second - hip->second, clockwise(-trunk.y(), trunk.x());
    // Lying, the front is away from the floor or toward it.
    if (position == Position::Supine) return clockwise.y() < 0 ? 1 : -1;
    if (position == Position::Prone) return clockwise.y() < 0 ? -1 : 1;
    for (const auto& [ahead, behind] :
         {std::pair{"toe", "heel"}, {"asis", "psis"}, {"asis", "crest"}, {"toe", "ankle"}})
        if (at(ahead) != marks.end() && at(behind) != marks.end())
            return (at(ahead)->second - at(behind)->second).dot(clockwise) > 0 ? 1 : -1;
    return std::nullopt;
}

} // namespace deft
