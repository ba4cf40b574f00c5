// SPDX-License-Identifier: GPL-3.0-or-later
// The next step and target. decision_cases.json holds one row for every edge of every rule and for pairs of rules that
// can conflict; each says where its number comes from. What must hold for all cases is checked on random ones.
#include "base/json.h"
#include "judgement/asked.h"
#include "judgement/cue_record.h"
#include "judgement/decision.h"
#include "judgement/safety.h"
#include "support/catalogue.h"
#include "support/schema.h"
#include "support/table.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class DecisionTest : public QObject {
    Q_OBJECT
    Json rows_;

    static bool says(const Messages& messages, const std::string& words) {
        const auto lines = said(messages);
        return std::any_of(lines.begin(), lines.end(),
                           [&](const std::string& l) { return l.find(words) != std::string::npos; });
    }
    static QString all(const Decision& d) {
        return QString::fromStdString(toText(toJson(d, *shipped().language("en"))));
    }

    /// A random bout of an exercise that is done on each side; `worse` ≥ 0 takes that much off every reading.
    static Case randomCase(std::mt19937& random, double worse) {
        std::uniform_real_distribution<double> share(0, 1);
        Case c;
        c.exercise = "one-leg-stand", c.version = "near";
        c.target.version = c.version, c.target.sets = 3;
        c.target.hold_s = kHoldSteps[random() % kHoldSteps.size()];
        const double asked = *c.target.hold_s;
        if (random() % 2) c.target.range = 20 + 10 * share(random);
        const bool tidy = random() % 2; // every hold clean and the sides alike
        for (const char* side : {"left", "right"})
            for (int k = 0; k < 3; ++k) {
                const double held = asked * (tidy ? 1.1 + 0.05 * share(random) : 0.9 + 0.6 * share(random));
                const bool breaks = !tidy && share(random) < 0.3;
                const double clean = breaks ? held * share(random) : held;
                const double reach = 40 * (0.8 + 0.4 * share(random));
                // Worse: the same hold breaks sooner, the same range is lost sooner.
                c.holds.push_back({side, held, clean * (1 - worse), breaks || worse > 0 ? "drop" : ""});
                c.reps.push_back({side, reach, reach * (1 - worse), 1, worse > 0 ? "drop" : ""});
            }
        if (random() % 2) c.history.push_back({"2031-03-02", c.version, c.target, true, true, {}, {}});
        return c;
    }
    /// Is target `a` harder than `b`?
    static bool harder(const Exercise& e, const Target& a, const Target& b) {
        if (a.version != b.version)
            return e.versionIndex(a.version) > e.versionIndex(b.version); // each in its own dose
        return a.sets > b.sets || a.hold_s.value_or(0) > b.hold_s.value_or(0) ||
               a.range.value_or(1e9) > b.range.value_or(1e9) || a.daysPerWeek > b.daysPerWeek ||
               a.reps.value_or(0) > b.reps.value_or(0);
    }

