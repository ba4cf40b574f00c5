// SPDX-License-Identifier: GPL-3.0-or-later
// What a mat's corners tell of the camera: corners projected by a pinhole camera that is written down here once more,
// by turning the world instead of decomposing a plane.
#include "measures/mat_view.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;

class MatViewTest : public QObject {
    Q_OBJECT

    struct Camera {
        double focal = 1500, distance_cm = 310, height_cm = 60, turn = 0, roll = 0, pitch = 4, width = 1280, high = 720;
        Lens lens() const { return Lens::ofPhone(width, high); }
        /// Along the mat, away from the camera, cm from the mat's middle; cm above it.
        Point2 see(double x, double z, double above = 0) const {
            const double t = radians(turn), p = radians(pitch), r = radians(roll);
            // The mat turns the other way than the camera would walk; then pitch, then roll.
            const double ex = x * std::cos(t) - z * std::sin(t), ez = x * std::sin(t) + z * std::cos(t) + distance_cm;
            const double ey = height_cm - above; // down
            const double y1 = ey * std::cos(p) - ez * std::sin(p), z1 = ey * std::sin(p) + ez * std::cos(p);
            const Vector2 flat(focal * ex / z1, focal * y1 / z1);
            return lens().centre + Vector2(flat.x() * std::cos(r) + flat.y() * std::sin(r),
                                           -flat.x() * std::sin(r) + flat.y() * std::cos(r));
        }
        std::array<Point2, 4> corners() const {
            return {see(-91.5, -30.5), see(91.5, -30.5), see(91.5, 30.5), see(-91.5, 30.5)};
        }
    };

private slots:
    void withoutNoise_data() {
        QTest::addColumn<double>("turn");
        QTest::addColumn<double>("roll");
        QTest::addColumn<double>("height");
        QTest::addColumn<double>("focal");
        for (const double turn : {-25.0, -8.0, 3.0, 20.0})
            for (const double roll : {-3.0, 2.0})
                for (const double height : {45.0, 110.0})
                    for (const double focal : {950.0, 1700.0})
                        QTest::addRow("%g %g %g %g", turn, roll, height, focal) << turn << roll << height << focal;
    }
    void withoutNoise() {
        QFETCH(double, turn);
        QFETCH(double, roll);
        QFETCH(double, height);
        QFETCH(double, focal);
        Camera c;
        c.turn = turn, c.roll = roll, c.height_cm = height, c.focal = focal;
        const auto v = matView(c.corners(), {}, c.lens());
        QVERIFY(v);
        // What is thought of the lens beforehand pulls a little where the corners tell little of it.
        NEAR(v->turnDeg, turn, 0.15 * v->turnU95);
        NEAR(v->rollDeg, roll, 0.3 * v->rollSd_deg);
        NEAR(v->focalPx / focal, 1, 0.2);
        QVERIFY2(v->turnU95 < 2.5, qPrintable(QString::number(v->turnU95)));
        // Ten centimetres across the picture, level, at the mat's middle.
        const double t = radians(turn);
        const Point2 a = c.see(-5 * std::cos(t), 5 * std::sin(t)), b = c.see(5 * std::cos(t), -5 * std::sin(t));
        NEAR(v->pxPerCm, (b - a).norm() / 10, 0.01 * v->pxPerCm);
        // The order in which corners were clicked is no matter.
        auto other = c.corners();
        std::swap(other[0], other[2]), std::swap(other[1], other[2]);
        NEAR(matView(other, {}, c.lens())->turnDeg, v->turnDeg, 1e-6);
    }

    /// Square to the mat.
    void square() {
        Camera c;
        c.pitch = 11;
        const auto v = matView(c.corners(), {}, c.lens());
        QVERIFY(v);
        NEAR(v->turnDeg, 0, 1e-6);
        NEAR(v->rollDeg, 0, 1e-6);
    }

