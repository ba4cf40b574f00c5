// SPDX-License-Identifier: GPL-3.0-or-later
// Peaks and cycles against scipy.signal.find_peaks 1.10.1 and R's data sets (tests/reference/05_events).
#include "base/json.h"
#include "signal/peaks.h"
#include "signal/resample.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class PeaksTest : public QObject {
    Q_OBJECT

    static void compare(const std::vector<Peak>& found, const Json& indices, const Json& prominences) {
        QCOMPARE(found.size(), indices.size());
        for (size_t i = 0; i < found.size(); ++i) {
            QCOMPARE(found[i].index, indices[i].get<size_t>());
            NEAR(found[i].prominence, prominences[i].get<double>(), 1e-9);
        }
    }

private slots:
    void handCheckable() {
        const Json j = referenceJson("05_events/small_peaks.json");
        const auto found = findPeaks(j["x"].get<std::vector<double>>(), 0);
        compare(found, j["all_peaks"], j["prominences"]);
        for (size_t i = 0; i < found.size(); ++i) {
            QCOMPARE(found[i].leftBase, j["left_bases"][i].get<size_t>());
            QCOMPARE(found[i].rightBase, j["right_bases"][i].get<size_t>());
        }
    }

    void movementSignals_data() {
        QTest::addColumn<QString>("name");
        for (const char* name :
             {"clean_cosine", "unequal_with_half_rep", "unequal_prom15", "pause_at_top", "standing_still"})
            QTest::newRow(name) << QString::fromLatin1(name);
    }
    void movementSignals() {
        QFETCH(QString, name);
        const Json c = referenceJson("05_events/expected_peaks.json")["cases"][name.toStdString()];
        const auto x = readTable(reference("05_events/signals.csv")).filled(name.toStdString());
        QCOMPARE(x.size(), c["n"].get<size_t>());
        compare(findPeaks(x, c["find_peaks_args"]["prominence"]), c["peak_indices"], c["prominences"]);
    }

    void countedReps() {
        const Json cases = referenceJson("05_events/expected_peaks.json")["cases"];
        const Table t = readTable(reference("05_events/signals.csv"));
        for (const auto& [name, c] : cases.items()) {
            const auto counted =
                cyclesByHysteresis(t.filled(name), c["rep_counter_lo_hi"][0], c["rep_counter_lo_hi"][1]);
            const bool tail = !c["hysteresis_tail"].get<std::string>().empty();
            const int whole = int(counted.cycles.size()) - counted.unfinished;
            QVERIFY2(whole == c["hysteresis_count"].get<int>(),
                     qPrintable(QStringLiteral("%1: %2 reps").arg(QString::fromStdString(name)).arg(whole)));
            QCOMPARE(counted.unfinished, tail);
        }
    }

    /// Real periodic data: about eleven years between maxima of sunspots, about ten of lynx trapped.
    void realSeries() {
        const Json j = referenceJson("05_events/real_periodic_series.json");
        const Json& lynx = j["lynx"];
        compare(findPeaks(lynx["x"].get<std::vector<double>>(), lynx["args"]["prominence"]), lynx["peak_indices"],
                lynx["prominences"]);
        const auto spots = findPeaks(j["sunspot_year"]["x"].get<std::vector<double>>(), 30);
        NEAR(double(spots.back().index - spots.front().index) / double(spots.size() - 1), 11, 0.5);
    }

    void gapsEndTheSearch() {
        const double gap = std::nan("");
        const auto found = findPeaks({0, 3, 1, gap, 0, 5, 0}, 0.5);
        QCOMPARE(found.size(), size_t(2));
        NEAR(found[0].prominence, 2, 1e-12); // its lowest neighbours are 0 and 1, not what lies beyond the gap
    }

    void derivativeAndMedian() {
        // The slope of a parabola is exact at uneven times too (second order).
        const std::vector<double> t = {0, 0.1, 0.25, 0.3, 0.6};
        std::vector<double> x;
        for (const double s : t) x.push_back(3 * s * s - s);
        const auto d = derivative(t, x);
        for (size_t i = 1; i + 1 < t.size(); ++i) NEAR(d[i], 6 * t[i] - 1, 1e-12);
        NEAR(medianOf({5, 1, std::nan(""), 3}), 3, 0);
        NEAR(medianOf({4, 1, 3, 2}), 2.5, 0);
        QVERIFY(std::isnan(medianOf({std::nan("")})));
    }

    /// numpy.gradient at even and uneven times (tests/reference/02_signal_basics).
    void derivativeOnTheReference() {
        for (const auto& [file, column] :
             {std::pair{"derivative_irregular", "vel_np_gradient"}, {"derivative_uniform_fs30", "vel_central_edge1"}}) {
            const Table t = readTable(reference(std::string("02_signal_basics/") + file + ".csv"));
            const auto d = derivative(t["t"], t["x"]);
            QVERIFY(d.size() > 40);
            for (size_t i = 0; i < d.size(); ++i)
                NEAR(d[i], t[column][i], 1e-9 * std::max(1.0, std::abs(t[column][i])));
        }
    }

    /// Knee angles of 39 made-up walkers: the peaks of the middle of three joined cycles (scipy.signal.find_peaks).
    void peaksOfWalking() {
        const Table all = readTable(reference("07_curves/synthetic_gait.csv"));
        const Table rom = readTable(reference("07_curves/synthetic_gait_rom.csv"));
        for (size_t p = 0; p < rom.rows; ++p) {
            std::vector<double> cycle, joined;
            for (size_t i = 0; i < all.rows; ++i)
                if (all["person"][i] == rom["person"][p]) cycle.push_back(all["knee_deg"][i]);
            QCOMPARE(cycle.size(), size_t(20));
            for (int k = 0; k < 3; ++k) joined.insert(joined.end(), cycle.begin(), cycle.end());
            std::string points;
            for (const Peak& peak : findPeaks(joined, 5))
                if (peak.index >= 20 && peak.index < 40)
                    points += (points.empty() ? "" : " ") + std::to_string(peak.index - 20 + 1);
            QCOMPARE(points, rom.words.at("knee_peak_points")[p]);
        }
    }

    void runs() {
        const double gap = std::nan("");
        QCOMPARE(runsWithoutGaps({gap, 1, 2, gap, gap, 3}), (std::vector<Run>{{1, 3}, {5, 6}}));
        QVERIFY(runsWithoutGaps({gap}).empty());
    }
};

QTEST_GUILESS_MAIN(PeaksTest)
#include "peaks_test.moc"
