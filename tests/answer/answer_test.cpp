// SPDX-License-Identifier: GPL-3.0-or-later
// The message to the client: complete, kind, self-contained, and the same twice.
#include "answer/answer.h"
#include "answer/calendar.h"
#include "answer/correction.h"
#include "answer/mail.h"
#include "answer/own_words.h"
#include "answer/phrases.h"
#include "base/json.h"
#include "exercises/translated.h"
#include "review/review_json.h"
#include "support/catalogue.h"
#include "support/demo_review.h"

#include <QRegularExpression>
#include <QTest>

using namespace deft;
using namespace deft::test;

class AnswerTest : public QObject {
    Q_OBJECT

    static PictureData picture(const AnswerPicture& p) { return {"image/jpeg", "QUJD" + std::to_string(p.frame)}; }

private slots:
    void allParts() {
        const Answer a = composeAnswer(demoReview());
        for (const char* id : {"greeting", "well", "target", "cautions", "next", "close"})
            QVERIFY2(a.find(id) && !a.find(id)->text.empty(), id);
        int corrections = 0;
        for (const AnswerPart& p : a.parts)
            if (p.id.starts_with("correction-")) {
                ++corrections;
                QVERIFY(!p.facts.empty() && !p.pictures.empty());
            }
        QVERIFY(corrections >= 1 && corrections <= kMaxCorrections);
        QVERIFY(a.find("greeting")->text.find("Ruta") != std::string::npos);
        QVERIFY(a.find("cautions")->text.find("Stop if you feel pain") != std::string::npos);
        QVERIFY(a.parts.front().id == "greeting" && a.parts.back().id == "close");
    }

    void numbersInWords() {
        QCOMPARE(said(ordinal(0)), std::string("first"));
        for (const auto& [rep, words] : {std::pair{9, "tenth"},
                                         {10, "11th"},
                                         {11, "12th"},
                                         {12, "13th"},
                                         {20, "21st"},
                                         {21, "22nd"},
                                         {22, "23rd"},
                                         {23, "24th"},
                                         {110, "111th"},
                                         {112, "113th"}})
            QCOMPARE(said(ordinal(rep)), std::string(words));
        QCOMPARE(said(secondsWords(1)), std::string("one second"));
        QCOMPARE(said(secondsWords(5.5)), std::string("5.5 seconds"));
        QCOMPARE(said(secondsWords(12)), std::string("12 seconds"));
    }

    /// Pain stops the exercise: nothing is asked for next, no day is set, and what is said is what happened.
    void stopped() {
        ReviewInputs in = demoInputs();
        in.note.pain = true;
        const Review pain = demoReview(in);
        QCOMPARE(pain.decision.step, std::string("stop"));
        const Answer a = composeAnswer(pain);
        QVERIFY(!a.find("next"));
        QVERIFY(a.find("target")->text.find("I will write to you") != std::string::npos);
        QVERIFY(a.find("target")->text.find("what you felt") != std::string::npos);
        for (const AnswerPart& p : a.parts)
            for (const std::string& fact : p.facts)
                QVERIFY2(fact.find("no pain named") == std::string::npos, fact.c_str());
        QCOMPARE(answerCalendar(a, pain.inputs).error().code, Errc::Unsupported);
        ReviewInputs sign = demoInputs();
        sign.note.signs = {"doming"};
        QVERIFY(composeAnswer(demoReview(sign)).find("target")->text.find("felt") == std::string::npos);
        // A part that the coach leaves out sets no day either.
        ReviewInputs out = demoInputs();
        out.parts["next"] = false;
        const Review left = demoReview(out);
        QVERIFY(!answerCalendar(composeAnswer(left), left.inputs));
    }

