// SPDX-License-Identifier: GPL-3.0-or-later
// What an answer costs a coach: deliberate actions (a key, a press, a drag, a line of typing) from the queue to the
// filed letter, for five typical clips. docs/effort.md tells the same numbers, and they must not grow.
#include "app/queue/new_clip_form.h"
#include "base/files.h"
#include "support/driven_window.h"
#include "support/known_clip.h"

#include <QAbstractButton>
#include <QComboBox>
#include <QLineEdit>
#include <QRegularExpression>

using namespace deft;
using namespace deft::test;

class EffortTest : public DrivenWindow {
    Q_OBJECT

    void openFromQueue(qint64 clip) {
        window_->go(MainWindow::Queue);
        window_->queuePage().chooseClip(clip); // the arrows that lead there are the queue's length, not the clip's
        key(Qt::Key_Return);
    }
    void agreeWithAll() {
        const auto isOpen = [](const Moment& m) { return !m.agreed; };
        while (std::any_of(session().moments().begin(), session().moments().end(), isOpen) && actions_ < 60)
            key(session().place().moment() < 0 ? Qt::Key_J : Qt::Key_A);
    }
    /// As docs/effort.md has it: the table's first number of the row.
    static int told(const QString& row) {
        const QString table = QString::fromStdString(readFile(DEFT_SOURCE_DIR "/docs/effort.md").value());
        const auto found = QRegularExpression(QStringLiteral("\\| %1[^|]*\\| (\\d+) \\|").arg(QRegularExpression::escape(row))).match(table);
        return found.hasMatch() ? found.captured(1).toInt() : -1;
    }
    void verify(const char* row) {
        qInfo("%s: %d actions", row, actions_);
        QCOMPARE(actions_, told(QString::fromLatin1(row)));
    }
    void fileIt() {
        key(Qt::Key_Return);
        QCOMPARE(window_->room(), MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY2(filed(), qPrintable(window_->message()));
    }

private slots:
    void initTestCase() { prepare(); }
    void init() {
        static int number = 0;
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        const QString name = QStringLiteral("effort-%1").arg(++number);
        fill(name);
        openWindow(name);
        actions_ = 0;
    }
    void cleanup() { window_.reset(); }

    void measuredAlready() {
        openFromQueue(clipOf("Ruta"));
        QVERIFY(measured());
        agreeWithAll();
        fileIt();
        verify("A clip whose marks are known");
    }

    void proposedMarks() {
        qunsetenv("DEFT_MIRROR_KEYPOINTS");
        if (!std::filesystem::exists(KeypointNetwork::usualPlace())) QSKIP("the keypoint network has not been fetched");
        window_.reset();
        openWindow(QStringLiteral("effort-2"));
        QVERIFY(QTest::qWaitFor([&] { return session().offered().proposer().isIdle(); }, kPatience_ms));
        openFromQueue(clipOf("Tom"));
        QVERIFY(session().offered().proposals());
        key(Qt::Key_C);
        key(Qt::Key_Return);
        QVERIFY(measured());
        agreeWithAll();
        fileIt();
        verify("A clip whose marks are proposed");
    }

    /// A film of the coach's own disk, somebody new, marked by hand.
    void ownFilm() {
        QueuePage& queue = window_->queuePage();
        queue.bringIn(QString::fromStdString(demoClip("ruta-bridge-april").string())), ++actions_; // dropped
        QTest::keyClicks(queue.form().clientBox().lineEdit(), QStringLiteral("Marit Solheim")), ++actions_;
        for (QComboBox* box : queue.form().findChildren<QComboBox*>())
            if (const int bridge = box->findText(QStringLiteral("Bridge, both feet")); bridge >= 0) {
                box->setCurrentIndex(bridge);
                emit box->activated(bridge);
            }
        ++actions_;
        for (QAbstractButton* b : queue.form().findChildren<QAbstractButton*>())
            if (b->text().startsWith(QStringLiteral("Add and open"))) b->click(), ++actions_;
        QVERIFY(QTest::qWaitFor([&] { return window_->room() == MainWindow::Bench && session().isOpen(); }, kPatience_ms));
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(0).isNull(); }, kPatience_ms));
        const auto points = readMarks(demoClip("ruta-bridge-april").replace_extension(".marks.json")).value().frames[0].points;
        QVERIFY(pictureIsThere());
        while (!session().isMarked() && actions_ < 40) {
            const auto place = points.find(stage().toPlace().first().toStdString());
            if (place == points.end()) {
                key(Qt::Key_S); // cannot be seen
                continue;
            }
            QTest::mouseClick(&stage(), Qt::LeftButton, {}, stage().toWidget({place->second->x(), place->second->y()}).toPoint());
            ++actions_;
        }
        key(Qt::Key_Return);
        QVERIFY(measured());
        agreeWithAll();
        fileIt();
        verify("A film from the coach's own disk");
    }

    void visitOfThree() {
        qint64 first = 0;
        for (const char* name : {"ruta-bridge-march", "ruta-bridge-early-april", "ruta-bridge-april"}) {
            const qint64 clip = addKnownClip(window_->library(), "Mirela Dumitru", "2026-05-14", name);
            if (!first) first = clip;
        }
        window_->queuePage().refresh();
        openFromQueue(first);
        for (int k = 0; k < 3; ++k) {
            QVERIFY(measured());
            agreeWithAll();
            if (k == 2) break;
            key(Qt::Key_Return, Qt::ControlModifier | Qt::ShiftModifier); // ready, and the next one
            QVERIFY(QTest::qWaitFor([&] { return window_->room() == MainWindow::Bench; }, kPatience_ms));
        }
        QVERIFY(QTest::qWaitFor([&] { return session().letter().visit().isComplete(); }, kPatience_ms));
        fileIt();
        verify("A visit of three clips");
    }

    /// The shoulder is lost for most of the lifts: the clip cannot carry a decision, and the letter asks for another.
    void askAgain() {
        const qint64 clip = addKnownClip(window_->library(), "Mirela Dumitru", "2026-05-14");
        Tracks tracks = demoTracks();
        for (auto& [name, track] : tracks.landmark)
            if (name == "shoulder")
                for (size_t i = 0; i < track.size(); ++i)
                    if (tracks.time_s[i] > 3.5 && tracks.time_s[i] < 15.5) track[i].state = PointState::Lost;
        window_->library().cacheTracks(window_->library().clip(clip)->draft, tracks);
        window_->queuePage().refresh();
        openFromQueue(clip);
        QVERIFY(measured());
        QCOMPARE(session().review()->decision.step, std::string("ask-again"));
        agreeWithAll();
        fileIt();
        verify("A clip that is asked for again");
    }
};

QTEST_MAIN(EffortTest)
#include "effort_test.moc"
