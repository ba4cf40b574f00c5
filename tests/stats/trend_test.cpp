// SPDX-License-Identifier: GPL-3.0-or-later
// Trends against scipy 1.10.1 and statsmodels 0.13.5 (tests/reference/04_trend, made with the calls named in its
// files), with the reaction times of lme4's open data set sleepstudy among them.
#include "base/json.h"
#include "stats/trend.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class TrendTest : public QObject {
    Q_OBJECT

private slots:
    void series_data() {
        QTest::addColumn<QString>("name");
        const Json all = referenceJson("04_trend/trend_series.json");
        for (const auto& [name, entry] : all.items())
            if (entry.contains("x")) QTest::newRow(name.c_str()) << QString::fromStdString(name);
    }
    void series() {
        QFETCH(QString, name);
        const Json all = referenceJson("04_trend/trend_series.json");
        const Json& e = all.at(name.toStdString());
        const auto x = e.at("x").get<std::vector<double>>(), y = e.at("y").get<std::vector<double>>();

        const Json& sen = e.at("theil_sen");
        const MedianLine m = medianLine(x, y).value();
        NEAR(m.line.slope, sen.at("slope").get<double>(), 1e-9);
        NEAR(m.line.at0, sen.at("intercept_separate_med(y)-slope*med(x)").get<double>(), 1e-9);
        NEAR(m.low95, sen.at("lo95").get<double>(), 1e-9);
        NEAR(m.high95, sen.at("hi95").get<double>(), 1e-9);

        const Json& kendall = e.at("mann_kendall");
        const MonotoneTrend t = monotoneTrend(y);
        QCOMPARE(t.s, kendall.at("S").get<int>());
        NEAR(t.variance, kendall.at("varS_tie_corrected").get<double>(), 1e-9);
        const bool exact = kendall.contains("p_exact_kendalltau");
        NEAR(t.p, kendall.at(exact ? "p_exact_kendalltau" : "p_two_sided_normal").get<double>(), 1e-9);

        const Json& known = e.at("known_sigma_1.0");
        const KnownErrorLine k = straightLine(x, y, std::vector<double>(x.size(), known.at("sigma"))).value();
        NEAR(k.line.slope, known.at("slope").get<double>(), 1e-9);
        NEAR(k.p, known.at("p_two_sided").get<double>(), 1e-9);
        NEAR(k.line.slope - k.line.slopeU95, known.at("slope_ci95")[0].get<double>(), 1e-9);
        NEAR(k.misfit, known.at("chi2_lack_of_fit").get<double>(), 1e-9);

        if (!e.contains("ols")) return;
        const Json& ols = e.at("ols");
        const Line l = straightLine(x, y).value();
        NEAR(l.slope, ols.at("slope").get<double>(), 1e-9);
        NEAR(l.at0, ols.at("intercept").get<double>(), 1e-9);
        NEAR(l.slope - l.slopeU95, ols.at("slope_ci95")[0].get<double>(), 1e-9);
    }

    void countedOut() {
        const Table t = readTable(reference("04_trend/mann_kendall_exact.csv"));
        QCOMPARE(t.rows, size_t(88));
        for (size_t i = 0; i < t.rows; ++i)
            NEAR(exactTrendChance(int(t["n"][i]), int(t["S"][i])), t["p_two_sided"][i], 1e-12);
    }

    /// Three or four visits can never be told from chance by their order alone.
    void fewVisits() {
        QVERIFY(monotoneTrend({3, 2, 1}).p > 0.05);
        QVERIFY(monotoneTrend({4, 3, 2, 1}).p > 0.05);
        QVERIFY(monotoneTrend({5, 4, 3, 2, 1}).p < 0.05);
    }

    void eighteenPeople() {
        const Table data = readTable(reference("04_trend/sleepstudy_data.csv"));
        const Table expected = readTable(reference("04_trend/sleepstudy_trends.csv"));
        QCOMPARE(expected.rows, size_t(18));
        for (size_t k = 0; k < expected.rows; ++k) {
            std::vector<double> days, ms;
            for (size_t i = 0; i < data.rows; ++i)
                if (data["Subject"][i] == expected["subject"][k])
                    days.push_back(data["Days"][i]), ms.push_back(data["Reaction"][i]);
            const Line l = straightLine(days, ms).value();
            NEAR(l.slope, expected["ols_slope"][k], 1e-9 * 100);
            NEAR(l.at0, expected["ols_intercept"][k], 1e-9 * 1000);
            NEAR(l.slope + l.slopeU95, expected["ols_hi95"][k], 1e-9 * 100);
            const MedianLine m = medianLine(days, ms).value();
            NEAR(m.line.slope, expected["ts_slope"][k], 1e-9 * 100);
            NEAR(m.low95, expected["ts_lo95"][k], 1e-9 * 100);
            NEAR(m.high95, expected["ts_hi95"][k], 1e-9 * 100);
            QCOMPARE(double(monotoneTrend(ms).s), expected["mk_S"][k]);
        }
    }

    /// What a visit with a wide band says counts less: a hand-worked case. Weights 1, 1 and 1/100 at 0, 1 and 2 weeks
    /// give Sxx = 0.518905… and the slope below.
    void unequalBands() {
        const KnownErrorLine k = straightLine({0, 1, 2}, {0, 1, 8}, {1, 1, 10}).value();
        // Σw = 2.01, mean x = 1.02/2.01, mean y = 1.08/2.01, Sxx = 1.04 − 1.02²/2.01, Sxy = 1.16 − 1.02·1.08/2.01
        NEAR(k.line.slope, (1.16 - 1.02 * 1.08 / 2.01) / (1.04 - 1.02 * 1.02 / 2.01), 1e-12);
        NEAR(k.line.slopeU95, kU95 / std::sqrt(1.04 - 1.02 * 1.02 / 2.01), 1e-12);
    }

    void individualsChart() {
        const Json chart = referenceJson("04_trend/two_sample.json").at("individuals_chart");
        const ControlLimits c = controlLimits(chart.at("x").get<std::vector<double>>()).value();
        NEAR(c.mean, chart.at("mean").get<double>(), 1e-9);
        NEAR(c.sd, chart.at("sigma_hat_mr/1.128").get<double>(), 1e-9);
        NEAR(c.low, chart.at("lower_3sigma").get<double>(), 1e-9);
        NEAR(c.high, chart.at("upper_3sigma").get<double>(), 1e-9);
    }

    void refused() {
        QCOMPARE(straightLine({1}, {1}).error().code, Errc::TooShort);
        QCOMPARE(medianLine({2, 2}, {1, 3}).error().code, Errc::Degenerate);
        QCOMPARE(straightLine({1, 2}, {1, 3}, {1, 0}).error().code, Errc::OutOfRange);
        QCOMPARE(controlLimits({1}).error().code, Errc::TooShort);
        QVERIFY(std::isinf(straightLine({1, 2}, {1, 3}).value().slopeU95)); // two points lie on any line
    }
};

QTEST_APPLESS_MAIN(TrendTest)
#include "trend_test.moc"