    /// Days count from the answer; the stamp of a calendar entry is a time (RFC 5545, 3.8.7.2).
    void daysCountFromTheAnswer() {
        ReviewInputs in = demoInputs();
        in.answered = "2026-05-06"; // the clip is of 30 April
        const Review r = demoReview(in);
        const Answer a = composeAnswer(r);
        QVERIFY2(a.find("next")->text.find("Wednesday 13 May") != std::string::npos, a.find("next")->text.c_str());
        const std::string calendar = answerCalendar(a, r.inputs).value();
        QVERIFY(calendar.find("DTSTAMP:20260506T000000Z") != std::string::npos);
        QVERIFY(calendar.find("DTSTART;VALUE=DATE:20260513") != std::string::npos);
    }

    /// A page is read by its headings, and its pictures stand beside each other where there is room.
    void pageIsInSections() {
        const QString html = QString::fromStdString(answerHtml(composeAnswer(demoReview()), picture));
        QCOMPARE(html.count(QLatin1String("<h1>")), 1);
        QVERIFY(html.count(QLatin1String("<h2>")) >= 4);
        QCOMPARE(html.count(QLatin1String("<section>")), html.count(QLatin1String("</section>")));
        QCOMPARE(html.count(QLatin1String("<ol>")), 1);
        QVERIFY(html.indexOf(QLatin1String("</ol>")) < html.indexOf(QLatin1String("What to do next")));
        QVERIFY(html.contains(
            QRegularExpression(QStringLiteral("<div class=\"pictures\">\\s*<figure.*</figure>\\s*<figure"),
                               QRegularExpression::DotMatchesEverythingOption)));
    }

    void pageNeedsNothingElse() {
        const Answer a = composeAnswer(demoReview());
        const QString html = QString::fromStdString(answerHtml(a, picture));
        QVERIFY(html.startsWith(QLatin1String("<!DOCTYPE html>"), Qt::CaseInsensitive));
        QVERIFY(html.contains(QLatin1String("charset"), Qt::CaseInsensitive) &&
                html.contains(QLatin1String("lang=\"en\"")));
        // Every picture is inside the page, with words for those who cannot see it.
        auto images = QRegularExpression(QStringLiteral("<img [^>]*>")).globalMatch(html);
        int count = 0;
        while (images.hasNext()) {
            const QString image = images.next().captured();
            QVERIFY(image.contains(QLatin1String("src=\"data:image/jpeg;base64,")));
            QVERIFY(image.contains(QRegularExpression(QStringLiteral("alt=\"[^\"]+\""))));
            ++count;
        }
        QVERIFY(count >= 2);
        QVERIFY(!html.contains(QLatin1String("http://")) && !html.contains(QLatin1String("https://")) &&
                !html.contains(QLatin1String("<script")));
        QVERIFY(html.contains(QString::fromStdString(scopeNote(*a.language))));
        QCOMPARE(QString::fromStdString(answerHtml(a, picture)), html);
    }

    void textSaysTheSame() {
        const Answer a = composeAnswer(demoReview());
        const std::string text = answerText(a);
        for (const AnswerPart& p : a.parts)
            QVERIFY2(text.find(p.text.substr(0, 30)) != std::string::npos, p.id.c_str());
        QVERIFY(text.find("no medical device") != std::string::npos);
        QVERIFY(text.find('<') == std::string::npos);
    }

    /// Each picture of a correction can be another frame; its caption and facts follow, the other one stays.
    void chosenPictures() {
        const Review before = demoReview();
        const Answer computed = composeAnswer(before);
        const auto part = std::find_if(computed.parts.begin(), computed.parts.end(), isCorrection);
        QVERIFY(part != computed.parts.end() && part->pictures.size() == 2);
        QVERIFY(!part->pictures[0].broken && part->pictures[1].broken);
        const auto& reps = before.events.reps;
        const int other = part->pictures[1].rep == 0 ? 1 : 0;
        const auto frames = before.framesOfRep(faultOf(*part), other);
        QVERIFY(frames && frames->worst != part->pictures[1].frame);
        ReviewInputs in = demoInputs();
        in.pictures[faultOf(*part)].worst_s = before.clip().time_s[size_t(frames->worst)];
        const Answer chosen = composeAnswer(demoReview(in));
        const AnswerPart* now = chosen.find(part->id);
        QCOMPARE(now->pictures[0].frame, part->pictures[0].frame);
        QCOMPARE(now->pictures[1].frame, frames->worst);
        QCOMPARE(now->pictures[1].rep, other);
        QCOMPARE(now->pictures[1].caption,
                 std::string(other == 0 ? "Too far: your first lift" : "Too far: your second lift"));
        QVERIFY(now->facts != part->facts);
        QCOMPARE(now->text, part->text);
        // What is inside its tolerance is not called too far.
        in.pictures[faultOf(*part)].worst_s = reps[0].start_s + 0.05;
        QCOMPARE(composeAnswer(demoReview(in)).find(part->id)->pictures[1].caption, std::string("Your first lift"));
        // Between two reps it belongs to neither.
        in.pictures[faultOf(*part)] = {(reps[0].end_s + reps[1].start_s) / 2, {}};
        QVERIFY(reps[0].end_s + 0.1 < reps[1].start_s);
        QCOMPARE(composeAnswer(demoReview(in)).find(part->id)->pictures[0].caption, std::string("Aim for this"));
    }

