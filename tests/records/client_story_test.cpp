// SPDX-License-Identifier: GPL-3.0-or-later
// What the filed reviews of a client tell together: readings, cues, ladder.
#include "records/client_story.h"
#include "support/catalogue.h"
#include "support/demo_review.h"

#include <QTest>

using namespace deft;
using namespace deft::test;
using Effect = CueSpell::Effect;

namespace {

PastReview review(const std::string& date, const std::string& version, bool clean, std::vector<std::string> faults,
                  std::vector<PastCue> cues) {
    return {date,           version, {version, 3, std::nullopt, 10.0, std::nullopt, 3}, clean, clean, std::move(faults),
            std::move(cues)};
}

FiledReview filed(PastReview past, double clean_s) {
    FiledReview r;
    r.date = past.date, r.exercise = "bridge", r.past = std::move(past);
    r.readings = {{"knee_angle", "set-up", 95, 2, "deg"},
                  {"pelvis_on_trunk", "worst", 8, 1, "deg"},
                  {"clean_hold", "median", clean_s, 0.2, "s"}};
    return r;
}

} // namespace

class ClientStoryTest : public QObject {
    Q_OBJECT
private slots:
    /// A filed reading is told as it was told when it was read: one rule for both.
    void filedReadingsAreToldTheSame() {
        const Review r = demoReview();
        int told = 0;
        for (const ReadingRow& row : readingRows(r)) {
            const ReadingRow again = toldReading(r.exercise, row.measure, row.stat);
            QVERIFY(again.name == row.name);
            QCOMPARE(again.unit, row.unit);
            QCOMPARE(again.decimals, row.decimals);
            QCOMPARE(again.sign, row.sign);
            if (row.stat != "worst") continue;
            QVERIFY(again.limit.low == row.limit.low && again.limit.high == row.limit.high);
            ++told;
        }
        QVERIFY(told > 2);
    }

    void readingsOverTheWeeks() {
        const Exercise bridge = shipped().exercise("bridge").value();
        QVERIFY(tellStory(shipped(), bridge, {}, {}, {}).weeks.empty());
        QVERIFY(!tellStory(shipped(), bridge, {}, {}, {}).now());
        const ClientStory story = tellStory(shipped(), bridge,
                                            {filed(review("2026-03-26", "both", false, {}, {}), 4),
                                             filed(review("2026-04-02", "both", false, {}, {}), 5),
                                             filed(review("2026-04-09", "both", true, {}, {}), 6)},
                                            {}, {});
        QCOMPARE(story.weeks.size(), size_t(3));
        QCOMPARE(story.weeks.back().now.stat, std::string("set-up")); // after what the movement tells
        const OverTime& hold = story.weeks[1];
        QCOMPARE(hold.now.measure, std::string("clean_hold"));
        QCOMPARE(hold.now.limit.low, std::optional(10.0)); // what was asked for
        QCOMPARE(hold.visits.size(), size_t(3));
        QVERIFY(hold.verdict == OverTime::Verdict::Trend && hold.better.value_or(false));
        QVERIFY(std::abs(hold.perWeek - 1) < 1e-9);
        QCOMPARE(story.now()->version, std::string("both"));
        ClientStory waiting = story; // a clip has come since, of another version
        waiting.asked = Target{"hold", 2, std::nullopt, 15.0, std::nullopt, 3};
        QCOMPARE(waiting.now()->version, std::string("hold"));
    }

    /// A day that is none (a parcel says when it was sent as it likes) tells nothing over the weeks, and breaks
    /// nothing.
    void reviewOfNoDay() {
        const Exercise bridge = shipped().exercise("bridge").value();
        QVERIFY(
            tellStory(shipped(), bridge, {filed(review("last week", "both", false, {}, {}), 4)}, {}, {}).weeks.empty());
        const ClientStory story = tellStory(shipped(), bridge,
                                            {filed(review("last week", "both", false, {}, {}), 4),
                                             filed(review("2026-04-02", "both", false, {}, {}), 5)},
                                            {}, {});
        for (const OverTime& o : story.weeks) QCOMPARE(o.visits.size(), size_t(1));
        QVERIFY(!story.weeks.empty());
    }

    /// The limit of back-bend is 5°: a reading counts by how far it lies beyond.
    void whatBecameOfCues() {
        const Exercise bridge = shipped().exercise("bridge").value();
        const auto cue = [](const char* version, double worst) { return PastCue{"back-bend", version, worst, 2.0}; };
        const auto of = [&](std::vector<PastReview> history) { return cueSpells(bridge, history); };
        const std::vector<std::string> bend{"back-bend"};

        auto spells =
            of({review("a", "both", false, bend, {cue("set-up", 12)}),
                review("b", "both", false, bend, {cue("set-up", 11)}),
                review("c", "both", false, bend, {cue("internal", 10.5)}), review("d", "both", true, {}, {})});
        QCOMPARE(spells.size(), size_t(2));
        QCOMPARE(std::tuple(spells[0].level, spells[0].first, spells[0].last),
                 std::tuple(std::string("set-up"), size_t(0), size_t(1)));
        QVERIFY(spells[0].effect == Effect::NoRealChange);
        QVERIFY(std::abs(spells[0].change - 1.5) < 1e-9); // from when it was first said to the review after the last
        QVERIFY(spells[1].effect == Effect::Gone);

        spells = of({review("a", "both", false, bend, {cue("image", 12)}),
                     review("b", "both", false, bend, {cue("touch", 7)})});
        QVERIFY(spells[0].effect == Effect::Less && spells[0].change == 5);
        QVERIFY(spells[1].effect == Effect::JustSaid && std::isnan(spells[1].change));

        spells = of({review("a", "both", false, bend, {cue("image", 12)}), review("b", "both", false, bend, {})});
        QVERIFY(spells.size() == 1 && spells[0].effect == Effect::NotTold); // seen, not measured
        spells = of(
            {review("a", "both", false, bend, {cue("prop", 9)}), review("b", "both", false, bend, {cue("prop", 9)})});
        QVERIFY(spells.size() == 1 && spells[0].effect == Effect::NoRealChange); // twice, and it still goes on
        // Said, left out once, said again: two spells.
        spells = of({review("a", "both", false, bend, {cue("image", 9)}), review("b", "both", true, {}, {}),
                     review("c", "both", false, bend, {cue("image", 9)})});
        QCOMPARE(spells.size(), size_t(2));
    }

    void ladder() {
        const Exercise lower = shipped().exercise("leg-lower").value();
        const std::string first = lower.ladder[0].id, second = lower.ladder[1].id;
        const auto story =
            ladderStory(shipped(), lower,
                        {review("2026-03-01", first, false, {}, {}), review("2026-03-08", first, true, {}, {}),
                         review("2026-03-15", second, true, {}, {})},
                        {"pregnancy"}, {});
        QCOMPARE(story.size(), lower.ladder.size());
        QCOMPARE(std::pair(story[0].reviews, story[0].met), std::pair(2, 1));
        QCOMPARE(story[0].last, std::string("2026-03-08"));
        QCOMPARE(story[1].reviews, 1);
        QCOMPARE(story.back().reviews, 0);
        QVERIFY(!story.back().locks.empty()); // two straight legs wait during pregnancy
        QVERIFY(ladderStory(shipped(), lower, {}, {}, {}).back().locks.empty());
    }
};

QTEST_GUILESS_MAIN(ClientStoryTest)
#include "client_story_test.moc"
