// SPDX-License-Identifier: GPL-3.0-or-later
// Reps, holds and breaks of movements with known times, and the hold detector against the reference of
// tests/reference/05_events (own functions there, stated in gen05_events.py: no library has such a routine).
#include "base/json.h"
#include "events/breath.h"
#include "events/hold_sway.h"
#include "events/lead.h"
#include "events/movement.h"
#include "events/roll_order.h"
#include "signal/filter.h"
#include "support/stick_body.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class MovementTest : public QObject {
    Q_OBJECT

    using Curve = std::function<double(double)>;
    static SeriesSet series(double duration, const Curve& lift, const Curve& pelvis, double fps = 30) {
        SeriesSet set;
        Series mover{"hip_height", "%", {}, {}}, anchor{"pelvis_on_trunk", "deg", {}, {}};
        for (int i = 0; i < int(duration * fps); ++i) {
            const double t = i / fps;
            set.time_s.push_back(t);
            mover.value.push_back(lift(t)), mover.u95.push_back(0.4);
            anchor.value.push_back(pelvis(t)), anchor.u95.push_back(0.8);
        }
        set.series = {mover, anchor};
        return set;
    }
    static double lift3(double t) {
        return outAndBack(t, 2.5, 4, 9, 10, 12, 55) + outAndBack(t, 12, 13.5, 17, 18, 0, 43) +
               outAndBack(t, 20, 21, 24, 25.5, 0, 40);
    }
    const Limit limit_{"pelvis_on_trunk", std::nullopt, 5.0, "deg"};
    const Tolerance tolerance_{limit_, {}};

