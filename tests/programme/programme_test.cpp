// SPDX-License-Identifier: GPL-3.0-or-later
// Programmes: what is proposed and why, what must hold for every client, what comes home, and the files.
#include "answer/calendar.h"
#include "answer/calendar_file.h"
#include "base/dates.h"
#include "base/json.h"
#include "judgement/safety.h"
#include "judgement/targets.h"
#include "programme/phases.h"
#include "programme/practice_note.h"
#include "programme/programme_calendar.h"
#include "programme/programme_letter.h"
#include "programme/propose.h"
#include "programme/then_and_now.h"
#include "support/catalogue.h"
#include "support/schema.h"

#include <QTest>
#include <libical/ical.h>
#include <random>
#include <set>

using namespace deft;
using std::chrono::Friday, std::chrono::Monday, std::chrono::Sunday, std::chrono::Wednesday;

class ProgrammeTest : public QObject {
    Q_OBJECT

    static ProgrammeNeed need(int minutes = 20) {
        ProgrammeNeed n;
        n.from = "2031-05-19", n.minutes = minutes, n.uid = "p-1"; // a Monday
        return n;
    }
    /// One review of an exercise as it was filed.
    static Reviewed reviewed(const std::string& exercise, const std::string& date, const std::string& step,
                             const std::string& version, std::vector<std::string> faults = {}) {
        const auto e = shipped().exercise(exercise).value();
        FiledReview r;
        r.date = date, r.exercise = exercise, r.step = step;
        r.past.date = date, r.past.version = version, r.past.faults = std::move(faults);
        r.past.target = firstTarget(shipped(), e);
        changeVersion(r.past.target, shipped(), e, version, false);
        r.next = r.past.target;
        r.because = {"1 of 3 holds clean"};
        r.arithmetic = {"stay: keep 5 s"};
        return {{r}, {}, {}, {}};
    }
    static const Language& english() { return *shipped().language("en"); }
    static bool says(const ProgrammeItem& item, const std::string& words) {
        return std::any_of(item.because.begin(), item.because.end(),
                           [&](const Message& why) { return english().say(why).find(words) != std::string::npos; });
    }
    static std::string whyLeftOut(const ProposedProgramme& p, const std::string& exercise) {
        for (const LeftOut& l : p.leftOut)
            if (l.exercise == exercise) return english().say(l.why);
        return "";
    }
    static ProposedProgramme proposed(const ProgrammeNeed& n) {
        auto p = proposeProgramme(shipped(), n);
        if (!p) qFatal("%s", p.error().detail().c_str());
        return *p;
    }
    /// What the shipped schema of a format says of a document; empty = nothing against it.
    static std::string againstSchema(const char* format, const Json& document) {
        const auto ok = test::shippedSchema(format).check(document, "document");
        return ok ? "" : ok.error().detail();
    }
    static std::chrono::sys_days day(const char* iso) { return *parseDate(iso); }

private slots:
    /// Position first, then front, back, sides, the whole, a stretch (common practice, no published source).
    void somebodyNewGetsASeries() {
        const auto p = proposed(need(60)).programme;
        std::vector<SeriesPart> parts;
        for (const ProgrammeItem& i : p.items) {
            parts.push_back(shipped().exercise(i.exercise)->series->part);
            QVERIFY2(!i.because.empty() && !i.watch.empty(), i.exercise.c_str());
        }
        QCOMPARE(parts.size(), size_t(6));
        QVERIFY(std::is_sorted(parts.begin(), parts.end()));
        QCOMPARE(p.days, (std::vector{Monday, Wednesday, Friday}));
        QCOMPARE(p.items.front().exercise, std::string("pelvic-tilt"));
    }
    void whatIsUnderReviewGoesOnWithItsTargetAndSums() {
        auto n = need();
        n.record = {reviewed("bridge", "2031-05-12", "stay", "both")};
        n.record[0].reviews[0].next.hold_s = 10;
        n.record[0].reviews[0].past.cues = {{"back-bend", "image", 12, 2}};
        const auto p = proposed(n).programme;
        const ProgrammeItem* bridge = p.find("bridge");
        QVERIFY(bridge);
        QCOMPARE(*bridge->target.hold_s, 10.0);
        QCOMPARE(bridge->rest_s, 10.0); // a rest as long as the hold: common practice, no published source
        QVERIFY(says(*bridge, "1 of 3 holds clean") && says(*bridge, "keep 5 s"));
        const auto form = exerciseOf(shipped(), *bridge).value();
        std::string given;
        for (const Cue& c : form.fault("back-bend")->cues)
            if (c.level == "image") given = c.text;
        QCOMPARE(bridge->watch, given);
    }
    void aFindingIsAnswered() {
        auto n = need();
        n.record = {reviewed("one-leg-stand", "2031-05-12", "stay", "wide", {"hip-drop"})};
        const auto p = proposed(n).programme;
        const ProgrammeItem* plank = p.find("side-plank");
        QVERIFY(plank && says(*plank, "hip"));
        // Of a posture scan, which is looked at and not practised, only the answers come.
        n.record = {reviewed("posture-scan", "2031-05-12", "stay", "free", {"arched-standing"})};
        const auto q = proposed(n).programme;
        QVERIFY(!q.find("posture-scan") && q.find("pelvic-tilt") && q.find("hip-stretch"));
    }
    /// What a client comes for has an exercise for each part that serves it, before what only fills a gap, and says so.
    void goalsSteer() {
        auto n = need(60);
        const auto plain = proposed(n).programme;
        QVERIFY(!plain.find("curl-up") && !plain.find("arm-leg-reach"));
        n.goals = {"low-back"};
        const auto p = proposed(n).programme;
        QCOMPARE(p.goals, n.goals);
        for (const char* id : {"curl-up", "arm-leg-reach", "side-plank"}) { // front, back, side
            const ProgrammeItem* item = p.find(id);
            QVERIFY2(item && says(*item, "a low back that stays quiet"), id);
        }
        QVERIFY(!p.find("march") && !p.find("bridge")); // their parts are served
        // Ten minutes: what is wanted stays, what fills a gap goes.
        n.minutes = 10;
        const auto quick = proposed(n).programme;
        QVERIFY(quick.find("curl-up") && !quick.find("hip-stretch"));
        // A finding comes first, and what is locked is told with its reason.
        n.minutes = 60, n.flags = {"pregnancy"};
        const auto expecting = proposed(n);
        QVERIFY(whyLeftOut(expecting, "curl-up").find("pregnancy") != std::string::npos);
        for (const ProgrammeItem& item : expecting.programme.items)
            QVERIFY(locksOf(shipped(), *shipped().exercise(item.exercise), item.target.version, n.flags, {}).empty());
        // Another goal, other exercises; every goal there is finds some.
        for (const auto& [id, name] : shipped().goals()) {
            auto other = need(60);
            other.goals = {id};
            const auto its = proposed(other).programme;
            const auto count = std::count_if(its.items.begin(), its.items.end(),
                                             [&](const ProgrammeItem& i) { return says(i, "“" + name + "”"); });
            QVERIFY2(count >= 2, id.c_str());
        }
    }
    void painStopsItsExerciseAndARedFlagEverything() {
        auto n = need();
        n.record = {reviewed("bridge", "2031-05-12", "stop", "both")};
        const auto p = proposed(n);
        QVERIFY(!p.programme.find("bridge"));
        QVERIFY(whyLeftOut(p, "bridge").find("stopped") != std::string::npos);
        n.record[0].note.redFlags = {"fever"};
        const auto none = proposeProgramme(shipped(), n);
        QVERIFY(!none);
        QCOMPARE(none.error().code, Errc::Unsupported);
        QVERIFY(none.error().detail().find("fever") != std::string::npos);
    }
    void locks() {
        auto n = need(60);
        n.flags = {"pregnancy"};
        n.record = {reviewed("curl-up", "2031-05-12", "stay", "tips"),
                    reviewed("leg-lower", "2031-05-12", "up", "two-bent")};
        const auto p = proposed(n);
        QVERIFY(!p.programme.find("curl-up") && !whyLeftOut(p, "curl-up").empty());
        // The nearest version that is open takes the place of one that is locked.
        const ProgrammeItem* lower = p.programme.find("leg-lower");
        QVERIFY(lower);
        QCOMPARE(lower->target.version, std::string("one-bent"));
        QVERIFY(says(*lower, "locked by pregnancy"));
    }
    /// Two weeks away: a version back. Common practice, no published source; each edge.
    void afterABreakAVersionEasier() {
        auto n = need();
        for (const auto& [date, version] : {std::pair{"2031-05-18", "hold"},
                                            {"2031-05-12", "hold"},
                                            {"2031-05-07", "hold"},
                                            {"2031-05-06", "hold"},
                                            {"2031-05-05", "both"},
                                            {"2031-05-04", "both"},
                                            {"2031-03-01", "both"}}) {
            n.record = {reviewed("bridge", date, "stay", "hold")};
            const ProgrammeItem* bridge = nullptr;
            const auto p = proposed(n).programme;
            bridge = p.find("bridge");
            QVERIFY(bridge);
            QCOMPARE(bridge->target.version, std::string(version));
            QCOMPARE(says(*bridge, "two weeks or more away"), std::string(version) == "both");
        }
        n.lastPractised = "2031-05-10"; // it was done although nothing was filmed
        QCOMPARE(proposed(n).programme.find("bridge")->target.version, std::string("hold"));
    }
    /// Less than half of the days, or more than were asked for: a step up waits (chosen here; each edge).
    void nothingGetsHarderForDaysThatWereNotKept() {
        for (const auto& [asked, done, waits] : {std::tuple{6, 2, true}, {6, 3, false}, {6, 6, false}, {6, 7, true}}) {
            auto n = need();
            n.record = {reviewed("bridge", "2031-05-12", "up", "both")};
            n.record[0].reviews[0].next.version = "hold";
            n.practice = Practice{asked, done};
            const auto p = proposed(n).programme;
            QCOMPARE(p.find("bridge")->target.version, std::string(waits ? "both" : "hold"));
        }
    }
    /// The day of the next clip: the programme's, where that comes after the answer; else a week after it.
    void whenTheNextClipIsDue() {
        for (const auto& [answered, planned, due] : {std::tuple{"2031-05-12", "", "2031-05-19"},
                                                     {"2031-05-12", "2031-05-13", "2031-05-13"},
                                                     {"2031-05-12", "2031-06-13", "2031-06-13"},
                                                     {"2031-05-12", "2031-05-12", "2031-05-19"},
                                                     {"2031-05-12", "2031-05-11", "2031-05-19"},
                                                     {"2031-05-12", "soon", "2031-05-19"},
                                                     {"2031-02-24", "", "2031-03-03"}})
            QCOMPARE(isoDate(*nextClipDay(answered, planned)), std::string(due));
        QVERIFY(!nextClipDay("", "2031-05-13"));
    }
    void fewerMinutesFewerThings() {
        auto n = need(5);
        n.record = {reviewed("bridge", "2031-05-12", "stay", "both")};
        const auto p = proposed(n);
        QVERIFY(p.programme.find("bridge")); // what is under review comes first
        QVERIFY(secondsOf(shipped(), p.programme) <= 300);
        QVERIFY(std::any_of(p.leftOut.begin(), p.leftOut.end(),
                            [](const LeftOut& l) { return inEnglish(l.why).find("time") != std::string::npos; }));
    }
    /// No programme holds a locked version, a harder one than was decided, or more minutes than were given; each is one
    /// that its own file can be read back from.
    void holdsForAThousandClients() {
        std::mt19937 random(7);
        std::vector<std::string> flags;
        for (const auto& [id, flag] : shipped().safety().flags) flags.push_back(id);
        const auto& ids = shipped().exerciseIds();
        int items = 0;
        for (int client = 0; client < 1000; ++client) {
            ProgrammeNeed n = need(int(3 + random() % 40));
            for (const std::string& flag : flags)
                if (random() % 8 == 0) n.flags.push_back(flag);
            for (const auto& [goal, name] : shipped().goals())
                if (random() % 4 == 0) n.goals.push_back(goal);
            for (const auto d : {Monday, Wednesday, Friday, Sunday})
                if (random() % 2) n.days.push_back(d);
            for (size_t k = random() % 4; k > 0; --k) {
                const auto e = shipped().exercise(ids[random() % ids.size()]).value();
                const char* steps[] = {"stop", "ask-again", "back", "stay", "up"};
                auto r = reviewed(e.id, random() % 4 ? "2031-05-12" : "2031-04-12", steps[random() % 5],
                                  e.ladder[random() % e.ladder.size()].id);
                if (!e.faults.empty() && random() % 2)
                    r.reviews[0].past.faults = {e.faults[random() % e.faults.size()].id};
                if (std::none_of(n.record.begin(), n.record.end(),
                                 [&](const Reviewed& other) { return other.reviews[0].exercise == e.id; }))
                    n.record.push_back(std::move(r));
            }
            if (random() % 3 == 0) n.practice = Practice{6, int(random() % 9)};
            const ProposedProgramme p = proposed(n);
            QVERIFY(secondsOf(shipped(), p.programme) <= 60.0 * n.minutes);
            QVERIFY(p.programme.items.size() <= kMostProposed);
            std::set<std::string> once;
            for (const ProgrammeItem& i : p.programme.items) {
                ++items;
                QVERIFY(once.insert(i.exercise).second);
                QVERIFY(!i.because.empty());
                const auto e = shipped().exercise(i.exercise).value();
                QVERIFY2(locksOf(shipped(), e, i.target.version, n.flags, {}).empty(), i.exercise.c_str());
                const Reviewed* r = nullptr;
                for (const Reviewed& one : n.record)
                    if (one.reviews[0].exercise == i.exercise) r = &one;
                if (!r) {
                    QVERIFY(e.versionIndex(i.target.version) <= e.versionIndex(e.startVersion));
                    continue;
                }
                QVERIFY(r->reviews[0].step != "stop");
                QVERIFY(e.versionIndex(i.target.version) <= e.versionIndex(r->reviews[0].next.version));
                QVERIFY(i.target.sets <= std::max(r->reviews[0].next.sets, r->reviews[0].past.target.sets) ||
                        i.target.version != r->reviews[0].next.version);
            }
            const auto again = parseProgramme(shipped(), toJson(p.programme), "made");
            QVERIFY2(again, again ? "" : again.error().detail().c_str());
            if (client % 50 == 0) QCOMPARE(againstSchema("programme", toJson(*again)), std::string());
            QVERIFY(toJson(*again) == toJson(p.programme));
            for (size_t at = 0; at < p.programme.items.size() && client % 20 == 0; ++at)
                for (const ProgrammeItem& other : insteadOf(shipped(), n, p.programme, at))
                    QVERIFY(locksOf(shipped(), shipped().exercise(other.exercise).value(), other.target.version,
                                    n.flags, {})
                                .empty());
        }
        QVERIFY(items > 2500); // most of them have something to do
    }