    void editedAndLeftOut() {
        ReviewInputs in = demoInputs();
        in.words["well"] = "Lovely & <strong> work";
        in.parts["next"] = false;
        in.parts["cautions"] = false; // not for the coach to leave out
        const Answer a = composeAnswer(demoReview(in));
        QVERIFY(a.find("well")->edited);
        QVERIFY(!a.find("next")->sent);
        QVERIFY(a.find("cautions")->sent);
        const std::string html = answerHtml(a, picture), text = answerText(a);
        QVERIFY(html.find("Lovely &amp; &lt;strong&gt; work") != std::string::npos);
        QVERIFY(html.find("Next clip") == std::string::npos && text.find("Next clip") == std::string::npos);
        QVERIFY(text.find("Stop if you feel pain") != std::string::npos);
    }

    /// The coach puts parts in another order; titles, list and text count corrections alike, without what is left out.
    void partsInTheCoachsOrder() {
        ReviewInputs in = demoInputs();
        const Answer before = composeAnswer(demoReview(in));
        std::vector<std::string> ids, corrections;
        for (const AnswerPart& p : before.parts) {
            ids.push_back(p.id);
            if (isCorrection(p)) corrections.push_back(p.id);
        }
        QVERIFY(corrections.size() >= 2);
        const auto titleOf = [](const Answer& a, const std::string& id) { return a.find(id)->title; };
        QVERIFY(titleOf(before, corrections[0]).starts_with("Correction 1: "));

        std::vector<std::string> order = ids;
        std::swap(*std::find(order.begin(), order.end(), corrections[0]),
                  *std::find(order.begin(), order.end(), corrections[1]));
        in.order = order;
        Answer a = composeAnswer(demoReview(in));
        std::vector<std::string> now;
        for (const AnswerPart& p : a.parts) now.push_back(p.id);
        QCOMPARE(now, order);
        QVERIFY(titleOf(a, corrections[1]).starts_with("Correction 1: "));
        QVERIFY(titleOf(a, corrections[0]).starts_with("Correction 2: "));
        const std::string first = a.find(corrections[1])->text.substr(0, 30);
        QVERIFY(answerText(a).find("1. " + first) != std::string::npos);

        // Left out, it has no number, and the other one is the first.
        in.parts[corrections[1]] = false;
        a = composeAnswer(demoReview(in));
        QVERIFY(titleOf(a, corrections[0]).starts_with("Correction 1: "));
        QVERIFY(titleOf(a, corrections[1]).starts_with("Correction, left out: "));
        QVERIFY(answerText(a).find("1. " + a.find(corrections[0])->text.substr(0, 30)) != std::string::npos);
        in.parts.clear();

        // What came since the order was made stands behind what it was composed behind; what is gone does no harm.
        in.order = {"close", "gone", "target", "well", "greeting"};
        a = composeAnswer(demoReview(in));
        QVERIFY(a.parts.front().id == "greeting" && a.parts.back().id == "close");
        QCOMPARE(a.parts.size(), before.parts.size());
        const auto place = [&](const std::string& id) { return a.find(id) - a.parts.data(); };
        QVERIFY(place("target") < place("cautions") && place("cautions") < place("well"));
        QVERIFY(place("well") < place(corrections[0]));

        // The list goes on counting behind a part that stands between.
        in.order = ids;
        std::erase(in.order, "target");
        in.order.insert(std::find(in.order.begin(), in.order.end(), corrections[1]), "target");
        const std::string page = answerHtml(composeAnswer(demoReview(in)), picture);
        QVERIFY(page.find("<ol>") != std::string::npos && page.find("<ol start=\"2\">") != std::string::npos);

        // It is kept with the review, and changes the answer alone.
        QCOMPARE(changeBetween(demoInputs(), in), Change::Answer);
        QCOMPARE(parseInputs(toJson(in), "test").value().order, in.order);
    }

