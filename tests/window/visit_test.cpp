// SPDX-License-Identifier: GPL-3.0-or-later
// Several clips of one client on one day: one row that opens, one letter, one mail; and a long film cut into parts.
#include "app/session/filing.h"
#include "app/session/outgoing.h"
#include "support/driven_window.h"
#include "support/known_clip.h"

#include <QDir>

using namespace deft;
using namespace deft::ui;
using namespace deft::test;

class VisitWindowTest : public DrivenWindow {
    Q_OBJECT

    int64_t addClip(const char* name, const char* received, const char* client = "Mirela Dumitru") {
        return addKnownClip(window_->library(), client, received, name);
    }
    int row(int64_t clip) {
        ClipList& clips = window_->queuePage().clips();
        for (int r = 0; r < clips.rowCount(); ++r)
            if (clips.entry(r).clip.id == clip) return r;
        return -1;
    }
    bool isHidden(int64_t clip) { return window_->queuePage().list().isRowHidden(row(clip)); }
    void inQueue(Qt::Key k) { QTest::keyClick(&window_->queuePage().list(), k); }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
    }
    void init() {
        static int number = 0;
        openWindow(QStringLiteral("visit-%1").arg(++number));
    }
    void cleanup() { window_.reset(); }

    void oneRowThatOpens() {
        const int64_t first = addClip("ruta-bridge-march", "2026-05-14"),
                      second = addClip("ruta-bridge-april", "2026-05-14"),
                      alone = addClip("ruta-bridge-early-april", "2026-05-15"),
                      others = addClip("ruta-bridge-april", "2026-05-14", "Joost van Aken");
        QueuePage& queue = window_->queuePage();
        queue.refresh();
        QVERIFY(!isHidden(first) && isHidden(second) && !isHidden(alone) && !isHidden(others));
        QCOMPARE(row(second), row(first) + 1);
        queue.chooseClip(first);
        const auto told = [&](int64_t clip) {
            return queue.clips().index(row(clip)).data(Qt::AccessibleTextRole).toString();
        };
        QVERIFY2(told(first).contains(QStringLiteral("visit of 2 clips: Bridge")), qPrintable(told(first)));
        inQueue(Qt::Key_Right);
        QVERIFY(!isHidden(second));
        QVERIFY(told(second).contains(QStringLiteral("clip 2 of 2 of a visit")));
        inQueue(Qt::Key_Left);
        QVERIFY(isHidden(second));
        // What is looked for is shown, folded or not.
        queue.find();
        queue.findBox().setText(QStringLiteral("mirela"));
        QVERIFY(!isHidden(second) && isHidden(others));
    }

    /// What the open clip's letter waits for is called by the name of its exercise, or as it was told where no file
    /// knows it.
    void othersByName() {
        const int64_t first = addClip("ruta-bridge-march", "2026-05-14");
        addClip("ruta-bridge-april", "2026-05-14");
        addKnownClip(window_->library(), "Mirela Dumitru", "2026-05-14", "ruta-bridge-early-april",
                     [](ReviewInputs& in) { in.exercise = "ladder-walk"; });
        window_->openClip(first);
        const auto& others = session().letter().visit().others();
        QCOMPARE(others.size(), size_t(2));
        QCOMPARE(others[0].exercise, std::string("Bridge, both feet"));
        QCOMPARE(others[1].exercise, std::string("ladder-walk"));
    }

    /// The first clip is made ready, the last one files all of them: one page, one mail, and undo goes as far as it
    /// should.
    void oneLetter() {
        const int64_t first = addClip("ruta-bridge-march", "2026-05-14"),
                      second = addClip("ruta-bridge-april", "2026-05-14");
        window_->openClip(first);
        QVERIFY(measured());
        window_->go(MainWindow::Letter);
        QCOMPARE(window_->answerPage().fileButton().text(), QStringLiteral("Ready for the letter"));
        key(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(window_->library().clip(first)->draft.ready);
        QVERIFY(window_->library().filed(session().client().id, "bridge").empty());
        QVERIFY2(window_->message().contains(QStringLiteral("1 clip")), qPrintable(window_->message()));
        QCOMPARE(window_->queuePage().chosen(), second);

        window_->openClip(second);
        QVERIFY(measured());
        QVERIFY(QTest::qWaitFor([&] { return session().letter().visit().isComplete(); }, kPatience_ms));
        window_->go(MainWindow::Letter);
        const auto words = [&] {
            for (const QLabel* l : window_->answerPage().findChildren<QLabel*>())
                if (l->isVisibleTo(&window_->answerPage()) &&
                    l->text().startsWith(QStringLiteral("The letter as it stands")))
                    return l->text();
            return QString();
        };
        QVERIFY(words().contains(QStringLiteral("thank you for your two clips")));
        QVERIFY(window_->answerPage().fileButton().text().startsWith(QStringLiteral("File and send")));
        const int64_t client = session().client().id;
        key(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(QTest::qWaitFor([&] { return window_->library().filed(client, "bridge").size() == 2; }, kPatience_ms));
        QVERIFY(QTest::qWaitFor([&] { return window_->outgoing().isIdle() && window_->library().unsent().empty(); },
                                kPatience_ms));
        const auto filed = window_->library().filed(client, "bridge");
        QCOMPARE(filed[0].answerText, filed[1].answerText);
        QCOMPARE(window_->library().letterOf(filed[0].id), window_->library().letterOf(filed[1].id));
        const QString folder = QString::fromStdString(window_->library().folder().string());
        QCOMPARE(QDir(folder + QStringLiteral("/outbox")).entryList({QStringLiteral("*.eml")}, QDir::Files).size(), 1);
        const std::string mail = readFile(window_->library().mailOf(filed[1].id)->file).value();
        QVERIFY(mail.find("thank you for your two") != std::string::npos);
    }

    /// A clip that is answered alone leaves the others to theirs.
    void alone() {
        const int64_t first = addClip("ruta-bridge-march", "2026-05-14"),
                      second = addClip("ruta-bridge-april", "2026-05-14");
        window_->openClip(first);
        QVERIFY(measured());
        window_->go(MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier | Qt::AltModifier);
        QVERIFY(QTest::qWaitFor([&] { return window_->library().clip(first)->filed; }, kPatience_ms));
        QVERIFY(!window_->library().clip(second)->filed && !window_->library().clip(second)->draft.ready);
    }

    /// In and out points make a clip of a part; the film is kept once, and both are one visit.
    void partOfAFilm() {
        const int64_t whole = addClip("ruta-bridge-april", "2026-05-14");
        window_->openClip(whole);
        QVERIFY(measured());
        key(Qt::Key_O, Qt::ShiftModifier);
        QVERIFY(window_->message().contains(QStringLiteral("Shift+I")));
        session().place().setFrame(60);
        key(Qt::Key_I, Qt::ShiftModifier);
        session().place().setFrame(270);
        key(Qt::Key_O, Qt::ShiftModifier);
        QCOMPARE(window_->room(), MainWindow::Queue);
        for (KeyButton* b : window_->queuePage().form().findChildren<KeyButton*>())
            if (b->text() == QStringLiteral("Add and open")) QTest::mouseClick(b, Qt::LeftButton);
        QVERIFY(QTest::qWaitFor([&] { return window_->room() == MainWindow::Bench && session().clipId() != whole; },
                                kPatience_ms));
        QCOMPARE(session().clip().frames(), 211);
        QVERIFY(std::abs(session().inputs().part->from_s - 2) < 0.06);
        QVERIFY(session().inputs().marks.frames.empty());
        const auto visit = window_->library().visitOf(*window_->library().clip(session().clipId()));
        QCOMPARE(visit.size(), size_t(2));
        // Marks of the whole film go along when it is shortened.
        const ReviewInputs before = visit[0].draft, after = ofPart(before, FilmPart{0, 8});
        QCOMPARE(after.marks.frames.size(), before.marks.frames.size());
        QVERIFY(ofPart(before, FilmPart{4, 8}).marks.frames.empty());
    }
};

QTEST_MAIN(VisitWindowTest)
#include "visit_test.moc"