    /// What runs follows what was reviewed since, and nothing else of it changes.
    void aRunningProgrammeFollows() {
        auto n = need();
        n.record = {reviewed("bridge", "2031-05-12", "stay", "both")};
        const Programme running = proposed(n).programme;
        n.from = "2031-06-02", n.uid = "p-2", n.lastPractised = "2031-06-01";
        QVERIFY(growProgramme(shipped(), n, running)->programme == running); // nothing was filed since
        n.record[0].reviews.push_back(reviewed("bridge", "2031-05-30", "up", "both").reviews[0]);
        n.record[0].reviews[1].next.hold_s = 10;
        n.record[0].reviews[1].arithmetic = {"up: next rung 10 s"};
        const auto grown = growProgramme(shipped(), n, running)->programme;
        QCOMPARE(grown.items.size(), running.items.size());
        QCOMPARE(grown.uid, std::string("p-2"));
        QCOMPARE(grown.from, n.from);
        QCOMPARE(grown.weeks, 2); // what is left of four
        for (size_t i = 0; i < grown.items.size(); ++i)
            if (grown.items[i].exercise == "bridge")
                QVERIFY(*grown.items[i].target.hold_s == 10 && says(grown.items[i], "next rung 10 s"));
            else
                QVERIFY(grown.items[i] == running.items[i]);
        // Three weeks away: all of it a version easier, as far as there is one.
        n.from = "2031-06-13", n.lastPractised = "2031-05-20";
        n.record[0].reviews.pop_back();
        n.record[0].reviews[0].date = "2031-05-12";
        const Programme easier = growProgramme(shipped(), n, running)->programme;
        for (const ProgrammeItem& i : easier.items)
            QVERIFY2(says(i, "two weeks or more away") || i.target.sets == 1, i.exercise.c_str());
        // It hurt: that exercise goes.
        n.record[0].note.pain = true;
        const Programme without = growProgramme(shipped(), n, running)->programme;
        QVERIFY(!without.find("bridge"));
    }

