// SPDX-License-Identifier: GPL-3.0-or-later
// The exercise files that ship, and every wrong entry that the reader must name.
#include "base/files.h"
#include "base/json.h"
#include "exercises/exercise.h"
#include "support/catalogue.h"
#include "support/foreign_words.h"
#include "support/table.h"
#include "support/wrong_entry.h"

#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>
#include <cmath>
#include <set>

using namespace deft;
using namespace deft::test;

/// Every version of every exercise in each of its views and schools.
static void everyVersion(const std::function<void(const Exercise&, const std::string& where)>& look) {
    for (const std::string& id : shipped().exerciseIds()) {
        const Exercise e = shipped().exercise(id).value();
        for (const Version& version : e.ladder) {
            const std::string where = id + "/" + version.id;
            const auto done = shipped().inVersion(e, version.id);
            QVERIFY2(done.has_value(), done ? "" : done.error().detail().c_str());
            for (const std::string& view : done->views) {
                const auto seen = shipped().inView(*done, view);
                QVERIFY2(seen.has_value(), seen ? "" : seen.error().detail().c_str());
                for (const SchoolsAnswer& a : seen->schools)
                    for (const SchoolChoice& choice : shipped().schools().find(a.question)->choices)
                        if (const auto inSchool = shipped().inSchools(*seen, {{a.question, choice.id}}))
                            look(*inSchool, where + ", " + view + ", " + choice.id);
                look(shipped().inSchools(*seen, {}).value(), where + ", " + view);
            }
        }
    }
}
class ExerciseTest : public QObject {
    Q_OBJECT
    Json bridge_ = *shipped().exercise("bridge")->raw;

private slots:
    void allThatShipAreInOrder() {
        // The ids that other tools know.
        const char* known =
            "arm-leg-reach breathing-brace ball-push-back round-and-release pelvic-tilt march arm-leg-lower leg-lower "
            "flutter leg-crossover scissor-switch single-leg-stretch double-leg-stretch press-away leg-circles "
            "press-into-hands knees-side-to-side curl-up cross-body-curl bridge bridge-one-leg forearm-plank "
            "hand-plank "
            "wall-turn reverse-plank rollout side-plank open-knee leg-sweep double-leg-side-lift one-leg-stand "
            "posture-scan hip-stretch prone-leg-lift bench-hip-extension prone-back-raise band-external-rotation";
        QStringList ids = QString::fromLatin1(known).split(QLatin1Char(' '));
        ids.sort();
        QStringList here;
        for (const std::string& id : shipped().exerciseIds()) here << QString::fromStdString(id);
        QCOMPARE(here, ids);
        for (const std::string& id : shipped().exerciseIds()) {
            const auto e = shipped().exercise(id);
            QVERIFY2(e.has_value(), e ? "" : e.error().detail().c_str());
            QCOMPARE(e->id, id);
            QVERIFY(!e->stopRule.empty() && !e->cautions.empty() && !e->filming.empty());
        }
    }

