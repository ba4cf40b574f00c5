// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet for a client who has not done an exercise before: whole for every exercise, and never one that is locked.
#include "answer/filming.h"
#include "answer/mail.h"
#include "answer/reminder.h"
#include "answer/sheet.h"
#include "judgement/decision.h"
#include "judgement/safety.h"
#include "support/catalogue.h"

#include <QTest>

using namespace deft;

class SheetTest : public QObject {
    Q_OBJECT

private slots:
    /// Every exercise says how to begin, how often, how to film it and when to stop.
    void wholeForEveryExercise() {
        for (const std::string& id : shipped().exerciseIds()) {
            const Exercise e = shipped().exercise(id).value();
            const auto made =
                exerciseSheet(shipped(), e, firstTarget(shipped(), e), {"Wim Dekker", "Jonna Lind", {}, {}});
            QVERIFY2(made.has_value(), id.c_str());
            const Answer& letter = made->letter;
            for (const char* part : {"greeting", "movement", "set-up", "target", "film", "cautions", "close"}) {
                QVERIFY2(letter.find(part) && letter.find(part)->sent && letter.find(part)->text.size() > 4, part);
                QVERIFY2(letter.find(part)->text.find('{') == std::string::npos, part);
            }
            QVERIFY(letter.find("greeting")->text.starts_with("Hello Wim,"));
            QCOMPARE(letter.find("close")->text, std::string("Jonna"));
            QVERIFY(letter.find("cautions")->text.starts_with(made->exercise.stopRule));
            // More than its first line: something is said in each.
            for (const char* part : {"set-up", "film", "cautions"})
                QVERIFY2(letter.find(part)->text.find('\n') != std::string::npos, (id + " " + part).c_str());
            QCOMPARE(letter.find("movement")->pictures.size(), size_t(made->exercise.start.empty() ? 0 : 2));
        }
    }

    /// How to film: what holds for all of them once, then each place of the phone once, with the exercises it is for.
    void filmingPageOfSeveral() {
        const std::vector<std::string> ids = {"bridge", "march", "one-leg-stand"};
        const Answer page = filmingPage(shipped(), ids, {"Wim Dekker", "Jonna Lind", {}, {}}).value();
        const std::string text = answerText(page);
        const auto count = [&](const std::string& line) {
            int n = 0;
            for (size_t at = text.find(line); at != std::string::npos; at = text.find(line, at + 1)) ++n;
            return n;
        };
        for (const std::string& id : ids) {
            const Exercise e = shipped().exercise(id).value();
            for (const std::string& line : e.filming) QVERIFY2(count(line) >= 1 && count(line) < 3, line.c_str());
        }
        QCOMPARE(count("Wear something close-fitting"), 1);
        QVERIFY(page.find("always") && page.find("words"));
        QVERIFY(text.find("\nOne-leg stand:\nPut the phone") != std::string::npos);
        QVERIFY(answerMail(page, {}, {})->find("Subject: Filming for me") != std::string::npos);
        QVERIFY(!filmingPage(shipped(), {}, {}));
        QCOMPARE(filmingPage(shipped(), {"nothing"}, {}).error().code, Errc::NotFound);
        for (const char* code : {"de", "es", "fr"}) {
            const Answer told = filmingPage(shipped(), shipped().exerciseIds(), {"Wim", "Jonna", {}, {}, code}).value();
            QVERIFY(answerText(told).find(" the ") == std::string::npos);
        }
    }

    /// A version with a file of its own is told from that one: a brace lifts nothing.
    void versionWithItsOwnFile() {
        const Exercise reach = shipped().exercise("arm-leg-reach").value();
        Target target = firstTarget(shipped(), reach);
        QCOMPARE(target.version, std::string("breathing-brace"));
        const Sheet brace = exerciseSheet(shipped(), reach, target, {}).value();
        QCOMPARE(brace.exercise.name, reach.ladder.front().name);
        QVERIFY(brace.exercise.mover.isWindow()); // and no leg is lifted
        QCOMPARE(brace.letter.exerciseName, brace.exercise.name);
        target.version = "leg";
        const Sheet leg = exerciseSheet(shipped(), reach, target, {}).value();
        QCOMPARE(leg.exercise.id, reach.id);
        QVERIFY(leg.letter.find("movement")->text.find(reach.ladder[size_t(reach.versionIndex("leg"))].name) !=
                std::string::npos);
    }

    void target() {
        const Exercise bridge = shipped().exercise("bridge").value();
        const Sheet sheet =
            exerciseSheet(shipped(), bridge, {"hold", 4, std::nullopt, 15.0, std::nullopt, 7}, {}).value();
        QCOMPARE(sheet.letter.find("target")->text,
                 std::string("To begin with: four lifts of 15 seconds, every day, with a good rest between them."));
        QVERIFY(answerText(sheet.letter).find("no medical device") != std::string::npos);
        QVERIFY(answerText(sheet.letter).find("measured the way of") == std::string::npos); // nothing was measured
    }

    void reminderForWhoHasNotWritten() {
        const Exercise bridge = shipped().exercise("bridge").value();
        const Answer letter =
            reminder(shipped().language("en"), bridge, {"hold", 3, std::nullopt, 10.0, std::nullopt, 3}, "Ruta Kalniņa",
                     "Jonna Lind", "2026-05-21");
        const std::string text = answerText(letter);
        for (const char* said : {"Hello Ruta,", "by Thursday 21 May", "three lifts of ten seconds", "\nJonna\n"})
            QVERIFY2(text.find(said) != std::string::npos, said);
        QVERIFY(text.find(bridge.stopRule) != std::string::npos);
    }

    /// What an intake flag locks is not handed out until its readiness list is confirmed; its care always goes along,
    /// but nobody is told "one leg at a time" beside an order for two.
    void lockedAndCare() {
        const Exercise lower = shipped().exercise("leg-lower").value();
        Target both = firstTarget(shipped(), lower);
        both.version = "two-straight";
        const auto refused = exerciseSheet(shipped(), lower, both, {"", "", {"pregnancy"}, {}});
        QVERIFY(!refused);
        QVERIFY(refused.error().detail().find("One straight leg") != std::string::npos); // what is open instead
        QVERIFY(refused.error().detail().find(
                    locksOf(shipped(), lower, both.version, {"pregnancy"}, {}).front().reason) != std::string::npos);
        const std::string care = shipped().safety().flags.at("pregnancy").care;
        const auto cleared = exerciseSheet(shipped(), lower, both, {"", "", {"pregnancy"}, {"pregnancy"}});
        QVERIFY(cleared && cleared->letter.find("cautions")->text.find(care) != std::string::npos);
        const std::string only = shipped().safety().flags.at("pregnancy").untilCleared;
        QVERIFY(!only.empty() && cleared->letter.find("cautions")->text.find(only) == std::string::npos);
        QVERIFY(exerciseSheet(shipped(), lower, both, {}).value().letter.find("cautions")->text.find(care) ==
                std::string::npos);
    }
};

QTEST_GUILESS_MAIN(SheetTest)
#include "sheet_test.moc"
#include "support/catalogue.h"
