// SPDX-License-Identifier: GPL-3.0-or-later
// What the queue does for a coach besides opening clips: taking an answer back, mails made and sent, films dropped onto
// the window, a search that says how much it shows, and rows that tell everything to who cannot see them.
#include "app/exercises/exercises_page.h"
#include "base/files.h"
#include "base/json.h"
#include "support/driven_window.h"
#include "support/known_clip.h"
#include "support/numbered_clip.h"

#include <QDropEvent>
#include <QMimeData>

using namespace deft;
using namespace deft::ui;
using namespace deft::test;
namespace fs = std::filesystem;

class QueueTest : public DrivenWindow {
    Q_OBJECT

    int64_t addClip(const char* client, const std::function<void(ReviewInputs&)>& change = {}) {
        return addKnownClip(window_->library(), client, "2026-05-14", "ruta-bridge-april", change);
    }
    void fileFromLetter(int64_t clip) {
        window_->openClip(clip);
        QVERIFY(measured());
        window_->go(MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier);
    }
    QueuePage& queue() { return window_->queuePage(); }
    fs::path film(const char* name) {
        const fs::path at = dir_.filePath(QString::fromLatin1(name)).toStdString();
        if (!fs::exists(at)) (void)writeNumbered(at, evenTimes(name[0] == 'a' ? 30 : 40));
        return at;
    }
    void drop(const QStringList& paths) {
        QMimeData data;
        QList<QUrl> urls;
        for (const QString& path : paths) urls << QUrl::fromLocalFile(path);
        data.setUrls(urls);
        QDragEnterEvent enter({5, 5}, Qt::CopyAction, &data, Qt::LeftButton, {});
        QApplication::sendEvent(window_.get(), &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent dropped({5, 5}, Qt::CopyAction, &data, Qt::LeftButton, {});
        QApplication::sendEvent(window_.get(), &dropped);
    }
    KeyButton* button(const QString& text) {
        for (KeyButton* b : queue().form().findChildren<KeyButton*>())
            if (b->text() == text) return b;
        return nullptr;
    }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
    }
    void init() {
        static int number = 0;
        openWindow(QStringLiteral("queue-%1").arg(++number));
    }
    void cleanup() { window_.reset(); }

    /// For a minute an answer that was sent off can be taken back; nothing is recorded then, and it can be sent again.
    void takenBack() {
        const int64_t clip = addClip("Mirela Dumitru");
        session().letter().filing().setGrace(600000);
        fileFromLetter(clip);
        QVERIFY(session().letter().filing().isFiling(clip));
        QVERIFY(window_->message().contains(QStringLiteral("U in the queue takes it back")));
        QCOMPARE(window_->room(), MainWindow::Queue);
        QTest::keyClick(&queue().list(), Qt::Key_U);
        QVERIFY(session().letter().filing().isIdle() && window_->message().startsWith(QStringLiteral("Taken back")));
        QVERIFY(!window_->library().clip(clip)->filed && window_->library().unsent().empty());
        QCOMPARE(queue().chosen(), clip);
        QTest::keyClick(&queue().list(), Qt::Key_U);
        QVERIFY(window_->message().startsWith(QStringLiteral("Nothing is being sent")));
        // Edited, sent again, and this time the minute passes.
        session().edit(QStringLiteral("words"), [](ReviewInputs& in) { in.words["close"] = "Warmly"; });
        session().letter().filing().setGrace(1);
        fileFromLetter(clip);
        QVERIFY(filed());
        QVERIFY(window_->library().filed(session().client().id, "bridge")[0].answerText.find("Warmly") !=
                std::string::npos);
    }

    /// Closing the window waits no minute: what was sent off is recorded.
    void closingHurries() {
        const int64_t clip = addClip("Mirela Dumitru");
        session().letter().filing().setGrace(600000);
        fileFromLetter(clip);
        QVERIFY(!window_->close()); // it closes by itself once all is done
        QVERIFY(QTest::qWaitFor([&] { return !window_->isVisible(); }, kPatience_ms));
        QVERIFY(window_->library().clip(clip)->filed);
    }

