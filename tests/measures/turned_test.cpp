// SPDX-License-Identifier: GPL-3.0-or-later
// What a camera that does not stand square makes of angles: closed forms of tests/reference/06_geometry (orthographic
// yaw, and a level line seen in perspective), undone exactly; and bands that hold what is possible.
#include "measures/series.h"
#include "support/stick_body.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class TurnedTest : public QObject {
    Q_OBJECT

    static constexpr double kLong = 1000;
    /// A direction on the screen, degrees counter-clockwise from the right.
    static Vector2 toward(double deg) { return {std::cos(radians(deg)), -std::sin(radians(deg))}; }
    static Point2 square(const Point2& p, double turnDeg) { return seenSquare(p, turnDeg, {0, 0}, {0, -1}, {}); }

    /// The tracks as a far camera sees them that stands `deg` off square.
    static Tracks yawed(Tracks t, double deg, double pivot) {
        for (auto& [name, points] : t.landmark)
            for (TrackPoint& p : points) p.at.x() = pivot + (p.at.x() - pivot) * std::cos(radians(deg));
        return t;
    }
    static StickPose movement(double t) {
        return {outAndBack(t, 2, 3.2, 7, 8, 0, 27), outAndBack(t, 2.5, 3.2, 7, 7.6, 0, 9)};
    }

