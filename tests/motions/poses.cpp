#include "motions/poses.h"

#include <algorithm>
#include <cmath>

namespace deft::test {
namespace {

double degOf(const Vector2& d) { return degrees(std::atan2(d.y(), d.x())); }

/// Adds what goes wrong everywhere in the same way.
SidePose with(SidePose s, const Params& p) {
    s.tilt += p("tilt"), s.neck += p("neck"), s.backUp += p("back_up"), s.ribs += p("ribs");
    return s;
}

/// Two segments from one point to another, the joint on the side of `up`: the direction of the first.
double reachDeg(const Point2& from, const Point2& to, double first, double second, bool up) {
    const Vector2 d = to - from;
    const double far = std::min(d.norm(), first + second - 1e-6);
    const double at =
        degrees(std::acos(std::clamp((first * first + far * far - second * second) / (2 * first * far), -1.0, 1.0)));
    return degOf(d) + (up ? at : -at);
}

void legTo(const Person& p, SidePose& s, const Point2& ankle, bool up = true) {
    s.thigh = reachDeg(s.hip, ankle, p.thigh, p.shank, up);
    s.shank = degOf(ankle - (s.hip + p.thigh * along(s.thigh)));
}

/// Arms whose angles are told from the line toward the head.
void armTo(const Person& p, SidePose& s, const Point2& wrist, bool elbowUp) {
    const Point2 shoulder = s.hip + p.trunk * along(180 - s.trunk);
    const double upper = reachDeg(shoulder, wrist, p.upperArm, p.forearm, elbowUp);
    s.upperArm = 180 - upper;
    s.forearm = 180 - degOf(wrist - (shoulder + p.upperArm * along(upper)));
}

/// A body on a line from the shoulder to its far end, bent by `hips` degrees at the hip (+ toward the mat).
SidePose onALine(const Person& p, const Point2& shoulder, double endHeight, double legLength, double hips) {
    const double l =
        std::sqrt(p.trunk * p.trunk + legLength * legLength + 2 * p.trunk * legLength * std::cos(radians(hips)));
    const Point2 end(shoulder.x() + std::sqrt(std::max(1.0, l * l - std::pow(shoulder.y() - endHeight, 2))), endHeight);
    const double line = degOf(end - shoulder);
    const double atShoulder = degrees(std::asin(std::clamp(legLength * std::sin(radians(hips)) / l, -1.0, 1.0)));
    SidePose s;
    s.hip = shoulder + p.trunk * along(line - atShoulder);
    s.trunk = s.pelvis = 180 - degOf(shoulder - s.hip);
    s.thigh = s.shank = degOf(end - s.hip);
    return s;
}

} // namespace

Points flatOnTheBack(const Person& p, const Params& q) {
    SidePose s;
    s.upperArm = 178, s.forearm = 178, s.foot = 80;
    return sidePoints(p, with(s, q));
}

Points flatOnTheFront(const Person& p, const Params& q) {
    SidePose s;
    s.faceUp = false, s.hip = {0, 11}, s.upperArm = -10, s.forearm = 0, s.foot = -60, s.trunk = s.pelvis = 1;
    return sidePoints(p, with(s, q));
}

Points onTheBack(const Person& p, const Params& q) {
    SidePose s;
    s.trunk = q("curl"), s.thigh = q("thigh", 90), s.shank = q("shank", s.thigh - 90);
    s.upperArm = q("arm", 178), s.forearm = s.upperArm, s.foot = s.shank + 90;
    return sidePoints(p, with(s, q));
}

Points kneesBent(const Person& p, const Params& q) {
    SidePose s;
    s.trunk = q("curl");
    s.backUp = -19 * std::sin(radians(s.trunk)); // only the chest curls; the low back lies
    legTo(p, s, {0.55 * (p.thigh + p.shank), 8});
    if (q.count("thigh")) s.thigh = q("thigh"), s.shank = q("shank", s.thigh - 90), s.foot = q("foot", s.shank + 90);
    s.upperArm = q("arm", 178), s.forearm = s.upperArm;
    return sidePoints(p, with(s, q));
}

Points bridging(const Person& p, const Params& q) {
    SidePose s;
    const Point2 shoulder(-p.trunk, 9);
    s.trunk = -q("lift"), s.pelvis = s.trunk + q("bend");
    s.hip = shoulder - p.trunk * along(180 - s.trunk);
    legTo(p, s, {0.512 * (p.thigh + p.shank) + q("heels"), 8});
    s.upperArm = 178, s.forearm = 178;
    return sidePoints(p, with(s, q));
}

Points onAllFours(const Person& p, const Params& q) {
    SidePose s;
    s.faceUp = false;
    const double arm = p.upperArm + p.forearm, sit = q("sit"); // 0…1: back on the heels
    s.thigh = -90 - 55 * sit;
    const Point2 knee(0, 5 + q("hover"));
    s.hip = knee - p.thigh * along(s.thigh);
    s.trunk = degrees(std::asin(std::clamp((arm + 2 - q("chest_down") - s.hip.y()) / p.trunk, -1.0, 1.0))) * (1 - sit) -
              20 * sit;
    s.pelvis = 0, s.shank = -degrees(std::asin(q("hover") / p.shank)), s.foot = -60, s.neck = 5;
    const Point2 shoulder = s.hip + p.trunk * along(180 - s.trunk);
    armTo(p, s, {shoulder.x() - q("hand_out") - 30 * sit, 2}, false);
    if (q("leg") > 0) { // the thigh first, and the knee grows straight
        s.thigh += q("leg");
        s.shank = s.thigh + 90 * (1 - std::min(1.0, q("leg") / 60));
    }
    if (q("foot_out") > 0) legTo(p, s, knee + Point2(p.shank + q("foot_out"), 3), false);
    if (q("arm") > 0) s.upperArm = -90 + q("arm"), s.forearm = s.upperArm + q("elbow_bent");
    return sidePoints(p, with(s, q));
}

Points onForearms(const Person& p, const Params& q) {
    const bool knees = q("on_knees") > 0.5;
    SidePose s =
        onALine(p, {q("ahead") * -1, p.upperArm + 3}, knees ? 5 : 13, p.thigh + (knees ? 0 : p.shank), q("hips"));
    s.faceUp = false, s.pelvis = s.trunk, s.foot = -80;
    if (knees) s.shank = 0;
    armTo(p, s, {-p.forearm, 3}, false);
    s.upperArm = 180 - degOf(Point2(0, 3) - (s.hip + p.trunk * along(180 - s.trunk))), s.forearm = 0;
    return sidePoints(p, with(s, q));
}

Points onHands(const Person& p, const Params& q) {
    const bool knees = q("on_knees") > 0.5;
    SidePose s = onALine(p, {q("ahead") * -1, p.upperArm + p.forearm + 2}, knees ? 5 : 13,
                         p.thigh + (knees ? 0 : p.shank), q("hips"));
    s.faceUp = false, s.pelvis = s.trunk, s.foot = -80;
    if (knees) s.shank = 0;
    armTo(p, s, {0, 2}, false);
    return sidePoints(p, with(s, q));
}

Points onHandsFacingUp(const Person& p, const Params& q) {
    SidePose s;
    if (q("up", 1) < 0.5) { // sitting, the hands behind
        s.hip = {p.trunk * 0.5, 11}, s.trunk = s.pelvis = 65, s.thigh = s.shank = -2, s.foot = 80;
    } else {
        s = onALine(p, {0, p.upperArm + p.forearm + 2}, 8, p.thigh + p.shank, q("hips"));
        s.pelvis = s.trunk, s.foot = 40;
    }
    const Point2 shoulder = s.hip + p.trunk * along(180 - s.trunk);
    armTo(p, s, {shoulder.x() - 2, 2}, false);
    return sidePoints(p, with(s, q));
}

Points rolling(const Person& p, const Params& q) {
    SidePose s;
    s.faceUp = false;
    const Point2 knee(0, 5);
    const double out = q("out"), hipsBack = q("hips_back");
    s.thigh = -90 + degrees(std::asin(std::clamp((out * 0.35 - hipsBack) / p.thigh, -0.9, 0.9)));
    s.hip = knee - p.thigh * along(s.thigh);
    const Point2 wheel(-p.trunk + 4 - out, 12);
    const double arm = p.upperArm + p.forearm - 0.2;
    // Trunk and straight arms reach from the hip to the wheel.
    s.trunk = 180 - reachDeg(s.hip, wheel, p.trunk, arm, false);
    s.pelvis = s.trunk - q("round", 12) * -1, s.shank = 0, s.foot = -60;
    armTo(p, s, wheel, false);
    return sidePoints(p, with(s, q));
}

Points halfKneeling(const Person& p, const Params& q) {
    SidePose s; // upright and facing left: the trunk stands at 90
    s.faceUp = false;
    const Point2 knee(0, 5);
    s.thigh = -90 + degrees(std::asin(std::clamp(q("forward") / p.thigh, -0.9, 0.9)));
    s.hip = knee - p.thigh * along(s.thigh);
    s.trunk = 90 - q("lean"), s.pelvis = 90, s.shank = 0, s.foot = -60, s.upperArm = -90, s.forearm = -90;
    return sidePoints(p, with(s, q));
}

Points facingDown(const Person& p, const Params& q) {
    SidePose s;
    s.faceUp = false, s.hip = {0, 11}, s.trunk = 1 + q("chest"), s.pelvis = 1;
    s.thigh = q("leg") - 1, s.shank = s.thigh, s.foot = -60, s.upperArm = 170, s.forearm = 170;
    return sidePoints(p, with(s, q));
}

Points kneelingTable(const Person& p, const Params& q) {
    SidePose s;
    const Point2 shoulder(0, p.upperArm + p.forearm + 2);
    const double down = shoulder.y() - 8 - p.shank, length = p.trunk + p.thigh; // the knees stand above the feet
    const Vector2 line = Vector2(std::sqrt(length * length - down * down), -down) / length;
    s.hip = shoulder + p.trunk * line - Point2(0, q("down"));
    s.trunk = s.pelvis = 180 - degOf(shoulder - s.hip);
    legTo(p, s, {shoulder.x() + length * line.x(), 8});
    armTo(p, s, {shoulder.x() - 2, 2}, false);
    return sidePoints(p, with(s, q));
}

Points leaningOnAWall(const Person& p, const Params& q) {
    SidePose s; // upright and facing left
    s.faceUp = false;
    const double lean = q("lean"), hips = -q("hips");
    s.thigh = s.shank = -(90 - lean + 0.5 * hips);
    s.hip = Point2(0, 8) - (p.thigh + p.shank) * along(s.thigh);
    s.trunk = 90 - lean - 0.5 * hips, s.pelvis = s.trunk;
    s.upperArm = -10, s.forearm = 80;
    return sidePoints(p, with(s, q));
}

Points standing(const Person& p, const Params& q) {
    SidePose s; // facing left
    s.faceUp = false;
    s.thigh = s.shank = -90, s.hip = {0, 8 + p.thigh + p.shank};
    s.trunk = 90 - q("lean"), s.pelvis = 90, s.tilt = 0, s.upperArm = s.forearm = -90;
    Points out = sidePoints(p, with(s, q));
    out["ear"] = out["shoulder"] + Point2(-2 - q("head"), p.neck);
    return out;
}

Points overABench(const Person& p, const Params& q) {
    SidePose s;
    s.faceUp = false, s.hip = {0, 55}, s.thigh = q("leg"), s.shank = s.thigh + q("knee");
    s.upperArm = -90, s.forearm = -90, s.foot = s.shank - 60;
    return sidePoints(p, with(s, q));
}

Points bridgeFromTheFeet(const Person& p, const Params& q) {
    Points out;
    const double hip = 10 + q("lift"), half = p.pelvisWidth / 2, drop = radians(q("drop"));
    const auto pair = [&](const char* name, double x, double left, double right) {
        out[std::string(name) + "_l"] = {x, left}, out[std::string(name) + "_r"] = {-x, right};
    };
    const double tip = half * std::sin(drop);
    pair("hip", 8 * std::cos(drop) + 1, hip + tip, hip - tip);
    pair("asis", half * std::cos(drop), hip + 9 + tip, hip + 9 - tip);
    pair("shoulder", p.shoulderWidth / 2, 9, 9);
    pair("knee", 10, 46, 46 + 0.5 * q("foot")), pair("ankle", 9, 8, 8 + q("foot"));
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
        out["knee" + s] = Point2(-36 * std::sin(turn) + side * 5 * std::cos(turn),
                                 14 + 36 * std::cos(turn) + side * 5 * std::sin(turn));
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
    const auto pair = [&](const char* name, const Point2& at, double apart) {
        out[std::string(name) + "_l"] = at - Point2(0, apart / 2),
                                out[std::string(name) + "_r"] = at + Point2(0, apart / 2);
    };
    pair("shoulder", shoulders, p.shoulderWidth * 0.7), pair("hip", hips, 18), pair("knee", knees, 10);
    pair("ankle", straight ? end : Point2(knees + Point2(p.shank * 0.3, 0)), 8);
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
    out["asis_l"] = left + Point2(1, 8), out["asis_r"] = right + Point2(-1, 8) + Point2(std::sin(drop) * 8 * 0, 0);
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
    }
    return out;
}

} // namespace deft::test
