// SPDX-License-Identifier: GPL-3.0-or-later
// One letter for the clips of a visit. At most three corrections, upstream first, one target an exercise: common
// practice, no published source.
#include "answer/answer.h"
#include "answer/calendar.h"
#include "answer/mail.h"
#include "support/scene_review.h"

#include <QTest>
#include <random>
#include <set>

using namespace deft;
using namespace deft::test;

class VisitTest : public QObject {
    Q_OBJECT
    std::vector<Review> all_; // one of each position

    static std::vector<const AnswerPart*> corrections(const Answer& a) {
        std::vector<const AnswerPart*> out;
        for (const AnswerPart& p : a.parts)
            if (isCorrection(p) && p.sent) out.push_back(&p);
        return out;
    }
    static int count(const std::string& in, const std::string& what) {
        int n = 0;
        for (size_t at = in.find(what); at != std::string::npos; at = in.find(what, at + 1)) ++n;
        return n;
    }

private slots:
    void initTestCase() {
        all_.push_back(sceneReview("ruta-bridge-may", "bridge"));
        all_.push_back(sceneReview("tomas-plank-may", "forearm-plank"));
        all_.push_back(sceneReview("wim-reach-may", "arm-leg-reach"));
        all_.push_back(sceneReview("saoirse-stand-may", "one-leg-stand"));
        for (const Review& r : all_) QVERIFY2(!r.decision.cues.empty(), r.inputs.exercise.c_str());
    }

    void ofOneItIsItsAnswer() { QCOMPARE(answerText(composeVisit({&all_[0]})), answerText(composeAnswer(all_[0]))); }

    void oneLetter() {
        const Answer a = composeVisit({&all_[0], &all_[1], &all_[3]});
        const std::string text = answerText(a);
        for (const char* once : {"Hello Ruta, thank you for your three clips.", "Stop if you feel pain", "Next clips",
                                 "Jonna", "no medical device"})
            QCOMPARE(count(text, once), 1);
        QCOMPARE(a.parts.front().id, std::string("greeting"));
        QCOMPARE(a.parts.back().id, std::string("close"));
        // The first correction of each exercise comes before the second of any.
        const auto told = corrections(a);
        QCOMPARE(told.size(), size_t(3));
        std::set<int> of;
        for (size_t i = 0; i < told.size(); ++i) {
            of.insert(told[i]->of);
            QVERIFY(told[i]->title.starts_with("Correction " + std::to_string(i + 1) + ": "));
            for (const AnswerPicture& p : told[i]->pictures) QCOMPARE(p.of, told[i]->of);
        }
        QCOMPARE(of.size(), size_t(3));
        // Headings stand once, above the first of their kind.
        const std::string html = answerHtml(a, {});
        for (const char* heading : {"What went well", "What to work on", "What to do next", "When to stop"})
            QCOMPARE(count(html, std::string("<h2>") + heading), 1);
        QCOMPARE(count(html, "<section>"), count(html, "</section>"));
        QCOMPARE(count(html, "<li>"), 3);
        // A mail's subject names them all.
        QVERIFY(answerMail(a, {}, {})->find("Subject:") != std::string::npos);
        QCOMPARE(a.exerciseName,
                 all_[0].exercise.name + "; " + all_[1].exercise.name + " and " + all_[3].exercise.name);
    }

    /// What found no room is not spoken of as if it stood above, and the coach is told that it waits.
    void whatFindsNoRoom() {
        const Answer a = composeVisit({&all_[0], &all_[1], &all_[2], &all_[3]});
        QCOMPARE(corrections(a).size(), size_t(3));
        const AnswerPart* last = nullptr;
        for (const AnswerPart& p : a.parts)
            if (p.id == "target" && p.of == 3) last = &p;
        QVERIFY(last && last->text.find("first comes what stands above") != std::string::npos);
        QVERIFY(std::any_of(last->facts.begin(), last->facts.end(),
                            [](const std::string& f) { return f.find("enough for one letter") != std::string::npos; }));
    }

    /// A correction that the coach leaves out makes room for another.
    void leftOutByTheCoach() {
        const std::string gone = "correction-" + all_[0].decision.cues[0].fault;
        const Review without =
            sceneReview("ruta-bridge-may", "bridge", [&](ReviewInputs& in) { in.parts[gone] = false; });
        const Answer a = composeVisit({&without, &all_[1], &all_[2], &all_[3]});
        const auto told = corrections(a);
        QCOMPARE(told.size(), size_t(3));
        for (const AnswerPart* p : told) QVERIFY(!(p->of == 0 && p->id == gone));
    }

    /// Each side in a clip of its own: nobody is asked for the side that the other clip shows.
    void aClipForEachSide() {
        const Review left = sceneReview("wim-reach-may", "arm-leg-reach", [](ReviewInputs&in) { in.side = "left"; }),
                     right = sceneReview("wim-reach-may", "arm-leg-reach", [](ReviewInputs&in) { in.side = "right"; });
        QVERIFY(answerText(composeAnswer(left)).find("Please film the right side as well") != std::string::npos);
        const std::string both = answerText(composeVisit({&left, &right}));
        QVERIFY2(both.find("side as well") == std::string::npos, both.c_str());
        QVERIFY(both.find(left.exercise.name + ", left") != std::string::npos);
        QVERIFY(answerText(composeVisit({&left, &all_[0]})).find("side as well") != std::string::npos);
    }

