// SPDX-License-Identifier: GPL-3.0-or-later
// Readings taken twice: which differences are real, and which frames belong side by side.
#include "readings/compare.h"
#include "support/catalogue.h"
#include "support/demo_review.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class CompareTest : public QObject {
    Q_OBJECT

    static ReadingRow row(const char* measure, const char* stat, double value, double u95,
                          std::optional<double> low = {}, std::optional<double> high = {}) {
        static const Exercise bridge = shipped().exercise("bridge").value();
        ReadingRow r = toldReading(bridge, measure, stat);
        r.name = r.measure = measure, r.stat = stat, r.value = value, r.u95 = u95, r.limit.low = low,
        r.limit.high = high;
        return r;
    }

private slots:
    /// Weir (J Strength Cond Res 19, 2005): the minimal difference that counts is SEM * 1.96 * sqrt(2). With a SEM of
    /// 2.0 that is 5.54.
    void minimalDifference() {
        const double u95 = kU95 * 2.0;
        QVERIFY(!isRealChange(40, u95, 45.5, u95) && isRealChange(40, u95, 45.6, u95));
        QVERIFY(!isRealChange(45.5, u95, 40, u95) && isRealChange(45.6, u95, 40, u95));
        QVERIFY(!isRealChange(kGap, 1, 40, 1) && !isRealChange(40, kGap, 80, 1)); // what is not known is no change
    }

    /// The minimal detectable change of one and of averaged repeats, and sessions with an error of their own (scipy;
    /// tests/reference/03_reliability, 04_trend).
    void changeOnTheReference() {
        const Table mdc = readTable(reference("03_reliability/mdc_table.csv"));
        for (size_t i = 0; i < mdc.rows; ++i) {
            const double a = kU95 * mdc["sem"][i] / std::sqrt(mdc["n1"][i]),
                         b = kU95 * mdc["sem"][i] / std::sqrt(mdc["n2"][i]), least = mdc["mdc95"][i];
            QVERIFY(!isRealChange(20, a, 20 + least * (1 - 1e-9), b));
            QVERIFY(isRealChange(20, a, 20 + least * (1 + 1e-9), b));
        }
        const Table two = readTable(reference("04_trend/two_session_known_error.csv"));
        QVERIFY(two.rows >= 8);
        for (size_t i = 0; i < two.rows; ++i) {
            const auto band = [&](double n) {
                return kU95 * std::hypot(two["sigma_rep"][i] / std::sqrt(n), two["sigma_session"][i]);
            };
            QCOMPARE(isRealChange(two["m1"][i], band(two["n1"][i]), two["m2"][i], band(two["n2"][i])),
                     two["real_change"][i] > 0.5);
        }
    }

    void whichWayIsBetter_data() {
        QTest::addColumn<double>("a");
        QTest::addColumn<double>("b");
        QTest::addColumn<QString>("kind");
        QTest::addColumn<int>("verdict"); // 1 better, -1 worse, 0 real but neither, 2 within the band
        QTest::newRow("bends less") << 9.0 << 3.0 << "both limits" << 1;
        QTest::newRow("bends more") << 3.0 << 9.0 << "both limits" << -1;
        QTest::newRow("from one side out to the other") << -8.0 << 8.0 << "both limits" << -1;
        QTest::newRow("inside all the time") << -3.0 << 3.0 << "both limits" << 0;
        QTest::newRow("noise") << 5.5 << 6.5 << "both limits" << 2;
        QTest::newRow("longer clean") << 3.0 << 8.0 << "clean" << 1;
        QTest::newRow("less range") << 40.0 << 30.0 << "least" << -1;
        QTest::newRow("steadier") << 9.0 << 4.0 << "sway" << 1;
    }
    void whichWayIsBetter() {
        QFETCH(double, a);
        QFETCH(double, b);
        QFETCH(QString, kind);
        QFETCH(int, verdict);
        auto make = [&](double v) {
            return kind == QLatin1String("clean")   ? row("clean_hold", "median", v, 1)
                   : kind == QLatin1String("least") ? row("control_range", "least", v, 1)
                   : kind == QLatin1String("sway")  ? row("sway", "median", v, 1)
                                                    : row("pelvis_on_trunk", "worst", v, 1, -5, 5);
        };
        const auto table = differences({make(a)}, {make(b)});
        QCOMPARE(table.size(), size_t(1));
        NEAR(table[0].change, b - a, 1e-12);
        NEAR(table[0].u95, std::sqrt(2.0), 1e-12);
        QCOMPARE(table[0].verdict == Difference::Verdict::WithinBand, verdict == 2);
        if (verdict == 1 || verdict == -1)
            QCOMPARE(table[0].better, std::optional(verdict == 1));
        else
            QVERIFY(!table[0].better);
    }

    /// A change beyond the band is not called real where the reps of one visit differ as much.
    void repsScatter() {
        auto of = [&](const std::vector<double>& reps) {
            ReadingRow r = row("pelvis_on_trunk", "worst", *std::max_element(reps.begin(), reps.end()), 0.5, -5, 5);
            r.reps = reps;
            return r;
        };
        using Verdict = Difference::Verdict;
        const auto verdict = [&](const std::vector<double>& a, const std::vector<double>& b) {
            return differences({of(a)}, {of(b)})[0].verdict;
        };
        QVERIFY(verdict({8.0, 8.4, 8.2}, {6.0, 6.3, 6.1}) == Verdict::Real);
        QVERIFY(verdict({3.0, 8.4, 5.0}, {6.3, 2.0, 4.0}) == Verdict::WithinReps);
        QVERIFY(!differences({of({3.0, 8.4, 5.0})}, {of({6.3, 2.0, 4.0})})[0].better);
        QVERIFY(verdict({8.4, 3.0}, {6.3, 2.0, 4.0}) == Verdict::Real); // two reps tell too little of their scatter
        QVERIFY(verdict({8.4, 8.4, 8.4}, {6.3, 6.3, 6.3}) == Verdict::Real);
        QVERIFY(verdict({6.0, 6.1, 6.2}, {6.3, 6.3, 6.4}) == Verdict::WithinBand);
    }

    void onlyWhatBothHave() {
        const auto table = differences({row("tilt", "worst", 1, 1), row("sag", "worst", 2, 1)},
                                       {row("sag", "worst", kGap, kGap), row("sag", "set-up", 3, 1)});
        QCOMPARE(table.size(), size_t(1));
        QVERIFY(table[0].verdict == Difference::Verdict::CannotTell && std::isnan(table[0].change));
    }

    void placesInARep() {
        Rep rep;
        rep.start_s = 2, rep.top_s = 3, rep.holdEnd_s = 8, rep.end_s = 10;
        for (const auto& [place, time] :
             {std::pair{0.0, 2.0}, {0.5, 2.5}, {1.0, 3.0}, {1.2, 4.0}, {2.0, 8.0}, {2.75, 9.5}, {3.0, 10.0}}) {
            NEAR(alignedTime(rep, place), time, 1e-12);
            NEAR(alignedPlace(rep, time), place, 1e-12);
        }
        NEAR(alignedTime(rep, -1), 2, 0);
        NEAR(alignedTime(rep, 9), 10, 0);
        NEAR(alignedPlace(rep, 0), 0, 0);
        NEAR(alignedPlace(rep, 99), 3, 0);
    }

    /// The two lifts of the earlier demo clip were made alike: none of their tolerances differs really. Readings of one
    /// rep are those of that rep.
    void repsOfTheDemo() {
        const Review r = demoReview();
        const auto first = readingRows(r, {r.events.reps[0]}), second = readingRows(r, {r.events.reps[1]});
        const auto table = differences(first, second);
        QVERIFY(table.size() >= 6);
        for (const Difference& d : table)
            if (d.a.measure == "control_range") {
                QCOMPARE(d.a.reps, std::vector<double>{d.a.value});
                NEAR(d.a.value, r.events.reps[0].controlRange, 1e-9);
                NEAR(d.b.value, r.events.reps[1].controlRange, 1e-9);
            }
        for (const Difference& d : differences(first, first)) QVERIFY(d.verdict != Difference::Verdict::Real);
    }
};

QTEST_GUILESS_MAIN(CompareTest)
#include "compare_test.moc"