    /// Sentences of the coach's own, filled for each client in the client's language.
    void ownSentences() {
        ReviewInputs in = demoInputs();
        in.date = "2026-05-07", in.answered.clear(), in.nextClip.clear();
        const Review review = demoReview(in);
        QCOMPARE(filledSentence("{name}, it's {day}: {exercise}. '{coach}'", review),
                 "Ruta, it's " + shipped().language("en")->day(Day{*nextClipDay(in)}) + ": " + review.exercise.name +
                     ". '" + in.coach.substr(0, in.coach.find(' ')) + "'");
        QCOMPARE(filledSentence("It's plain.", review), std::string("It's plain."));
        in.language = "de";
        const Review german = demoReview(in);
        QVERIFY(filledSentence("Bis {day}!", german).find("Mai") != std::string::npos);
        QCOMPARE(filledSentence("{exercise}", german), inLanguage(german.exercise, *shipped().language("de")).name);
        QVERIFY(filledSentence("{target}", german) != filledSentence("{target}", review));

        QVERIFY(checkOwnSentence("{name} and {target}"));
        QVERIFY(checkOwnSentence("Don't."));
        QVERIFY(checkOwnSentence("{nmae}").error().detail().find("{nmae}") != std::string::npos);
        QCOMPARE(checkOwnSentence("{name").error().code, Errc::BadFormat);
        // A name becomes a place where it is a word, and so does the whole name.
        in.client = "Ruta Okafor", in.coach = "Jo Lind";
        QCOMPARE(forEverybody("Ruta, and Rutabaga, Rutaé; Ruta Okafor. Jo", in),
                 std::string("{name}, and Rutabaga, Rutaé; {name}. {coach}"));

        const OwnWords words{{{"Thanks", "Thank you, {name}."}}, {"Jonglage"}};
        QCOMPARE(parseOwnWords(toJson(words), "own").value(), words);
        Json wrong = toJson(words);
        wrong["sentences"][0]["text"] = "{nobody}";
        QCOMPARE(parseOwnWords(wrong, "own").error().code, Errc::BadFormat);
        wrong["sentences"][0].erase("text");
        QCOMPARE(parseOwnWords(wrong, "own").error().code, Errc::BadFormat);
        wrong["version"] = 2;
        QCOMPARE(parseOwnWords(wrong, "own").error().code, Errc::NewerVersion);
    }

    void pictureThatCannotBeMade() {
        const std::string html =
            answerHtml(composeAnswer(demoReview()), [](const AnswerPicture&) { return PictureData{}; });
        QVERIFY(html.find("<img") == std::string::npos);
    }

    void painStops() {
        ReviewInputs in = demoInputs();
        in.note.pain = true;
        const Answer a = composeAnswer(demoReview(in));
        for (const AnswerPart& p : a.parts) QVERIFY2(!p.id.starts_with("correction-"), p.id.c_str());
        QVERIFY(a.find("target")->text.find("leave this exercise out") != std::string::npos);
        QVERIFY(a.find("cautions")->text.find("doctor") != std::string::npos);
    }