private slots:
    void yawOfALine() {
        const Table tilt = readTable(reference("06_geometry/yaw_projection_tilt.csv"));
        QVERIFY(tilt.rows > 20);
        for (size_t i = 0; i < tilt.rows; ++i)
            NEAR(directionDeg({0, 0}, square(kLong * toward(tilt["phi_seen_deg"][i]), tilt["theta_deg"][i])).value(),
                 tilt["phi_deg"][i], 1e-9);
        const Table lean = readTable(reference("06_geometry/yaw_projection_lean.csv"));
        for (size_t i = 0; i < lean.rows; ++i)
            NEAR(leanDeg({0, 0}, square(kLong * toward(90 - lean["lean_seen_deg"][i]), lean["theta_deg"][i])).value(),
                 lean["lean_deg"][i], 1e-9);
    }

    /// A rolled camera turns every line by as much, so a floor line undoes it; one that looks up or down makes lines in
    /// front of it flatter, like a turn about a level axis.
    void rollAndPitchOfALine() {
        const Table t = readTable(reference("06_geometry/roll_pitch_projection.csv"));
        int rolls = 0, pitches = 0;
        for (size_t i = 0; i < t.rows; ++i) {
            const double turn = t["turn_deg"][i], real = t["phi_deg"][i], seen = t["phi_seen_deg"][i];
            if (t.words.at("turn")[i] == "roll") {
                const double floor = slopeDeg({0, 0}, kLong * toward(turn)).value();
                NEAR(slopeDeg({0, 0}, kLong * toward(seen)).value() - floor, real, 1e-9);
                ++rolls;
            } else {
                const Point2 undone = seenSquare(kLong * toward(seen), turn, {0, 0}, {1, 0}, {});
                NEAR(slopeDeg({0, 0}, undone).value(), real, 1e-9);
                ++pitches;
            }
        }
        QVERIFY(rolls > 10 && pitches > 10);
    }

    /// The knee in the middle, thigh and shank as the reference draws them: the inner angle comes back.
    void yawOfAJoint() {
        const Table t = readTable(reference("06_geometry/yaw_projection_joint.csv"));
        for (size_t i = 0; i < t.rows; ++i) {
            const double thigh = radians(t["thigh_deg"][i]), shank = thigh + radians(t["knee_inner_deg"][i]);
            const double c = std::cos(radians(t["theta_deg"][i]));
            const Point2 hip(-std::sin(thigh) * c, -std::cos(thigh)), ankle(-std::sin(shank) * c, -std::cos(shank));
            NEAR(includedAngleDeg(hip, {0, 0}, ankle).value(), t["knee_seen_deg"][i], 1e-6);
            NEAR(includedAngleDeg(square(hip, t["theta_deg"][i]), {0, 0}, square(ankle, t["theta_deg"][i])).value(),
                 t["knee_inner_deg"][i], 1e-6);
        }
    }

    /// A level line of 0.36 m, half a metre above the camera, whose right end lies deeper.
    void levelLineInPerspective() {
        const Table t = readTable(reference("06_geometry/perspective_false_tilt.csv"));
        const Lens lens{1000, {640, 360}};
        for (size_t i = 0; i < t.rows; ++i) {
            const double far = t["distance_m"][i], deep = t["depth_m"][i];
            const auto seen = [&](double x, double z) {
                return Point2(lens.centre + lens.focalPx * Vector2(x / z, -0.5 / z));
            };
            const Point2 left = seen(0, far), right = seen(0.36, far + deep);
            NEAR(slopeDeg(left, right).value(), t["false_tilt_deg"][i], 1e-9);
            const double turn = degrees(std::atan2(deep, 0.36));
            NEAR(slopeDeg(left, seenSquare(right, turn, left, {0, -1}, lens)).value(), 0, 1e-9);
        }
    }

    /// A camera as far off square as is possible: what the square one reads lies inside the band, and not by chance.
    void bandHoldsTheSquareReading() {
        SeriesOptions o;
        o.setupEnd_s = 1.5, o.cutoffHz = 10;
        const Tracks body = stickTracks(300, 30, movement, {}, 0.01);
        const auto truth = computeSeries(body, o).value();
        for (const double deg : {2.5, kUnknownTurn_deg, 20.0, 30.0}) {
            const auto seen = computeSeries(yawed(body, deg, medianPlace(body, "hip")->x()), o).value();
            for (const char* id : {"tilt", "pelvis_on_trunk", "trunk", "hip_angle", "knee_angle", "sag"}) {
                const Series &s = *seen.find(id), &t = *truth.find(id);
                for (size_t i = 0; i < s.value.size(); ++i)
                    QVERIFY2(std::abs(s.value[i] - t.value[i]) <= s.u95[i] + 1e-6, id);
            }
        }
        // It is a real band: wider at the top, where the pelvis is turned by 18° against the mat, than at the start.
        const Series& tilt = *truth.find("tilt");
        const auto camera = [&](size_t i) {
            return std::sqrt(std::pow(tilt.u95[i], 2) - std::pow(tilt.slideAt(i), 2));
        };
        QVERIFY(camera(150) > camera(30) + 0.002 && camera(150) < 0.5);
    }

    /// Limbs that turn in the picture's plane tell of a camera that stands far off; a small turn they cannot tell from
    /// what skin does, and a limb that hardly turns tells nothing.
    void turnFromLimbs() {
        const auto toldAt = [](double deg, double reach) {
            Tracks body;
            for (int i = 0; i < 90; ++i) {
                const double a = radians(reach * i / 89);
                body.time_s.push_back(i / 30.0);
                body.landmark["hip"].push_back({{600, 400}, 0.2, PointState::Seen});
                body.landmark["knee"].push_back(
                    {{600 + 200 * std::cos(a), 400 - 200 * std::sin(a)}, 0.2, PointState::Seen});
            }
            return turnOfLimbs(yawed(body, deg, 600), {});
        };
        QCOMPARE(toldAt(0, 80)->deg, 0.0);
        QCOMPARE(toldAt(8, 80)->deg, 0.0);
        QVERIFY(toldAt(8, 80)->most_deg >= 8);
        for (const double deg : {20.0, 30.0}) {
            NEAR(toldAt(deg, 80)->deg, deg, 0.01);
            QVERIFY(toldAt(deg, 80)->most_deg > deg && toldAt(deg, 80)->most_deg < deg + 5);
        }
        QVERIFY(!toldAt(20, 30));
    }

    /// From the front hip points that come closer together tell of a turn, up to what it is at its widest.
    void turnFromTheWidthOfThePelvis() {
        Tracks t;
        for (int i = 0; i < 120; ++i) {
            t.time_s.push_back(i / 30.0);
            const double half = 100 * (i < 60 ? 1 : std::cos(radians(35)));
            t.landmark["asis_l"].push_back({{500 + half, 400}, 0.2, PointState::Seen});
            t.landmark["asis_r"].push_back({{500 - half, 400}, 0.2, PointState::Seen});
        }
        const BodyAxes axes;
        const auto turn = possibleTurn(t, View::Front, axes);
        NEAR(turn[30], kUnknownTurn_deg, 1e-9);
        NEAR(turn[90], 35, 2.5); // less what skin and marks may do to the width
        QCOMPARE(possibleTurn(t, View::Side, axes)[90], kUnknownTurn_deg);
        QCOMPARE(possibleTurn(t, View::Above, axes)[90], 0.0); // it turns in the picture itself
        // Beside the body a mat tells more, or less, than what may be wrong by eye; the body may lie askew on it.
        MatView mat;
        mat.turnDeg = -9, mat.turnU95 = 1;
        NEAR(possibleTurn(t, View::Side, axes, mat)[90], 9 + std::hypot(1, kAlongMat_deg), 1e-9);
        mat.turnDeg = 0.2, mat.turnU95 = 0.5;
        QVERIFY(possibleTurn(t, View::Side, axes, mat)[90] < kUnknownTurn_deg);
    }
};

QTEST_GUILESS_MAIN(TurnedTest)
#include "turned_test.moc"
