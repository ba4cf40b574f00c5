// SPDX-License-Identifier: GPL-3.0-or-later
// How repeatable readings are over clips that were marked again. The sums behind it are checked against reference
// libraries in tests/stats; here, which readings are put together and what is said of them.
#include "base/json.h"
#include "readings/repeatability.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class RepeatabilityTest : public QObject {
    Q_OBJECT

    static ReadingRow row(const char* measure, double value, double u95) {
        ReadingRow r;
        r.name = r.measure = measure, r.stat = "worst", r.unit = "deg", r.value = value, r.u95 = u95;
        return r;
    }

private slots:
    /// The twelve people measured twice of the reference (R, psych): second session 0.92 higher.
    void testAndRetest() {
        const Json all = referenceJson("03_reliability/icc_more_examples.json");
        const Json& example = all.at("test_retest_tilt");
        std::vector<std::vector<ClipReadings>> markings(2);
        for (const Json& person : example.at("data_rows_are_subjects"))
            for (size_t k : {0u, 1u}) markings[k].push_back({row("tilt", person[k], 1)});
        const auto found = repeatability(markings).value();
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].clips, 12);
        NEAR(found[0].bias, example.at("two_session").at("mean_diff").get<double>(), 1e-8);
        NEAR(found[0].sem, example.at("sem").at("SEM_agreement_sqrt_varJ_plus_EMS").get<double>(), 1e-8);
        for (const Json& icc : example.at("icc"))
            if (icc.at("form") == "ICC(2,1)") NEAR(found[0].icc->value, icc.at("icc").get<double>(), 1e-8);
    }

    /// A band that tells the noise of marking as it is explains about 95 of 100 pairs; one half as wide does not.
    void bandsThatHold() {
        std::mt19937 random(7);
        std::normal_distribution<double> noise(0, 1);
        std::vector<std::vector<ClipReadings>> markings(2);
        for (int clip = 0; clip < 400; ++clip)
            for (auto& marking : markings) {
                const double value = clip % 17 + noise(random);
                marking.push_back({row("honest", value, kU95), row("narrow", value, kU95 / 2)});
            }
        const auto found = repeatability(markings).value();
        QVERIFY2(found[0].explained > 0.93 && found[0].explained < 0.97,
                 qPrintable(QString::number(found[0].explained)));
        QVERIFY(found[1].explained < 0.75);
        NEAR(found[0].sem, 1, 0.1);
        NEAR(found[0].band, kU95, 1e-12);
    }

    /// A reading that was not known in one marking of a clip leaves that clip out, not the others.
    void whatWasNotMeasured() {
        std::vector<std::vector<ClipReadings>> markings(2);
        for (int clip = 0; clip < 4; ++clip)
            for (size_t k : {0u, 1u})
                markings[k].push_back({row("tilt", clip == 2 && k == 1 ? std::nan("") : clip + double(k), 1),
                                       row("seldom", clip < 2 ? 1.0 : std::nan(""), 1)});
        const auto found = repeatability(markings).value();
        QCOMPARE(found.size(), size_t(1)); // "seldom" was known in two clips only
        QCOMPARE(found[0].clips, 3);
        NEAR(found[0].bias, 1, 1e-12);
    }

    void refused() {
        const std::vector<ClipReadings> two{{row("tilt", 1, 1)}, {row("tilt", 2, 1)}};
        QCOMPARE(repeatability({two}).error().code, Errc::TooShort);
        QCOMPARE(repeatability({two, two}).error().code, Errc::TooShort);
        QCOMPARE(repeatability({{two[0]}, two}).error().code, Errc::BadFormat);
    }
};

QTEST_APPLESS_MAIN(RepeatabilityTest)
#include "repeatability_test.moc"