    /// At the end what was filed before is filmed again; of somebody new, what everybody is looked at in first.
    void lookAgain() {
        auto n = need();
        auto p = proposed(n).programme;
        QVERIFY(p.lookAgain);
        QCOMPARE(p.lookAgain->on, std::string("2031-06-13")); // the last Friday of four weeks
        QCOMPARE(p.lookAgain->exercises,
                 (std::vector<std::string>{"posture-scan", "one-leg-stand", "prone-leg-lift", "forearm-plank"}));
        n.flags = {"pregnancy"};
        const auto careful = proposed(n).programme.lookAgain->exercises;
        QVERIFY(std::find(careful.begin(), careful.end(), "prone-leg-lift") == careful.end());
        n.record = {reviewed("bridge", "2031-05-12", "stay", "both"),
                    reviewed("march", "2031-05-12", "stop", "tabletop")};
        p = proposed(n).programme;
        QCOMPARE(p.lookAgain->exercises, std::vector<std::string>{"bridge"});
        QVERIFY(parseProgramme(shipped(), toJson(p), "made")->lookAgain == p.lookAgain);
        const auto letter = programmeLetter(shipped(), p);
        QVERIFY(letter && letter->find("again"));
        QCOMPARE(letter->find("again")->text,
                 std::string("On Friday 13 June film once more, the same way as before: Bridge, both feet."));
        p.lookAgain.reset();
        QVERIFY(!programmeLetter(shipped(), p)->find("again"));
    }

