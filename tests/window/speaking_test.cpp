// SPDX-License-Identifier: GPL-3.0-or-later
// Speaking over the reply clip: the button held or tapped, drawn on meanwhile, heard, captioned, undone, sent; and what
// is said when there is no microphone, or a mute one. The microphone is a sound file.
#include "app/answer/speak_form.h"
#include "support/driven_window.h"
#include "video/voice.h"

#include <QPlainTextEdit>
#include <QPushButton>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

class SpeakingTest : public DrivenWindow {
    Q_OBJECT

    SpeakForm* form() { return window_->findChild<SpeakForm*>(); }
    bool ready() {
        return QTest::qWaitFor([this] { return form() && form()->speaking().isReady(); }, kPatience_ms);
    }
    bool taken() {
        return QTest::qWaitFor([this] { return form()->speaking().hasTake(); }, kPatience_ms);
    }
    void speak(int ms) {
        QTest::mousePress(&form()->talk(), Qt::LeftButton);
        QTest::qWait(ms);
        QTest::mouseRelease(&form()->talk(), Qt::LeftButton);
    }
    void openForm() {
        window_->activateWindow(); // without a window manager nobody gives the keys back when a form closes
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
        window_->go(MainWindow::Letter);
        key(Qt::Key_V);
        QVERIFY2(ready(), qPrintable(window_->message()));
    }
    void microphone(const fs::path& file) { qputenv("DEFT_MICROPHONE", QByteArray::fromStdString(file.string())); }

private slots:
    void initTestCase() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there"); // faces cannot be covered
        prepare();
        openWindow(QStringLiteral("demo"));
        const qint64 client = window_->library().clip(clipOf("Ruta"))->client;
        QVERIFY(window_->library().recordConsent(
            client, {QDate::currentDate().toString(Qt::ISODate).toStdString(), "", {"coaching"}}));
        openRuta();
    }
    void init() { microphone(DEFT_SOURCE_DIR "/demo/microphone.wav"); }
    void cleanup() {
        if (form()) form()->reject();
        QTest::qWait(0);
    }

    void heldAndDrawn() {
        openForm();
        QVERIFY(!form()->use().isEnabled() && !form()->discardButton().isEnabled());
        QCOMPARE(form()->captions().toPlainText(),
                 QString::fromStdString(std::find_if(session().answer().parts.begin(), session().answer().parts.end(), isCorrection)->text));
        QWidget& picture = form()->picture();
        const auto shown = [&] { return picture.grab().toImage(); };
        const QImage still = shown();
        QTest::mousePress(&form()->talk(), Qt::LeftButton);
        QTest::qWait(1500);
        QVERIFY(form()->state().contains(QStringLiteral("microphone.wav")));
        const QPoint from(picture.width() / 4, picture.height() / 4), to(picture.width() / 2, picture.height() / 4);
        QTest::mousePress(&picture, Qt::LeftButton, {}, from);
        for (int i = 1; i <= 10; ++i) {
            QMouseEvent move(QEvent::MouseMove, from + (to - from) * i / 10, picture.mapToGlobal(from + (to - from) * i / 10), Qt::NoButton,
                             Qt::LeftButton, {});
            QApplication::sendEvent(&picture, &move);
            QTest::qWait(20);
        }
        QTest::mouseRelease(&picture, Qt::LeftButton, {}, to);
        const QImage drawn = shown();
        QVERIFY(drawn.pixelColor((from.x() + to.x()) / 2, from.y()).lightness() > 230);
        QVERIFY(still != drawn); // it moves, too
        QTest::qWait(800);
        QTest::mouseRelease(&form()->talk(), Qt::LeftButton);
        QVERIFY(taken());
        // The file begins with 0.6 s of silence; what was cut is missing from the line's times, too.
        const Spoken& spoken = form()->speaking().spoken();
        QVERIFY2(form()->speaking().take_s() > 1.2 && form()->speaking().take_s() < 2.6, qPrintable(form()->state()));
        QVERIFY(spoken.begins_s > 0.3 && spoken.begins_s < 0.7);
        QCOMPARE(spoken.lines.size(), size_t(1));
        const auto& points = spoken.lines[0].points;
        QVERIFY(points.size() > 5 && points.front().time_s > 0.7 && points.front().time_s < 1.4);
        QVERIFY(std::abs(points.front().x - 0.25) < 0.02 && std::abs(points.back().x - 0.5) < 0.02);

        form()->captions().setPlainText(QStringLiteral("Your ribs first."));
        form()->use().click();
        QTRY_VERIFY(!form());
        const auto kept = session().inputs().spoken;
        QVERIFY(kept && kept->captions == "Your ribs first." && fs::exists(kept->voice));
        QVERIFY(kept->voice.starts_with((window_->library().folder() / "clips").string()));
        QVERIFY(window_->answerPage().footWords().contains(QStringLiteral("carries your voice and captions")));
        // A step like any other.
        session().undoStack().undo();
        QVERIFY(!session().inputs().spoken);
        QVERIFY(!window_->answerPage().footWords().contains(QStringLiteral("your voice")));
        session().undoStack().redo();
        QVERIFY(session().inputs().spoken == kept);

        // Opened again: it is there, its captions can be changed without speaking anew.
        openForm();
        QVERIFY(form()->speaking().hasTake());
        QCOMPARE(form()->captions().toPlainText(), QStringLiteral("Your ribs first."));
        form()->captions().clear();
        form()->use().click();
        QTRY_VERIFY(!form());
        QVERIFY(session().inputs().spoken->captions.empty());
        QCOMPARE(session().inputs().spoken->voice, kept->voice);
        session().undoStack().undo();

        // Other pictures than it was said over: it is told at once.
        session().edit(QStringLiteral("a part"), [&](ReviewInputs& in) {
            in.parts[std::find_if(session().answer().parts.begin(), session().answer().parts.end(), isCorrection)->id] = false;
        });
        QVERIFY2(window_->answerPage().footWords().contains(QStringLiteral("other pictures")),
                 qPrintable(window_->answerPage().footWords()));
        session().undoStack().undo();
        QVERIFY(window_->answerPage().footWords().contains(QStringLiteral("carries your voice")));
    }

    /// A tap begins and another one ends: not everybody can hold a key.
    void tapped() {
        openForm();
        form()->talk().setFocus();
        QTest::keyClick(&form()->talk(), Qt::Key_Space);
        QVERIFY(form()->speaking().isSpeaking());
        QTest::qWait(1800);
        QVERIFY(form()->speaking().isSpeaking() && form()->talk().text().contains(QStringLiteral("press to end")));
        QTest::keyClick(&form()->talk(), Qt::Key_Space);
        QVERIFY(!form()->speaking().isSpeaking());
        QVERIFY(taken());
        form()->playButton().click();
        QVERIFY(form()->speaking().isPlaying());
        QVERIFY(QTest::qWaitFor([&] { return !form()->speaking().isPlaying(); }, kPatience_ms)); // to its end
        form()->reject();
        QTRY_VERIFY(!form());
        QVERIFY(session().inputs().spoken->captions == "Your ribs first."); // nothing was changed
    }

    void muteMicrophone() {
        const fs::path mute = dir_.filePath(QStringLiteral("mute.wav")).toStdString();
        QVERIFY(writeSound(mute, Sound(kSoundRate_Hz)).has_value());
        microphone(mute);
        openForm();
        form()->discardButton().click();
        QVERIFY(!session().inputs().spoken);
        speak(900);
        QVERIFY(QTest::qWaitFor([&] { return !form()->speaking().isBeingCut(); }, kPatience_ms));
        QVERIFY(!form()->speaking().hasTake() && !form()->use().isEnabled());
        bool told = false;
        for (const QLabel* l : form()->findChildren<QLabel*>())
            told |= l->isVisible() && l->text().contains(QStringLiteral("is the microphone muted?"));
        QVERIFY(told);
        session().undoStack().undo(); // the discarding
        QVERIFY(session().inputs().spoken);
    }

    void noMicrophone() {
        qunsetenv("DEFT_MICROPHONE");
        openForm();
        if (form()->speaking().microphone()) QSKIP("this machine has one");
        QVERIFY(!form()->talk().isEnabled());
        QCOMPARE(form()->state(), QStringLiteral("There is no microphone."));
    }

    /// What goes to the client: a clip with the voice in it, and the mail that carries the clip.
    void sent() {
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
        window_->go(MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY2(filed(), qPrintable(window_->message()));
        QVERIFY(!window_->answerPage().speakButton().isEnabled());
        QVERIFY(QTest::qWaitFor([&] { return window_->outgoing().isIdle(); }, kPatience_ms));
        const auto reviews = window_->library().filed(session().client().id, session().inputs().exercise);
        const fs::path clip = window_->library().folder() / "answers" / ("answer-" + std::to_string(reviews.back().id) + ".mp4");
        QVERIFY(fs::exists(clip));
        const auto voice = readSound(clip);
        QVERIFY2(voice.has_value(), voice ? "" : voice.error().detail().c_str());
        double loudest = 0;
        for (const float v : *voice) loudest = std::max(loudest, double(std::abs(v)));
        QVERIFY(loudest > 0.2);
        QVERIFY(fs::exists(fs::path(clip).replace_extension(".vtt")));
    }
};

QTEST_MAIN(SpeakingTest)
#include "speaking_test.moc"
