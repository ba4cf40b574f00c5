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
        Point2 see(double x, double z) const { ///< along the mat, away from the camera, cm from the mat's middle
            const double t = radians(turn), p = radians(pitch), r = radians(roll);
            // The mat turns the other way than the camera would walk; then pitch, then roll.
            const double ex = x * std::cos(t) - z * std::sin(t), ez = x * std::sin(t) + z * std::cos(t) + distance_cm;
            const double ey = height_cm; // down
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
            for (Point2& p : corners) p += kMarkingSdPx * Vector2(noise(random), noise(random));
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

    void noMat() {
        const Lens lens = Lens::ofPhone(1280, 720);
        QVERIFY(!matView({Point2(0, 0), Point2(1, 1), Point2(2, 2), Point2(3, 3)}, {}, lens));
        QVERIFY(!matView({Point2(100, 500), Point2(900, 500), Point2(900, 400), Point2(100, 400)}, {0, 61}, lens));
    }
};

QTEST_APPLESS_MAIN(MatViewTest)
#include "mat_view_test.moc"
