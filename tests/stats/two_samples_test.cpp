// SPDX-License-Identifier: GPL-3.0-or-later
// Two series of repetitions against scipy 1.10.1 and statsmodels 0.13.5 (tests/reference/04_trend/two_sample.json, made
// with the calls named in it).
#include "base/json.h"
#include "stats/two_samples.h"
#include "support/table.h"

#include <QTest>
#include <boost/math/distributions/students_t.hpp>
#include <random>

using namespace deft;
using namespace deft::test;

class TwoSamplesTest : public QObject {
    Q_OBJECT
    const Json example_ = referenceJson("04_trend/two_sample.json");

    std::vector<double> values(const char* key) const { return example_.at(key).get<std::vector<double>>(); }

private slots:
    void unequalScatter() {
        const MeanDifference d = meanDifference(values("a"), values("b")).value();
        const Json& welch = example_.at("welch");
        NEAR(d.change, welch.at("diff_b_minus_a").get<double>(), 1e-9);
        NEAR(-d.change / d.se, welch.at("t").get<double>(), 1e-9);
        NEAR(d.df, welch.at("df").get<double>(), 1e-9);
        NEAR(d.p, welch.at("p").get<double>(), 1e-9);
        NEAR(d.low95, welch.at("ci95_diff")[0].get<double>(), 1e-8); // its quantile is off by up to 2.4e-9
        NEAR(d.high95, welch.at("ci95_diff")[1].get<double>(), 1e-8);
        QVERIFY(d.isReal());
        // Two one-sided tests (Schuirmann, J Pharmacokinet Biopharm 15, 1987) come from the same error and degrees.
        const double t = (2 - std::abs(d.change)) / d.se;
        NEAR(boost::math::cdf(boost::math::complement(boost::math::students_t(d.df), t)),
             example_.at("tost_ind_margin2_unequal").at("p").get<double>(), 1e-9);
    }

    /// Knee against hip of 39 made-up walkers at twenty points of their step: means and scatter as scipy tells them
    /// (07_curves).
    void pointsOfAStep() {
        const Table all = readTable(reference("07_curves/synthetic_gait.csv"));
        const Table mean = readTable(reference("07_curves/synthetic_gait_mean.csv"));
        QCOMPARE(mean.rows, size_t(20));
        for (size_t k = 0; k < mean.rows; ++k) {
            std::vector<double> hip, knee;
            for (size_t i = 0; i < all.rows; ++i)
                if (all["point"][i] == mean["point"][k])
                    hip.push_back(all["hip_deg"][i]), knee.push_back(all["knee_deg"][i]);
            QCOMPARE(hip.size(), size_t(39));
            const MeanDifference d = meanDifference(hip, knee).value();
            NEAR(d.change, mean["knee_mean"][k] - mean["hip_mean"][k], 1e-9);
            NEAR(d.se, std::hypot(mean["knee_sd"][k], mean["hip_sd"][k]) / std::sqrt(39.0), 1e-9);
        }
    }

    /// Of series without a difference one in twenty seems to differ, whatever their scatter and length.
    void falseDifferences() {
        std::mt19937 random(11);
        for (const auto& [n, m, sd] : {std::tuple{3, 3, 1.0}, {2, 6, 1.0}, {4, 8, 3.0}}) {
            std::normal_distribution<double> first(4, 1), second(4, sd);
            int real = 0;
            const int tries = 20000;
            for (int i = 0; i < tries; ++i) {
                std::vector<double> a, b;
                for (int k = 0; k < n; ++k) a.push_back(first(random));
                for (int k = 0; k < m; ++k) b.push_back(second(random));
                real += meanDifference(a, b).value().isReal();
            }
            const double share = double(real) / tries;
            QVERIFY2(share > 0.02 && share < 0.075, qPrintable(QString::number(share)));
        }
    }

    void refused() {
        QCOMPARE(meanDifference({1}, {1, 2}).error().code, Errc::TooShort);
        QCOMPARE(meanDifference({1, 1}, {2, 2}).error().code, Errc::Degenerate);
        NEAR(meanDifference({1, 1}, {2, 2.5}).value().change, 1.25, 1e-12); // one of them may
    }
};

QTEST_APPLESS_MAIN(TwoSamplesTest)
#include "two_samples_test.moc"