    /// Marks 1.5 px off and a mat that is not quite 183 by 61: the bands hold the truth in about 95 of 100.
    void bandsHold() {
        std::mt19937 random(3);
        std::normal_distribution<double> noise(0, 1);
        std::uniform_real_distribution<double> turns(-18, 18), rolls(-3, 3), heights(40, 100), focals(900, 1800);
        int seen = 0, turnHeld = 0, rollHeld = 0;
        double widest = 0;
        for (int k = 0; k < 600; ++k) {
            Camera c;
            c.turn = turns(random), c.roll = rolls(random), c.height_cm = heights(random), c.focal = focals(random);
            auto corners = c.corners();
            for (Point2& p : corners) p += kSceneMarkingSd_px * Vector2(noise(random), noise(random));
            const auto v = matView(corners, {183, 61 * (1 + 0.03 * noise(random))}, c.lens());
            if (!v) continue;
            ++seen;
            turnHeld += std::abs(v->turnDeg - c.turn) <= v->turnU95;
            rollHeld += std::abs(v->rollDeg - c.roll) <= kU95 * v->rollSd_deg;
            widest = std::max(widest, v->turnU95);
        }
        QVERIFY(seen > 590);
        QVERIFY2(turnHeld > 0.92 * seen, qPrintable(QString::number(double(turnHeld) / seen)));
        QVERIFY2(rollHeld > 0.92 * seen, qPrintable(QString::number(double(rollHeld) / seen)));
    }

    /// Who stands on a mat that lies askew, facing a rolled camera, hips level: the mat's sides slope, the level is
    /// told by the camera's roll. Who lies goes by the mat's own line.
    void levelOfWhoStands() {
        Camera c;
        c.turn = 14, c.roll = 2, c.height_cm = 110, c.pitch = 8;
        Tracks t;
        t.time_s = {0, 0.1};
        const auto corners = c.corners();
        std::map<std::string, Point2> marks;
        for (size_t k = 0; k < 4; ++k) marks[std::string("mat_") + "abcd"[k]] = corners[k];
        // Square to the camera: what is beside it on the floor, as the mat lies turned.
        const auto beside = [&](double cm, double above) {
            return c.see(cm * std::cos(radians(c.turn)), -cm * std::sin(radians(c.turn)), above);
        };
        marks["asis_r"] = beside(-14, 95), marks["asis_l"] = beside(14, 95);
        marks["shoulder_r"] = beside(-18, 140), marks["shoulder_l"] = beside(18, 140);
        for (const auto& [name, p] : marks) t.landmark[name].assign(2, {p, 0.3, PointState::Seen});
        const auto mat = matView(t, {}, c.lens());
        QVERIFY(mat);

        const BodyAxes stands = bodyAxes(t, Position::Upright, View::Front, &*mat).value();
        NEAR(stands.rollDeg, 2, 0.3);
        QVERIFY2(stands.rollSd_deg < kUnmarkedRollSd_deg, qPrintable(QString::number(stands.rollSd_deg)));
        const Vector2 hips = (marks["asis_l"] - marks["asis_r"]).normalized();
        NEAR(degrees(std::asin(hips.dot(stands.up))), 0, 0.4);
        QVERIFY(stands.matMarked); // heights still come from the floor
        const BodyAxes byFloor = bodyAxes(t, Position::Upright, View::Front).value();
        QVERIFY2(std::abs(byFloor.rollDeg - 2) > 2, qPrintable(QString::number(byFloor.rollDeg)));
        const BodyAxes lies = bodyAxes(t, Position::Supine, View::FootEnd, &*mat).value();
        NEAR(lies.rollDeg, byFloor.rollDeg, 1e-12);

        // A door frame beside them is better still.
        t.landmark["plumb_a"].assign(2, {{900, 100}, 0.3, PointState::Seen});
        t.landmark["plumb_b"].assign(2, {{910, 500}, 0.3, PointState::Seen});
        const BodyAxes byPlumb = bodyAxes(t, Position::Upright, View::Front, &*mat).value();
        NEAR(std::abs(byPlumb.rollDeg), degrees(std::atan(10.0 / 400)), 1e-6);
    }

    void noMat() {
        const Lens lens = Lens::ofPhone(1280, 720);
        QVERIFY(!matView({Point2(0, 0), Point2(1, 1), Point2(2, 2), Point2(3, 3)}, {}, lens));
        QVERIFY(!matView({Point2(100, 500), Point2(900, 500), Point2(900, 400), Point2(100, 400)}, {0, 61}, lens));
    }
};

QTEST_APPLESS_MAIN(MatViewTest)
#include "mat_view_test.moc"