    void nothingIsPraisedThatWasNotSeen() {
        Review r = demoReview();
        for (Rep& rep : r.events.reps)
            rep.hold.clean_s = rep.hold.duration_s(), rep.hold.brokenBy.clear(), rep.lost_s = 3;
        r.findings.faults.clear();
        QVERIFY(composeAnswer(r).find("well")->text.find("clean") == std::string::npos);
        r.inputs.asked.hold_s = 1, r.inputs.asked.range.reset();
        for (Rep& rep : r.events.reps)
            rep.lost_s = 0, rep.finished = true, rep.brokenBy.clear(), rep.brokenBackBy.clear();
        QVERIFY2(composeAnswer(r).find("well")->text.find("clean") != std::string::npos,
                 composeAnswer(r).find("well")->text.c_str());
        // Praise is not for a rep in which something was found.
        for (int k = 0; k < int(r.events.reps.size()); ++k) {
            Fault f;
            f.id = "back-bend", f.rep = k;
            r.findings.faults.push_back(f);
        }
        QVERIFY(composeAnswer(r).find("well")->text.find("clean") == std::string::npos);
    }

    /// A clip that shows too little: asked for again in whole sentences, and not from "the same spot".
    void askedForAgain() {
        Review r = demoReview();
        r.decision.step = "ask-again", r.decision.cues.clear();
        const Answer a = composeAnswer(r);
        QVERIFY(a.find("target")->text.find("film it once more. ") != std::string::npos);
        QVERIFY(a.find("next")->text.find("same spot") == std::string::npos);
        // The same is asked in every language, however long its sentences are.
        for (const std::string& code : shipped().languages()) {
            r.inputs.language = code;
            const Exercise told = inLanguage(r.exercise, *shipped().language(code));
            const std::string text = composeAnswer(r).find("target")->text;
            for (size_t i = 0; i < told.filming.size(); ++i)
                QVERIFY2((text.find(told.filming[i]) != std::string::npos) == (i < 2), (code + ": " + text).c_str());
        }
    }

    /// A clip that carries no decision may have held more than was seen: only what could be made out is told, whatever
    /// the decision was.
    void onlyWhatCouldBeMadeOut() {
        for (const std::string& code : shipped().languages()) {
            Review r = demoReview();
            r.inputs.language = code;
            const std::string shown = composeAnswer(r).find("shown")->text;
            r.check.push_back({"in-frame", "unusable", 0, "", ""});
            r.decision.step = "stop";
            const std::string madeOut = composeAnswer(r).find("shown")->text;
            QVERIFY2(madeOut != shown, madeOut.c_str());
            if (code == "en")
                QVERIFY2(shown.find(" You showed ") != std::string::npos &&
                             madeOut.find(" In this clip I could make out ") != std::string::npos &&
                             madeOut.find("You showed") == std::string::npos,
                         madeOut.c_str());
        }
    }

    /// Somebody who only lies there: nothing is said about a set-up that no movement followed, and the letter names
    /// what it looked for.
    void noMovement() {
        Tracks still = demoTracks();
        for (auto& [name, points] : still.landmark)
            for (TrackPoint& p : points) p = points.front();
        const Review r = measureReview(shippedCatalogue(), demoInputs(), demoClipInfo(), still).value();
        QVERIFY(r.events.reps.empty());
        for (const SetupVerdict& v : r.findings.setup) QCOMPARE(v.verdict, std::string("cannot-tell"));
        QCOMPARE(r.decision.step, std::string("ask-again"));
        const Answer a = composeAnswer(r);
        for (const AnswerPart& part : a.parts) QVERIFY(!isCorrection(part));
        QVERIFY2(a.find("target")->text.starts_with("I looked for a lift (hips lifted) and found none"),
                 a.find("target")->text.c_str());
    }

    void whatWasFeltIsAnswered() {
        ReviewInputs in = demoInputs();
        in.note.felt = {"hamstring-cramp"};
        QVERIFY(composeAnswer(demoReview(in)).find("cautions")->text.find("back of the thigh") != std::string::npos);
    }