private slots:
    /// Sway of a wandering point against numpy and scipy (tests/reference/09_sway, calls in its `_meta`).
    void swayOfAPath() {
        const Table t = readTable(reference("09_sway/sway_path.csv"));
        const Json expected = referenceJson("09_sway/sway_expected.json");
        std::vector<Point2> points;
        for (size_t i = 0; i < t.rows; ++i) points.emplace_back(t["ml_mm"][i], t["ap_mm"][i]);
        const Sway s = swayOf(t["t"], points).value();
        auto of = [&](const char* key) { return expected.at(key).get<double>(); };
        NEAR(s.rms, of("rms_distance"), 1e-8);
        NEAR(s.pathPerSecond, of("mean_velocity_mm_s"), 1e-8);
        NEAR(s.ellipseArea, of("ellipse95_area_chi2_ddof1"), 1e-8 * s.ellipseArea);
        NEAR(s.semiMajor, expected.at("ellipse_semi_axes_chi2_ddof1").at(0).get<double>(), 1e-8);
        NEAR(s.semiMinor, expected.at("ellipse_semi_axes_chi2_ddof1").at(1).get<double>(), 1e-8);
        NEAR(s.majorDeg, of("major_axis_angle_deg_from_ml_(-90,90]"), 1e-6);
        // A gap is no way: without its middle third the path is told over the time that is left.
        for (size_t i = 200; i < 400; ++i) points[i] = {kGap, kGap};
        const Sway gap = swayOf(t["t"], points).value();
        QCOMPARE(gap.samples, size_t(400));
        NEAR(gap.duration_s, 398 / 30.0, 1e-9);
        QVERIFY(!swayOf({0, 1}, {{0, 0}, {1, 1}}));
    }

    /// Of a slow and a fast swing the power is known: a²/2 each. Jitter of the marks widens the band, and the truth
    /// stays inside it.
    void shareOfShaking_data() {
        QTest::addColumn<double>("slow");
        QTest::addColumn<double>("fast");
        QTest::addColumn<double>("sd");
        QTest::newRow("position lost") << 3.0 << 0.3 << 0.0;
        QTest::newRow("position kept, shaking") << 0.5 << 1.0 << 0.0;
        QTest::newRow("with jitter") << 0.5 << 1.0 << 0.2;
        QTest::newRow("jitter alone") << 1.0 << 0.0 << 0.3;
    }
    void shareOfShaking() {
        QFETCH(double, slow);
        QFETCH(double, fast);
        QFETCH(double, sd);
        std::mt19937 random(11);
        std::normal_distribution<double> jitter(0, 1);
        std::vector<double> times;
        std::vector<Point2> points;
        for (int i = 0; i < 300; ++i) {
            const double t = i / 30.0, at = slow * std::sin(2 * M_PI * 0.5 * t) + fast * std::sin(2 * M_PI * 7 * t);
            times.push_back(t);
            points.emplace_back(at + sd * jitter(random), sd * jitter(random));
        }
        const double truth = 100 * fast * fast / (slow * slow + fast * fast);
        const Tremor t = tremorOf(times, points, sd).value();
        QVERIFY2(std::abs(t.share - truth) <= t.u95 + 3, qPrintable(QStringLiteral("%1 ± %2").arg(t.share).arg(t.u95)));
        QVERIFY(sd > 0 ? t.u95 > 0.1 : t.u95 < 1e-9);
        if (sd == 0) NEAR(t.rms, fast / std::sqrt(2.0), 0.02 * fast);
        times.resize(45), points.resize(45); // a second and a half says nothing
        QVERIFY(!tremorOf(times, points, sd));
    }

    /// A hip that goes round a circle of two per cent of the trunk during the hold; the band holds the truth when the
    /// marks jitter as much as they say.
    void swayOfAHold() {
        constexpr double kTrunk = 200, kRadius = 4, kSd = 0.4;
        std::mt19937 random(7);
        std::normal_distribution<double> jitter(0, kSd);
        int inside = 0;
        constexpr int kRuns = 60;
        for (int run = 0; run < kRuns; ++run) {
            Tracks tracks;
            for (int i = 0; i < 300; ++i) {
                const double t = i / 30.0, angle = 2 * M_PI * 0.5 * t;
                tracks.time_s.push_back(t);
                tracks.landmark["hip"].push_back({Point2(300 + kRadius * std::cos(angle) + jitter(random),
                                                         200 + kRadius * std::sin(angle) + jitter(random)),
                                                  kSd, PointState::Seen});
            }
            MeasureContext context;
            context.startTrunkPx = kTrunk;
            Events e;
            Rep rep;
            rep.hold.start_s = 2, rep.hold.end_s = 8; // three times round
            e.reps = {rep};
            addSway(e, tracks, context);
            QVERIFY(e.reps[0].hold.sway);
            const Sway& s = *e.reps[0].hold.sway;
            inside += std::abs(s.rms - 100 * kRadius / kTrunk) <= e.reps[0].hold.swayU95;
            NEAR(s.pathPerSecond, 100 * M_PI * kRadius / kTrunk, 0.6);
            NEAR(s.semiMajor / s.semiMinor, 1, 0.1);
            if (run > 0) continue;
            for (int i = 60; i < 140; ++i) tracks.landmark["hip"][size_t(i)].state = PointState::Lost;
            e.reps = {rep};
            addSway(e, tracks, context);
            QVERIFY(!e.reps[0].hold.sway); // too much of it was not seen
        }
        QVERIFY2(inside >= 0.95 * kRuns, qPrintable(QString::number(inside)));
    }

    /// The way out of a lift is to lie on a breath out: counted by hand.
    void breathOnTheEffort() {
        Events e;
        for (const double start : {2.0, 10.0, 18.0}) { // each way out takes one second
            Rep rep;
            rep.start_s = start, rep.top_s = start + 1, rep.end_s = start + 6;
            e.reps.push_back(rep);
        }
        QVERIFY(!breathFit({}, e) && !breathFit({{1, true}}, {}));
        // On it; on the breath in; half a second late, so just half of it lies on the breath out.
        const auto fit =
            breathFit({{1.5, true}, {4, false}, {9, false}, {12, true}, {14, false}, {18.5, true}, {20, false}}, e);
        QCOMPARE(fit->efforts, 3);
        QCOMPARE(fit->fits, 2);
        QCOMPARE(fit->unsure, 1); // the third: a little later it would not
        NEAR(fit->share(), 200.0 / 3, 1e-9);
        // Only breaths out tapped: each counts half of the way to the next.
        QCOMPARE(breathFit({{2, true}, {6, true}, {10, true}, {17, true}}, e)->fits, 3);
        QCOMPARE(breathFit({{0, true}, {1.9, true}, {9.0, true}, {9.8, true}}, e)->fits, 2);
        QCOMPARE(breathFit({{14.5, true}}, e)->fits, 0); // at most three seconds
    }

    void threeReps() {
        const auto set = series(28, lift3, [](double) { return 0.0; });
        const Events e = findMovement(set, {});
        QCOMPARE(e.reps.size(), size_t(3));
        QVERIFY(e.setupEnd_s > 1.5 && e.setupEnd_s <= 2.6);
        const double starts[] = {2.5, 12, 20}, tops[] = {4, 13.5, 21}, leaves[] = {9, 17, 24}, ends[] = {10, 18, 25.5};
        for (size_t k = 0; k < 3; ++k) {
            const Rep& r = e.reps[k];
            QVERIFY(r.finished);
            // The tails of a minimum-jerk curve are flat: a movement is seen a moment late and its end a moment early.
            NEAR(r.start_s, starts[k], 0.25);
            NEAR(r.hold.start_s, tops[k], 0.25);
            NEAR(r.hold.end_s, leaves[k], 0.25);
            NEAR(r.end_s, ends[k], 0.25);
            NEAR(r.reach, k < 2 ? 43 : 40, 0.5);
            NEAR(r.controlRange, r.reach, 0.001);
        }
    }

    void frameRateDoesNotMatter() {
        const Events a = findMovement(series(
                                          28, lift3, [](double) { return 0.0; }, 25),
                                      {}),
                     b = findMovement(series(
                                          28, lift3, [](double) { return 0.0; }, 60),
                                      {});
        QCOMPARE(a.reps.size(), b.reps.size());
        for (size_t k = 0; k < a.reps.size(); ++k) {
            NEAR(a.reps[k].hold.start_s, b.reps[k].hold.start_s, 0.05);
            NEAR(a.reps[k].hold.end_s, b.reps[k].hold.end_s, 0.05);
        }
    }

    void breakInTheHold() {
        // Leaves the tolerance on a straight line: 5° are crossed exactly at 7.0 s.
        auto set = series(
            12, [](double t) { return outAndBack(t, 2.5, 4, 9, 10, 12, 55); },
            [](double t) { return t < 6 ? 0 : 5 * (t - 6); });
        Events e = findMovement(set, {});
        findBreaks(e, set, {}, {tolerance_});
        const Hold& h = e.reps[0].hold;
        QVERIFY(h.first_break_s.has_value());
        NEAR(*h.first_break_s, 7.0, 1e-6);
        NEAR(h.clean_s, 7.0 - h.start_s, 1e-9);
        // At 5° a second a band of ±0.8° is ±0.16 s of time.
        NEAR(h.breakU95_s, std::hypot(0.8 / 5, 0.5 / 30), 0.5 / 30);
        NEAR(h.cleanU95_s(), std::hypot(h.breakU95_s, h.startU95_s), 1e-12);
        QCOMPARE(h.brokenBy, std::string("pelvis_on_trunk"));
        QVERIFY(e.reps[0].brokenBy.empty()); // the way up was clean
        NEAR(e.reps[0].controlRange, e.reps[0].reach, 1e-9);
    }

    void breakOnTheWay() {
        auto lift = [](double t) { return outAndBack(t, 2.5, 4, 9, 10, 12, 55); };
        auto set =
            series(12, lift, [&](double t) { return t > 9.4 ? 0 : 0.2 * (lift(t) - 12); }); // 5° at a lift of 25 %
        Events e = findMovement(set, {});
        findBreaks(e, set, {}, {tolerance_});
        NEAR(e.reps[0].controlRange, 25, 1.5); // within one frame of a fast movement
        QCOMPARE(e.reps[0].brokenBy, std::string("pelvis_on_trunk"));
        NEAR(e.reps[0].hold.clean_s, 0, 1e-12); // what broke on the way is not clean in the hold
    }

    /// The start of the rep is the least certain: the mover is slowest there. A finer band or a faster movement tells
    /// it better, down to half a frame.
    void timesHaveBands() {
        auto bandsOf = [&](double u95, double outUntil) {
            auto set = series(
                12, [&](double t) { return outAndBack(t, 2.5, outUntil, 9, 10, 12, 55); }, [](double) { return 0.0; });
            for (double& u : set.find("hip_height")->u95) u = u95;
            Events e = findMovement(set, {});
            findBreaks(e, set, {}, {tolerance_});
            return e.reps.at(0);
        };
        const Rep usual = bandsOf(0.4, 4), coarse = bandsOf(1.2, 4), exact = bandsOf(1e-6, 4);
        QVERIFY(usual.startU95_s > usual.hold.startU95_s);
        QVERIFY(coarse.startU95_s > usual.startU95_s && coarse.hold.endU95_s > usual.hold.endU95_s);
        NEAR(exact.startU95_s, 0.5 / 30, 1e-4);
        NEAR(exact.outU95_s(), std::hypot(0.5, 0.5) / 30, 1e-4);
        QVERIFY(std::abs(exact.start_s - usual.start_s) <= usual.startU95_s);
    }

    /// A hold inside a window ends where the body sets out to leave it. Where it leaves too slowly for that, it ends
    /// within the time in which the limit lies inside the band; one that the clip cuts off ends where the clip does.
    void windowsHaveBands() {
        const auto holdOf = [&](double slope, double u95) {
            auto set = series(
                12, [&](double t) { return t < 6 ? 10 : 10 + slope * (t - 6); }, [](double) { return 0.0; });
            for (double& u : set.find("hip_height")->u95) u = u95;
            MoverPlan plank;
            plank.measure = "hip_height", plank.low = 5, plank.high = 15, plank.minExcursion = 30;
            Events e = findMovement(set, plank);
            findBreaks(e, set, plank, {});
            return e.reps.at(0).hold;
        };
        NEAR(holdOf(1.8, 0.5).end_s, 6 + 5 / 1.8, 0.05);
        NEAR(holdOf(1.8, 0.5).endU95_s, 0.5 / 1.8, 0.05); // half a unit on either side, at 1.8 a second
        NEAR(holdOf(10, 1).end_s, 6, 0.04);
        QVERIFY(holdOf(10, 1).endU95_s <= 0.04);
        QVERIFY(holdOf(0, 1).endU95_s <= 0.02); // cut off
    }

    /// A hold that begins and ends well inside its window: it counts from when the body is still. Two hundred times
    /// with noise, smoothed as every series is: 95 % of the times lie inside their bands.
    void holdsByStillness() {
        constexpr double noise = 0.08, slowing = 100; // the mover's unit, unit / s²
        MoverPlan plank;
        plank.measure = "hip_height", plank.low = -260, plank.high = 260, plank.minExcursion = 5;
        const auto way = [](double t) { return -0.5 * slowing * std::pow(std::max(0.0, t), 2); };
        std::mt19937 random(3);
        std::normal_distribution<double> normal(0, noise);
        int inside = 0, n = 0;
        double bands = 0;
        for (int run = 0; run < 200; ++run) {
            auto set = series(
                10, [&](double t) { return way(2 - t) - way(t - 8); }, [](double) { return 0.0; });
            Series& mover = *set.find("hip_height");
            for (double& v : mover.value) v += normal(random);
            mover.value = smoothed(set.time_s, mover.value, 6);
            for (double& u : mover.u95) u = 4 * 1.96 * noise * std::sqrt(6.0 / 15); // of which a quarter is noise
            Events e = findMovement(set, plank);
            findBreaks(e, set, plank, {});
            QCOMPARE(e.reps.size(), size_t(1));
            const Hold& h = e.reps[0].hold;
            const double still = plank.stillInWindow() / slowing; // before it stands, after it sets out
            for (const auto& [time, truth, band] :
                 {std::tuple(h.start_s, 2 - still, h.startU95_s), std::tuple(h.end_s, 8 + still, h.endU95_s)}) {
                inside += std::abs(time - truth) <= band, ++n;
                bands += band;
            }
        }
        QVERIFY2(bands / n < 1 / 30.0, qPrintable(QString::number(bands / n)));
        QVERIFY2(inside >= 0.93 * n, qPrintable(QStringLiteral("%1 of %2").arg(inside).arg(n)));
    }

    /// What is lost right after a hold may have belonged to it.
    void lostAfterTheHold() {
        auto set = series(
            14, [](double t) { return outAndBack(t, 2.5, 4, 10, 11, 12, 55); }, [](double) { return 0.0; });
        Series& mover = *set.find("hip_height");
        for (size_t i = 0; i < mover.value.size(); ++i)
            if (set.time_s[i] > 7 && set.time_s[i] < 10.4) mover.value[i] = kGap;
        Events e = findMovement(set, {});
        findBreaks(e, set, {}, {tolerance_});
        QCOMPARE(e.reps.size(), size_t(1));
        QVERIFY(e.reps[0].unsure());
    }

    /// Short slips are forgiven, and noise about the limit makes one excursion, not many.
    void hysteresis() {
        auto lift = [](double t) { return outAndBack(t, 1, 2, 9, 10, 12, 55); };
        auto blip = series(12, lift, [](double t) { return t > 5 && t < 5.2 ? 6.0 : 0.0; });
        QVERIFY(excursions(blip, limit_, 2, 9).empty());
        auto chatter = series(12, lift, [](double t) {
            return t < 4 ? 0.0 : t < 7 ? 5 + 0.3 * std::sin(40 * t) : 0.0;
        });
        QCOMPARE(excursions(chatter, limit_, 2, 9).size(), size_t(1));
        NEAR(excursions(chatter, limit_, 2, 9)[0].end_s, 7.0, 0.05);
    }

    void gapsAreNotBridged() {
        auto set = series(
            12, [](double t) { return outAndBack(t, 1, 2, 9, 10, 12, 55); },
            [](double t) { return t > 4 && t < 6 ? 8.0 : 0.0; });
        Series& anchor = *set.find("pelvis_on_trunk");
        for (size_t i = 0; i < anchor.value.size(); ++i)
            if (set.time_s[i] > 4.5) anchor.value[i] = kGap;
        const auto found = excursions(set, limit_, 2, 9);
        QCOMPARE(found.size(), size_t(1));
        QVERIFY(found[0].end_s <= 4.5); // nothing is claimed beyond what was seen
    }

    void gapsInTheMoverGiveNumbers() {
        auto set = series(28, lift3, [](double) { return 0.0; });
        Series& mover = *set.find("hip_height");
        for (size_t i = 0; i < mover.value.size(); ++i)
            if ((set.time_s[i] > 3.3 && set.time_s[i] < 3.9) || (set.time_s[i] > 14 && set.time_s[i] < 14.5))
                mover.value[i] = kGap;
        Events e = findMovement(set, {});
        findBreaks(e, set, {}, {tolerance_});
        QCOMPARE(e.reps.size(), size_t(3));
        for (const Rep& r : e.reps)
            for (const double v :
                 {r.start_s, r.top_s, r.holdEnd_s, r.end_s, r.baseline, r.reach, r.hold.clean_s, r.hold.u95_s})
                QVERIFY(std::isfinite(v));
    }

    /// Eight seconds without marks are no clean hold.
    void whatWasNotSeenIsUnsure() {
        auto set = series(
            16, [](double t) { return outAndBack(t, 2.5, 4, 14, 15, 12, 55); }, [](double) { return 0.0; });
        Events e = findMovement(set, {});
        findBreaks(e, set, {}, {tolerance_});
        QVERIFY(!e.reps[0].unsure());
        for (size_t i = 0; i < set.time_s.size(); ++i)
            if (set.time_s[i] > 5 && set.time_s[i] < 13) set.find("pelvis_on_trunk")->value[i] = kGap;
        findBreaks(e, set, {}, {tolerance_});
        QVERIFY(e.reps[0].unsure());
        NEAR(e.reps[0].lost_s, 8, 0.1);
        // An anchor that was never marked was not seen either.
        set.series.pop_back();
        findBreaks(e, set, {}, {tolerance_});
        QVERIFY(e.reps[0].unsure());
        NEAR(e.reps[0].lost_s, e.reps[0].hold.end_s - e.reps[0].start_s, 1e-9);
    }

    /// A mover that was lost on its way out tells no tempo, nor what the hold has lost of its height.
    void whatWasNotSeenHasNoTempo() {
        const auto seen = series(28, lift3, [](double) { return 0.0; });
        for (const bool lost : {false, true}) {
            SeriesSet set = seen;
            for (size_t i = 0; lost && i < set.time_s.size(); ++i)
                if (set.time_s[i] > 2.9 && set.time_s[i] < 3.6) set.find("hip_height")->value[i] = kGap;
            const Events e = findMovement(set, {});
            QCOMPARE(e.reps.size(), size_t(3));
            addTempo(set, e, {});
            addLevelLoss(set, e, {});
            for (const char* measure : {"pace_out", "level_loss"}) {
                const Series& s = *set.find(measure);
                const auto told = [&](const Rep& rep) {
                    return std::any_of(s.value.begin(), s.value.end(), [&](const double& v) {
                        const double t = set.time_s[size_t(&v - s.value.data())];
                        return t >= rep.start_s && t <= rep.end_s && std::isfinite(v);
                    });
                };
                QVERIFY2(told(e.reps[0]) == !lost, measure);
                QVERIFY2(told(e.reps[1]), measure);
            }
        }
    }

    void clipEndsInTheHold() {
        const auto set = series(
            8, [](double t) { return outAndBack(t, 2.5, 4, 9, 10, 12, 55); }, [](double) { return 0.0; });
        const Events e = findMovement(set, {});
        QCOMPARE(e.reps.size(), size_t(1));
        QVERIFY(!e.reps[0].finished);
    }

    void nothingMoves() {
        const auto set = series(
            10, [](double t) { return 12 + 0.3 * std::sin(5 * t); }, [](double) { return 0.0; });
        QVERIFY(findMovement(set, {}).reps.empty());
        SeriesSet none;
        QVERIFY(findMovement(none, {}).reps.empty());
    }

    /// A low lift beside a high one is a rep, too; a fidget is none.
    void smallRepsAreReps() {
        for (const auto& [height, reps] : {std::pair{15.0, 2}, {25.0, 2}, {9.0, 1}}) {
            const auto set = series(
                28,
                [h = height](double t) {
                    return outAndBack(t, 2.5, 4, 9, 10, 12, 55) + outAndBack(t, 13, 14, 15, 16, 0, h);
                },
                [](double) { return 0.0; });
            QCOMPARE(findMovement(set, {}).reps.size(), size_t(reps));
        }
    }
    /// A hold that sinks by a fifth and comes back is one hold.
    void aHoldThatSinksIsOne() {
        const auto set = series(
            28, [](double t) { return outAndBack(t, 2.5, 4, 12, 13, 12, 55) - outAndBack(t, 6, 7, 8, 9, 0, 10); },
            [](double) { return 0.0; });
        QCOMPARE(findMovement(set, {}).reps.size(), size_t(1));
    }
    void levelLoss() {
        // Sinks by 20 % of the lift over the hold.
        auto set = series(
            12,
            [](double t) {
                return outAndBack(t, 2.5, 4, 9, 10, 12, 55) - (t > 5 && t < 9     ? 43 * 0.05 * (t - 5)
                                                               : t >= 9 && t < 10 ? 8.6 * (10 - t)
                                                                                  : 0);
            },
            [](double) { return 0.0; });
        Events e = findMovement(set, {});
        addLevelLoss(set, e, {});
        const Series& loss = *set.find("level_loss");
        NEAR(loss.value[size_t(8.5 * 30)], 17.5, 0.6);
        QVERIFY(std::isnan(loss.value[30])); // no hold, no loss
        // A mark that slips in the hold takes the height along: what its band grows by is in that of the loss.
        const double usual = loss.u95[size_t(8.5 * 30)];
        Series& mover = *set.find("hip_height");
        for (size_t i = 0; i < mover.u95.size(); ++i)
            if (set.time_s[i] > 6) mover.u95[i] = 3;
        addLevelLoss(set, e, {});
        const Series& slipped = set.series.back();
        NEAR(slipped.u95[size_t(5.5 * 30)], usual, 1e-9);
        QVERIFY(slipped.u95[size_t(8.5 * 30)] > 6.5); // of a lift by 43
    }

    void holdsOfTheReference() {
        const Json cases = referenceJson("05_events/expected_holds.json")["cases"];
        const Table t = readTable(reference("05_events/hold_signals.csv"));
        for (const auto& [name, c] : cases.items()) {
            const Json& a = c["in_band_args"];
            const auto found = holdsInBand(t.filled(name), a["target"], a["tol"], a["min_s"].get<double>() * 30,
                                           a["bridge_s"].get<double>() * 30);
            QVERIFY2(found.size() == c["in_band"].size(), name.c_str());
            for (size_t i = 0; i < found.size(); ++i) {
                QCOMPARE(found[i].first, c["in_band"][i]["first"].get<size_t>());
                QCOMPARE(found[i].last, c["in_band"][i]["last"].get<size_t>());
            }
        }
    }

    /// A leg that is lowered: the movement goes toward smaller values, the range is told as how far it went.
    void movementThatFalls() {
        SeriesSet set;
        Series leg{"leg", "deg", {}, {}};
        for (int i = 0; i < 300; ++i) {
            const double t = i / 30.0;
            set.time_s.push_back(t);
            leg.value.push_back(outAndBack(t, 2, 4, 5, 6, 90, 35));
            leg.u95.push_back(1);
        }
        Series tilt{"tilt", "deg", {}, {}};
        for (const double v : leg.value) tilt.value.push_back(v < 60 ? 8 : 0), tilt.u95.push_back(0.5);
        set.series = {leg, tilt};
        MoverPlan plan;
        plan.measure = "leg", plan.falls = true, plan.minExcursion = 10;
        Events e = findMovement(set, plan);
        QCOMPARE(e.reps.size(), size_t(1));
        NEAR(e.reps[0].reach, 55, 0.5);
        findBreaks(e, set, plan, {{{"tilt", std::nullopt, 6.0, "deg"}, {}}});
        QCOMPARE(e.reps[0].brokenBy, std::string("tilt"));
        NEAR(e.reps[0].controlRange, 30, 2); // from 90° to 60°
        plan.falls = false;
        QVERIFY(findMovement(set, plan).reps.empty()); // nothing rises above the start
    }

    /// A plank: still inside the window. What lies outside, moves fast or is short is no hold; a short blink does not
    /// part one.
    void holdsInAWindow() {
        SeriesSet set;
        Series over{"stack_elbow", "%", {}, {}};
        for (int i = 0; i < 600; ++i) {
            const double t = i / 30.0;
            set.time_s.push_back(t);
            double v = 90;                                   // lying
            if (t >= 2 && t < 8) v = 5;                      // the first hold
            if (t >= 4 && t < 4.1) v = 60;                   // a blink
            if (t >= 10 && t < 10.6) v = 5;                  // too short
            if (t >= 12 && t < 16) v = -10;                  // the second hold
            if (t >= 17 && t < 20) v = 40 * std::sin(6 * t); // inside, but never still
            over.value.push_back(v);
            over.u95.push_back(1);
        }
        set.series = {over};
        MoverPlan plan;
        plan.measure = "stack_elbow", plan.low = -45, plan.high = 45, plan.minExcursion = 5;
        const Events e = findMovement(set, plan);
        QCOMPARE(e.reps.size(), size_t(2));
        NEAR(e.reps[0].hold.start_s, 2, 0.07);
        NEAR(e.reps[0].hold.end_s, 8, 0.07);
        NEAR(e.reps[1].hold.duration_s(), 4, 0.14);
        NEAR(e.setupStart_s, e.reps[0].start_s, 1e-9); // neutral is read where the first hold begins, not lying down
        NEAR(e.setupEnd_s - e.setupStart_s, 1, 1e-9);
        MoverPlan none = plan;
        none.low = 200, none.high = 300;
        QVERIFY(findMovement(set, none).reps.empty());
    }

    /// A bridge that is rolled up and down: each mark goes `lag` later than the one nearer the pelvis, and comes down
    /// as much earlier.
    void rollOrderOfTheBack_data() {
        QTest::addColumn<double>("lag");
        QTest::addColumn<double>("outOfOrder");
        QTest::addColumn<double>("u95");
        QTest::newRow("piece by piece") << 0.4 << 0.0 << 0.0;
        QTest::newRow("ribs first") << -0.4 << 100.0 << 0.0;
        QTest::newRow("in one piece") << 0.0 << 100.0 << 0.0;
        QTest::newRow("hardly apart: cannot be told") << 0.06 << -1.0 << 100.0;
    }
    void rollOrderOfTheBack() {
        QFETCH(double, lag);
        QFETCH(double, outOfOrder);
        QFETCH(double, u95);
        Tracks t;
        for (int i = 0; i < 300; ++i) t.time_s.push_back(i / 30.0);
        const std::vector<std::string> marks = {"hip", "crest", "back_mid", "rib"};
        for (size_t k = 0; k < marks.size(); ++k)
            for (const double s : t.time_s) {
                const double by = lag * double(k);
                const double y = outAndBack(s, 2 + by, 3.4 + by, 7 - by, 8.4 - by, 0, 100.0 - 15 * double(k));
                t.landmark[marks[k]].push_back({{400.0 - 60 * double(k), 500 - y}, 0.2, PointState::Seen});
            }
        BodyAxes axes;
        axes.matPoint = {0, 500};
        Rep rep;
        rep.start_s = 2, rep.end_s = 8.4;
        rep.hold.start_s = 4.8, rep.hold.end_s = 5.8;
        const RollOrder order = rollOrder(t, axes, rep);
        QCOMPARE(order.marks, marks);
        if (outOfOrder >= 0) NEAR(order.outOfOrder, outOfOrder, 1e-9);
        NEAR(order.u95, u95, 1e-9);
        if (lag > 0.1) { // half way up is half of the 1.4 s after each mark's own start, and the steps are even
            NEAR(order.leaves_s[0], 2.7, 0.04);
            NEAR(order.leaves_s[3] - order.leaves_s[0], 1.2, 0.04);
            NEAR(order.evenness, 100, 6);
        }
        t.landmark.erase("rib"), t.landmark.erase("crest");
        QVERIFY(std::isnan(rollOrder(t, axes, rep).outOfOrder)); // two marks have no order to speak of
    }

    /// A pelvis that does the same turn later, and less far, follows by just that time.
    void shouldersBeforeThePelvis() {
        const auto lead = [](double delay_s, double pelvisTurn, bool hidden = false) {
            SeriesSet set = series(
                10, [](double t) { return outAndBack(t, 2, 4, 6, 8, 0, 40); },
                [&](double t) { return outAndBack(t - delay_s, 2, 4, 6, 8, 3, 3 + pelvisTurn); });
            set.series[0].id = "shoulder_roll", set.series[1].id = "roll";
            for (size_t i = 0; hidden && i < set.time_s.size(); ++i)
                if (std::abs(set.time_s[i] - 3) < 0.2) set.series[1].value[i] = kGap;
            MoverPlan turn;
            turn.measure = "shoulder_roll", turn.minExcursion = 25;
            Events e = findMovement(set, turn);
            addLead(e, set);
            return e.reps.at(0).shouldersLead;
        };
        for (const double delay : {0.0, 0.2, -0.15}) {
            NEAR(lead(delay, 30)->s, delay, 0.002);
            NEAR(lead(delay, 12)->s, delay, 0.002);
        }
        // A minimum-jerk turn of 40° in 2 s passes its middle at 1.875 × 20° a second (Flash and Hogan, 1985).
        NEAR(lead(0.2, 30)->u95, std::hypot(0.4 / 37.5, 0.8 / (1.875 * 15)), 0.002);
        QVERIFY(!lead(0.2, 4));      // hardly a turn
        QVERIFY(!lead(0, 30, true)); // it happened while it was not seen
    }

    /// The program's own hold finder on the same signals, against the times at which they were made.
    void ownHoldsOnTheReference_data() {
        QTest::addColumn<QString>("name");
        for (const char* name : {"one_hold_5s", "sagging_hold"}) QTest::newRow(name) << QString::fromLatin1(name);
    }
    void ownHoldsOnTheReference() {
        QFETCH(QString, name);
        const Json c = referenceJson("05_events/expected_holds.json")["cases"][name.toStdString()];
        SeriesSet set;
        Series mover{
            "hip_height", "%", readTable(reference("05_events/hold_signals.csv")).filled(name.toStdString()), {}};
        mover.u95.assign(mover.value.size(), 0.6);
        for (size_t i = 0; i < mover.value.size(); ++i) set.time_s.push_back(double(i) / 30);
        set.series = {mover};
        const Events e = findMovement(set, {});
        QCOMPARE(e.reps.size(), c["truth_hold_intervals_s"].size());
        // ± 8 frames: the tolerance stated with the reference.
        NEAR(e.reps[0].hold.start_s, c["truth_hold_intervals_s"][0][0].get<double>(), 8.0 / 30);
        NEAR(e.reps[0].hold.end_s, c["truth_hold_intervals_s"][0][1].get<double>(), 8.0 / 30);
    }
};

QTEST_GUILESS_MAIN(MovementTest)
#include "movement_test.moc"
