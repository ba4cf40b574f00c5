// SPDX-License-Identifier: GPL-3.0-or-later
// Over random limits, values and bands no two places say different things of one reading: findings, readings, rep
// sheet, moments, history, cues' effect and letter.
#include "answer/answer.h"
#include "app/sheet/moments.h"
#include "app/sheet/rep_rows.h"
#include "base/json.h"
#include "judgement/cue_record.h"
#include "readings/compare.h"
#include "readings/readings.h"
#include "support/demo_review.h"
#include "support/table.h"

#include <QTemporaryDir>
#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;
using namespace deft::ui;

class OneVerdictTest : public QObject {
    Q_OBJECT
    static constexpr const char* kFault = "back-bend";
    static constexpr const char* kMeasure = "pelvis_on_trunk";
    static constexpr const char* kCheck = "heel-distance";

    const Review measured_ = demoReview();
    QTemporaryDir own_;

    struct Drawn {
        std::optional<double> low, high;
        std::vector<double> values; ///< of the anchor, one a rep
        double u95 = 0, knee = 0;
    };

    /// The demo's movement with other readings, judged by other limits.
    Review judgedAs(const Drawn& d) {
        Json limit = Json::object();
        if (d.low) limit["low"] = *d.low;
        if (d.high) limit["high"] = *d.high;
        const Json file{{"format", "deft-mirror-exercise"},
                        {"version", 1},
                        {"id", "bridge"},
                        {"extends", "bridge"},
                        {"limits", {{kFault, limit}, {kCheck, {{"low", 38}, {"high", 65}}}}}};
        if (!writeFileAtomically(own_.filePath("bridge.json").toStdString(), toText(file))) return {};
        const CataloguePtr own = Catalogue::load(dataFolder(), own_.path().toStdString()).value();
        Review r = measured_;
        const auto measurement = std::make_shared<Measurement>(*r.measurement);
        r.measurement = measurement;
        const double inside = d.low && d.high ? (*d.low + *d.high) / 2 : d.low ? *d.low + 60 : *d.high - 60;
        Series& anchor = *measurement->series.find(kMeasure);
        for (size_t i = 0; i < anchor.value.size(); ++i) {
            anchor.value[i] = inside, anchor.u95[i] = d.u95;
            for (size_t k = 0; k < r.measurement->movement.reps.size(); ++k)
                if (const Rep& rep = r.measurement->movement.reps[k];
                    r.series().time_s[i] >= rep.start_s && r.series().time_s[i] <= rep.holdEnd_s)
                    anchor.value[i] = d.values[k];
        }
        Series& knee = *measurement->series.find("knee_angle");
        for (size_t i = 0; i < knee.value.size(); ++i) knee.value[i] = d.knee, knee.u95[i] = d.u95;
        return judgeAgain(r, r.inputs, own).value();
    }

private slots:
    void everyPlaceSaysTheSame() {
        std::mt19937 random(11);
        std::uniform_real_distribution<double> any(-30, 30), band(0.1, 6), wide(4, 20), knee(30, 75);
        const size_t reps = measured_.measurement->movement.reps.size();
        QVERIFY(reps >= 2);
        int seen[3] = {}, cued = 0, compared = 0;
        for (int n = 0; n < 150; ++n) {
            Drawn d;
            d.low = n % 3 == 0 ? std::nullopt : std::optional(any(random));
            d.high = n % 3 == 1 ? std::nullopt : std::optional((d.low ? *d.low : any(random) - 5) + wide(random));
            d.u95 = band(random), d.knee = knee(random);
            for (size_t k = 0; k < reps; ++k) d.values.push_back(any(random));
            const Review r = judgedAs(d);
            const Limit& limit = r.exercise.fault(kFault)->limit;
            QVERIFY(limit.low == d.low && limit.high == d.high);

            // Findings: as sure as the limit says.
            bool clearInAny = false;
            const auto sheet = repRows(r);
            for (size_t k = 0; k < reps; ++k) {
                const Verdict verdict = limit.verdict(d.values[k], d.u95);
                ++seen[int(verdict)];
                bool out = false, clear = false, otherClear = false;
                for (const Fault& f : r.findings.faults) {
                    if (f.rep != int(k)) continue;
                    const bool own = f.id == kFault;
                    out = out || own, clear = clear || (own && f.certainty == Certainty::Clear);
                    otherClear =
                        otherClear || (!own && f.certainty == Certainty::Clear && r.exercise.fault(f.id)->isAnchor);
                    if (own) QCOMPARE(f.limit, limit.endAt(f.worst));
                }
                QCOMPARE(out, limit.excess(d.values[k]) > 0);
                QCOMPARE(clear, verdict == Verdict::Out);
                clearInAny = clearInAny || clear;
                QCOMPARE(sheet[k].cells[size_t(Phase::Worst)].edge == Verdict::Out, clear || otherClear);
                if (out && r.events.reps[k].hold.brokenBy == kMeasure)
                    QCOMPARE(sheet[k].cells[size_t(Phase::Hold)].edge, clear ? Verdict::Out : Verdict::CannotTell);
                for (const Moment& m : momentsOf(r))
                    if (m.id == kFault && m.rep == int(k)) QCOMPARE(m.clear, clear);
            }

            // Readings: the same worst, told as surely as it was found.
            const double worst = d.values[size_t(limit.worst(d.values))];
            for (const ReadingRow& row : readingRows(r)) {
                if (row.measure == kMeasure && row.stat == "worst") {
                    QCOMPARE(row.value, worst);
                    QCOMPARE(row.verdict == Verdict::Out, clearInAny);
                    QCOMPARE(row.verdict == Verdict::In, limit.verdict(worst, d.u95) == Verdict::In);
                }
                if (row.measure != "knee_angle" || row.stat != "set-up") continue;
                const auto told = std::find_if(r.findings.setup.begin(), r.findings.setup.end(),
                                               [](const SetupVerdict& v) { return v.id == kCheck; });
                QCOMPARE(row.verdict == Verdict::Out, told->verdict == "poor");
                QCOMPARE(row.verdict == Verdict::In, told->verdict == "good");
            }
            QCOMPARE(r.framePair(kFault)->worstRep, int(limit.worst(d.values)));

            // History and letter tell the same worst, and a change is better where it lies less far outside.
            const PastReview past = asPast(r);
            for (const PastCue& cue : past.cues) {
                if (cue.fault != kFault) continue;
                ++cued;
                QCOMPARE(cue.worst, worst);
                const Answer answer = composeAnswer(r);
                const AnswerPart* part = answer.find(std::string("correction-") + kFault);
                QVERIFY(part && !part->facts.empty());
                const std::string told = std::to_string(std::abs(worst));
                QVERIFY2(part->facts.front().find(told.substr(0, told.find('.'))) != std::string::npos ||
                             std::abs(worst) - std::floor(std::abs(worst)) > 0.94,
                         part->facts.front().c_str());
            }
            const double later = any(random);
            ReadingRow row = toldReading(r.exercise, kMeasure, "worst");
            if (const auto better = isBetter(row, worst, later)) {
                ++compared;
                QCOMPARE(*better, shrunkBy(r.exercise, kFault, worst, later) > 0);
            }
        }
        for (const int n : seen) QVERIFY(n > 20); // every verdict was drawn often enough
        QVERIFY(cued > 20 && compared > 50);
    }
};

QTEST_GUILESS_MAIN(OneVerdictTest)
#include "one_verdict_test.moc"