private slots:
    void initTestCase() { rows_ = readJsonFile(DEFT_TEST_DATA "/judgement/decision_cases.json").value()["cases"]; }

    void cases_data() {
        QTest::addColumn<int>("row");
        for (size_t i = 0; i < rows_.size(); ++i) QTest::newRow(rows_[i]["name"].get<std::string>().c_str()) << int(i);
        QVERIFY(rows_.size() >= 80);
    }
    void cases() {
        QFETCH(int, row);
        const Json& r = rows_[size_t(row)];
        const auto now = parseCase(shipped(), r["case"], "case");
        QVERIFY2(now.has_value(), now ? "" : now.error().detail().c_str());
        const auto decided = decide(shipped(), *now);
        QVERIFY2(decided.has_value(), decided ? "" : decided.error().detail().c_str());
        const Decision& d = *decided;
        const Target& t = d.target;
        for (const auto& [key, want] : r["expect"].items()) {
            bool fits = false;
            if (key == "step") fits = want == d.step;
            if (key == "rung") fits = want == t.version;
            if (key == "sets") fits = want == t.sets;
            if (key == "reps") fits = t.reps && want == *t.reps;
            if (key == "days_per_week") fits = want == t.daysPerWeek;
            if (key == "first_side") fits = want == t.firstSide;
            if (key == "hold_s") fits = t.hold_s && std::abs(want.get<double>() - *t.hold_s) < 1e-9;
            if (key == "range")
                fits = want.is_null() ? !t.range : t.range && std::abs(want.get<double>() - *t.range) < 1e-9;
            if (key == "cues") fits = want == d.cues.size();
            if (key == "cue") fits = !d.cues.empty() && want[0] == d.cues[0].fault && want[1] == d.cues[0].level;
            if (key == "says") fits = says(d.because, want) || says(d.arithmetic, want);
            if (key == "caution") fits = says(d.cautions, want);
            QVERIFY2(fits, qPrintable(QString::fromStdString(key + " should be " + want.dump() + "\n") + all(d)));
        }
        QVERIFY(!d.because.empty() && !d.arithmetic.empty() && !d.cautions.empty()); // why, the sum, the cautions
    }

    /// What was practised, at each edge: less than half of the days, or more than were asked for, and nothing gets
    /// harder (chosen here); what is not clean stays or goes back whatever was practised.
    void practiceAtItsEdges() {
        Json base;
        for (const Json& r : rows_)
            if (r["name"] == "met cleanly twice, done on every day: up") base = r["case"];
        QVERIFY(!base.is_null());
        const std::tuple<int, int, bool> edges[] = {
            {1, 0, false}, {1, 1, true},  {1, 2, false},  {2, 0, false}, {2, 1, true},   {2, 2, true},   {2, 3, false},
            {3, 1, false}, {3, 2, true},  {3, 3, true},   {3, 4, false}, {4, 1, false},  {4, 2, true},   {4, 4, true},
            {4, 5, false}, {5, 2, false}, {5, 3, true},   {5, 5, true},  {5, 6, false},  {7, 3, false},  {7, 4, true},
            {7, 7, true},  {7, 8, false}, {14, 6, false}, {14, 7, true}, {14, 14, true}, {6, 14, false}, {0, 0, true}};
        for (const auto& [asked, done, up] : edges) {
            base["practice"] = {{"asked", asked}, {"done", done}};
            const Decision d = decide(shipped(), parseCase(shipped(), base, "case").value()).value();
            const QString row = QStringLiteral("%1 of %2").arg(done).arg(asked);
            QVERIFY2((d.step == "up") == up, qPrintable(row));
            QVERIFY2(up || says(d.arithmetic, std::to_string(done)) || says(d.because, std::to_string(done)),
                     qPrintable(row)); // the days are in the sum
            Json bent = base;
            bent["now"]["holds"][0]["broken_by"] = "sag", bent["now"]["holds"][0]["clean_s"] = 1.0;
            QVERIFY2(decide(shipped(), parseCase(shipped(), bent, "case").value())->step != "up", qPrintable(row));
        }
    }

    void painNeverStepsUp() {
        for (const Json& r : rows_) {
            Case c = parseCase(shipped(), r["case"], "case").value();
            c.note.pain = true;
            const Decision d = decide(shipped(), c).value();
            QCOMPARE(d.step, std::string("stop"));
            QVERIFY(toJson(d.target) == toJson(c.target));
        }
    }

    void worseNeverGetsHarder() {
        std::mt19937 random(3);
        const Exercise e = shipped().exercise("one-leg-stand").value();
        int ups = 0;
        for (unsigned seed = 0; seed < 600; ++seed) {
            std::mt19937 a(seed), b(seed);
            const double worse = 0.05 + 0.9 * double(random() % 1000) / 1000;
            const Decision better = decide(shipped(), e, randomCase(a, 0)),
                           poorer = decide(shipped(), e, randomCase(b, worse));
            ups += better.step == "up";
            QVERIFY2(!harder(e, poorer.target, better.target),
                     qPrintable(QStringLiteral("seed %1\n").arg(seed) + all(better) + all(poorer)));
            QVERIFY(poorer.step != "up");
        }
        QVERIFY(ups > 20); // the better ones do get harder now and then
    }

    void swappedSidesSwapTheDecision() {
        const Exercise e = shipped().exercise("one-leg-stand").value();
        for (unsigned seed = 0; seed < 200; ++seed) {
            std::mt19937 random(seed);
            Case c = randomCase(random, 0);
            const Decision d = decide(shipped(), e, c);
            for (auto& h : c.holds) h.side = h.side == "left" ? "right" : "left";
            for (auto& r : c.reps) r.side = r.side == "left" ? "right" : "left";
            const Decision swapped = decide(shipped(), e, c);
            QCOMPARE(swapped.step, d.step);
            const std::string& side = d.target.firstSide;
            QCOMPARE(swapped.target.firstSide, std::string(side == "left" ? "right" : side == "right" ? "left" : ""));
            QVERIFY(swapped.target.hold_s == d.target.hold_s);
        }
    }

    /// A rep of which the clip cannot tell whether it gave way asks nobody to go back, or less far.
    void whatCannotBeToldDecidesNothing() {
        Case c;
        c.exercise = "leg-lower", c.version = shipped().exercise("leg-lower")->startVersion;
        c.target.version = c.version, c.target.sets = 2, c.target.reps = 2;
        for (const bool told : {true, false}) {
            c.reps.clear();
            for (int k = 0; k < 2; ++k) c.reps.push_back({"both", 60, 15, 2, "tilt", false, told});
            c.faults = {{"arch", "tilt", told ? "clear" : "cannot-tell", 12, 2, 0}};
            const auto d = decide(shipped(), c);
            QCOMPARE(d->step, std::string(told ? "back" : "stay"));
            QCOMPARE(d->target.range.has_value(), told);
        }
    }

    /// One side may be filmed at a time: up once each has been clean twice running, in whatever order they came.
    void sidesFilmedInTurn() {
        const auto steps = [](const std::vector<std::pair<std::string, bool>>& clips) { // side, clean?
            std::vector<std::string> out;
            Case c;
            c.exercise = "march", c.version = shipped().exercise("march")->startVersion;
            c.target.version = c.version, c.target.sets = 2, c.target.reps = 2;
            for (const auto& [side, clean] : clips) {
                c.reps.clear(), c.holds.clear();
                for (int k = 0; k < 2; ++k) c.reps.push_back({side, 50, clean ? 50.0 : 30.0, 1, clean ? "" : "tilt"});
                const auto d = decide(shipped(), c);
                out.push_back(d->step +
                              (says(d->because, side == "left" ? "the right side" : "the left side") ? " other" : ""));
                c.history.push_back({"2031-03-02", c.version, c.target, true, clean, {}, {}, {}});
                if (side == "left" || side == "right") c.history.back().sides = {side};
            }
            return out;
        };
        using Words = std::vector<std::string>;
        QCOMPARE(steps({{"left", true}, {"left", true}, {"left", true}}),
                 (Words{"stay other", "stay other", "stay other"}));
        QCOMPARE(steps({{"left", true}, {"right", true}, {"left", true}, {"right", true}}),
                 (Words{"stay other", "stay other", "stay other", "up"}));
        QCOMPARE(steps({{"left", true}, {"left", true}, {"right", true}, {"right", true}}),
                 (Words{"stay other", "stay other", "stay", "up"}));
        // A side that was not clean begins anew; where nobody can tell the side nothing is shown of either.
        QCOMPARE(steps({{"left", true}, {"right", true}, {"left", false}, {"right", true}, {"left", true}}).back(),
                 std::string("stay"));
        QCOMPARE(steps({{"", true}, {"", true}, {"", true}}).back(), std::string("stay"));
        QCOMPARE(steps({{"both", true}, {"both", true}}).back(), std::string("up"));
    }

    void wrongCases_data() {
        QTest::addColumn<QString>("at");
        QTest::addColumn<QString>("value");
        QTest::addColumn<QString>("says");
        QTest::newRow("unknown flag") << "/flags"
                                      << "[\"pregnant\"]"
                                      << "pregnant";
        QTest::newRow("unknown red flag") << "/note/red_flags"
                                          << "[\"tired\"]"
                                          << "/note/red_flags";
        QTest::newRow("unknown school") << "/schools"
                                        << "{\"hold-length\":\"long\"}"
                                        << "graded";
        QTest::newRow("unknown question") << "/schools"
                                          << "{\"tempo\":\"slow\"}"
                                          << "tempo";
        QTest::newRow("unknown exercise") << "/exercise"
                                          << "\"plank\""
                                          << "forearm-plank";
        QTest::newRow("a negative hold") << "/now/holds"
                                         << "[{\"duration_s\":-1}]"
                                         << "/now/holds/0/duration_s";
        QTest::newRow("clean longer than held") << "/now/holds"
                                                << "[{\"duration_s\":5,\"clean_s\":6}]"
                                                << "no more than";
        QTest::newRow("a word for a number") << "/target/hold_s"
                                             << "\"twenty\""
                                             << "/target/hold_s: expected a number";
        QTest::newRow("half a round") << "/target/sets"
                                      << "1.5"
                                      << "/target/sets: expected a whole number";
        QTest::newRow("a side that is none") << "/now/holds"
                                             << "[{\"side\":\"top\",\"duration_s\":5}]"
                                             << "\"both\"";
        QTest::newRow("no reading") << "/now"
                                    << "null"
                                    << "/now is missing";
        QTest::newRow("a verdict that is none") << "/now/setup"
                                                << "[{\"id\":\"x\",\"verdict\":\"fine\"}]"
                                                << "cannot-tell";
        QTest::newRow("more helped than tried") << "/cue_record"
                                                << "[{\"fault\":\"sag\",\"rung\":\"image\",\"tried\":1,\"helped\":2}]"
                                                << "/cue_record/0/helped";
    }
    void wrongCases() {
        QFETCH(QString, at);
        QFETCH(QString, value);
        QFETCH(QString, says);
        Json j = rows_[0]["case"];
        j[Json::json_pointer(at.toStdString())] = Json::parse(value.toStdString());
        const auto c = parseCase(shipped(), j, "case.json");
        const auto d = c ? decide(shipped(), *c) : tl::unexpected(c.error());
        QVERIFY(!d);
        QVERIFY2(d.error().detail().find(says.toStdString()) != std::string::npos, d.error().detail().c_str());
    }

    void schoolsChangeTargetsOnly() {
        const Exercise bridge = shipped().exercise("bridge").value();
        const Exercise flat = shipped().inSchools(bridge, {{"bridge", "flat-first"}}).value();
        NEAR(*flat.fault("back-bend")->limit.high, 3, 0);
        QCOMPARE(flat.fault("back-bend")->limit.measure, bridge.fault("back-bend")->limit.measure);
        const Exercise little = shipped().inSchools(bridge, {{"small-motion", "little"}}).value();
        NEAR(*little.fault("back-bend")->limit.high, 1.5 * *bridge.fault("back-bend")->limit.high, 1e-12);
        NEAR(*little.fault("off-line")->limit.high, *bridge.fault("off-line")->limit.high, 0); // no anchor
        // Where to begin: the slides, or arm and leg together.
        const Exercise reach = shipped().exercise("arm-leg-reach").value();
        QCOMPARE(firstTarget(shipped(), shipped().inSchools(reach, {}).value()).version,
                 std::string("breathing-brace"));
        QCOMPARE(firstTarget(shipped(), shipped().inSchools(reach, {{"start-rung", "together"}}).value()).version,
                 std::string("opposite"));
    }

    void theRecordOfCues() {
        const Exercise e = shipped().exercise("bridge").value();
        auto review = [](std::vector<std::string> faults, std::vector<PastCue> cues) {
            PastReview p;
            p.faults = std::move(faults), p.cues = std::move(cues);
            return p;
        };
        std::vector<CueRecord> record;
        // Said at 12° over; at 8° the next time: more than the 1° that counts. Then gone.
        addToCueRecord(record, e,
                       {review({"back-bend"}, {{"back-bend", "image", 12, 1}}),
                        review({"back-bend"}, {{"back-bend", "image", 8, 1}}), review({}, {})});
        // Another client: no real change.
        addToCueRecord(record, e,
                       {review({"back-bend"}, {{"back-bend", "image", 9, 1}}),
                        review({"back-bend"}, {{"back-bend", "image", 8.5, 1}})});
        // Still there, but not measured again: says nothing.
        addToCueRecord(record, e, {review({"sinking"}, {{"sinking", "touch", 15, 1}}), review({"sinking"}, {})});
        QCOMPARE(record.size(), size_t(1));
        QCOMPARE(record[0].level, std::string("image"));
        QCOMPARE(record[0].tried, 3);
        QCOMPARE(record[0].helped, 2);
    }

    void everyFlagHasACareAndEveryGateALoad() {
        const SafetyRules& rules = shipped().safety();
        QCOMPARE(rules.flags.size(), size_t(10));
        QCOMPARE(rules.redFlags.size(), size_t(10));
        std::set<std::string> loads;
        for (const std::string& id : shipped().exerciseIds()) {
            const Exercise e = shipped().exercise(id).value();
            loads.insert(e.loads.begin(), e.loads.end());
        }
        for (const auto& [id, flag] : rules.flags) {
            QVERIFY2(!flag.care.empty(), id.c_str());
            for (const auto& gate : flag.gates) {
                QVERIFY(!gate.reason.empty() && !gate.readiness.empty());
                for (const std::string& load : gate.loads) QVERIFY2(loads.count(load), load.c_str());
            }
        }
    }

    // The limits between two members (clean_s ≤ duration_s) are met by every disturbance: no schema can say them.
    void casesAreReadAsTheSchemaSays() {
        const JsonSchema schema = shippedSchema("case");
        for (const Json& row : rows_)
            QVERIFY2(schema.check(row["case"], "case"), row["name"].get<std::string>().c_str());
        verifyReaderObeys(schema, readJsonFile(DEFT_TEST_DATA "/judgement/whole_case.json").value(),
                          [](const Json& j, const std::string& where) { return parseCase(shipped(), j, where); });
    }
    void whatIsAskedIsReadAsTheSchemaSays() {
        const Exercise bridge = *shipped().exercise("bridge");
        const auto read = [&](const Json& j, const std::string& where) {
            return parseAsked(shipped(), j, where, bridge);
        };
        const JsonSchema schema = shippedSchema("asked");
        Json asked = readJsonFile(DEFT_TEST_DATA "/judgement/whole_asked.json").value();
        verifyReaderObeys(schema, asked, read);
        asked.erase("target"), asked["rung"] = bridge.ladder.front().id; // a version alone
        verifyReaderObeys(schema, asked, read);
    }
};

QTEST_GUILESS_MAIN(DecisionTest)
#include "decision_test.moc"