    /// Letter, sheet and calendar in the client's language, with what to watch; numbers of the day in its way, too.
    void inTheClientsLanguage() {
        const Programme p = proposed(need()).programme;
        for (const auto& [code, word] : {std::pair{"de", "Wochen"}, {"es", "semanas"}, {"fr", "semaines"}}) {
            PageExtras extras;
            extras.language = code;
            const std::string all = answerText(programmeLetter(shipped(), p, extras).value()) +
                                    practiceSheet(shipped(), p, extras).value() +
                                    programmeCalendar(shipped(), p, 1, "2031-05-18", code).value();
            QVERIFY(all.find(word) != std::string::npos);
            for (const char* english : {" the ", " your ", " and "})
                QVERIFY2(all.find(english) == std::string::npos, (code + all).c_str());
        }
    }

    /// Only a change that both bands cannot explain is one, and only the same version is compared.
    void thenAndNowOfOneExercise() {
        auto first = reviewed("bridge", "2031-03-12", "stay", "both").reviews[0];
        first.readings = {{"pelvis_on_trunk", "worst", 14, 1, "deg"}, {"clean_hold", "least", 4, 0.2, "s"}};
        auto last = first;
        last.date = "2031-05-12";
        last.readings = {{"pelvis_on_trunk", "worst", 13.5, 1, "deg"}, {"clean_hold", "least", 9, 0.2, "s"}};
        auto between = first;
        between.past.version = "pad";
        const auto pair = thenAndNow(shipped(), {between, first, last});
        QVERIFY(pair);
        QCOMPARE(pair->then.date, first.date);
        QCOMPARE(pair->differences.size(), size_t(2));
        QVERIFY(pair->differences[0].verdict == Difference::Verdict::WithinBand);
        QVERIFY(pair->differences[1].verdict == Difference::Verdict::Real && pair->differences[1].better == true);
        const std::string page = thenAndNowPage(*shipped().language("en"), "R <b>", {*pair}, {});
        for (const char* part :
             {"R &lt;b&gt;", "within the ± of both", "better", "Wednesday 12 March", "Monday 12 May"})
            QVERIFY2(page.find(part) != std::string::npos, part);
        QVERIFY(!thenAndNow(shipped(), {between, last}));
        QVERIFY(!thenAndNow(shipped(), {last}));
    }

