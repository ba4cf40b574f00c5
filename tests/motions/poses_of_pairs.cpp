// SPDX-License-Identifier: GPL-3.0-or-later
// Left and right seen at once: from the foot end, the front and behind.
#include "motions/poses.h"

#include <cmath>

namespace deft::test {
namespace {

/// A left and a right point, the client's own left on the right of the picture unless the camera stands behind.
void pair(Points& out, const std::string& name, const Point2& left, const Point2& right) {
    out[name + "_l"] = left, out[name + "_r"] = right;
}

} // namespace

Points bridgeFromTheFeet(const Person& p, const Params& q) {
    Points out;
    const double hip = 10 + q("lift"), half = p.pelvisWidth / 2, drop = radians(q("drop"));
    const auto across = [&](const char* name, double x, double left, double right) {
        pair(out, name, {x, left}, {-x, right});
    };
    const double tip = half * std::sin(drop);
    across("hip", 8 * std::cos(drop) + 1, hip + tip, hip - tip);
    across("asis", half * std::cos(drop), hip + 9 + tip, hip + 9 - tip);
    across("shoulder", p.shoulderWidth / 2, 9, 9);
    across("knee", 10, 46, 46 + 0.5 * q("foot")), across("ankle", 9, 8, 8 + q("foot"));
    return out;
}

Points kneesFromTheFeet(const Person& p, const Params& q) {
    Points out = bridgeFromTheFeet(p, {});
    const double turn = radians(q("turn")); // + toward the client's right
    const double pelvis = 0.4 * turn;
    for (const double side : {1.0, -1.0}) {
        const std::string s = side > 0 ? "_l" : "_r";
        const Point2 middle(0, 14);
        out["asis" + s] = middle + Point2(side * 12 * std::cos(pelvis), side * 12 * std::sin(pelvis) + 5);
        out["hip" + s] = middle + Point2(side * 9 * std::cos(pelvis), side * 9 * std::sin(pelvis) - 4);
        const double own = turn - (side > 0 ? radians(q("lag")) : 0); // the left knee is the upper one
        out["knee" + s] =
            Point2(-36 * std::sin(own) + side * 5 * std::cos(own), 14 + 36 * std::cos(own) + side * 5 * std::sin(own));
        out["shoulder" + s].y() += side > 0 ? q("shoulder") : 0;
    }
    return out;
}

Points onTheSide(const Person& p, const Params& q) {
    const bool straight = q("straight") > 0.5;
    const double lift = q("lift"), prop = q("prop", 1);
    const Point2 shoulders(-p.trunk * std::cos(radians(20)), 10 + prop * (p.upperArm + 6));
    const double legLength = p.thigh + (straight ? p.shank : 0);
    const Point2 end(shoulders.x() + std::sqrt(std::pow(p.trunk + legLength, 2) - std::pow(shoulders.y() - 10, 2)), 10);
    const Vector2 line = (end - shoulders).normalized();
    Point2 hips = shoulders + p.trunk * line;
    const double down = (1 - lift) * (hips.y() - 15) + q("sag");
    hips.y() -= down;
    const Point2 knees = straight ? Point2(hips + p.thigh * (end - hips).normalized()) : end;
    Points out;
    const auto stacked = [&](const char* name, const Point2& at, double apart) {
        pair(out, name, at - Point2(0, apart / 2), at + Point2(0, apart / 2));
    };
    stacked("shoulder", shoulders, p.shoulderWidth * 0.7 * std::cos(radians(q("shoulders"))));
    stacked("knee", knees, 10);
    stacked("hip", hips, 18 * std::cos(radians(q("roll"))));
    stacked("ankle", straight ? end : Point2(knees + Point2(p.shank * 0.3, 0)), 8);
    out["elbow_l"] = {shoulders.x(), 3};
    return out;
}

Points onOneLeg(const Person& p, const Params& q) {
    Points out;
    const double ankle = 8, hipHeight = ankle + p.shank + p.thigh;
    // Facing the camera: the client's left is on the right of the picture. The left leg stands.
    const Point2 left(p.pelvisWidth / 2 - 4, hipHeight);
    const double drop = radians(q("drop"));
    const Point2 right = left - (p.pelvisWidth - 6) * Point2(std::cos(drop), std::sin(drop));
    out["hip_l"] = left, out["hip_r"] = right;
    out["asis_l"] = left + Point2(1, 8), out["asis_r"] = right + Point2(-1, 8);
    const Point2 middle = 0.5 * (left + right);
    const double lean = radians(q("lean")); // + over the standing leg
    const Point2 top = middle + p.trunk * Point2(std::sin(lean), std::cos(lean));
    out["shoulder_l"] = top + Point2(p.shoulderWidth / 2, 0), out["shoulder_r"] = top - Point2(p.shoulderWidth / 2, 0);
    out["ankle_l"] = {left.x(), ankle}, out["knee_l"] = {left.x(), ankle + p.shank};
    const double up = q("foot");
    out["ankle_r"] = {right.x(), ankle + up}, out["knee_r"] = {right.x() - 1, ankle + p.shank + 0.6 * up};
    return out;
}

Points withBand(const Person& p, const Params& q) {
    Points out;
    const double hip = 90, shoulder = hip + p.trunk;
    for (const double side : {1.0, -1.0}) { // left is on the right of the picture
        const std::string s = side > 0 ? "_l" : "_r";
        const bool works = side < 0;
        out["hip" + s] = {side * 10, hip};
        out["shoulder" + s] = {side * p.shoulderWidth / 2, shoulder + (works ? q("hike") : 0)};
        out["ear" + s] = {side * 7, shoulder + 20};
        out["elbow" + s] = out["shoulder" + s] + Point2(side * (2 + (works ? q("elbow") : 0)), -p.upperArm);
        // The forearm points at the camera; turned out it shows to the side.
        const double turn = radians(works ? q("turn") : -10);
        out["wrist" + s] = out["elbow" + s] + Point2(side * p.forearm * std::sin(turn), -2);
        if (!works || q("raised") < 0.5) continue;
        out["elbow" + s] = out["shoulder" + s] + Point2(side * p.upperArm, -q("elbow_down"));
        out["wrist" + s] = out["elbow" + s] + Point2(side * 2, p.forearm * std::sin(turn));
    }
    const double lean = radians(q("lean")); // toward the working arm
    for (auto& [name, at] : out)
        if (name.rfind("hip", 0) != 0) {
            const Vector2 d = at - Point2(0, hip);
            at = Point2(0, hip) + Point2(d.x() * std::cos(lean) - d.y() * std::sin(lean),
                                         d.x() * std::sin(lean) + d.y() * std::cos(lean));
        }
    return out;
}

Points lyingOnTheSide(const Person& p, const Params& q) {
    Points out; // on the left side, the front toward the camera, the head to the left of the picture
    const double stack = 9 * std::cos(radians(q("roll")));
    pair(out, "shoulder", {-p.trunk, 2}, {-p.trunk, 26});
    pair(out, "ear", {-p.trunk - p.neck, 10}, {-p.trunk - p.neck, 16});
    pair(out, "hip", {0, 12 - stack}, {0, 12 + stack});
    pair(out, "rib", {-28, 4}, {-28, 20});
    pair(out, "crest", {-13, 4}, {-13 - q("hike"), 20});
    if (q("bent") > 0.5) { // knees in front, the upper one opens
        pair(out, "knee", {24, 6}, {24, 16 + q("open")});
        pair(out, "ankle", {4, 6}, {4, 14});
    } else {
        const double up = q("feet"), leg = p.thigh + p.shank;
        pair(out, "knee", {p.thigh, 7 + up * p.thigh / leg}, {p.thigh, 17 + (up + q("foot")) * p.thigh / leg});
        pair(out, "ankle", {leg, 6 + up}, {leg, 14 + up + q("foot")});
    }
    return out;
}

Points kneesFromTheHead(const Person& p, const Params& q) {
    Points out; // the front to the right of the picture
    const Point2 middle(0, 12);
    const auto turned = [&](const Point2& at, double deg) {
        const Vector2 d = at - middle;
        const double a = radians(deg);
        return Point2(middle +
                      Vector2(d.x() * std::cos(a) - d.y() * std::sin(a), d.x() * std::sin(a) + d.y() * std::cos(a)));
    };
    pair(out, "hip", turned({0, 3}, q("roll")), turned({0, 21}, q("roll")));
    pair(out, "asis", turned({9, 2}, q("roll")), turned({9, 22}, q("roll")));
    pair(out, "shoulder", {0, 2}, {0, 2 + p.shoulderWidth * 0.7});
    const double reach = 0.85 * p.thigh, open = radians(q("open"));
    pair(out, "knee", {reach, 6},
         Point2(out["hip_r"] + Vector2(reach * std::cos(open) - q("behind"), -3 + reach * std::sin(open))));
    return out;
}

Points proneFromBehind(const Person& p, const Params& q) {
    Points out; // from the foot end: the client's right is on the right of the picture
    const double twist = radians(q("twist")), shift = q("shift");
    const auto turned = [&](double x, double y) {
        return Point2(shift + x * std::cos(twist) - y * std::sin(twist),
                      16 + x * std::sin(twist) + y * std::cos(twist));
    };
    pair(out, "hip", turned(-9, -2), turned(9, -2));
    pair(out, "psis", turned(-4, 7), turned(4, 7));
    out["sacrum"] = turned(0, 5), out["back_mid"] = turned(0, 7);
    pair(out, "shoulder", {-p.shoulderWidth / 2, 18}, {p.shoulderWidth / 2, 18});
    pair(out, "ear", {-7, 21}, {7, 21});
    pair(out, "ankle", {-11, 8}, {11, 8 + q("foot")});
    pair(out, "knee", {-10, 9}, {10, 9 + 0.5 * q("foot")});
    return out;
}

Points atAWall(const Person& p, const Params& q) {
    Points out; // from behind, both hands on the wall; a turn narrows what is seen
    const double hips = std::cos(radians(q("hips"))), shoulders = std::cos(radians(q("shoulders"))),
                 hip = 8 + p.thigh + p.shank;
    const auto across = [&](const char* name, double half, double y, double share) {
        pair(out, name, {-half * share, y}, {half * share, y});
    };
    across("hip", 9, hip, hips), across("psis", 6, hip + 9, hips);
    across("shoulder", p.shoulderWidth / 2, hip + p.trunk, shoulders);
    across("knee", 9, 8 + p.shank, 1), across("ankle", 9, 8, 1);
    return out;
}

} // namespace deft::test