    /// The same review in other schools and with other targets: words follow, and the answer says which school.
    void targetsInWords() {
        Review r = demoReview();
        auto target = [&] { return composeAnswer(r).find("target")->text; };
        r.decision.target = {"both", 3, std::nullopt, 5.0, std::nullopt, 3};
        QVERIFY2(target().starts_with("Until next time: three lifts of five seconds, every other day"),
                 target().c_str());
        r.decision.target.reps = 10, r.decision.target.hold_s = std::nullopt, r.decision.target.daysPerWeek = 7;
        QVERIFY2(target().starts_with("Until next time: three rounds of ten lifts, every day"), target().c_str());
        r.decision.target = {"pad", 1, std::nullopt, 10.0, std::nullopt, 2};
        QVERIFY2(target().find("one lift of ten seconds, now as “Bridge with a pad under the hips”, on two days") !=
                     std::string::npos,
                 target().c_str());
        r.exercise.eachSide = true, r.decision.target.firstSide = "left";
        QVERIFY(target().find("beginning with the left") != std::string::npos);
        r.exercise.breath_s = 5;
        QVERIFY(target().find("two calm breaths") != std::string::npos);
    }

    void schoolsAreNamed() {
        ReviewInputs in = demoInputs();
        QVERIFY(composeAnswer(demoReview(in)).schoolWords.starts_with("Lift in neutral"));
        in.schools = {{"bridge", "segmental"}, {"hold-length", "brief"}};
        const Answer a = composeAnswer(demoReview(in));
        QVERIFY(a.schoolWords.find("Roll up and down") != std::string::npos);
        QVERIFY(a.schoolWords.find("Short and strong") != std::string::npos);
        // Rolled up, the order of the pieces counts; lifted in neutral, it does not.
        QVERIFY(demoReview(in).exercise.fault("in-one-piece"));
        QVERIFY(!demoReview().exercise.fault("in-one-piece"));
    }

    /// Every caution of a flag goes out with every answer, and a lock says what has to be settled first.
    void flagsInTheCautions() {
        ReviewInputs in = demoInputs();
        in.flags = {"hypertension", "pregnancy"};
        const std::string cautions = composeAnswer(demoReview(in)).find("cautions")->text;
        QVERIFY(cautions.find("never hold your breath or strain") != std::string::npos);
        QVERIFY(cautions.find("One leg at a time") != std::string::npos);
        in.exercise = "double-leg-stretch", in.view = "side";
        const Review locked = demoReview(in);
        QCOMPARE(locked.decision.step, std::string("stop"));
        const Answer a = composeAnswer(locked);
        QVERIFY(a.find("cautions")->text.find("To settle first") != std::string::npos);
        for (const AnswerPart& p : a.parts) QVERIFY2(!p.id.starts_with("correction-"), p.id.c_str());
    }

    /// Words that the coach has only added to follow the review; words that were rewritten are told to be outdated.
    void editedWordsAreKeptTrue() {
        Review r = demoReview();
        const std::string before = composeAnswer(r).find("target")->text;
        r.inputs.words["target"] = "Well now. " + before + " Jam tomorrow.";
        r.inputs.wordsOn["target"] = before;
        r.decision.target.hold_s = 7;
        const Answer longer = composeAnswer(r);
        const AnswerPart& added = *longer.find("target");
        QVERIFY(added.computed != before && added.computed.find("seven seconds") != std::string::npos);
        QCOMPARE(added.text, "Well now. " + added.computed + " Jam tomorrow.");
        QVERIFY(added.edited && !added.outdated);
        r.inputs.words["target"] = "Five seconds again, please.";
        QVERIFY(composeAnswer(r).find("target")->outdated);
        QCOMPARE(composeAnswer(r).find("target")->text, std::string("Five seconds again, please."));
        r.inputs.wordsOn["target"] = added.computed; // looked at since
        QVERIFY(!composeAnswer(r).find("target")->outdated);
    }