    /// In every version, view and school there is a cue of every level, each said once.
    void cuesOfEveryVersion() {
        everyVersion([](const Exercise& e, const std::string& where) {
            for (const FaultPlan& f : e.faults) {
                std::set<std::string> levels, texts;
                for (const Cue& c : f.cues) levels.insert(c.level), texts.insert(c.text);
                QVERIFY2(levels.size() == 6 && f.cues.size() == 6 && texts.size() == 6, (where + " " + f.id).c_str());
                if (f.limit.origin == Origin::Published) QVERIFY(!f.limit.source.empty());
            }
        });
    }
    /// Words that belong to another position than that of the exercise: what somebody who lies, kneels or holds a plank
    /// cannot do, or must not be told.
    void wordsOfThePosition() {
        everyVersion([&](const Exercise& e, const std::string& where) {
            const QRegularExpression words(QString::fromLatin1(kForeignWords.at(e.position)),
                                           QRegularExpression::CaseInsensitiveOption);
            const auto fits = [&](const std::string& text, const std::string& of) {
                const auto found = words.match(QString::fromStdString(text));
                QVERIFY2(!found.hasMatch(), (where + ", " + of + ": " + text).c_str());
            };
            for (const FaultPlan& f : e.faults) {
                fits(f.told, f.id);
                for (const Cue& c : f.cues) fits(c.text, f.id);
            }
            for (const SetupCheck& c : e.setup)
                for (const Cue& cue : c.cues) fits(cue.text, c.id);
            for (const std::string& text : e.unseen) fits(text, "unseen");
        });
    }
    /// The schools that press the back down or round it never hear the middle.
    void noSchoolHearsAnother() {
        everyVersion([](const Exercise& e, const std::string& where) {
            const auto pelvis = e.inForce.find("pelvis");
            if (pelvis == e.inForce.end() || pelvis->second == "neutral") return;
            for (const FaultPlan& f : e.faults)
                for (const Cue& c : f.cues)
                    QVERIFY2(c.text.find("settle halfway") == std::string::npos, (where + " " + f.id).c_str());
        });
    }
    /// An entry that is used for something else than it was written for brings its own words.
    void borrowedWordsAreRefused() {
        Json j = readJsonFile(dataFolder() / "exercises/one-leg-stand.json").value();
        j["faults"][0] = {{"use", "faults/arch-supine"}};
        QVERIFY(shipped().parse(j, "f").error().detail().find("written for other positions") != std::string::npos);
        j["faults"][0] = {{"use", "faults/hip-drop"}, {"measure", "lean"}};
        QVERIFY(shipped().parse(j, "f").error().detail().find("cues of its own") != std::string::npos);
        j["faults"][0] = {{"use", "faults/hip-drop"}, {"low", -5}};
        QVERIFY(shipped().parse(j, "f").error().detail().find("adds the limit") != std::string::npos);
    }
    /// A version takes what it does not say from the exercise, and another exercise from that.
    void versions() {
        const Exercise e = shipped().exercise("arm-leg-lower").value();
        const Exercise held = shipped().inVersion(e, "two-held").value();
        QVERIFY(held.mover.isWindow() && !e.mover.isWindow());
        QCOMPARE(held.cautions, e.cautions);
        QCOMPARE(*held.dose.hold_s, 30.0);
        QCOMPARE(shipped().inVersion(held, "opposite").value().mover.isWindow(),
                 false); // from any version to any other
        const Exercise brace = shipped().form({"arm-leg-reach", "breathing-brace"}).value();
        QCOMPARE(brace.id, std::string("arm-leg-reach"));
        QVERIFY(brace.mover.isWindow() && brace.versionIndex("elbow-knee") > 0);
        QCOMPARE(e.plainVersion(), std::string("opposite"));
    }

    void bridge() {
        const Exercise e = shipped().exercise("bridge").value();
        QCOMPARE(e.answerTo("bridge")->defaultChoice, std::string("neutral-lift"));
        QCOMPARE(e.mover.measure, std::string("hip_height"));
        QVERIFY(e.fault("back-bend")->isAnchor && e.fault("back-bend")->counts.out &&
                e.fault("back-bend")->counts.hold);
        QVERIFY(!e.fault("sinking")->counts.out); // height is lost only from a hold
        QVERIFY(e.check("heel-distance") && e.check("feet-flat"));
        QVERIFY(!e.fault("heel-distance"));
        QCOMPARE(e.fault("back-bend")->causedBy, std::vector<std::string>{"heel-distance"});
        // What counts as anchor ends the clean hold; the line does not.
        QVERIFY(!e.fault("off-line")->isAnchor);
    }

