// The exercise files that ship, and every wrong entry that the reader must name.
#include "base/files.h"
#include "exercises/exercise.h"
#include "support/table.h"
#include "support/wrong_entry.h"

#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class ExerciseTest : public QObject {
    Q_OBJECT
    Json bridge_ = loadExercise("bridge")->raw;

private slots:
    void allThatShipAreInOrder() {
        QVERIFY(!exerciseIds().empty());
        for (const std::string& id : exerciseIds()) {
            const auto e = loadExercise(id);
            QVERIFY2(e.has_value(), e ? "" : e.error().detail.c_str());
            QCOMPARE(e->id, id);
            QVERIFY(!e->stopRule.empty() && !e->cautions.empty() && !e->filming.empty());
            for (const FaultPlan& f : e->faults) {
                QVERIFY2(f.cues.size() >= 1, f.id.c_str());
                if (f.limit.origin == Origin::Published) QVERIFY(!f.limit.source.empty());
            }
        }
    }

    void bridge() {
        const Exercise e = loadExercise("bridge").value();
        QCOMPARE(e.defaultSchool, std::string("neutral-lift"));
        QCOMPARE(e.moverMeasure, std::string("hip_height"));
        QVERIFY(e.fault("back-bend")->isAnchor && e.fault("back-bend")->onTheWay && e.fault("back-bend")->inTheHold);
        QVERIFY(!e.fault("sinking")->onTheWay); // height is lost only from a hold
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
        QTest::newRow("default school unknown") << "/schools/default"
                                                << "\"my-own\""
                                                << "my-own";
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
    void wrong() { verifyWrongEntry(bridge_, parseExercise); }

    void missingKeys() {
        for (const auto& [key, value] : bridge_.items()) {
            if (key == "other_names" || key == "line_end" || key == "props") continue; // may be left out
            Json j = bridge_;
            j.erase(key);
            QVERIFY2(!parseExercise(j, "f"), key.c_str());
        }
    }

    void schoolsReplaceLimits() {
        Json j = bridge_;
        j["schools"]["choices"]["stricter"] = Json::parse(
            R"({"name":"Stricter","aim":"less bend","limits":[{"measure":"pelvis_on_trunk","high":3,"unit":"deg","origin":"chosen here"}]})");
        const Exercise e = parseExercise(j, "f").value();
        NEAR(*e.withSchool(e.fault("back-bend")->limit, "stricter").high, 3, 0);
        NEAR(*e.withSchool(e.fault("back-bend")->limit, "neutral-lift").high, 5, 0);
        NEAR(*e.withSchool(e.fault("sinking")->limit, "stricter").high, 10, 0);
    }

    void unknownIdNamesTheOthers() {
        const auto e = loadExercise("brigde");
        QCOMPARE(e.error().code, Errc::NotFound);
        QVERIFY(e.error().detail.find("bridge") != std::string::npos);
    }

    void newerFile() {
        Json j = bridge_;
        j["version"] = 2;
        QCOMPARE(parseExercise(j, "f").error().code, Errc::NewerVersion);
    }
};

QTEST_GUILESS_MAIN(ExerciseTest)
#include "exercise_test.moc"
