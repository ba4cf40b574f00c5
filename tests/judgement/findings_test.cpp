// SPDX-License-Identifier: GPL-3.0-or-later
// What is found in a measured movement: set-up, faults with their certainty, and causes before their effects.
#include "base/numbers.h"
#include "judgement/findings.h"
#include "support/catalogue.h"
#include "support/stick_body.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class FindingsTest : public QObject {
    Q_OBJECT
    Exercise bridge_ = shipped().form({"bridge", {}, {}, Schools{}}).value();

    struct Made {
        SeriesSet set;
        Events events;
        Findings found;
    };
    Made make(double knee, double bend, double sinks, double u95 = 0.8) {
        Made m;
        auto add = [&](const char* id, const char* unit, const std::function<double(double)>& f, double u) {
            Series s{id, unit, {}, {}};
            for (int i = 0; i < 360; ++i) s.value.push_back(f(i / 30.0)), s.u95.push_back(u);
            m.set.series.push_back(s);
        };
        for (int i = 0; i < 360; ++i) m.set.time_s.push_back(i / 30.0);
        add(
            "hip_height", "%",
            [&](double t) {
                return outAndBack(t, 2.5, 4, 9, 10, 12, 55) - (t > 5 && t < 9      ? sinks * 0.43 * (t - 5) / 4
                                                               : t >= 9 && t < 9.5 ? sinks * 0.43 * (9.5 - t) * 2
                                                                                   : 0);
            },
            0.4);
        add(
            "pelvis_on_trunk", "deg", [&](double t) { return outAndBack(t, 3, 4, 9, 9.5, 0, bend); }, u95);
        add(
            "knee_angle", "deg", [&](double) { return knee; }, 2);
        add(
            "foot", "deg", [](double) { return 0.0; }, 2);
        m.events = findMovement(m.set, moverPlan(bridge_));
        addLevelLoss(m.set, m.events, moverPlan(bridge_));
        findBreaks(m.events, m.set, moverPlan(bridge_), anchorTolerances(bridge_, m.set));
        m.found = findFaults(bridge_, m.set, m.events);
        return m;
    }
    static std::vector<std::string> ids(const Findings& f) {
        std::vector<std::string> out;
        for (const Fault& fault : f.faults) out.push_back(fault.id);
        return out;
    }

private slots:
    void clean() {
        const Made m = make(50, 2, 0);
        QVERIFY(m.found.faults.empty() && m.found.order.act.empty());
        for (const SetupVerdict& v : m.found.setup) QCOMPARE(v.verdict, std::string("good"));
        QVERIFY(m.events.reps[0].hold.brokenBy.empty());
    }

    void backBend() {
        const Made m = make(50, 9, 0);
        QCOMPARE(ids(m.found), std::vector<std::string>{"back-bend"});
        const Fault& f = m.found.faults[0];
        NEAR(f.worst, 9, 1e-6);
        QCOMPARE(f.limit, 5.0);
        QCOMPARE(f.certainty, Certainty::Clear);
        QCOMPARE(f.rank, 1);
        QVERIFY(f.causedBy.empty());
    }

    /// Beyond the limit, but within what the marks can tell: not certain, and nothing to correct.
    void tooCloseToTell() {
        const Made m = make(50, 5.6, 0);
        QCOMPARE(m.found.faults.size(), size_t(1));
        QCOMPARE(m.found.faults[0].certainty, Certainty::CannotTell);
        QVERIFY(m.found.order.act.empty());
    }

    void causesComeFirst() {
        const Made m = make(80, 9, 0); // heels far away and the back bends
        QCOMPARE(m.found.setup[0].verdict, std::string("poor"));
        QVERIFY(m.found.setup[0].high);
        QCOMPARE(m.found.order.act, (std::vector<std::string>{"heel-distance", "back-bend"}));
        QCOMPARE(m.found.faults[0].causedBy, std::string("heel-distance"));
    }

    void setUpWithinItsBandCannotBeTold() {
        QCOMPARE(make(66, 0, 0).found.setup[0].verdict, std::string("cannot-tell")); // limit 65 ± 2
        QCOMPARE(make(68, 0, 0).found.setup[0].verdict, std::string("poor"));
        QCOMPARE(make(62, 0, 0).found.setup[0].verdict, std::string("good"));
    }

    void sinking() {
        const Made m = make(50, 0, 25);
        QCOMPARE(ids(m.found), std::vector<std::string>{"sinking"});
        QCOMPARE(m.events.reps[0].hold.brokenBy, std::string("level_loss"));
        // The loss passes 10 % of the lift at 5 s + 4 s × 10/25.
        NEAR(*m.events.reps[0].hold.first_break_s, 6.6, 0.1);
    }

    void notMarkedIsNotJudged() {
        SeriesSet set;
        for (int i = 0; i < 60; ++i) set.time_s.push_back(i / 30.0);
        const Findings f = findFaults(bridge_, set, {});
        for (const SetupVerdict& v : f.setup) QCOMPARE(v.verdict, std::string("cannot-tell"));
        QVERIFY(f.faults.empty());
    }

    void words() {
        QCOMPARE(numberWords(5, 1), std::string("5"));
        QCOMPARE(numberWords(4.26, 1), std::string("4.3"));
        QCOMPARE(signedWords(-3.04, 1), std::string("−3"));
        QCOMPARE(signedWords(2.5, 1), std::string("+2.5"));
        QCOMPARE(signedWords(0.01, 1), std::string("0"));
    }
};

QTEST_GUILESS_MAIN(FindingsTest)
#include "findings_test.moc"