    void wrong_data() {
        wrongEntryColumns();
        QTest::newRow("limits the wrong way round") << "/setup/0/low"
                                                    << "70"
                                                    << "/setup/0";
        QTest::newRow("another unit") << "/faults/0/unit"
                                      << "\"%\""
                                      << "/faults/0";
        QTest::newRow("no such measure") << "/faults/0/measure"
                                         << "\"pelvic_bend\""
                                         << "/faults/0";
        QTest::newRow("a word as limit") << "/faults/0/high"
                                         << "\"five\""
                                         << "/faults/0/high";
        QTest::newRow("published without source") << "/faults/0/origin"
                                                  << "\"published\""
                                                  << "/faults/0";
        QTest::newRow("no such origin") << "/faults/0/origin"
                                        << "\"a feeling\""
                                        << "/faults/0/origin";
        QTest::newRow("caused by nothing known") << "/faults/0/caused_by"
                                                 << "[\"bad-luck\"]"
                                                 << "bad-luck";
        QTest::newRow("a circle of causes") << "/faults/0/caused_by"
                                            << "[\"overlift\"]"
                                            << "caused by itself";
        QTest::newRow("no such landmark") << "/landmarks/needed"
                                          << "[\"shoulder\",\"bottom\"]"
                                          << "bottom";
        QTest::newRow("default school unknown") << "/schools/bridge/default"
                                                << "\"my-own\""
                                                << "my-own";
        QTest::newRow("school question unknown") << "/schools/tempo"
                                                 << "{\"default\":\"slow\"}"
                                                 << "/schools/tempo";
        QTest::newRow("a school's limit of nothing") << "/schools/bridge/choices/flat-first/limits/charm"
                                                     << "{\"high\":1,\"origin\":\"chosen here\"}"
                                                     << "charm";
        QTest::newRow("a ladder that points nowhere") << "/ladder/0/exercise"
                                                      << "\"flying\""
                                                      << "/ladder/0/exercise";
        QTest::newRow("a rung twice") << "/ladder/1/id"
                                      << "\"pad\""
                                      << "/ladder/1/id";
        QTest::newRow("starts nowhere") << "/start_rung"
                                        << "\"top\""
                                        << "/start_rung";
        QTest::newRow("a shared entry that is not there") << "/cautions/0"
                                                          << "{\"use\":\"texts/charm\"}"
                                                          << "/cautions/0/use";
        QTest::newRow("a landmark not asked for") << "/landmarks/needed"
                                                  << "[\"shoulder\",\"hip\"]"
                                                  << "knee";
        QTest::newRow("a fault twice") << "/faults/1/id"
                                       << "\"back-bend\""
                                       << "/faults/1/id";
        QTest::newRow("no dose") << "/dose"
                                 << "{\"sets\":3,\"days_per_week\":3}"
                                 << "needs reps or hold_s";
        QTest::newRow("reading unknown") << "/readings/0"
                                         << "\"charm\""
                                         << "charm";
        QTest::newRow("no stop rule") << "/stop_rule"
                                      << "\"\""
                                      << "/stop_rule";
        QTest::newRow("a cue rung unknown") << "/faults/0/cues/0/rung"
                                            << "\"shout\""
                                            << "/faults/0/cues/0";
        QTest::newRow("no days") << "/dose/days_per_week"
                                 << "0"
                                 << "/dose/days_per_week";
        QTest::newRow("a name for a list") << "/ladder"
                                           << "\"up\""
                                           << "/ladder";
    }
    void wrong() {
        verifyWrongEntry(bridge_, [](const Json& j, const std::string& where) { return shipped().parse(j, where); });
    }

    void missingKeys() {
        for (const auto& [key, value] : bridge_.items()) {
            if (QStringList{"other_names", "line_end", "props", "start_rung", "notes", "drawn", "view", "other_views",
                            "in_position", "unseen", "series"}
                    .contains(QString::fromStdString(key)))
                continue; // may be left out
            Json j = bridge_;
            j.erase(key);
            QVERIFY2(!shipped().parse(j, "f"), key.c_str());
        }
    }

