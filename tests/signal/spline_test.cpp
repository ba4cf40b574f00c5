// SPDX-License-Identifier: GPL-3.0-or-later
// Reading between samples against scipy 1.10.1's CubicSpline(bc_type="natural") (tests/reference/02_signal_basics; R's
// splinefun agrees to 1e-14), and what straight lines would lose.
#include "base/json.h"
#include "base/units.h"
#include "signal/filter.h"
#include "signal/resample.h"
#include "signal/spline.h"
#include "support/table.h"

#include <QTest>
#include <array>

using namespace deft;
using namespace deft::test;

class SplineTest : public QObject {
    Q_OBJECT

private slots:
    void sixPoints() {
        const Json j = referenceJson("02_signal_basics/spline_small_example.json");
        const auto q = j.at("q").get<std::vector<double>>(), natural = j.at("natural").get<std::vector<double>>();
        const NaturalSpline s(j.at("kx"), j.at("ky"));
        for (size_t i = 0; i < q.size(); ++i) NEAR(s(q[i]), natural[i], 1e-12);
        NEAR(s(-3), 0, 0); // held beyond the ends
        NEAR(s(9), 1.5, 0);
        NEAR(NaturalSpline({2}, {7})(2.5), 7, 0);
    }

    void throughGaps() {
        const Table t = readTable(reference("02_signal_basics/gap_fill.csv"));
        std::vector<double> times, seen;
        for (size_t i = 0; i < t.rows; ++i)
            if (std::isfinite(t["x_obs"][i])) times.push_back(t["t"][i]), seen.push_back(t["x_obs"][i]);
        QVERIFY(seen.size() < t.rows - 10);
        const NaturalSpline s(times, seen);
        for (size_t i = 0; i < t.rows; ++i)
            if (std::isfinite(t["cubic_natural"][i])) NEAR(s(t["t"][i]), t["cubic_natural"][i], 1e-9);
    }

    void unevenToEvenAndBack() {
        const Table from = readTable(reference("02_signal_basics/derivative_irregular.csv"));
        const Table even = readTable(reference("02_signal_basics/resample_irregular_to_30Hz.csv"));
        const auto resampled = toEvenTimes(from["t"], from["x"], {0, from.rows}, 1 / 30.0);
        QVERIFY(resampled.size() >= even.rows);
        for (size_t i = 0; i < even.rows; ++i) NEAR(resampled[i], even["natural"][i], 1e-9);
        const Table grid = readTable(reference("02_signal_basics/derivative_uniform_fs30.csv"));
        const Table uneven = readTable(reference("02_signal_basics/interp_uniform_to_irregular.csv"));
        const NaturalSpline s(grid["t"], grid["x"]);
        for (size_t i = 0; i < uneven.rows; ++i) NEAR(s(uneven["tq"][i]), uneven["natural"][i], 1e-9);
    }

    /// Two samples make a straight line: a movement brought to 0 … 100 % of its time by numpy.interp (07_curves).
    void twoSamplesMakeALine() {
        const Json curve = referenceJson("07_curves/curve_agreement.json");
        const auto knee = curve["knee_person1"].get<std::vector<double>>();
        for (size_t k = 0; k < 100; ++k) {
            const double at = 0.01 * double(k) * double(knee.size() - 1);
            const auto i = size_t(at);
            const NaturalSpline s({double(i), double(i + 1)}, {knee[i], knee[i + 1]});
            NEAR(s(at), curve["time_normalise_to_101"]["out"][k].get<double>(), 1e-9);
        }
    }

    /// A movement of 20° once a second, filmed at 15 to 30 frames a second that change with the light: what is smoothed
    /// at those times is as large as it was. Straight lines between the frames took 0.22° from it, 0.5° at worst.
    void unevenTimesTakeNothing() {
        std::vector<double> times, x;
        for (double t = 0; t < 12; t += 1 / (22.5 + 7.5 * std::sin(t))) {
            times.push_back(t);
            x.push_back(20 * std::sin(2 * kPi * t));
        }
        const auto y = smoothed(times, x, 10);
        for (size_t i = 30; i + 30 < x.size(); ++i) NEAR(y[i], x[i], 0.01);
    }

    /// Two frames at one time, as damaged clips show them, or almost at one: the first counts.
    void twoFramesAtOneTime() {
        for (const double second : {0.1, 0.1001}) {
            const auto even = toEvenTimes({0, 0.1, second, 0.2, 0.3}, {1, 2, 9, 3, 2}, {0, 5}, 0.1);
            QCOMPARE(even.size(), size_t(4));
            const std::array expected = {1.0, 2.0, 3.0, 2.0};
            for (size_t i = 0; i < even.size(); ++i) NEAR(even[i], expected[i], 1e-9);
        }
    }
};

QTEST_APPLESS_MAIN(SplineTest)
#include "spline_test.moc"
