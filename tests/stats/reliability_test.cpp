// SPDX-License-Identifier: GPL-3.0-or-later
// Repeatability against R's psych and lme4 and against scipy (tests/reference/03_reliability, made with the calls named
// in its files), among them Shrout & Fleiss' own example of 1979 and Bland & Altman's of 1986 (the latter typed from
// memory there).
#include "base/json.h"
#include "stats/reliability.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class ReliabilityTest : public QObject {
    Q_OBJECT

    static void compareExample(const Json& example) {
        const MeanSquares s = meanSquares(example.at("data_rows_are_subjects").get<Repeats>()).value();
        const Json& anova = example.at("anova");
        NEAR(s.between, anova.at("BMS").get<double>(), 1e-8);
        NEAR(s.repeat, anova.at("JMS").get<double>(), 1e-8);
        NEAR(s.rest, anova.at("EMS").get<double>(), 1e-8);
        NEAR(s.within, anova.at("WMS").get<double>(), 1e-8);
        const auto forms = intraclassCorrelations(s).value();
        QCOMPARE(forms.size(), example.at("icc").size());
        for (const Json& expected : example.at("icc")) {
            const auto c = std::find_if(forms.begin(), forms.end(),
                                        [&](const auto& form) { return form.form == expected.at("form"); });
            QVERIFY2(c != forms.end(), expected.dump().c_str());
            if (expected.at("icc").get<double>() > 1) { // psych prints it; a correlation above 1 is none
                QVERIFY(std::isnan(c->value));
                continue;
            }
            NEAR(c->value, expected.at("icc").get<double>(), 1e-8);
            NEAR(c->low95, expected.at("lower95").get<double>(), 1e-8);
            NEAR(c->high95, expected.at("upper95").get<double>(), 1e-8);
            NEAR(c->f, expected.at("F").get<double>(), 1e-8);
            NEAR(c->p, expected.at("p").get<double>(), 1e-8);
        }
        const Json& sem = example.at("sem");
        NEAR(semConsistency(s), sem.at("SEM_consistency_sqrtEMS").get<double>(), 1e-8);
        NEAR(semAgreement(s), sem.at("SEM_agreement_sqrt_varJ_plus_EMS").get<double>(), 1e-8);
        NEAR(minimalDetectableChange(semAgreement(s)),
             example.at("mdc").at("from_SEM_agreement_sqrt_varJ_plus_EMS").at("MDC95").get<double>(), 1e-8);
    }