    /// By hand: 3 holds of 5 s with as long a rest, out and back in the file's tempo.
    void phasesOfABridge() {
        ProgrammeItem item{"bridge", {}, 5, "", {}};
        item.target.version = "both", item.target.sets = 3, item.target.hold_s = 5;
        const auto e = exerciseOf(shipped(), item).value();
        const auto phases = phasesOf(e, item);
        QCOMPARE(phases.size(), size_t(1 + 3 * 3 + 2));
        QCOMPARE(phases[0].kind, Phase::Kind::Ready);
        QCOMPARE(phases[2].kind, Phase::Kind::Hold);
        QCOMPARE(phases[2].seconds, 5.0);
        QCOMPARE(phases[4].kind, Phase::Kind::Rest);
        QCOMPARE(secondsOf(e, item), 10 + 3 * (e.tempoOut_s.value_or(1.5) + 5 + e.tempoBack_s) + 2 * 5.0);
    }
    void bothSidesTheWeakOneFirst() {
        ProgrammeItem item{"one-leg-stand", {}, 5, "", {}};
        item.target.version = "wide", item.target.sets = 2, item.target.hold_s = 5, item.target.firstSide = "right";
        std::string order;
        for (const Phase& p : phasesOf(exerciseOf(shipped(), item).value(), item))
            if (p.kind == Phase::Kind::Hold) order += p.side + std::to_string(p.set) + " ";
        QCOMPARE(order, std::string("right1 left1 right2 left2 "));
    }
    void anItemWithFewerDaysIsSpread() {
        Programme p;
        p.from = "2031-05-19", p.weeks = 2, p.days = {Monday, Wednesday, Friday};
        p.items.resize(3);
        p.items[0].target.daysPerWeek = 7, p.items[1].target.daysPerWeek = 2, p.items[2].target.daysPerWeek = 1;
        QCOMPARE(itemsOn(p, size_t(0)), (std::vector<size_t>{0, 1, 2}));
        QCOMPARE(itemsOn(p, size_t(1)), (std::vector<size_t>{0}));
        QCOMPARE(itemsOn(p, size_t(2)), (std::vector<size_t>{0, 1}));
        QCOMPARE(itemsOn(p, day("2031-05-20")), std::vector<size_t>{});
        QCOMPARE(practiceDays(p).size(), size_t(6));
        QCOMPARE(weekOf(p, day("2031-05-18")), -1);
        QCOMPARE(weekOf(p, day("2031-05-25")), 0);
        QCOMPARE(endOf(p), day("2031-06-02"));
    }