    /// A coach's own tolerance, in a few lines; where it comes from stays visible.
    void ownToleranceOverTheShippedOne() {
        const Json own = Json::parse(R"({"format":"deft-mirror-exercise","version":1,"extends":"bridge","id":"bridge",
            "name":"Bridge, my way","limits":{"back-bend":{"high":7}}})");
        const Exercise e = shipped().parse(own, "own.json").value();
        QCOMPARE(e.name, std::string("Bridge, my way"));
        NEAR(*e.fault("back-bend")->limit.high, 7, 0);
        QCOMPARE(e.fault("back-bend")->limit.origin, Origin::Coach);
        QCOMPARE(e.fault("sinking")->limit.origin, Origin::ChosenHere);
        Json wrong = own;
        wrong["limits"] = {{"charm", {{"high", 7}}}};
        QVERIFY(shipped().parse(wrong, "own.json").error().detail().find("/limits/charm") != std::string::npos);
        wrong = own, wrong["extends"] = "flying";
        QVERIFY(shipped().parse(wrong, "own.json").error().detail().find("/extends") != std::string::npos);
    }

    /// A damaged file of the coach's own is named, and the others still load; a good one takes the shipped one's place.
    void ownFolder() {
        const QTemporaryDir folder;
        const std::filesystem::path at = folder.path().toStdString();
        QVERIFY(
            writeFileAtomically(at / "march.json", R"({"format":"deft-mirror-exercise","version":1,"extends":"march",
            "id":"march","name":"March, seated first"})"));
        QVERIFY(writeFileAtomically(at / "broken.json", "{\"format\": "));
        QVERIFY(writeFileAtomically(at / "My march.json", readFile(at / "march.json").value()));
        const CataloguePtr own = Catalogue::load(dataFolder(), at).value();
        QCOMPARE(own->exerciseIds().size(), size_t(39));
        QVERIFY(own->exercise("My march").error().detail().find("should be called march.json") != std::string::npos);
        QCOMPARE(own->exercise("../exercises/march").error().code, Errc::NotFound); // an id is never a path
        QCOMPARE(own->exercise("march")->name, std::string("March, seated first"));
        QVERIFY(own->exercise("broken").error().detail().find("broken.json") != std::string::npos);
        QVERIFY(own->exercise("bridge").has_value());
        // What was taken up stays as it was, and knows that it is not what lies in the folder now.
        QVERIFY(own->isCurrent());
        QVERIFY(writeFileAtomically(at / "march.json", "{}"));
        QVERIFY(!own->isCurrent());
        QCOMPARE(own->form({"march", {}, {}, Schools{}})->name, std::string("March, seated first"));
        QCOMPARE(shipped().exercise("march")->name, std::string("March on the back"));
    }

    /// Doses of the trade, each once: common practice, no published source.
    void dosesOfTheTrade_data() {
        QTest::addColumn<QString>("id"); // with the version, where the dose is that version's own
        QTest::addColumn<int>("sets");
        QTest::addColumn<int>("reps"); // 0 = none
        QTest::addColumn<int>("repsMax");
        QTest::addColumn<double>("hold"); // 0 = none
        QTest::addColumn<double>("cap");
        QTest::newRow("brace 10 s, 4-5 times") << "breathing-brace" << 4 << 0 << 0 << 10.0 << 10.0;
        QTest::newRow("reach 3 each side, up to 10 s") << "arm-leg-reach" << 2 << 3 << 6 << 5.0 << 10.0;
        QTest::newRow("tilt 5 s x 10, 2-3 sets") << "pelvic-tilt" << 2 << 10 << 10 << 5.0 << 10.0;
        QTest::newRow("opposite arm and leg 15 s, 4 rounds") << "arm-leg-lower" << 4 << 0 << 0 << 15.0 << 60.0;
        QTest::newRow("two legs held 30 to 60 s") << "arm-leg-lower/two-held" << 4 << 0 << 0 << 30.0 << 60.0;
        QTest::newRow("one arm 3 each side") << "arm-leg-reach/arm" << 2 << 3 << 6 << 0.0 << 10.0;
        QTest::newRow("one leg 3 each side") << "arm-leg-reach/leg" << 2 << 3 << 6 << 0.0 << 10.0;
        QTest::newRow("stretch 10-20 reps") << "single-leg-stretch" << 2 << 10 << 20 << 0.0 << 120.0;
        QTest::newRow("press 3 breaths x 10, 2 sets") << "press-into-hands" << 2 << 10 << 10 << 15.0 << 15.0;
        QTest::newRow("bridge 5 s") << "bridge" << 3 << 0 << 0 << 5.0 << 60.0;
        QTest::newRow("single-leg lift 3 s") << "bridge-one-leg" << 2 << 3 << 8 << 3.0 << 15.0;
        QTest::newRow("side plank up and down 2-3 x 10-15") << "side-plank" << 2 << 10 << 15 << 0.0 << 20.0;
        QTest::newRow("side plank holds 5, 10, 15 s") << "side-plank/hold" << 3 << 0 << 0 << 5.0 << 15.0;
        QTest::newRow("side plank, legs straight, 5 to 20 s") << "side-plank/straight" << 3 << 0 << 0 << 5.0 << 20.0;
        QTest::newRow("one leg, 3 tries, 5 to 60 s") << "one-leg-stand" << 3 << 0 << 0 << 5.0 << 60.0;
        QTest::newRow("back raise 10 s, up to 120") << "prone-back-raise" << 3 << 0 << 0 << 10.0 << 120.0;
        QTest::newRow("band 6-8 reps") << "band-external-rotation" << 2 << 6 << 8 << 0.0 << 120.0;
    }
    void dosesOfTheTrade() {
        QFETCH(QString, id);
        QFETCH(int, sets);
        QFETCH(int, reps);
        QFETCH(int, repsMax);
        QFETCH(double, hold);
        QFETCH(double, cap);
        const Exercise e = shipped().exercise(id.section('/', 0, 0).toStdString()).value();
        const Dose d = shipped().inVersion(e, id.section('/', 1).toStdString()).value().dose;
        QCOMPARE(d.sets, sets);
        QCOMPARE(d.reps.value_or(0), reps);
        QCOMPARE(d.repsMax.value_or(0), repsMax);
        QCOMPARE(d.hold_s.value_or(0), hold);
        QCOMPARE(d.holdCap_s, cap);
    }

    /// Numbers of the trade that are told in words, each once: common practice, no published source.
    void numbersInWords_data() {
        QTest::addColumn<QString>("id");
        QTest::addColumn<QString>("words");
        for (const auto& [id, words] : {std::pair{"arm-leg-reach", "two or three centimetres"},
                                        {"arm-leg-reach", "about a thumb"},
                                        {"arm-leg-reach", "right arm goes with the left leg"},
                                        {"arm-leg-reach", "A rest as long as the hold"},
                                        {"single-leg-stretch", "about 45°"},
                                        {"press-into-hands", "Three breaths"},
                                        {"bridge-one-leg", "for 3 s"},
                                        {"forearm-plank", "at 90°"},
                                        {"reverse-plank", "60° of shoulder extension"},
                                        {"open-knee", "about 60°"},
                                        {"one-leg-stand", "three tries a side"}})
            QTest::addRow("%s: %s", id, words) << QString::fromLatin1(id) << QString::fromUtf8(words);
    }
    void numbersInWords() {
        QFETCH(QString, id);
        QFETCH(QString, words);
        QVERIFY(QString::fromStdString(shipped().exercise(id.toStdString())->raw->dump()).contains(words));
    }

    /// Set-up of the trade: common practice, no published source.
    void setUpOfTheTrade() {
        auto limit = [](const char* id, const char* check) { return shipped().exercise(id)->check(check)->limit; };
        // Shoulder over elbow at 90°: within 10° of upright is sin 10° = 17 %.
        NEAR(*limit("forearm-plank", "shoulder-over-elbow").high, 100 * std::sin(radians(10)), 0.5);
        // Hips over knees, thigh square to the floor, within the same 10°.
        NEAR(*limit("arm-leg-reach", "hip-over-knee").high, 100 * std::sin(radians(10)), 0.5);
        // Knees never past the hips: 90° and what a reading can tell.
        NEAR(*shipped().exercise("march")->fault("knee-past-hip")->limit.high, 90, 8);
        NEAR(*shipped().exercise("leg-lower")->tempoOut_s, 3, 0); // three counts down
        QCOMPARE(shipped().exercise("march")->fault("knee-past-hip")->limit.origin, Origin::CommonPractice);
    }

    void unknownIdNamesTheOthers() {
        const auto e = shipped().exercise("brigde");
        QCOMPARE(e.error().code, Errc::NotFound);
        QVERIFY(e.error().detail().find("bridge") != std::string::npos);
    }

    void newerFile() {
        Json j = bridge_;
        j["version"] = 2;
        QCOMPARE(shipped().parse(j, "f").error().code, Errc::NewerVersion);
    }
};

QTEST_GUILESS_MAIN(ExerciseTest)
#include "exercise_test.moc"
