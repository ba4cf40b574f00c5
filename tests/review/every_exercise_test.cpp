// SPDX-License-Identifier: GPL-3.0-or-later
// Every exercise file that ships, from its own drawing: the drawn movement is read without a fault, each drawn fault is
// found and nothing that does not follow from it, and a mirrored picture reads the same. That proves that marks,
// measures, signs and tolerances of a file fit each other.
#include "readings/readings.h"
#include "support/catalogue.h"
#include "support/drawn_body.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class EveryExerciseTest : public QObject {
    Q_OBJECT

    static void files() {
        QTest::addColumn<QString>("id");
        for (const std::string& id : shipped().exerciseIds()) QTest::newRow(id.c_str()) << QString::fromStdString(id);
    }
    static std::set<std::string> clearFaults(const Review& r) {
        std::set<std::string> ids;
        for (const Fault& f : r.findings.faults)
            if (f.certainty == Certainty::Clear) ids.insert(f.id);
        return ids;
    }
    static QString told(const Review& r) {
        QString out;
        for (const Fault& f : r.findings.faults)
            out += QStringLiteral("%1 %2 %3±%4 (limit %5) at %6; ")
                       .arg(f.id.c_str(), f.certainty == Certainty::Clear ? "clear" : "cannot-tell")
                       .arg(f.worst)
                       .arg(f.u95)
                       .arg(f.limit)
                       .arg(f.worst_s);
        for (const SetupVerdict& v : r.findings.setup)
            out += QStringLiteral("%1 %2 %3±%4; ").arg(v.id.c_str(), v.verdict.c_str()).arg(v.value).arg(v.u95);
        return out;
    }
private slots:
    /// What is above nought as long as all is well is told without a plus; what goes two ways has one.
    void signsOfReadings() {
        const auto r = drawnReview(shipped().exercise("arm-leg-reach").value(), {});
        QVERIFY2(r.has_value(), r ? "" : r.error().detail().c_str());
        std::map<std::string, bool> sign;
        for (const ReadingRow& row : readingRows(*r)) {
            if (row.stat == "worst") sign[row.measure] = row.sign;
        }
        QVERIFY(sign.count("elbow_angle") && !sign["elbow_angle"]);
        QVERIFY(sign["tilt"]);
    }

    void cleanMovement_data() { files(); }
    void cleanMovement() {
        QFETCH(QString, id);
        const Exercise e = shipped().exercise(id.toStdString()).value();
        const auto r = drawnReview(e, {});
        QVERIFY2(r.has_value(), r ? "" : r.error().detail().c_str());
        QCOMPARE(r->events.reps.size(), size_t(e.mover.isWindow() ? 1 : 2));
        for (const Rep& rep : r->events.reps) {
            QVERIFY(!rep.unsure());
            if (!e.mover.isWindow()) QVERIFY(rep.reach >= e.mover.minExcursion);
        }
        for (const SetupVerdict& v : r->findings.setup) QVERIFY2(v.verdict != "poor", qPrintable(told(*r)));
        QVERIFY2(r->findings.faults.empty(), qPrintable(told(*r)));
        QVERIFY(r->missing.empty());
        QCOMPARE(r->decision.step, std::string("stay")); // the first clean time, or one side only
    }

    void drawnFaults_data() {
        QTest::addColumn<QString>("id");
        QTest::addColumn<QString>("fault");
        for (const std::string& id : shipped().exerciseIds()) {
            const Exercise e = shipped().exercise(id).value();
            for (const auto& [fault, looks] : e.wrong)
                QTest::addRow("%s: %s", id.c_str(), fault.c_str())
                    << QString::fromStdString(id) << QString::fromStdString(fault);
        }
    }
    void drawnFaults() {
        QFETCH(QString, id);
        QFETCH(QString, fault);
        const Exercise e = shipped().exercise(id.toStdString()).value();
        DrawnMovement m;
        m.fault = fault.toStdString();
        const auto r = drawnReview(e, m);
        QVERIFY2(r.has_value(), r ? "" : r.error().detail().c_str());
        const auto found = clearFaults(*r);
        QVERIFY2(found.count(m.fault), qPrintable(told(*r)));
        for (const std::string& other : found)
            QVERIFY2(other == m.fault || follows(e, other, m.fault), qPrintable(told(*r)));
        // The other way round in the picture: the same findings.
        m.mirrored = true;
        const auto mirrored = drawnReview(e, m);
        QVERIFY(mirrored.has_value());
        QVERIFY2(clearFaults(*mirrored) == found, qPrintable(told(*mirrored)));
    }

    /// From the front, a clip of both sides one after the other is read side by side, each with its own signs: the one
    /// that stands on the right is drawn, the one on the left is its mirror image.
    void bothSidesInOneClip() {
        const Exercise e = shipped().exercise("one-leg-stand").value();
        DrawnMovement m;
        m.hold_s = 4, m.fault = "hip-drop";
        Tracks tracks = drawnTracks(e, m);
        const size_t n = tracks.frames();
        m.fault.clear();
        const Tracks clean = drawnTracks(e, m);
        for (auto& [name, points] : tracks.landmark) {
            std::string other = name;
            if (name.ends_with("_l")) other.back() = 'r';
            if (name.ends_with("_r")) other.back() = 'l';
            // A second on both feet, then the left side's turn.
            for (int i = 0; i < 40; ++i) {
                const Point2& p = e.start.count(name) ? e.start.at(name) : Point2(0, 0);
                points.push_back({name.starts_with("floor") ? points[0].at : Point2(640 + 5 * p.x(), 620 - 5 * p.y()),
                                  0.3, PointState::Seen});
            }
            for (size_t i = 0; i < n; ++i) {
                TrackPoint p = clean.landmark.at(other)[i];
                if (!name.starts_with("floor")) p.at.x() = 1280 - p.at.x();
                p.state = PointState::Seen, p.sd = 0.3;
                points.push_back(p);
            }
        }
        tracks.time_s.clear();
        for (size_t i = 0; i < 2 * n + 40; ++i) tracks.time_s.push_back(double(i) / m.fps);
        ReviewInputs in;
        in.exercise = e.id;
        const Review r = measureReview(shippedCatalogue(), in, drawnClip(tracks, m.fps), tracks).value();
        QCOMPARE(r.events.reps.size(), size_t(2));
        QCOMPARE(r.events.reps[0].side, std::string("right"));
        QCOMPARE(r.events.reps[1].side, std::string("left"));
        QCOMPARE(r.events.reps[0].hold.brokenBy, std::string("drop"));
        QVERIFY2(r.events.reps[1].hold.brokenBy.empty(), qPrintable(told(r)));
        for (const Fault& f : r.findings.faults) QCOMPARE(f.side, std::string("right"));
        QCOMPARE(r.decision.target.firstSide, std::string("right")); // the weaker begins
    }

    void everyPositionHasDrawnFaults() {
        std::map<std::string, int> faults;
        for (const std::string& id : shipped().exerciseIds()) {
            const Exercise e = shipped().exercise(id).value();
            faults[e.position] += int(e.wrong.size());
        }
        for (const char* position :
             {"all-fours", "supine", "bridge", "plank", "side-lying", "standing", "half-kneeling", "prone"})
            QVERIFY2(faults[position] >= 1, position);
    }
};

QTEST_GUILESS_MAIN(EveryExerciseTest)
#include "every_exercise_test.moc"