    /// What is left out of the first review takes no heading away from the others.
    void headingsStay() {
        const Review quiet = sceneReview("ruta-bridge-may", "bridge", [](ReviewInputs& in) {
            in.parts["well"] = false, in.parts["target"] = false;
        });
        const std::string html = answerHtml(composeVisit({&quiet, &all_[1]}), {});
        for (const char* heading : {"What went well", "What to do next"})
            QCOMPARE(count(html, std::string("<h2>") + heading), 1);
        QCOMPARE(count(html, "<section>"), count(html, "</section>"));
    }

    /// The same fault in two clips of one exercise is told once.
    void theSameTwice() {
        const Review left = sceneReview("ruta-bridge-may", "bridge", [](ReviewInputs&in) { in.side = "left"; }),
                     right = sceneReview("ruta-bridge-may", "bridge", [](ReviewInputs&in) { in.side = "right"; });
        const Answer a = composeVisit({&left, &right});
        std::set<std::string> ids;
        for (const AnswerPart* p : corrections(a)) QVERIFY2(ids.insert(p->id).second, p->id.c_str());
        QVERIFY(answerText(a).find("I saw the same here: " + left.exercise.name + ", right.") != std::string::npos);
    }

    /// Pain with one clip: that exercise stops, what stops is said before everything else, the others go on.
    void painInOne() {
        const Review hurt =
            sceneReview("saoirse-stand-may", "one-leg-stand", [](ReviewInputs& in) { in.note.pain = true; });
        const Answer a = composeVisit({&all_[0], &hurt});
        for (const AnswerPart* p : corrections(a)) QCOMPARE(p->of, 0);
        for (const AnswerPart& p : a.parts)
            if (p.id == "target") QCOMPARE(p.text.find("leave this exercise out") != std::string::npos, p.of == 1);
        const std::string cautions = a.find("cautions")->text, first = composeAnswer(hurt).find("cautions")->text;
        QCOMPARE(cautions.substr(0, cautions.find('\n')), first.substr(0, first.find('\n')));
        // Nobody is asked to film what is to be left out, in the letter or in the calendar.
        QVERIFY(a.find("next")->text.starts_with("Next clip, " + all_[0].exercise.name + ": "));
        const std::string ics = answerCalendar(a, all_[0].inputs).value();
        QVERIFY(ics.find("Film your next clips") != std::string::npos &&
                ics.find("Film your " + hurt.exercise.name) == std::string::npos);
        QVERIFY(!composeVisit({&hurt, &hurt}).find("next"));
    }

    /// Thanks stand in the greeting and nowhere else.
    void thanksOnce() {
        Review plain = sceneReview("saoirse-stand-may", "one-leg-stand");
        plain.events.reps.clear(), plain.findings = {}, plain.decision.cues.clear();
        QVERIFY(answerText(composeAnswer(plain)).find("Thank you for filming") != std::string::npos);
        QCOMPARE(count(answerText(composeVisit({&all_[0], &plain})), "hank you"), 1);
    }

    void oneDate() {
        const Answer a = composeVisit({&all_[0], &all_[1]});
        const std::string ics = answerCalendar(a, all_[size_t(a.find("next")->of)].inputs).value();
        QCOMPARE(count(ics, "BEGIN:VEVENT"), 1);
        std::string unfolded; // lines are folded (RFC 5545, 3.1)
        for (size_t i = 0; i < ics.size(); ++i)
            ics.compare(i, 3, "\r\n ") == 0 ? void(i += 2) : void(unfolded += ics[i]);
        std::erase(unfolded, '\\'); // before commas
        for (const size_t i : {0u, 1u}) QVERIFY(unfolded.find(all_[i].exercise.name) != std::string::npos);
    }

    /// Any clips in any order: never more than three corrections, a target for each, nobody's stop rule lost, nothing
    /// said twice.
    void anyVisit() {
        std::mt19937 random(7);
        for (int round = 0; round < 60; ++round) {
            std::vector<const Review*> visit;
            for (const Review& r : all_) visit.push_back(&r);
            std::shuffle(visit.begin(), visit.end(), random);
            visit.resize(2 + random() % (visit.size() - 1));
            const Answer a = composeVisit(visit);
            QVERIFY(corrections(a).size() <= 3);
            std::set<int> targets;
            for (const AnswerPart& p : a.parts)
                if (p.id == "target") QVERIFY(targets.insert(p.of).second);
            QCOMPARE(targets.size(), visit.size());
            const std::string cautions = a.find("cautions")->text;
            for (const Review* r : visit) QCOMPARE(count(cautions, r->exercise.stopRule), 1);
            for (size_t i = 0; i < visit.size(); ++i) QVERIFY(!partsOf(a, int(i)).parts.empty());
        }
    }
};

QTEST_APPLESS_MAIN(VisitTest)
#include "visit_test.moc"
