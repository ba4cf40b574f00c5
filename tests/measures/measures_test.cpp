// SPDX-License-Identifier: GPL-3.0-or-later
// Every measure of a bridge against a body drawn with a ruler, from either side, rolled, near and far, and with noise.
#include "measures/series.h"
#include "measures/steadied.h"
#include "support/stick_body.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class MeasuresTest : public QObject {
    Q_OBJECT

    static StickPose movement(double t) {
        return {outAndBack(t, 2, 3.2, 7, 8, 0, 27), outAndBack(t, 2.5, 3.2, 7, 7.6, 0, 9)};
    }
    static SeriesOptions options() {
        SeriesOptions o;
        o.setupEnd_s = 1.5;
        o.cutoffHz = 10;
        return o;
    }
    static double at(const SeriesSet& set, const char* id, double t) {
        const Series* s = set.find(id);
        return s ? s->value[size_t(std::lround(t * 30))] : kGap;
    }

private slots:
    /// Marks that no longer fit the rigid pelvis tell that one of them is wrong, however sure each is of itself: the
    /// band grows until it holds the error. Marks that fit leave it as it was.
    void marksThatDisagree() {
        const Tracks still = stickTracks(
            300, 30, [](double) { return StickPose{}; }, {}, 0.1);
        double worst = 0;
        for (const Vector2& bent : {Vector2(2, 0), Vector2(0, 2), Vector2(-1.5, 1.5)}) {
            Tracks t = still;
            for (size_t i = 120; i < 300; ++i) t.landmark["asis"][i].at += bent;
            const auto set = computeSeries(t, options()).value();
            const Series& tilt = *set.find("tilt");
            worst = std::max(worst, std::abs(tilt.value[200]));
            QVERIFY2(tilt.u95[200] > std::abs(tilt.value[200]),
                     qPrintable(QString("%1 in %2").arg(tilt.value[200]).arg(tilt.u95[200])));
            QVERIFY(tilt.u95[200] > 2 * tilt.u95[60]);
        }
        QVERIFY(worst > 0.5);
    }

    void everySide_data() {
        QTest::addColumn<bool>("headLeft");
        QTest::addColumn<double>("roll");
        QTest::addColumn<double>("size");
        for (const bool left : {true, false})
            for (const double roll : {0.0, 5.0, -5.0})
                for (const double size : {1.0, 0.5})
                    QTest::addRow("head %s, roll %g, size %g", left ? "left" : "right", roll, size)
                        << left << roll << size;
    }
    /// The same movement reads the same whichever way the client lies and however the camera is turned or far away.
    void everySide() {
        QFETCH(bool, headLeft);
        QFETCH(double, roll);
        QFETCH(double, size);
        const auto set = computeSeries(stickTracks(300, 30, movement, {headLeft, roll, size}), options()).value();
        // In the still hold at 5 s nothing moves, so smoothing changes nothing.
        NEAR(at(set, "pelvis_on_trunk", 5), 9, 1e-3);
        NEAR(at(set, "pelvis_on_trunk", 1), 0, 1e-3);
        NEAR(at(set, "tilt", 5), 9 - 27,
             1e-3); // the hips rise by 27°, so against the mat the pelvis has rolled back by 18
        NEAR(at(set, "trunk", 5) - at(set, "trunk", 1), -27, 1e-2);
        NEAR(set.context.axes.rollDeg, roll, 1e-6);
        const auto start = stickPoints({0, 0}, {}), top = stickPoints({27, 9}, {});
        NEAR(at(set, "hip_height", 5), 100 * (500 - top.at("hip").y()) / kStickTrunk, 0.02);
        NEAR(at(set, "hip_angle", 1), includedAngleDeg(start.at("shoulder"), start.at("hip"), start.at("knee")).value(),
             1e-2);
        NEAR(at(set, "knee_angle", 5), includedAngleDeg(top.at("hip"), top.at("knee"), top.at("ankle")).value(), 1e-2);
        NEAR(at(set, "foot", 5), 0, 1e-3);
        const double off = lineOffsetPx(top.at("hip"), top.at("shoulder"), top.at("knee")).value();
        NEAR(std::abs(at(set, "sag", 5)), 100 * std::abs(off) / (top.at("knee") - top.at("shoulder")).norm(), 1e-2);
    }

    void sagSign() {
        // Hips below the line from shoulder to knee read +, above it −.
        const auto low = computeSeries(stickTracks(90, 30,
                                                   [](double) {
                                                       return StickPose{8, 0};
                                                   },
                                                   {}),
                                       options())
                             .value();
        const auto high = computeSeries(stickTracks(90, 30,
                                                    [](double) {
                                                        return StickPose{40, 0};
                                                    },
                                                    {}),
                                        options())
                              .value();
        QVERIFY(at(low, "sag", 1) > 5);
        QVERIFY(at(high, "sag", 1) < 0);
    }

    /// Beyond straight the hip angle goes on past 180 instead of folding back.
    void hipAngleDoesNotFold() {
        const auto set = computeSeries(stickTracks(90, 30,
                                                   [](double) {
                                                       return StickPose{44, 0};
                                                   },
                                                   {}),
                                       options())
                             .value();
        QVERIFY2(at(set, "hip_angle", 1) > 180, qPrintable(QString::number(at(set, "hip_angle", 1))));
    }

    /// 95 % of readings lie within their band when the tracks are off by what they say.
    void bandsHold() {
        std::mt19937 random(7);
        std::normal_distribution<double> draw(0, 0.8);
        int inside = 0, all = 0;
        for (int run = 0; run < 6; ++run) {
            const auto set = computeSeries(stickTracks(300, 30, movement, {run % 2 == 0, 2.0, 1.0}, 0.8,
                                                       [&] { return draw(random); }),
                                           options())
                                 .value();
            const auto truth =
                computeSeries(stickTracks(300, 30, movement, {run % 2 == 0, 2.0, 1.0}), options()).value();
            for (const char* id : {"pelvis_on_trunk", "tilt"}) {
                const Series &s = *set.find(id), &t = *truth.find(id);
                for (size_t i = 0; i < s.value.size(); ++i)
                    ++all, inside += std::abs(s.value[i] - t.value[i]) <= s.u95[i];
            }
        }
        QVERIFY2(inside >= 0.93 * all, qPrintable(QStringLiteral("%1 of %2").arg(inside).arg(all)));
    }

    void lostMarksLeaveGaps() {
        Tracks t = stickTracks(300, 30, movement, {});
        for (size_t i = 100; i < 120; ++i) t.landmark["knee"][i].state = PointState::Lost;
        const auto set = computeSeries(t, options()).value();
        for (size_t i = 100; i < 120; ++i) QVERIFY(std::isnan(set.find("knee_angle")->value[i]));
        QVERIFY(std::isfinite(set.find("knee_angle")->value[121]));
        QVERIFY(std::isfinite(set.find("pelvis_on_trunk")->value[110])); // does not need the knee
    }

    /// One pelvis mark lost: the other marks carry the pelvis, with a wider band.
    void pelvisOnTwoMarks() {
        Tracks t = stickTracks(300, 30, movement, {}, 0.5);
        for (size_t i = 150; i < 170; ++i) t.landmark["asis"][i].state = PointState::Lost;
        const auto set = computeSeries(t, options()).value();
        NEAR(set.find("pelvis_on_trunk")->value[160], 9, 0.05);
        QVERIFY(set.find("pelvis_on_trunk")->u95[160] > set.find("pelvis_on_trunk")->u95[140]);
    }

    void withoutMatLine() {
        Tracks t = stickTracks(120, 30, [](double) { return StickPose{}; }, {});
        t.landmark.erase("floor_a");
        t.landmark.erase("floor_b");
        const auto set = computeSeries(t, options()).value();
        QVERIFY(!set.context.axes.matMarked);
        QVERIFY(set.find("trunk")->u95[60] >= kU95 * kUnmarkedRollSd_deg); // a level phone is only trusted so far
    }

    /// A coach whose own marks scatter more is told wider bands, where a constant error does not cancel.
    void marksOfACoach() {
        const Tracks t = stickTracks(300, 30, movement, {});
        SeriesOptions o = options();
        std::map<std::string, std::array<double, 2>> bands; // measure → for one pixel and for two
        for (const size_t k : {0u, 1u}) {
            o.markingSd_px = double(k + 1);
            const auto set = computeSeries(t, o).value();
            for (const char* id : {"knee_angle", "hip_rise"}) {
                const Series& s = *set.find(id); // without the slide of skin, which no coach sets
                bands[id][k] = std::sqrt(std::pow(s.u95[160], 2) - std::pow(s.slideAt(160), 2));
            }
        }
        NEAR(bands["knee_angle"][1] / bands["knee_angle"][0], 2, 0.1); // tracks are nearly exact here
        QVERIFY(bands["hip_rise"][1] < 1.5 * bands["hip_rise"][0]);    // told against the start
    }

    void givenNeutral() {
        SeriesOptions o = options();
        const Tracks t = stickTracks(300, 30, movement, {});
        const double raw = computeSeries(t, o)->neutral.tilt_raw;
        o.neutral = Neutral{raw - 4, 0, 1.0, "coach"}; // the coach says neutral is 4° further back
        const auto set = computeSeries(t, o).value();
        NEAR(at(set, "tilt", 1), 4, 1e-3);
        NEAR(at(set, "pelvis_on_trunk", 5), 13, 1e-3);
        QCOMPARE(set.neutral.source, std::string("coach"));
    }

    /// A camera that is not held still changes nothing that is measured; a mark of the mat that was set anew is no
    /// shake.
    void shakenCamera() {
        const Tracks still = stickTracks(300, 30, movement, {});
        Tracks shaken = still, set = still;
        for (size_t i = 0; i < still.frames(); ++i) {
            const Vector2 way(6 * std::sin(0.13 * double(i)), 4 * std::cos(0.21 * double(i)) - 4);
            for (auto& [name, points] : shaken.landmark) points[i].at += way;
            if (i >= 100) set.landmark["floor_a"][i].at += Vector2(0, 8);
        }
        const auto truth = computeSeries(still, options()).value();
        const auto steady = computeSeries(steadied(shaken), options()).value();
        for (const char* id : {"hip_height", "tilt", "trunk", "hip_rise"})
            for (size_t i = 0; i < still.frames(); ++i) NEAR(steady.find(id)->value[i], truth.find(id)->value[i], 0.02);
        QVERIFY(std::abs(computeSeries(shaken, options())->find("hip_rise")->value[150] -
                         truth.find("hip_rise")->value[150]) > 0.5); // it would have
        const Tracks after = steadied(set);
        for (const size_t i : {size_t(0), size_t(99), size_t(200)})
            NEAR((after.find("hip", i)->at - still.find("hip", i)->at).norm(), 0, 1e-9);
    }

    void notEnoughMarked() {
        Tracks t;
        t.time_s = {0, 0.1, 0.2};
        t.landmark["knee"].assign(3, {{1, 1}, 1, PointState::Seen});
        QCOMPARE(computeSeries(t, options()).error().code, Errc::NotFound);
    }

    void csv() {
        Tracks t = stickTracks(3, 30, [](double) { return StickPose{}; }, {});
        t.landmark["knee"][1].state = PointState::Lost;
        const std::string text = toCsv(computeSeries(t, options()).value());
        QCOMPARE(std::count(text.begin(), text.end(), '\n'), 4);
        QVERIFY(text.starts_with("frame,time_s,"));
        QVERIFY(text.find("pelvis_on_trunk,pelvis_on_trunk_u95") != std::string::npos);
    }

    void everyMeasureIsNamed() {
        for (const Measure& m : measures()) {
            QVERIFY(!m.name.empty());
            QVERIFY(m.unit == "deg" || m.unit == "%" || m.unit == "cm" || m.unit == "ratio");
            QVERIFY(m.needed <= m.landmarks.size());
        }
        QVERIFY(measureName("no such measure").empty());
    }
};

QTEST_GUILESS_MAIN(MeasuresTest)
#include "measures_test.moc"