private slots:
    void shroutAndFleiss() { compareExample(referenceJson("03_reliability/icc_shrout_fleiss.json")); }

    void moreExamples() {
        const Json all = referenceJson("03_reliability/icc_more_examples.json");
        for (const char* name : {"test_retest_tilt", "three_sessions_knee", "negative_icc"})
            compareExample(all.at(name));
    }

    void whereNothingDiffers() {
        const Json cases = referenceJson("03_reliability/icc_more_examples.json").at("degenerate");
        const auto same = meanSquares(cases.at("identical_sessions").at("data").get<Repeats>()).value();
        const auto perfect = intraclassCorrelations(same).value();
        for (const auto& c : perfect) NEAR(c.value, 1, 1e-12);
        NEAR(semAgreement(same), 0, 1e-12);
        const auto shifted = meanSquares(cases.at("constant_shift_3").at("data").get<Repeats>()).value();
        const auto forms = intraclassCorrelations(shifted).value();
        NEAR(forms[1].value, cases.at("constant_shift_3").at("icc21").get<double>(), 1e-8);
        NEAR(forms[2].value, 1, 1e-12);
        NEAR(semConsistency(shifted), 0, 1e-12);
        NEAR(semAgreement(shifted), cases.at("constant_shift_3").at("sem_agreement").get<double>(), 1e-8);
        const auto equal = meanSquares(cases.at("all_equal").at("data").get<Repeats>()).value();
        QCOMPARE(intraclassCorrelations(equal).error().code, Errc::Degenerate);
    }

    /// lme4's Dyestuff data: what lies between and within the batches, and their correlation.
    void dyestuff() {
        const Json all = referenceJson("03_reliability/oneway_dyestuff.json");
        const Json &batches = all.at("batch"), &yields = all.at("yield"), &expected = all.at("balanced");
        std::map<std::string, std::vector<double>> rows;
        for (size_t i = 0; i < batches.size(); ++i) rows[batches[i]].push_back(yields[i]);
        Repeats data;
        for (const auto& [batch, row] : rows) data.push_back(row);
        const MeanSquares s = meanSquares(data).value();
        NEAR(s.between, expected.at("MSB").get<double>(), 1e-9 * s.between);
        NEAR(s.within, expected.at("MSW").get<double>(), 1e-9 * s.within);
        NEAR((s.between - s.within) / s.repeats, expected.at("var_between").get<double>(), 1e-9 * s.between);
        NEAR(intraclassCorrelations(s).value()[0].value, expected.at("icc1").get<double>(), 1e-9);
    }

    void limits_data() {
        QTest::addColumn<QString>("name");
        for (const char* name : {"pefr_bland_altman_1986", "student_sleep", "synthetic_angles"})
            QTest::newRow(name) << QString::fromLatin1(name);
    }
    void limits() {
        QFETCH(QString, name);
        const Json all = referenceJson("03_reliability/bland_altman.json");
        const Json &example = all.at(name.toStdString()), &expected = example.at("result");
        std::vector<double> first, second;
        if (example.contains("a")) {
            first = example.at("a").get<std::vector<double>>();
            second = example.at("b").get<std::vector<double>>();
        } else
            for (const Json& row : example.at("data_wright1_wright2_mini1_mini2"))
                first.push_back(row[0]), second.push_back(row[2]);
        const Agreement a = limitsOfAgreement(first, second).value();
        const auto near = [&](double actual, const char* key, double scale = 1) {
            NEAR(actual, expected.at(key).get<double>(), 1e-9 * scale);
        };
        QCOMPARE(a.pairs, expected.at("n").get<int>());
        near(a.bias, "bias");
        near(a.sd, "sd_diff", 100);
        near(a.low, "loa_lower", 100);
        near(a.high, "loa_upper", 100);
        near(a.typicalError, "typical_error_sd/sqrt2", 100);
        const auto span = [&](double middle, double half, const Json& limits) {
            NEAR(middle - half, limits[0].get<double>(), 1e-7);
            NEAR(middle + half, limits[1].get<double>(), 1e-7);
        };
        span(a.bias, a.biasU95, expected.at("bias_ci"));
        span(a.low, a.limitU95, expected.at("loa_lower_ci_approx"));
        span(a.high, a.limitU95, expected.at("loa_upper_ci_approx"));
        span(a.slope, a.slopeU95, expected.at("proportional_bias").at("slope_ci"));
        NEAR(a.typicalErrorLow95, expected.at("typical_error_ci95")[0].get<double>(), 1e-7);
        NEAR(a.typicalErrorHigh95, expected.at("typical_error_ci95")[1].get<double>(), 1e-7);
    }

    void typicalError() {
        const Json all = referenceJson("03_reliability/typical_error_cv.json");
        const Repeats rows = all.at("data_6_people_x_3_repeats_deg").get<Repeats>();
        const MeanSquares s = meanSquares(rows).value();
        NEAR(std::sqrt(s.within), all.at("within_person_sd_sw_sqrt_mean_var").get<double>(), 1e-9);
        NEAR(minimalDetectableChange(std::sqrt(s.within)), all.at("repeatability_coef_1.96*sqrt2*sw").get<double>(),
             1e-4); // there 1.96, here 1.959964
        std::vector<double> first, second, third;
        for (const auto& row : rows) first.push_back(row[0]), second.push_back(row[1]), third.push_back(row[2]);
        const Agreement one = limitsOfAgreement(second, first).value(), two = limitsOfAgreement(third, second).value();
        NEAR(one.bias, all.at("trial1_2").at("mean_change").get<double>(), 1e-9);
        NEAR(one.typicalError, all.at("trial1_2").at("typical_error").get<double>(), 1e-9);
        NEAR(two.typicalError, all.at("trial2_3").at("typical_error").get<double>(), 1e-9);
    }

    void refused() {
        QCOMPARE(meanSquares({{1, 2}}).error().code, Errc::TooShort);
        QCOMPARE(meanSquares({{1, 2}, {3}}).error().code, Errc::BadFormat);
        QCOMPARE(meanSquares({{1, 2}, {3, std::nan("")}}).error().code, Errc::NotFinite);
        QCOMPARE(limitsOfAgreement({1, 2}, {1, 2}).error().code, Errc::TooShort);
        QCOMPARE(limitsOfAgreement({1, 2, 3}, {1, 2}).error().code, Errc::BadFormat);
    }
};

QTEST_APPLESS_MAIN(ReliabilityTest)
#include "reliability_test.moc"
