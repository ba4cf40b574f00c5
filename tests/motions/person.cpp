// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/person.h"

#include <cmath>

namespace deft::test {

Points sidePoints(const Person& p, const SidePose& s) {
    Points out;
    const Point2 toHead = along(180 - s.trunk);
    const Point2 shoulder = s.hip + p.trunk * toHead;
    const auto front = [&](const Point2& cranial) { // square to it, toward the front of the body
        const Point2 up(cranial.y(), -cranial.x()); // of a body that lies with its head to the left
        return Point2(s.faceUp ? up : Point2(-up));
    };
    const Point2 pelvis = along(180 - s.pelvis - (s.faceUp ? s.tilt : -s.tilt)), ahead = front(pelvis);
    out["hip"] = s.hip, out["shoulder"] = shoulder;
    out["asis"] = s.hip + 9 * pelvis + 9 * ahead;
    out["crest"] = s.hip + 15 * pelvis + 1 * ahead;
    out["psis"] = s.hip + 11 * pelvis - 8 * ahead;
    out["sacrum"] = s.hip + 7 * pelvis - 9 * ahead;
    const Point2 body = front(toHead);
    out["back_mid"] = s.hip + 19 * toHead - 7 * body + Point2(0, s.backUp);
    out["t12"] = s.hip + 30 * toHead - (8 + s.hunch) * body;
    out["c7"] = shoulder + 4 * toHead - 7 * body;
    const Point2 rib = s.hip + 30 * toHead + 9 * body;
    out["rib"] = out["asis"] + (1 + s.ribs) * (rib - out["asis"]);
    out["ear"] = shoulder + p.neck * along(180 - s.trunk - (s.faceUp ? s.neck : -s.neck));
    out["knee"] = s.hip + p.thigh * along(s.thigh);
    out["ankle"] = out["knee"] + p.shank * along(s.shank);
    const auto onFoot = [&](double x, double y) { return Point2(x * along(s.foot) + y * along(s.foot + 90)); };
    out["heel"] = out["ankle"] + onFoot(-3, -5);
    out["toe"] = out["ankle"] + onFoot(p.foot - 3, -5);
    out["elbow"] = shoulder + p.upperArm * along(180 - s.upperArm);
    out["wrist"] = out["elbow"] + p.forearm * along(180 - s.forearm);
    return out;
}

} // namespace deft::test