    void whatComesHome() {
        const Json note = {
            {"format", "deft-mirror-practice"},
            {"version", 1},
            {"client_id", "c-1"},
            {"programme", "p-1"},
            {"days",
             {{{"day", "2031-05-21"}, {"items", Json::array()}, {"pain", true}, {"where", "low back"}},
              {{"day", "2031-05-19"},
               {"items", {{{"exercise", "bridge"}, {"version", "both"}, {"sets", 3}, {"effort", "right"}}}}}}}};
        const auto read = parsePracticeNote(shipped(), note, "note");
        QVERIFY2(read, read ? "" : read.error().detail().c_str());
        QCOMPARE(againstSchema("practice", toJson(*read)), std::string());
        QCOMPARE(read->days.size(), size_t(2));
        QCOMPARE(read->days[0].day, std::string("2031-05-19")); // in order
        QVERIFY(read->days[0].isDone() && !read->days[0].isAlarming());
        QVERIFY(!read->days[1].isDone() && read->days[1].isAlarming());
        QVERIFY(*parsePracticeNote(shipped(), toJson(*read), "again") == *read);
        QVERIFY(parseJson(noteInText("Practice of Ruta\n\n" + toLine(note) + "\nSent from my phone"), "mail").value() ==
                note);
    }
    void badNotes_data() {
        QTest::addColumn<QString>("path");
        QTest::addColumn<QString>("change");
        QTest::newRow("an unknown exercise") << "/days/0/items/0/exercise"
                                             << R"("bench-press")";
        QTest::newRow("an unknown version") << "/days/0/items/0/version"
                                            << R"("sky")";
        QTest::newRow("an unknown place") << "/days/0/items/0/felt"
                                          << R"(["nose"])";
        QTest::newRow("no day") << "/days/0/day"
                                << R"("yesterday")";
        QTest::newRow("too many sets") << "/days/0/items/0/sets"
                                       << "900";
        QTest::newRow("sets as text") << "/days/0/items/0/sets"
                                      << R"("3")";
        QTest::newRow("an unknown red flag") << "/days/0/red_flags"
                                             << R"(["bored"])";
        QTest::newRow("an unknown effort") << "/days/0/items/0/effort"
                                           << R"("meh")";
        QTest::newRow("days as text") << "/days"
                                      << R"("all")";
        QTest::newRow("a member nobody knows") << "/days/0/sleep"
                                               << "8";
    }
    void badNotes() {
        QFETCH(QString, path);
        QFETCH(QString, change);
        Json note = {{"format", "deft-mirror-practice"},
                     {"version", 1},
                     {"client", "Ruta"},
                     {"programme", "p-1"},
                     {"days", {{{"day", "2031-05-19"}, {"items", {{{"exercise", "bridge"}, {"sets", 3}}}}}}}};
        QVERIFY(parsePracticeNote(shipped(), note, "note"));
        note[Json::json_pointer(path.toStdString())] = parseJson(change.toStdString(), "change").value();
        const auto read = parsePracticeNote(shipped(), note, "note");
        QVERIFY(!read);
        // The schema knows the form, not the trade.
        const bool ofTheTrade = path.contains(QStringLiteral("exercise")) || path.contains(QStringLiteral("version")) ||
                                path.contains(QStringLiteral("felt")) || path.contains(QStringLiteral("red_flags"));
        QCOMPARE(againstSchema("practice", note).empty(), ofTheTrade);
        // The complaint names the place, or the list that it lies in.
        QVERIFY2(read.error().detail().find("note: /days") == 0, read.error().detail().c_str());
    }
    void badProgrammes_data() {
        QTest::addColumn<QString>("path");
        QTest::addColumn<QString>("change");
        QTest::newRow("an unknown goal") << "/goals"
                                         << R"(["fame"])";
        QTest::newRow("a reminder that is a letter") << "/reminder" << QStringLiteral("\"%1\"").arg(QString(301, 'x'));
        QTest::newRow("no weeks") << "/weeks"
                                  << "0";
        QTest::newRow("a day twice") << "/days"
                                     << R"(["mon","mon"])";
        QTest::newRow("no day of the week") << "/days"
                                            << R"(["moon"])";
        QTest::newRow("no days") << "/days"
                                 << "[]";
        QTest::newRow("no date") << "/from"
                                 << R"("2031-02-30")";
        QTest::newRow("an unknown version") << "/items/0/target/rung"
                                            << R"("sky")";
        QTest::newRow("only looked at") << "/items/0/exercise"
                                        << R"("posture-scan")";
        QTest::newRow("no dose") << "/items/0/target"
                                 << R"({"rung":"both","sets":1})";
        QTest::newRow("a long rest") << "/items/0/rest_s"
                                     << "1e6";
        QTest::newRow("a member nobody knows") << "/colour"
                                               << R"("red")";
    }
    void badProgrammes() {
        QFETCH(QString, path);
        QFETCH(QString, change);
        auto n = need();
        n.record = {reviewed("bridge", "2031-05-12", "stay", "both")};
        Programme p = proposed(n).programme;
        p.items = {*p.find("bridge")};
        Json document = toJson(p);
        QVERIFY(parseProgramme(shipped(), document, "programme"));
        document[Json::json_pointer(path.toStdString())] = parseJson(change.toStdString(), "change").value();
        const auto read = parseProgramme(shipped(), document, "programme");
        QVERIFY(!read);
        QVERIFY2(read.error().detail().find("programme: /") == 0, read.error().detail().c_str());
    }