    void mailsMadeAndSent() {
        const int64_t clip = addClip("Mirela Dumitru");
        fileFromLetter(clip);
        QVERIFY(filed());
        QVERIFY(QTest::qWaitFor([&] { return window_->library().unsent().empty(); }, kPatience_ms));
        QTest::keyClick(&queue().list(), Qt::Key_M);
        QAbstractItemModel& model = *queue().mails().model();
        QCOMPARE(model.rowCount(), 1);
        const auto cell = [&](int column) { return model.index(0, column).data().toString(); };
        QCOMPARE(cell(MailTable::To), QStringLiteral("Mirela Dumitru"));
        QVERIFY(cell(MailTable::About).startsWith(QStringLiteral("Bridge")));
        QCOMPARE(cell(MailTable::Sent), QStringLiteral("not yet"));
        QTest::keyClick(&queue().mails(), Qt::Key_M);
        QVERIFY(cell(MailTable::Sent) != QStringLiteral("not yet"));
        QTest::keyClick(&queue().mails(), Qt::Key_M);
        QCOMPARE(cell(MailTable::Sent), QStringLiteral("not yet"));
        QTest::keyClick(&queue().mails(), Qt::Key_Escape);
        QVERIFY(!queue().mails().isVisible());
    }

    /// Films are asked about one after the other; a folder's films and notes go into the inbox and stay where they
    /// were.
    /// What is handed over goes where it belongs; nothing counts before the coach has looked at it.
    void filesGoWhereTheyBelong() {
        const auto open = [&](const QString& path) {
            window_->openFiles({path});
            return window_->message();
        };
        const QString clips = QStringLiteral(DEFT_SOURCE_DIR "/demo/clips/");
        const QString marks = clips + QStringLiteral("ruta-bridge-april.marks.json");
        QVERIFY(open(marks).startsWith(QLatin1String("Open a clip first")));
        QVERIFY(open(QStringLiteral("/nowhere.mp4")).contains(QLatin1String("there is no such file")));
        const QString letter = dir_.filePath(QStringLiteral("letter.txt"));
        QVERIFY(writeFileAtomically(letter.toStdString(), "Dear coach,\n").has_value());
        QVERIFY(open(letter).contains(QLatin1String("neither a film")));
        open(QStringLiteral(DEFT_SOURCE_DIR "/data/exercises/bridge.json"));
        QCOMPARE(window_->room(), MainWindow::Exercises);
        QVERIFY(window_->exercisesPage().isEditing() && window_->exercisesPage().editor().isInOrder());
        QVERIFY(!fs::exists(window_->library().folder() / "exercises" / "bridge.json")); // not before it is saved
        const int64_t clip = addClip("Ruta Varga");
        window_->openClip(clip);
        QVERIFY(measured());
        session().edit(QStringLiteral("no marks"), [](ReviewInputs& in) { in.marks.frames.clear(); });
        open(marks);
        QVERIFY(!session().inputs().marks.frames.empty());
    }

    /// The next start shows the room and the clip of the last one, but does not try a clip twice that ended it.
    void comesBackWhereItWas() {
        const int64_t clip = addClip("Ruta Varga");
        window_->openClip(clip);
        QVERIFY(measured());
        window_->go(MainWindow::Letter);
        window_->close();
        const QString folder = QString::fromStdString(window_->library().folder().filename().string());
        openWindow(folder);
        QCOMPARE(window_->room(), MainWindow::Queue); // a test's window and the demo begin at the queue
        window_->comeBack();
        QVERIFY(window_->room() == MainWindow::Bench && session().clipId() == clip);
        openWindow(folder); // that one was not closed in order
        window_->comeBack();
        QCOMPARE(window_->room(), MainWindow::Queue);
    }

