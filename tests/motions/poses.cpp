// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/poses.h"

#include <algorithm>
#include <cmath>

namespace deft::test {
namespace {

double degOf(const Vector2& d) { return degrees(std::atan2(d.y(), d.x())); }

/// Adds what goes wrong everywhere in the same way.
SidePose with(SidePose s, const Params& p) {
    s.tilt += p("tilt"), s.neck += p("neck"), s.backUp += p("back_up"), s.ribs += p("ribs"), s.hunch += p("hunch");
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
    s.trunk = q("curl"), s.thigh = q("thigh", 90) - q("leg_down"), s.shank = q("shank", s.thigh - 90) - q("leg_down");
    s.upperArm = q("arm", 178), s.forearm = s.upperArm, s.foot = s.shank + 90;
    return sidePoints(p, with(s, q));
}

Points kneesBent(const Person& p, const Params& q) {
    SidePose s;
    s.trunk = q("curl");
    s.backUp = -19 * std::sin(radians(s.trunk)); // only the chest curls; the low back lies
    s.hip.y() += q("hips_up");
    legTo(p, s, {0.55 * (p.thigh + p.shank), 8});
    if (q.count("thigh")) s.thigh = q("thigh"), s.shank = q("shank", s.thigh - 90), s.foot = q("foot", s.shank + 90);
    s.upperArm = q("arm", 178) + q("arm_off"), s.forearm = s.upperArm;
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
    armTo(p, s, {shoulder.x() - q("hand_out") - 30 * sit, 2}, true);
    if (q("leg") > 0) { // the thigh first, and the knee grows straight
        s.thigh += q("leg");
        s.shank = s.thigh + 90 * (1 - std::min(1.0, q("leg") / 60));
    }
    if (q("foot_out") > 0) legTo(p, s, knee + Point2(p.shank + q("foot_out"), 3), false);
    if (q("arm") > 0) s.upperArm = -90 + q("arm") - q("elbow_bent") / 2, s.forearm = s.upperArm + q("elbow_bent");
    return sidePoints(p, with(s, q));
}

Points onForearms(const Person& p, const Params& q) {
    const bool knees = q("on_knees") > 0.5;
    SidePose s = onALine(p, {-q("ahead"), p.upperArm + 3}, knees ? 5 : 13, p.thigh + (knees ? 0 : p.shank), q("hips"));
    s.faceUp = false, s.pelvis = s.trunk, s.foot = -80;
    if (knees) s.shank = 0;
    armTo(p, s, {-p.forearm, 3}, false);
    s.upperArm = 180 - degOf(Point2(0, 3) - (s.hip + p.trunk * along(180 - s.trunk))), s.forearm = 0;
    return sidePoints(p, with(s, q));
}

Points onHands(const Person& p, const Params& q) {
    const bool knees = q("on_knees") > 0.5;
    const double ground = 2 + q("bench"), arm = p.upperArm + p.forearm - q("bent");
    SidePose s = onALine(p, {-q("ahead"), ground + std::sqrt(arm * arm - q("ahead") * q("ahead"))}, knees ? 5 : 13,
                         p.thigh + (knees ? 0 : p.shank), q("hips"));
    s.faceUp = false, s.pelvis = s.trunk, s.foot = -80;
    if (knees) s.shank = 0;
    armTo(p, s, {0, ground}, true);
    return sidePoints(p, with(s, q));
}

Points onHandsFacingUp(const Person& p, const Params& q) {
    SidePose s;
    if (q("up", 1) < 0.5) { // sitting, the hands behind
        s.hip = {p.trunk * 0.5, 11}, s.trunk = s.pelvis = 65, s.thigh = s.shank = -2, s.foot = 80;
    } else {
        s = onALine(p, {0, p.upperArm + p.forearm + 2}, 8, p.thigh + p.shank, q("hips"));
        s.pelvis = s.trunk, s.foot = 40;
        s.thigh += q("leg"), s.shank += q("leg");
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
    const double arm = p.upperArm + p.forearm - 0.2 - q("bent");
    // Trunk and straight arms reach from the hip to the wheel.
    s.trunk = 180 - reachDeg(s.hip, wheel, p.trunk, arm, false);
    s.pelvis = s.trunk - q("round", 12) * -1, s.shank = 0, s.foot = -60;
    armTo(p, s, wheel, true);
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
    const double sway = degrees(std::asin(q("sway") / (p.thigh + p.shank)));
    s.thigh = -90 + sway + q("locked"), s.shank = -90 + sway - q("locked");
    s.hip = Point2(0, 8) - p.shank * along(s.shank) - p.thigh * along(s.thigh);
    s.trunk = 90 - q("lean") + degrees(std::asin(q("sway") / p.trunk)), s.pelvis = 90, s.upperArm = s.forearm = -90;
    Points out = sidePoints(p, with(s, q));
    out["ear"] = out["shoulder"] + Point2(-2 - q("head"), p.neck);
    return out;
}

Points sweepingOnTheSide(const Person& p, const Params& q) {
    SidePose s; // from above, the front upward in the picture
    s.hip = {0, q("off")}, s.thigh = q("sweep"), s.shank = s.thigh - q("knee"), s.foot = s.shank + 90;
    s.upperArm = -60, s.forearm = -20;
    Points out = sidePoints(p, with(s, q));
    out["far_knee"] = s.hip + p.thigh * along(60); // the lower leg stays: the thigh in front, the shin back
    out["far_ankle"] = out["far_knee"] + p.shank * along(q("far_straight") - 30);
    return out;
}

Points overABench(const Person& p, const Params& q) {
    SidePose s;
    s.faceUp = false, s.hip = {0, 55}, s.thigh = q("leg"), s.shank = s.thigh + q("knee");
    s.upperArm = -90, s.forearm = -90, s.foot = s.shank - 60;
    return sidePoints(p, with(s, q));
}

} // namespace deft::test