    void weeksThatWereDone() {
        Programme p;
        p.from = "2031-05-19", p.weeks = 3, p.days = {Monday, Wednesday, Friday};
        const auto told = [](const char* iso, int sets, bool pain = false) {
            return PractisedDay{iso, {{"bridge", "both", sets, "", {}}}, pain, "", {}, ""};
        };
        const std::vector<PractisedDay> days = {told("2031-05-19", 3), told("2031-05-20", 1), told("2031-05-23", 0),
                                                told("2031-05-26", 2, true)};
        const auto weeks = weeksDone(p, days, day("2031-05-28"));
        QCOMPARE(weeks.size(), size_t(2));
        QCOMPARE(weeks[0].asked, 3);
        QCOMPARE(weeks[0].done, 2);  // a day more than asked counts, one without a set does not
        QCOMPARE(weeks[1].asked, 1); // Wednesday is today
        QCOMPARE(weeks[1].done, 1);
        QVERIFY(weeks[1].pain && !weeks[0].pain);
    }
    void practiceBeforeAClip() {
        Programme p;
        p.from = "2031-05-19", p.weeks = 4, p.days = {Monday, Wednesday, Friday};
        p.items = {{"bridge", {}, 5, "", {}}};
        p.items[0].target.daysPerWeek = 3;
        const std::vector<PractisedDay> days = {{"2031-05-19", {{"bridge", "both", 3, "", {}}}, false, "", {}, ""},
                                                {"2031-05-21", {{"march", "", 3, "", {}}}, false, "", {}, ""}};
        QCOMPARE(practiceOf({p}, days, "bridge", day("2031-06-02")), (std::optional<Practice>{{6, 1}}));
        QVERIFY(!practiceOf({p}, days, "march", day("2031-06-02"))); // was not asked for
        QVERIFY(!practiceOf({p}, {}, "bridge", day("2031-06-02")));  // nothing was told
        // Fewer days are asked for where the programme is younger than two weeks.
        QCOMPARE(practiceOf({p}, days, "bridge", day("2031-05-22")), (std::optional<Practice>{{2, 1}}));
        // A newer programme takes the older one's place from its first day on.
        Programme q = p;
        q.from = "2031-05-26", q.days = {Monday};
        QCOMPARE(practiceOf({p, q}, days, "bridge", day("2031-06-02")), (std::optional<Practice>{{4, 1}}));
    }