    void dropped() {
        drop({QString::fromStdString(film("a.mp4").string()), QString::fromStdString(film("b.mp4").string())});
        QCOMPARE(window_->room(), MainWindow::Queue);
        queue().form().clientBox().setEditText(QStringLiteral("Joost van Aken"));
        QTest::mouseClick(button(QStringLiteral("Add and open")), Qt::LeftButton);
        QVERIFY(QTest::qWaitFor([&] { return queue().clips().waiting() == 1; }, kPatience_ms));
        QVERIFY(queue().form().isVisible()); // the second film
        QTest::mouseClick(button(QStringLiteral("Cancel")), Qt::LeftButton);
        QVERIFY(!queue().form().isVisible());

        const fs::path folder = dir_.filePath(QStringLiteral("phone")).toStdString();
        fs::create_directories(folder);
        fs::copy_file(film("b.mp4"), folder / "b.mp4");
        Parcel p;
        p.client = "Nadia Haddad", p.clip = "b.mp4", p.exercise = "bridge", p.sent = "2026-05-20";
        QVERIFY(writeFileAtomically(folder / "b.json", toText(toJson(p))));
        drop({QString::fromStdString(folder.string())});
        QVERIFY(QTest::qWaitFor([&] { return queue().clips().waiting() == 2; }, kPatience_ms));
        QVERIFY(fs::exists(folder / "b.mp4") && fs::exists(folder / "b.json"));
    }

    /// A parcel of several clips, of somebody new without an id: all of them are that person's, and one visit. What a
    /// program that was killed has taken in already is passed over, and the rest is still the same person's.
    void aParcelOfSeveral() {
        const fs::path inbox = window_->inbox().folder();
        Json j = {{"format", "deft-mirror-parcel"},
                  {"version", 1},
                  {"client", "Nadia Haddad"},
                  {"sent", "2026-05-20"},
                  {"clips", {{{"clip", "a.mp4"}, {"exercise", "bridge"}}, {{"clip", "b.mp4"}, {"exercise", "march"}}}}};
        const auto send = [&] {
            fs::copy_file(film("a.mp4"), inbox / "a.mp4");
            fs::copy_file(film("b.mp4"), inbox / "b.mp4");
            QVERIFY(writeFileAtomically(inbox / "visit.json", toText(j)));
        };
        send();
        QVERIFY(QTest::qWaitFor([&] { return queue().clips().waiting() == 2 && fs::is_empty(inbox); }, kPatience_ms));
        QCOMPARE(window_->library().clients().size(), size_t(1));
        const auto clips = window_->library().visitOf(queue().clips().entry(0).clip);
        QCOMPARE(clips.size(), size_t(2));
        QVERIFY(window_->library().removeClip(clips[1].id)); // as if it had not come so far
        send();
        QVERIFY(QTest::qWaitFor([&] { return queue().clips().waiting() == 2 && fs::is_empty(inbox); }, kPatience_ms));
        QVERIFY(window_->inbox().questions().empty());
        QCOMPARE(window_->library().clients().size(), size_t(1));
    }

    void searchSaysHowMuchItShows() {
        for (const char* name : {"Mirela Dumitru", "Joost van Aken", "Nadia Haddad"}) (void)addClip(name);
        queue().refresh();
        QTest::keyClick(&queue().list(), Qt::Key_Slash);
        queue().findBox().setText(QStringLiteral("joost"));
        const auto told = [&] {
            for (const QLabel* l : queue().findChildren<QLabel*>())
                if (l->isVisibleTo(&queue()) && l->text().contains(QStringLiteral("Esc shows all"))) return l->text();
            return QString();
        };
        QCOMPARE(told(), QStringLiteral("1 of 3 clips; Esc shows all"));
        QTest::keyClick(&queue().findBox(), Qt::Key_Escape);
        QVERIFY(told().isEmpty());
    }

    /// Exercise, pain, promise and words, as the eyes get them.
    void forEars() {
        (void)addClip("Mirela Dumitru", [](ReviewInputs& in) {
            in.note.pain = true, in.note.words = "left hip pinches", in.answerBy = "2026-05-16";
        });
        queue().refresh();
        const QString row = queue().clips().index(0).data(Qt::AccessibleTextRole).toString();
        for (const char* word : {"Mirela Dumitru", "Bridge", "pain was named", "promised", "left hip pinches"})
            QVERIFY2(row.contains(QString::fromLatin1(word)), qPrintable(row));
    }
};

QTEST_MAIN(QueueTest)
#include "queue_test.moc"