    /// However the cautions are edited, no line of them is lost.
    void cautionsKeepEveryLine() {
        ReviewInputs in = demoInputs();
        in.flags = {"hypertension", "pregnancy"};
        const std::string computed = composeAnswer(demoReview(in)).find("cautions")->text;
        for (const char* edited : {"", "Take care.", "never hold your breath"}) {
            in.words["cautions"] = edited;
            const std::string sent = composeAnswer(demoReview(in)).find("cautions")->text;
            for (const QString& line : QString::fromStdString(computed).split(QLatin1Char('\n')))
                QVERIFY2(QString::fromStdString(sent).contains(line), edited);
            QVERIFY(sent.starts_with(edited));
        }
    }

    /// RFC 5545: lines end in CRLF and are folded at 75 octets, text is escaped; reviewed on a Thursday, due the next.
    void nextDateAsCalendar() {
        const Review r = demoReview();
        const Answer a = composeAnswer(r);
        QVERIFY(a.find("next")->text.find("(Thursday 7 May)") != std::string::npos);
        const std::string ics = answerCalendar(a, r.inputs).value();
        QCOMPARE(answerCalendar(a, r.inputs).value(), ics);
        QString text = QString::fromStdString(ics);
        for (const QString& line : text.split(QStringLiteral("\r\n"))) {
            QVERIFY(line.toUtf8().size() <= 75);
            QVERIFY(!line.contains(QLatin1Char('\n')));
        }
        text.replace(QStringLiteral("\r\n "), QString()); // unfolded
        for (const char* line : {"BEGIN:VCALENDAR", "VERSION:2.0", "BEGIN:VEVENT", "DTSTART;VALUE=DATE:20260507",
                                 "TRANSP:TRANSPARENT", "BEGIN:VALARM", "TRIGGER:PT9H", "END:VCALENDAR"})
            QVERIFY2(text.contains(QString::fromLatin1(line) + QStringLiteral("\r\n")), ics.c_str());
        QVERIFY(text.contains(QStringLiteral("Until next time")) && text.contains(QStringLiteral("no medical device")));
        ReviewInputs undated = demoInputs();
        undated.date.clear();
        QVERIFY(!answerCalendar(a, undated));
        QVERIFY(composeAnswer(demoReview(undated)).find("next")->text.find('(') == std::string::npos);
    }

    /// What goes along with a mail comes out of it byte for byte.
    void attachments() {
        const Answer a = composeAnswer(demoReview());
        std::string bytes;
        for (int i = 0; i < 1000; ++i) bytes += char(i * 31);
        const QString mail = QString::fromStdString(
            answerMail(a, {"Jonna", "", ""}, nullptr, {{"moment.mp4", "video/mp4", bytes}}).value());
        const qsizetype part = mail.indexOf(QStringLiteral("video/mp4"));
        QVERIFY(part > 0 && mail.indexOf(QStringLiteral("moment.mp4"), part) > 0);
        const qsizetype begin = mail.indexOf(QStringLiteral("\r\n\r\n"), part) + 4,
                        end = mail.indexOf(QStringLiteral("\r\n--"), begin);
        QCOMPARE(QByteArray::fromBase64(mail.mid(begin, end - begin).toLatin1()), QByteArray::fromStdString(bytes));
    }

    /// Where a whole tolerance lies above nought a plus says nothing: neither at the reading nor at its limit.
    void plusOnlyWhereItTells() {
        Review r = demoReview();
        const ChosenCue& cue = r.decision.cues.front();
        const auto facts = [&] {
            std::string all;
            for (const std::string& fact : correction(Speaker(r, "en"), cue).facts) all += fact + "\n";
            return all;
        };
        QVERIFY(r.exercise.fault(cue.fault));
        QVERIFY(facts().find('+') != std::string::npos);
        for (FaultPlan& f : r.exercise.faults)
            if (f.id == cue.fault) f.limit.low = 1;
        QVERIFY2(facts().find('+') == std::string::npos, facts().c_str());
    }

    void withoutAName() {
        ReviewInputs in = demoInputs();
        in.client.clear();
        QCOMPARE(composeAnswer(demoReview(in)).find("greeting")->text, std::string("Hello,"));
    }
};

QTEST_GUILESS_MAIN(AnswerTest)
#include "answer_test.moc"
