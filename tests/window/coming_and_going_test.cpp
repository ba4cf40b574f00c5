// SPDX-License-Identifier: GPL-3.0-or-later
// Clips that come in through the inbox, what stands side by side, and what goes out to the client.
#include "app/compare/difference_table.h"
#include "app/compare/pair_picture.h"
#include "app/widgets/key_button.h"
#include "app/widgets/weeks_panel.h"
#include "app/window/bars.h"
#include "app/window/demo_phone.h"
#include "app/window/first_steps.h"
#include "app/window/guide.h"
#include "app/window/message_stack.h"
#include "base/files.h"
#include "base/json.h"
#include "support/demo_review.h"
#include "support/driven_window.h"
#include "support/no_room.h"
#include "support/numbered_clip.h"
#include "support/table.h"

#include "app/theme/words.h"

#include <QCheckBox>
#include <QLabel>
#include <QListWidget>
#include <QSettings>
#include <QTextBrowser>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

class ComingAndGoingTest : public DrivenWindow {
    Q_OBJECT

    /// A parcel as a phone would leave it: first the clip, then the note.
    void send(const std::string& client, const fs::path& clip, const char* by = "", bool pain = false) {
        const fs::path inbox = window_->inbox().folder();
        const std::string name = client + clip.extension().string();
        fs::copy_file(clip, inbox / name);
        Parcel p;
        p.client = client, p.role = "rigger", p.clip = name, p.exercise = "bridge", p.answerBy = by, p.note.pain = pain;
        p.sent = "2026-05-20";
        QVERIFY(writeFileAtomically(inbox / (client + ".json"), toText(toJson(p))));
    }
    fs::path small() {
        const fs::path clip = dir_.filePath(QStringLiteral("small.mp4")).toStdString();
        if (!fs::exists(clip)) (void)writeNumbered(clip, evenTimes(30));
        return clip;
    }
    QString inboxWords() {
        for (const QLabel* l : window_->queuePage().findChildren<QLabel*>())
            if (l->isVisibleTo(&window_->queuePage()) && l->text().contains(QStringLiteral("In the inbox")))
                return l->text();
        return {};
    }

private slots:
    void initTestCase() { prepare(); }
    void init() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        openWindow(QStringLiteral("demo"));
        actions_ = 0;
    }
    void cleanupTestCase() { window_.reset(); }

    /// What comes in stands in the queue by itself, what was promised soonest before what has waited longest; pain
    /// first. The inbox is empty then, and a clip's file is the library's own.
    void clipsComeIn() {
        const int before = window_->queuePage().clips().waiting();
        send("Anneli Saar", small(), "2026-05-21");
        send("Bastien Roux", small(), "", true);
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == before + 2; }, kPatience_ms));
        QCOMPARE(window_->queuePage().clips().entry(0).client.name, std::string("Bastien Roux"));
        QCOMPARE(window_->queuePage().clips().entry(1).client.name, std::string("Anneli Saar"));
        QVERIFY(QTest::qWaitFor([&] { return window_->inbox().isIdle() && fs::is_empty(window_->inbox().folder()); },
                                kPatience_ms));
        const fs::path kept = window_->queuePage().clips().entry(0).clip.draft.clipPath;
        QVERIFY(fs::exists(kept) && kept.string().starts_with(window_->library().folder().string()));
        QVERIFY(inboxWords().isEmpty());
        // The same again: known, and not taken in twice.
        send("Anneli Saar", small(), "2026-05-21");
        QVERIFY(QTest::qWaitFor([&] { return fs::is_empty(window_->inbox().folder()); }, kPatience_ms));
        QCOMPARE(window_->queuePage().clips().waiting(), before + 2);
    }

    /// One bad parcel holds nothing up, says why, and is tried again when asked.
    void badParcels() {
        const int before = window_->queuePage().clips().waiting();
        const fs::path inbox = window_->inbox().folder(),
                       torn = dir_.filePath(QStringLiteral("torn.mp4")).toStdString();
        QVERIFY(writeFileAtomically(torn, "no clip at all"));
        send("A Damaged", torn);
        send("B Whole", small());
        fs::copy_file(small(), inbox / "nobody.mp4");
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == before + 1; }, kPatience_ms));
        QVERIFY(QTest::qWaitFor(
            [&] {
                return inboxWords().contains(QStringLiteral("nobody.mp4")) &&
                       inboxWords().contains(QStringLiteral("A Damaged.json"));
            },
            kPatience_ms));
        fs::copy_file(small(), inbox / "A Damaged.mp4", fs::copy_options::overwrite_existing);
        fs::remove(inbox / "nobody.mp4");
        key(Qt::Key_R);
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == before + 2; }, kPatience_ms));
        QVERIFY(QTest::qWaitFor([&] { return inboxWords().isEmpty(); }, kPatience_ms));
    }

    /// The inbox's device is unplugged and comes back.
    void inboxThatVanishes() {
        const fs::path inbox = window_->inbox().folder(), away = inbox.string() + "-away";
        fs::rename(inbox, away);
        window_->inbox().look();
        QVERIFY(QTest::qWaitFor([&] { return inboxWords().contains(QStringLiteral("cannot be read")); }, kPatience_ms));
        fs::rename(away, inbox);
        const int before = window_->queuePage().clips().waiting();
        send("Back Again", small());
        window_->inbox().look();
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == before + 1; }, kPatience_ms));
        QVERIFY(inboxWords().isEmpty());
    }

    /// Messages lie over the client's line, three at most; one about work goes when the next comes; a key ends the newest, and
    /// time all of them.
    void messagesStackAndEnd() {
        MessageStack& stack = window_->messages();
        auto* keys = window_->findChild<KeysBar*>();
        window_->say({});
        QCOMPARE(stack.shown(), 0);
        for (const char* words : {"One.", "Two.", "Two."}) window_->say(QString::fromLatin1(words));
        QCOMPARE(stack.shown(), 2);
        QVERIFY(stack.isVisible() && keys->isVisible());
        QVERIFY(stack.geometry().bottom() < keys->geometry().top());
        window_->say(QStringLiteral("Going on …"));
        window_->say(QStringLiteral("Done."));
        QCOMPARE(stack.shown(), 3);
        window_->say(QStringLiteral("Four."));
        QCOMPARE(stack.shown(), 3);
        QTest::keyClick(window_.get(), Qt::Key_Period, Qt::ControlModifier);
        QCOMPARE(stack.shown(), 2);
        QCOMPARE(window_->message(), QStringLiteral("Four.")); // what was said is still known
        QVERIFY(readingTime_ms(QStringLiteral("x")) >= 5000);
        QVERIFY(readingTime_ms(QString(300, QLatin1Char('x'))) >= 20000);
        QTRY_COMPARE_WITH_TIMEOUT(stack.shown(), 0, 9000);
        QVERIFY(!stack.isVisible());
    }

    /// The coach pauses what goes on in the background: it stops at once, is told in one place, and goes on where it was.
    void workIsPaused() {
        auto* line = window_->findChild<KeysBar*>();
        const auto told = [&] {
            for (const KeyButton* b : line->findChildren<KeyButton*>())
                if (b->isVisible()) return b->text();
            return QString();
        };
        Measurer& measurer = window_->measurer();
        const auto marked = [&] {
            std::vector<Clip> clips;
            for (const Clip& c : window_->library().clips(0))
                if (!c.draft.marks.frames.empty()) clips.push_back(c);
            return clips;
        }();
        QVERIFY(!marked.empty());
        measurer.look(marked);
        QVERIFY(QTest::qWaitFor([&] { return measurer.now() != 0 && told().contains(QStringLiteral("pause")); }, kPatience_ms));
        const qint64 clip = measurer.now();
        QTest::keyClick(window_.get(), Qt::Key_Pause);
        QVERIFY(measurer.now() == 0 && !measurer.job().isRunning());
        QCOMPARE(measurer.waiting(), int(marked.size()));
        const int all = measurer.waiting() + session().offered().proposer().waiting();
        QVERIFY2(told().startsWith(QStringLiteral("Paused, %1 waiting").arg(all)), qPrintable(told()));
        measurer.look(marked); // what comes meanwhile waits, too
        QTest::qWait(50);
        QCOMPARE(measurer.now(), qint64(0));
        QCOMPARE(measurer.waiting(), int(marked.size()));
        QTest::keyClick(window_.get(), Qt::Key_Pause);
        QCOMPARE(measurer.now(), clip);
        QVERIFY(measurer.troubleOf(clip).isEmpty()); // it is nobody's fault
        QVERIFY(QTest::qWaitFor([&] { return measurer.isIdle(); }, kPatience_ms));
        for (const Clip& c : marked) QVERIFY(window_->library().cachedTracks(c.draft));
        QVERIFY(QTest::qWaitFor([&] { return told().isEmpty(); }, kPatience_ms));
    }

    void manyAtOnce() {
        openWindow(QStringLiteral("crowd"));
        for (int i = 0; i < 500; ++i) send("Member " + std::to_string(1000 + i), small());
        QElapsedTimer clock;
        clock.start();
        qint64 longest = 0, last = 0; // the window's thread is never away for long
        QTimer beat;
        connect(&beat, &QTimer::timeout, this, [&] {
            longest = std::max(longest, clock.elapsed() - last);
            last = clock.elapsed();
        });
        beat.start(5);
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == 500; }, kPatience_ms));
        qInfo("500 clips came in within %.1f s, longest pause of the window %lld ms", double(clock.elapsed()) / 1000,
              static_cast<long long>(longest));
        QVERIFY(window_->inbox().isIdle() || fs::is_empty(window_->inbox().folder()));
        window_->measurer().stop();
    }

    /// This time against last time: one frame of the body, one place of the movement, and differences in words.
    void sideBySide() {
        openRuta();
        const Rep& first = session().review()->events.reps[0];
        const double looked = (first.hold.start_s + first.hold.end_s) / 2;
        session().place().setFrame(session().clip().frameAt(looked));
        window_->go(MainWindow::Compare);
        Comparison& comparison = window_->comparePage().comparison();
        QVERIFY(QTest::qWaitFor([&] { return comparison.side(1) != nullptr; }, kPatience_ms));
        NEAR(session().clip().time_s[size_t(comparison.frame(1))], looked, 0.05); // where the coach was looking
        key(Qt::Key_1);
        QVERIFY(QTest::qWaitFor([&] { return comparison.side(1) != nullptr; }, kPatience_ms));
        QCOMPARE(comparison.side(1)->review, session().review());
        QVERIFY(comparison.side(0)->review != session().review());
        comparison.setPlace(kAlignStart);
        std::array<QPointF, 2> hips;
        std::array<double, 2> torsos;
        for (int k : {0, 1}) {
            const auto frame = size_t(comparison.frame(k));
            auto seen = [&](const char* name) {
                const Point2 at = comparison.side(k)->review->tracks().find(name, frame)->at;
                return window_->comparePage().pictures().view(k).map(QPointF(at.x(), at.y()));
            };
            hips[size_t(k)] = seen("hip");
            torsos[size_t(k)] = QLineF(seen("hip"), seen("shoulder")).length();
        }
        NEAR(torsos[1], torsos[0], 0.5); // px on the screen
        NEAR(hips[1].y(), hips[0].y(), 0.5);
        NEAR(hips[1].x() - hips[0].x(), window_->comparePage().pictures().width() / 2.0 + 8, 0.5);
        // Moving goes by the movement, not by the clock.
        key(Qt::Key_Right, Qt::ShiftModifier);
        NEAR(comparison.place(), kAlignTop, 1e-9);
        for (int k : {0, 1})
            NEAR(comparison.side(k)->review->clip().time_s[size_t(comparison.frame(k))], comparison.shownRep(k).top_s,
                 0.02);
        // The story of the demo: what was cued in April has become better, and that is no noise.
        bool better = false;
        for (const Difference& d : comparison.table())
            better = better || DifferenceTable::verdict(d) == QStringLiteral("really better");
        QVERIFY(better);

        key(Qt::Key_2);
        QCOMPARE(comparison.side(0)->review, session().review());
        NEAR(comparison.shownRep(1).start_s, session().review()->events.reps.back().start_s, 1e-9);
        key(Qt::Key_3);
        QVERIFY(!comparison.side(0) && !comparison.why().isEmpty()); // a bridge on both legs has no sides
        key(Qt::Key_Escape);
        QCOMPARE(window_->room(), MainWindow::Bench);
    }

    /// Every reading over all visits, this one the last; what was filed before counts, and nothing else is drawn.
    void overTheWeeks() {
        openRuta();
        key(Qt::Key_3, Qt::AltModifier);
        QCOMPARE(window_->room(), MainWindow::Compare);
        QTest::keyClick(&window_->comparePage(), Qt::Key_4);
        const auto& weeks = window_->comparePage().comparison().weeks();
        const auto bend = std::find_if(weeks.begin(), weeks.end(), [](const OverTime& o) {
            return o.now.measure == "pelvis_on_trunk" && o.now.stat == "worst";
        });
        QVERIFY(bend != weeks.end());
        QCOMPARE(bend->visits.size(), session().earlier().size() + 1);
        QCOMPARE(bend->visits.front().date, demoDay("2026-03-19"));
        QCOMPARE(bend->visits.back().date, demoDay("2026-05-14"));
        QVERIFY(bend->verdict == OverTime::Verdict::Trend && bend->better == true); // her back bends less and less
        const auto* panel = window_->comparePage().findChild<WeeksPanel*>();
        QVERIFY(panel && panel->isVisible() && !window_->comparePage().pictures().isVisible());
        QVERIFY(panel->accessibleDescription().contains(trendWords(*bend).whole()));
        QVERIFY(trendWords(*bend).verdict.startsWith(QStringLiteral("getting better")));
        QTest::keyClick(&window_->comparePage(), Qt::Key_2);
        QVERIFY(window_->comparePage().comparison().weeks().empty() && !panel->isVisible());
        QVERIFY(window_->comparePage().pictures().isVisible());
    }

    /// A client's first clip has no last time; one hold is compared with itself, early and late.
    void nothingToCompareWith() {
        window_->openClip(clipOf("Ois"));
        QVERIFY(measured());
        window_->go(MainWindow::Compare);
        key(Qt::Key_1);
        QVERIFY(!window_->comparePage().comparison().side(0));
        QVERIFY(window_->comparePage().comparison().why().contains(QStringLiteral("first clip")));
        window_->grab(); // drawn without a picture
    }

    /// The open clip's file is deleted, replaced, and put back: said each time, nothing is lost, and nothing is filed
    /// with pictures of another clip.
    void clipThatIsReplaced() {
        const fs::path clip = dir_.filePath(QStringLiteral("april.mp4")).toStdString(),
                       aside = clip.string() + ".aside";
        fs::copy_file(demoClip("ruta-bridge-april"), clip);
        ReviewInputs in = demoInputs();
        in.clipPath = clip.string();
        const auto client = window_->library().clients()[0].id;
        const auto id = window_->library().addClip(client, "2026-06-01", in).value();
        window_->openClip(id);
        QVERIFY(measured());
        auto says = [&](const char* words) {
            return QTest::qWaitFor([&] { return window_->message().contains(QString::fromLatin1(words)); },
                                   kPatience_ms);
        };
        fs::rename(clip, aside);
        QVERIFY(says("has gone"));
        QVERIFY(session().review());
        fs::copy_file(small(), clip);
        QVERIFY(says("another file"));
        QCOMPARE(session().letter().file().error().code, Errc::Conflict);
        QVERIFY(!session().isFiled());
        fs::rename(aside, clip);
        QVERIFY(QTest::qWaitFor([&] { return session().clipWatch().trouble().isEmpty(); }, kPatience_ms));
        QVERIFY(window_->message().isEmpty());
        QVERIFY(session().letter().file());
        QVERIFY(filed());
    }

    /// The window is closed while a clip is being measured: it ends soon, and the clip waits as before.
    void closedWhileMeasuring() {
        openWindow(QStringLiteral("closing"));
        window_.reset();
        fill(QStringLiteral("closing"));
        openWindow(QStringLiteral("closing"));
        const int before = window_->queuePage().clips().waiting();
        window_->openClip(clipOf("Ruta"));
        QVERIFY(session().job().isRunning());
        QElapsedTimer clock;
        clock.start();
        window_->close();
        window_.reset();
        QVERIFY(clock.elapsed() < 5000);
        openWindow(QStringLiteral("closing"));
        QCOMPARE(window_->queuePage().clips().waiting(), before);
        QVERIFY(window_->library().clip(clipOf("Ruta"))->draft.marks.frames.size() == 1);
    }

    /// No room on the disk while something is changed: said, the change stays on the screen, and it is saved as soon as
    /// there is room and the next change is made.
    void fullDiskWhileSaving() {
        openRuta();
        {
            NoRoom full(4096);
            session().edit(QStringLiteral("words"), [](ReviewInputs& i) { i.words["greeting"] = "Dear Ruta,"; });
            QVERIFY2(window_->message().startsWith(QStringLiteral("Not saved")), qPrintable(window_->message()));
        }
        QCOMPARE(session().inputs().words.at("greeting"), std::string("Dear Ruta,"));
        session().edit(QStringLiteral("words"), [](ReviewInputs& i) { i.words["close"] = "J."; });
        const auto saved = window_->library().clip(session().clipId())->draft;
        QCOMPARE(saved.words.at("greeting"), std::string("Dear Ruta,"));
        for (int k = 0; k < 2; ++k) session().undoStack().undo();
    }

    /// The demo's phones: through the upload service, over a loopback line, into the inbox, into the queue.
    void demoPhones() {
        openWindow(QStringLiteral("phones"));
        window_->startDemo();
        QVERIFY(window_->phones() && window_->phones()->left() == 2);
        QVERIFY(window_->firstSteps().sentence().contains(QStringLiteral("Enter")));
        window_->phones()->sendNext();
        window_->phones()->sendNext();
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == 2; }, kPatience_ms));
        QVERIFY(window_->queuePage().clips().entry(0).clip.draft.note.pain); // first
        QCOMPARE(window_->queuePage().clips().entry(1).clip.draft.answerBy, demoDay("2026-05-19"));
        // The sentences are put away for good with one key; what has come once does not come again.
        QTest::keyClick(window_.get(), Qt::Key_F8);
        QVERIFY(!window_->firstSteps().isVisible());
        openWindow(QStringLiteral("phones"));
        window_->startDemo();
        QVERIFY(!window_->firstSteps().isVisible());
        QCOMPARE(window_->phones()->left(), 0);
        QSettings().remove(QStringLiteral("first-steps-put-away"));
    }

    void guideOpens() {
        QTest::keyClick(window_.get(), Qt::Key_F1);
        auto* guide = window_->findChild<Guide*>();
        QVERIFY(guide && guide->contents().count() == 10);
        QCOMPARE(guide->contents().item(0)->text(), QStringLiteral("Your first clip"));
        QCOMPARE(guide->contents().item(9)->text(), QStringLiteral("Your clients' data")); // by number, not by letter
        for (int page = 0; page < guide->contents().count(); ++page) {
            guide->contents().setCurrentRow(page);
            QVERIFY(guide->page().toPlainText().size() > 300);
        }
        guide->close();
    }

    void answerAsFiles() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        openRuta();
        const std::pair<const char*, const char*> kinds[] = {{"pdf", "%PDF-"},           {"html", "<!DOCTYPE html>"},
                                                             {"txt", "Hello Ruta"},      {"eml", "From:"},
                                                             {"ics", "BEGIN:VCALENDAR"}, {"mp4", ""}};
        for (const auto& [kind, begins] : kinds) {
            const QString path = dir_.filePath(QStringLiteral("answer.") + QString::fromLatin1(kind));
            window_->writeAnswer(path);
            QVERIFY2(QTest::qWaitFor([&] { return window_->message().startsWith(QStringLiteral("Exported")); },
                                     kPatience_ms),
                     qPrintable(window_->message()));
            const auto bytes = readFile(path.toStdString());
            QVERIFY2(bytes && bytes->find(begins) < 400, kind);
            if (std::string_view(kind) == "eml") // as filing would make it
                QVERIFY(bytes->find("moment.mp4") != std::string::npos &&
                        bytes->find("next-clip.ics") != std::string::npos);
        }
        QVERIFY(ClipReader::open(dir_.filePath(QStringLiteral("answer.mp4")).toStdString()));
        window_->writeAnswer(dir_.filePath(QStringLiteral("answer.doc")));
        QVERIFY(QTest::qWaitFor([&] { return window_->message().startsWith(QStringLiteral("Not exported")); },
                                kPatience_ms));
        QVERIFY(!QFile::exists(dir_.filePath(QStringLiteral("answer.doc"))));
    }

    /// Filing makes the mail in the background: page, pictures, reply clip and next date in one file. Closing the
    /// window waits for it.
    void mailOfAFiledAnswer() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        openRuta();
        window_->go(MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier);
        // While its page is made the review is locked, and the window does not wait: another clip can be opened.
        QVERIFY(session().letter().isBeingFiled() && !session().isFiled());
        QCOMPARE(session().letter().file().error().code, Errc::Conflict);
        const ReviewInputs sent = session().inputs();
        session().deciding().setNeutral(session().place().frame());
        QVERIFY(session().inputs() == sent);
        QVERIFY(filed());
        const int64_t filed = window_->library().unsent().back().review;
        const fs::path folder = window_->library().folder();
        window_->close();
        QVERIFY(window_->isVisible()); // it closes by itself once the mail lies there
        QVERIFY(QTest::qWaitFor([&] { return !window_->isVisible(); }, kPatience_ms));
        QVERIFY(window_->outgoing().isIdle());
        QVERIFY(window_->library().unsent().empty());
        const std::string mail = readFile(folder / "outbox" / ("answer-" + std::to_string(filed) + ".eml")).value();
        for (const char* part : {"text/html", "image/jpeg", "video/mp4", "text/calendar", "next-clip.ics"})
            QVERIFY2(mail.find(part) != std::string::npos, part);
    }

    /// One key files the answer and opens the clip that waits next; the answered one is filed meanwhile.
    void fileAndNext() {
        fill(QStringLiteral("next"));
        openWindow(QStringLiteral("next"));
        openRuta();
        const int64_t answered = session().clipId();
        const int waiting = window_->queuePage().clips().waiting();
        QVERIFY(waiting > 1);
        window_->go(MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(window_->room(), MainWindow::Bench);
        QVERIFY(session().clipId() != answered && !session().isFiled());
        QVERIFY(QTest::qWaitFor([&] { return window_->library().clip(answered)->filed; }, kPatience_ms));
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == waiting - 1; }, kPatience_ms));
        QVERIFY(!session().isFiled()); // of the one that is open
    }

    /// After an answer the next clip is expected; a reminder can be written, or the waiting given up.
    void expectedAfterwards() {
        fill(QStringLiteral("expected"));
        openWindow(QStringLiteral("expected"));
        ExpectedList& list = window_->queuePage().expected();
        QVERIFY(!list.isVisible()); // Ruta's next clip waits to be answered
        openRuta();
        QVERIFY(session().letter().file());
        QVERIFY(filed());
        window_->go(MainWindow::Queue);
        // On the day on which her programme has it filmed again.
        const auto given = window_->library().programmes(session().client().id);
        const QString due = dayWords(given.back().programme.lookAgain->on);
        QVERIFY2(list.isVisible() &&
                     list.text().contains(QStringLiteral("Ruta Kalniņa, Bridge, both feet: due ") + due),
                 qPrintable(list.text()));
        list.setFocus();
        QTest::keyClick(&list, Qt::Key_Tab); // to the first link
        QTest::keyClick(&list, Qt::Key_Return);
        QVERIFY2(window_->message().startsWith(QStringLiteral("The reminder is ready")),
                 qPrintable(window_->message()));
        const fs::path outbox = window_->library().folder() / "outbox";
        std::string mail;
        for (const auto& file : fs::directory_iterator(outbox))
            if (file.path().stem().string().ends_with("-reminder")) mail = readFile(file.path()).value();
        const QString told = QString::fromStdString(mail).remove(QStringLiteral("=\r\n")); // soft breaks of the mail
        QVERIFY2(told.contains(QStringLiteral("Ruta")) && told.contains(due), qPrintable(told));
        emit list.linkActivated(QStringLiteral("waive %1").arg(window_->library().expected().front().review));
        QVERIFY(!list.isVisible() && window_->library().expected().empty());
    }

    /// Filed, but the program was killed before the mail was made: the next start makes it, once.
    void mailAfterAKill() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        fill(QStringLiteral("killed"));
        openWindow(QStringLiteral("killed"));
        openRuta();
        const fs::path outbox = window_->library().folder() / "outbox";
        QVERIFY(session().letter().file()); // all that had been done by then
        session().letter().filing().disconnect(window_.get());
        QVERIFY(filed());
        QVERIFY(fs::is_empty(outbox));
        for (int start = 0; start < 2; ++start) {
            openWindow(QStringLiteral("killed"));
            QVERIFY(QTest::qWaitFor([&] { return window_->outgoing().isIdle(); }, kPatience_ms));
            QCOMPARE(std::distance(fs::directory_iterator(outbox), {}), 1);
        }
        QVERIFY(readFile(fs::directory_iterator(outbox)->path()).value().find("video/mp4") != std::string::npos);
    }

    /// Its clip is gone for good: the mail can be given up, and no later start tries it again.
    void mailThatIsGivenUp() {
        fill(QStringLiteral("given-up"));
        {
            auto library = Library::open(dir_.filePath(QStringLiteral("given-up")).toStdString()).value();
            Review gone = demoReview();
            gone.inputs.clipPath = "/nowhere/gone.mp4";
            const auto clip = library->addClip(library->clients()[0].id, gone.inputs.date, gone.inputs).value();
            QVERIFY(library->file(clip, gone, "<p>", "text"));
        }
        openWindow(QStringLiteral("given-up"));
        QVERIFY(QTest::qWaitFor([&] { return window_->message().contains(QStringLiteral("there is no mail")); },
                                kPatience_ms));
        // Put aside with its reason: the next start does not try it by itself, the coach can.
        openWindow(QStringLiteral("given-up"));
        QTest::qWait(500);
        QVERIFY(window_->outgoing().isIdle() && !window_->message().contains(QStringLiteral("there is no mail")));
        const auto aside = [&] {
            for (const QLabel* l : window_->queuePage().findChildren<QLabel*>())
                if (l->text().contains(QStringLiteral("Failed emails"))) return true;
            return false;
        };
        QVERIFY(aside());
        emit window_->queuePage().inboxLink(QStringLiteral("mails"));
        QVERIFY(QTest::qWaitFor([&] { return window_->message().contains(QStringLiteral("there is no mail")); },
                                kPatience_ms));
        QAction* giveUp = nullptr;
        for (QAction* a : window_->findChildren<QAction*>())
            if (a->text() == QStringLiteral("Discard failed emails")) giveUp = a;
        giveUp->trigger();
        QVERIFY2(window_->message().startsWith(QStringLiteral("1 mail discarded")), qPrintable(window_->message()));
        QVERIFY(window_->library().unsent().empty());
        giveUp->trigger();
        QCOMPARE(window_->message(), QStringLiteral("No mail is waiting to be made."));
        QVERIFY(!aside());
    }

    /// A name that is written like a known one is a question; the answer decides whose the clip is.
    void whoseClipIsIt() {
        openWindow(QStringLiteral("whose"));
        const auto ruta = window_->library().addClient("Ruta Kalni\u0146a", "puppeteer", {"osteoporosis"}).value();
        fs::copy_file(small(), dir_.filePath(QStringLiteral("other.mp4")).toStdString());
        send("ruta  kalnin\u0327a", small());
        const auto question = [&]() -> QString {
            for (const QLabel* l : window_->queuePage().findChildren<QLabel*>())
                if (l->text().contains(QStringLiteral("Whose clip is it?"))) return l->text();
            return {};
        };
        QVERIFY(QTest::qWaitFor([&] { return !question().isEmpty(); }, kPatience_ms));
        QCOMPARE(window_->library().clips().size(), size_t(0));
        QCOMPARE(window_->library().clients().size(), size_t(1));
        const QString link = question().section(QStringLiteral("href=\""), 1, 1).section(QLatin1Char('"'), 0, 0);
        QVERIFY2(link.startsWith(QStringLiteral("is %1 ").arg(ruta)), qPrintable(question()));
        emit window_->queuePage().inboxLink(link);
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == 1; }, kPatience_ms));
        QCOMPARE(window_->library().clips()[0].client, ruta);
        QCOMPARE(window_->library().clips()[0].draft.flags, std::vector<std::string>{"osteoporosis"});
        QVERIFY(QTest::qWaitFor([&] { return question().isEmpty() && fs::is_empty(window_->inbox().folder()); },
                                kPatience_ms));
    }

    /// In the form for a clip of one's own, what is known of a person is filled in when that person is chosen; nobody's
    /// flags go to somebody whose name begins alike.
    void nobodyElsesFlags() {
        openWindow(QStringLiteral("flags"));
        const auto ann = window_->library().addClient("Ann", "rigger", {"pregnancy"}).value();
        QueuePage& queue = window_->queuePage();
        NewClipForm& form = queue.form();
        const auto begin = [&] { queue.bringIn(QString::fromStdString(small().string())); };
        const auto type = [&](const QString& name) {
            QLineEdit* edit = form.clientBox().lineEdit();
            edit->setFocus();
            edit->clear();
            QTest::keyClicks(edit, name);
        };
        begin();
        type(QStringLiteral("Anneli Saar"));
        QVERIFY(form.intakeButton().flags().empty());
        form.clientBox().setCurrentIndex(0);
        emit form.clientBox().activated(0);
        QCOMPARE(form.intakeButton().flags(), std::vector<std::string>{"pregnancy"});
        type(QStringLiteral("Annegret"));
        QVERIFY(form.intakeButton().flags().empty()); // cleared when the name is another's
        const auto press = [&] {
            for (auto* b : form.findChildren<KeyButton*>())
                if (b->text().startsWith(QStringLiteral("Add and open"))) QTest::mouseClick(b, Qt::LeftButton);
        };
        press();
        QVERIFY(QTest::qWaitFor([&] { return window_->library().clips().size() == 1; }, kPatience_ms));
        const Clip first = window_->library().clips()[0];
        QVERIFY(first.draft.flags.empty() && first.client != ann);
        // Into the library like every other clip.
        QVERIFY(first.draft.clipPath.starts_with((window_->library().folder() / "clips").string()));
        // A typed name that is Ann's is asked about before anything is added.
        begin();
        type(QStringLiteral(" ann"));
        press();
        QTest::qWait(200);
        QCOMPARE(window_->library().clips().size(), size_t(1));
        QVERIFY(window_->message().contains(QStringLiteral("on record already")));
        for (QLabel* l : form.findChildren<QLabel*>())
            if (l->text().contains(QStringLiteral("somebody of that name")))
                emit l->linkActivated(QString::number(ann));
        QVERIFY(QTest::qWaitFor([&] { return window_->library().clips().size() == 2; }, kPatience_ms));
        QCOMPARE(window_->library().clipsOf(ann).size(), size_t(1));
        QCOMPARE(window_->library().clipsOf(ann)[0].draft.flags, std::vector<std::string>{"pregnancy"});
    }

    /// What is not right about a clip can be corrected, and a clip removed at the second press.
    void correctedAndRemoved() {
        openWindow(QStringLiteral("correct"));
        send("Bastien Roux", small(), "", true);
        QueuePage& queue = window_->queuePage();
        QVERIFY(QTest::qWaitFor([&] { return queue.clips().waiting() == 1; }, kPatience_ms));
        key(Qt::Key_E);
        QVERIFY(queue.form().isVisible());
        for (auto* box : queue.form().findChildren<QCheckBox*>()) box->setChecked(false); // no pain after all
        for (auto* b : queue.form().findChildren<KeyButton*>())
            if (b->text() == QStringLiteral("Save the correction")) QTest::mouseClick(b, Qt::LeftButton);
        QVERIFY(!window_->library().clips()[0].draft.note.pain);
        QVERIFY(queue.list().isVisible());
        const fs::path film = window_->library().clips()[0].draft.clipPath;
        queue.list().setFocus();
        key(Qt::Key_Delete);
        QVERIFY2(window_->message().startsWith(QStringLiteral("Delete once more")), qPrintable(window_->message()));
        QCOMPARE(window_->library().clips().size(), size_t(1));
        key(Qt::Key_Delete);
        QVERIFY(window_->library().clips().empty() && !fs::exists(film));
    }

    /// A film that has moved comes back under its sum.
    void filmThatMoved() {
        openWindow(QStringLiteral("moved"));
        send("Bastien Roux", small());
        QVERIFY(QTest::qWaitFor([&] { return window_->queuePage().clips().waiting() == 1; }, kPatience_ms));
        const Clip clip = window_->library().clips()[0];
        fs::rename(clip.draft.clipPath, dir_.filePath(QStringLiteral("elsewhere.mp4")).toStdString());
        window_->openClip(clip.id);
        QVERIFY2(window_->message().startsWith(QStringLiteral("Not opened")), qPrintable(window_->message()));
        window_->bringBack(clip.id, QString::fromStdString(demoClip("oisin-bridge-may").string()));
        QVERIFY(!session().isOpen() && window_->message().startsWith(QStringLiteral("Not opened")));
        window_->bringBack(clip.id, dir_.filePath(QStringLiteral("elsewhere.mp4")));
        QVERIFY(session().isOpen());
    }

    /// What is thrown ends the work that threw it, and nothing else.
    void workThatThrows() {
        BackgroundJob job;
        std::optional<Error> refused;
        job.run([](StopToken, const ProgressFn&) -> Result<int> { throw std::runtime_error("no such luck"); },
                [&](const Result<int>& r) { refused = r.error(); });
        QTRY_VERIFY(refused);
        QCOMPARE(refused->code, Errc::Internal);
        QVERIFY(refused->detail().find("no such luck") != std::string::npos);
        int plain = -1;
        job.run([](StopToken, const ProgressFn&) -> int { throw std::bad_alloc(); }, [&](int r) { plain = r; });
        QTRY_COMPARE(plain, 0);
    }
};

QTEST_MAIN(ComingAndGoingTest)
#include "coming_and_going_test.moc"
