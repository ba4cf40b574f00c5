// SPDX-License-Identifier: GPL-3.0-or-later
// How a coach's marks scatter: the truth is drawn by the test.
#include "readings/marking_noise.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class MarkingNoiseTest : public QObject {
    Q_OBJECT

private slots:
    /// Five hundred rounds of six pictures with six points each, every point with a habit of its own: the limits hold
    /// the true scatter in 95 of 100, and the habit is no part of it.
    void limitsHold() {
        constexpr double sd = 0.012;
        std::mt19937 random(11);
        std::normal_distribution<double> scatter(0, sd), habit(0, 0.05);
        int inside = 0;
        for (int round = 0; round < 500; ++round) {
            std::vector<PlacedMark> marks;
            for (const char* name : {"shoulder", "hip", "asis", "crest", "knee", "ankle"}) {
                const Vector2 own(habit(random), habit(random));
                for (int picture = 0; picture < 6; ++picture)
                    marks.push_back({name, own + Vector2(scatter(random), scatter(random))});
            }
            const auto noise = markingNoise(marks).value();
            QCOMPARE(noise.marks, 36);
            inside += noise.sdLow95 <= sd && sd <= noise.sdHigh95;
            QVERIFY(noise.sdLow95 < noise.sd && noise.sd < noise.sdHigh95);
        }
        QVERIFY2(inside >= 465 && inside <= 485, qPrintable(QString::number(inside)));
    }

    void worked() {
        // Two points, in turns two and four hundredths apart: by hand.
        const std::vector<PlacedMark> marks = {{"hip", {0.01, 0}},  {"hip", {0.03, 0}},  {"hip", {0.01, 0}},
                                               {"hip", {0.03, 0}},  {"knee", {0, 0.04}}, {"knee", {0, 0.00}},
                                               {"knee", {0, 0.04}}, {"knee", {0, 0.00}}};
        const auto noise = markingNoise(marks).value();
        NEAR(noise.landmarks.at("hip").habit.x(), 0.02, 1e-12);
        NEAR(noise.landmarks.at("hip").sd, std::sqrt(4 * 1e-4 / 6), 1e-12);
        NEAR(noise.sd, std::sqrt((4 * 1e-4 + 4 * 4e-4) / 12), 1e-12);
        // chi-squared with 12 degrees of freedom: 4.404 and 23.337 (handbook table)
        NEAR(noise.sdLow95, noise.sd * std::sqrt(12 / 23.337), 1e-6);
        NEAR(noise.sdHigh95, noise.sd * std::sqrt(12 / 4.404), 1e-5);
        QCOMPARE(markingNoise({marks.begin(), marks.end() - 1}).error().code, Errc::TooShort);
    }

    void towardHeadAndFront_data() {
        QTest::addColumn<double>("headX");
        QTest::addColumn<double>("frontY");
        QTest::newRow("on the back, head left") << -1.0 << -1.0;
        QTest::newRow("on the back, head right") << 1.0 << -1.0;
        QTest::newRow("face down, head left") << -1.0 << 1.0;
        QTest::newRow("face down, head right") << 1.0 << 1.0;
    }
    void towardHeadAndFront() {
        QFETCH(double, headX);
        QFETCH(double, frontY);
        const std::map<std::string, Point2> truth = {{"hip", {500, 300}},
                                                     {"shoulder", {500 + 200 * headX, 300}},
                                                     {"asis", {500 + 20 * headX, 300 + 30 * frontY}}};
        const Point2 placed = truth.at("hip") + Vector2(6 * headX, 2 * frontY);
        const auto mark = placedMark("hip", placed, truth).value();
        NEAR(mark.off.x(), 0.03, 1e-12);
        NEAR(mark.off.y(), 0.01, 1e-12);
        QCOMPARE(placedMark("knee", placed, truth).error().code, Errc::NotFound);
        QCOMPARE(placedMark("hip", placed, {{"hip", {1, 1}}}).error().code, Errc::NotFound);
        auto none = truth;
        none["shoulder"] = none["hip"];
        QCOMPARE(placedMark("hip", placed, none).error().code, Errc::Degenerate);
    }

    /// From the front what counts is up and outward, on either side, however the camera is rolled.
    void towardHeadAndOutward() {
        const Vector2 up = Vector2(0.1, -1).normalized(), right(-up.y(), up.x()); // on the screen
        const Point2 hips(300, 500);
        const auto at = [&](double x, double y) -> Point2 { return hips + x * right + y * up; };
        const std::map<std::string, Point2> truth = {{"hip_l", at(50, 0)},        {"hip_r", at(-50, 0)},
                                                     {"shoulder_l", at(60, 200)}, {"shoulder_r", at(-60, 200)},
                                                     {"knee_l", at(40, -150)},    {"knee_r", at(-40, -150)}};
        for (const auto& [name, outward] : {std::pair{"knee_l", 1.0}, {"knee_r", -1.0}}) {
            const auto mark = placedMark(name, truth.at(name) + 6 * outward * right + 2 * up, truth).value();
            NEAR(mark.off.x(), 0.01, 1e-12);
            NEAR(mark.off.y(), 0.03, 1e-12);
        }
        auto one = truth;
        one.erase("shoulder_r");
        QCOMPARE(placedMark("knee_l", hips, one).error().code, Errc::NotFound);
    }

    void trunkOfAFrame() {
        MarkedFrame side{0, {{"shoulder", Point2(0, 0)}, {"hip", Point2(30, 40)}}};
        NEAR(trunkPx(side), 50, 1e-12);
        MarkedFrame front{0,
                          {{"shoulder_l", Point2(0, 0)},
                           {"hip_l", Point2(0, 80)},
                           {"shoulder_r", Point2(50, 0)},
                           {"hip_r", Point2(50, 90)}}};
        NEAR(trunkPx(front), 90, 1e-12);
        side.points["hip"].reset();
        QCOMPARE(trunkPx(side), 0.0);
    }
};

QTEST_GUILESS_MAIN(MarkingNoiseTest)
#include "marking_noise_test.moc"
