// SPDX-License-Identifier: GPL-3.0-or-later
// A reading over a client's visits: when it is called a trend, and when it is only noise.
#include "base/dates.h"
#include "base/json.h"
#include "readings/over_time.h"

#include "support/catalogue.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class OverTimeTest : public QObject {
    Q_OBJECT

    static std::string weekly(size_t week) {
        return isoDate(*parseDate("2031-01-06") + std::chrono::days(7 * int(week)));
    }
    static OverTime over(const std::vector<double>& values, double u95, const char* stat = "worst",
                         std::optional<double> high = 5.0) {
        const bool isRange = std::string_view(stat) == "least";
        ReadingRow now =
            isRange ? toldReading(shipped().exercise("bridge").value(), "control_range", stat) : ReadingRow();
        now.name = now.measure = "bend", now.stat = stat, now.value = values.back(), now.u95 = u95,
        now.limit.high = high;
        std::vector<Visit> earlier;
        for (size_t i = 0; i + 1 < values.size(); ++i) earlier.push_back({weekly(i), values[i], u95});
        return overTime(now, weekly(values.size() - 1), earlier);
    }

private slots:
    /// scipy on the same numbers (tests/reference/04_trend): Theil's and Sen's line, and the farther of its limits.
    void slopeOnTheReference() {
        const Json all = referenceJson("04_trend/trend_series.json");
        const Json &e = all.at("weekly_improving"), &sen = e.at("theil_sen");
        const auto y = e.at("y").get<std::vector<double>>();
        const OverTime o = over(y, kU95);
        NEAR(o.perWeek, sen.at("slope").get<double>(), 1e-9);
        NEAR(o.perWeek - o.perWeekU95, sen.at("lo95").get<double>(), 1e-9);
        QVERIFY(o.verdict == OverTime::Verdict::Trend);
        QCOMPARE(o.better, std::optional(true)); // it bends less
        // Bands so wide that the scatter is nothing beside them: the slope's half-width comes from them (statsmodels).
        const Json& known = e.at("known_sigma_1.0");
        const double half = known.at("slope_ci95")[1].get<double>() - known.at("slope").get<double>();
        NEAR(over(y, 5 * kU95).perWeekU95, 5 * half, 1e-9);
    }

    void verdicts_data() {
        QTest::addColumn<std::vector<double>>("values");
        QTest::addColumn<double>("u95");
        QTest::addColumn<int>("verdict"); // 0 too few, 1 no trend, 2 trend
        using Values = std::vector<double>;
        QTest::newRow("two visits") << Values{14, 9} << 1.0 << 0;
        QTest::newRow("three that fall far") << Values{14, 11, 8} << 1.0 << 2;
        QTest::newRow("three that fall within their bands") << Values{14, 13, 12} << 3.0 << 1;
        QTest::newRow("they scatter more than their bands") << Values{14, 4, 12, 5, 9, 6} << 0.5 << 1;
        QTest::newRow("one odd visit at the end") << Values{8, 8.1, 7.9, 8, 8.05, 3} << 1.0 << 1;
        QTest::newRow("steadily, over six") << Values{8, 7.4, 7.1, 6.4, 5.9, 5.1} << 1.0 << 2;
        QTest::newRow("steadily, but for one odd visit") << Values{12, 11.3, 10.6, 9.9, 15, 8.5, 7.8, 7.1} << 1.0 << 2;
        QTest::newRow("one that was not measured") << Values{14, std::nan(""), 8} << 1.0 << 0;
    }
    void verdicts() {
        QFETCH(std::vector<double>, values);
        QFETCH(double, u95);
        QFETCH(int, verdict);
        QCOMPARE(int(over(values, u95).verdict), verdict);
    }

    void whichWayIsBetter() {
        QCOMPARE(over({8, 11, 14}, 1).better, std::optional(false));              // farther out
        QCOMPARE(over({30, 36, 42}, 1, "least", {}).better, std::optional(true)); // more range
        QVERIFY(!over({1, 2.5, 4}, 0.5).better);                                  // all within tolerance
        QVERIFY(!over({8, 8.2, 7.9}, 1).better && !over({14, 9}, 1).better);      // no trend, no verdict
    }

    void unlikeTheOthers() {
        QVERIFY(over({8, 8.4, 7.8, 8.1, 8.3, 14}, 1).unlike);
        QVERIFY(!over({8, 8.4, 7.8, 8.1, 8.3, 8.6}, 1).unlike);
        QVERIFY(!over({8, 8.4, 7.8, 8.1, 8.3, 14}, 9).unlike); // its own band explains it
        QVERIFY(!over({8, 8.1, 14}, 1).unlike);                // too few to know what is usual
    }

    void anyOrderAndSameDay() {
        ReadingRow now;
        now.measure = "bend", now.stat = "worst", now.value = 8, now.u95 = 1, now.limit.high = 5;
        const OverTime o = overTime(now, weekly(2), {{weekly(1), 11, 1}, {weekly(0), 14, 1}, {"not a day", 3, 1}});
        QCOMPARE(o.visits.size(), size_t(3));
        QCOMPARE(o.visits.front().date, weekly(0));
        NEAR(o.perWeek, -3, 1e-9);
        const OverTime day = overTime(now, weekly(0), {{weekly(0), 11, 1}, {weekly(0), 14, 1}});
        QVERIFY(day.verdict == OverTime::Verdict::TooFew); // three clips of one day are no weeks
    }

    /// Visits that only scatter by their bands are called a trend no more often than the five in a hundred promised.
    void falseAlarms_data() {
        QTest::addColumn<size_t>("visits");
        for (const size_t n : {3u, 4u, 6u, 10u}) QTest::addRow("%zu visits", n) << n;
    }
    void falseAlarms() {
        QFETCH(size_t, visits);
        std::mt19937 random(5);
        std::normal_distribution<double> noise(12, 1);
        int alarms = 0;
        constexpr int kTimes = 4000;
        for (int k = 0; k < kTimes; ++k) {
            std::vector<double> values;
            for (size_t i = 0; i < visits; ++i) values.push_back(noise(random));
            alarms += over(values, kU95).verdict == OverTime::Verdict::Trend;
        }
        QVERIFY2(alarms <= kTimes * 0.057, qPrintable(QString::number(alarms)));
    }
};

QTEST_APPLESS_MAIN(OverTimeTest)
#include "over_time_test.moc"