    void calendar() {
        auto n = need();
        n.weeks = 2;
        const auto p = proposed(n).programme;
        const auto text = programmeCalendar(shipped(), p, 3, "2031-05-18");
        QVERIFY(text);
        QCOMPARE(*text, *programmeCalendar(shipped(), p, 3, "2031-05-18"));
        // In the client's own words, where there are any; the minutes stand below them.
        Programme own = p;
        own.reminder = "Before the van leaves: my mat, ten minutes";
        const auto told = programmeCalendar(shipped(), own, 3, "2031-05-18");
        QVERIFY(text->find("SUMMARY:Practice\\, ") != std::string::npos);
        QVERIFY(told->find("SUMMARY:Practice") == std::string::npos);
        QVERIFY(told->find("SUMMARY:Before the van leaves: my mat\\, ten minutes") != std::string::npos);
        QVERIFY(told->find("DESCRIPTION:Practice\\, ") != std::string::npos);
        QCOMPARE(parseProgramme(shipped(), toJson(own), "own")->reminder, own.reminder);
        icalcomponent* parsed = icalparser_parse_string(text->c_str());
        QVERIFY(parsed);
        std::set<std::string> uids;
        int events = 0;
        for (icalcomponent* e = icalcomponent_get_first_component(parsed, ICAL_VEVENT_COMPONENT); e;
             e = icalcomponent_get_next_component(parsed, ICAL_VEVENT_COMPONENT)) {
            ++events;
            uids.insert(icalcomponent_get_uid(e));
            QCOMPARE(icalcomponent_get_sequence(e), 3);
            QVERIFY(icalcomponent_get_dtstart(e).is_date);
        }
        icalcomponent_free(parsed);
        QCOMPARE(events, 7); // six days of practice and the clip
        QCOMPARE(uids.size(), size_t(7));
    }
};

QTEST_APPLESS_MAIN(ProgrammeTest)
#include "programme_test.moc"
