// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of every main view with the demo data, for the documentation: screenshots OUTDIR [all [LANGUAGE]], where
// the language `pseudo` is English two fifths longer and read from the right;
// DEFT_SIZE=1024x700 asks for another size of the window, DEFT_DARK=1 for the other theme
#include "app/answer/answer_page.h"
#include "app/answer/answer_row.h"
#include "app/answer/speak_form.h"
#include "app/bench/bench_page.h"
#include "app/bench/mat_tool.h"
#include "app/bench/target_panel.h"
#include "app/client/client_page.h"
#include "app/compare/compare_page.h"
#include "app/documents/answer_picture.h"
#include "app/documents/reply_clip.h"
#include "app/exercises/exercises_page.h"
#include "app/practice/practice_page.h"
#include "app/programme/programme_page.h"
#include "app/queue/queue_page.h"
#include "app/theme/window_language.h"
#include "app/widgets/style.h"
#include "app/window/demo.h"
#include "app/window/demo_phone.h"
#include "app/window/first_steps.h"
#include "app/window/guide.h"
#include "app/window/keys_sheet.h"
#include "app/window/main_window.h"
#include "base/files.h"
#include "support/patience.h"
#include "support/pseudo_translator.h"

#include <QApplication>
#include <QListWidget>
#include <QPushButton>
#include <QScrollBar>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>
#include <iostream>

using namespace deft;
using namespace deft::ui;

int main(int argc, char** argv) {
    if (argc < 2) return 2;
    QStandardPaths::setTestModeEnabled(true);
    QApplication app(argc, argv);
    QCoreApplication::setApplicationName(QStringLiteral("deft-mirror-screenshots"));
    loadTypeface();
    applyStyle(app);
    const QString out = QString::fromLocal8Bit(argv[1]);
    QTemporaryDir folder;
    auto library = Library::open(folder.path().toStdString());
    if (!library || !fillDemo(**library, QDate::currentDate()) || !fillSeason(**library, QDate::currentDate()))
        return 1;
    if (argc > 3 && argv[3] == std::string("pseudo"))
        test::speakPseudo();
    else if (argc > 3)
        speakToCoach(*(*library)->catalogue(), QString::fromLocal8Bit(argv[3]));
    MainWindow window(std::move(*library));
    const QStringList side = qEnvironmentVariable("DEFT_SIZE", QStringLiteral("1280x800")).split(QLatin1Char('x'));
    const QSize size(side[0].toInt(), side[1].toInt());
    window.resize(size);
    window.show();
    auto shot = [&](const char* name) {
        QTest::qWait(1800); // pictures arrive from their own threads
        window.grab().save(out + QLatin1Char('/') + QLatin1String(name) + QStringLiteral(".png"));
        std::cout << name << "\n";
    };
    const bool dark = qEnvironmentVariableIsSet("DEFT_DARK");
    window.setDark(dark);
    QSettings().remove(QStringLiteral("first-steps-put-away")); // of an earlier run
    window.startDemo();
    while (window.phones()->left() > 0) window.phones()->sendNext();
    if (!QTest::qWaitFor([&] { return window.queuePage().clips().waiting() == 7; }, kPatience_ms)) return 1;
    if (!QTest::qWaitFor([&] { return window.session().offered().proposer().isIdle(); }, kPatience_ms)) return 1;
    window.say({});
    shot("queue");
    window.firstSteps().putAway();
    qint64 ruta = 0;
    for (const Clip& c : window.library().clips())
        if (!c.filed && c.draft.client.starts_with("Ruta")) ruta = c.id;
    window.openClip(ruta);
    if (!QTest::qWaitFor([&] { return window.session().review() != nullptr; }, kPatience_ms)) return 1;
    window.benchPage().answerMoment(true);
    shot("bench");
    QTest::keyClick(&window.benchPage().stage(), Qt::Key_B);
    QTest::keyClick(&window.benchPage().stage(), Qt::Key_M);
    window.benchPage().stage().selectNext(1);
    shot("mending");
    if (argc > 2) { // half of the mat's corners, and what all of them tell
        StagePicture& stage = window.benchPage().stage();
        stage.resetZoom();
        stage.mat().start();
        const auto press = [&](double x, double y) {
            QTest::mouseClick(&stage, Qt::LeftButton, {}, stage.toWidget({x, y}).toPoint());
        };
        press(12, 587), press(1271, 574);
        QTest::mouseMove(&stage, stage.toWidget({1100, 520}).toPoint());
        shot("mat");
        press(1151, 503), press(131, 513);
        if (!QTest::qWaitFor([&] { return window.session().review()->series().context.mat.has_value(); }, kPatience_ms))
            return 1;
        stage.select({});
        shot("mat-told");
        window.session().undoStack().undo();
        stage.fitBody();
    }
    QTest::keyClick(&window.benchPage().stage(), Qt::Key_M);
    window.setDark(true);
    shot("bench-dark");
    window.setDark(dark);
    window.go(MainWindow::Compare);
    if (!QTest::qWaitFor([&] { return window.comparePage().comparison().side(1) != nullptr; }, kPatience_ms)) return 1;
    window.comparePage().comparison().setPlace(1.6);
    shot("compare");
    window.comparePage().comparison().choose(Comparison::Of::Weeks);
    shot("weeks");
    if (argc > 2) {
        window.setDark(true);
        shot("weeks-dark");
        window.comparePage().comparison().choose(Comparison::Of::Times);
        QTest::qWait(2000);
        shot("compare-dark");
        window.setDark(dark);
        window.resize(1920, 1080);
        shot("compare-large");
        window.resize(size);
    }
    window.go(MainWindow::Letter);
    shot("answer");
    QTest::keyClick(&window.answerPage(), Qt::Key_V);
    auto* speaking = window.findChild<SpeakForm*>();
    if (!speaking || !QTest::qWaitFor([&] { return speaking->speaking().isReady(); }, kPatience_ms)) return 1;
    QTest::keyClick(&speaking->talk(), Qt::Key_Space);
    QTest::qWait(2500);
    speaking->speaking().penDown({0.62, 0.3});
    for (int i = 0; i < 20; ++i) speaking->speaking().penMoved({0.62 + 0.012 * i, 0.3 + 0.0006 * (i - 10) * (i - 10)});
    speaking->grab().save(out + QStringLiteral("/speaking.png"));
    std::cout << "speaking\n";
    speaking->reject();
    window.activateWindow();
    if (!QTest::qWaitForWindowActive(&window)) return 1;
    if (argc > 2) {
        for (AnswerRow* row : window.answerPage().findChildren<AnswerRow*>())
            if (row->part() == "well") row->words().appendPlainText(QStringLiteral("Keep your pelvs still."));
        window.say(QStringLiteral("Kept: “Tour”. I inserts it into a letter."));
        window.say(QStringLiteral("The mail is ready, with the reply clip: /home/jonna/library/outbox/answer-12.eml"));
        shot("messages");
        window.session().undoStack().undo();
        window.say({});
        QTest::keyClick(&window.answerPage(), Qt::Key_P);
        QTest::keyClick(&window.answerPage(), Qt::Key_P);
        QTest::keyClick(&window.answerPage(), Qt::Key_Right, Qt::ShiftModifier);
        shot("answer-picked");
        window.session().undoStack().undo();
        window.writeSheet(out + QStringLiteral("/sheet.png"));
        window.answerPage().leavePicture();
        // A picture out of the reply clip, and the bench with something drawn on it
        const std::string clip = folder.filePath(QStringLiteral("reply.mp4")).toStdString();
        auto source = ClipReader::open(window.session().inputs().clipPath);
        if (source && writeReplyClip(*window.session().review(), window.session().answer(), *source, clip))
            toImage(*ClipReader::open(clip)->bgra(120)).save(out + QStringLiteral("/reply-clip.png"));
        window.go(MainWindow::Bench);
        const double now = window.session().clip().time_s[size_t(window.session().place().frame())];
        window.session().edit(QStringLiteral("drawn"), [&](ReviewInputs& in) {
            in.drawings = {{Drawing::Kind::Arrow, now, {{520, 180}, {640, 330}}, "ribs stay down"},
                           {Drawing::Kind::Angle, now, {{420, 440}, {640, 390}, {860, 250}}, ""}};
            in.breaths = {{3, true}, {6, false}, {12, true}, {15, false}};
        });
        shot("drawn");
        window.session().undoStack().undo();
    }
    // Two clips of one day: the first is ready, the letter answers both.
    const auto ofMirela = [&](const char* exercise) {
        qint64 id = 0;
        for (const Clip& c : window.library().clips())
            if (!c.filed && c.draft.client.starts_with("Mirela") && c.draft.exercise == exercise) id = c.id;
        return id;
    };
    window.openClip(ofMirela("forearm-plank"));
    if (!QTest::qWaitFor([&] { return window.session().review() != nullptr; }, kPatience_ms)) return 1;
    window.go(MainWindow::Letter);
    QTest::keyClick(&window.answerPage(), Qt::Key_Return, Qt::ControlModifier | Qt::ShiftModifier); // and the next one
    if (!QTest::qWaitFor([&] { return window.session().review() && window.session().letter().visit().isComplete(); },
                         kPatience_ms))
        return 1;
    window.go(MainWindow::Letter);
    window.say({});
    shot("visit");
    if (argc > 2) {
        QScrollBar* bar = window.answerPage().findChild<QScrollArea*>()->verticalScrollBar();
        bar->setValue(bar->maximum());
        shot("visit-below");
        window.go(MainWindow::Queue);
        window.queuePage().chooseClip(ofMirela("forearm-plank"));
        shot("queue-visit");
    }
    window.go(MainWindow::Record);
    QTest::keyClick(&window.clientPage(), Qt::Key_Up); // the bridge of eight weeks
    shot("client");
    if (argc > 2) { // somebody who told of pain
        QTest::keyClick(&window.clientPage(), Qt::Key_PageDown, Qt::ControlModifier);
        shot("client-pain");
        QTest::keyClick(&window.clientPage(), Qt::Key_PageUp, Qt::ControlModifier);
    }
    window.go(MainWindow::Programmes);
    window.programmePage().desk().choose(1);
    window.say({});
    shot("programme");
    if (argc > 2) {
        window.programmePage().desk().stepVersion(1);
        window.programmePage().besideAnother();
        shot("programme-beside");
        window.programmePage().besideAnother();
        window.programmePage().desk().undoStack().undo();
    }
    window.go(MainWindow::Exercises);
    window.exercisesPage().choose("side-plank");
    shot("exercises");
    window.go(MainWindow::Practice);
    PracticeRound& round = window.practicePage().round();
    PracticePictureView& practising = window.practicePage().picture();
    round.begin();
    window.say({});
    for (int k = 0; !round.isOver(); ++k) {
        if (!QTest::qWaitFor([&] { return round.picture() != nullptr; }, kPatience_ms)) return 1;
        const Point2 at = round.picture()->truth.at(round.asked()) + Vector2(k * 7 % 9 - 2, k * 5 % 7 - 3);
        const QPoint click = practising.toWidget({at.x(), at.y()}).toPoint();
        QTest::mouseMove(&practising, click + QPoint(3, 2));
        if (k == 3) shot("practice");
        QTest::mouseClick(&practising, Qt::LeftButton, {}, click);
    }
    round.step(3);
    shot("practice-found");
    if (argc > 2) {
        QTest::keyClick(&window, Qt::Key_Question);
        if (auto* sheet = window.findChild<KeysSheet*>()) {
            sheet->grab().save(out + QStringLiteral("/keys.png"));
            sheet->close();
            window.activateWindow(); // the offscreen platform does not give the focus back by itself
            if (!QTest::qWaitForWindowActive(&window)) return 1;
        }
    }
    if (argc > 2) {
        QTest::keyClick(&window, Qt::Key_F1);
        if (auto* guide = window.findChild<Guide*>()) {
            guide->contents().setCurrentRow(2);
            QTest::qWait(300);
            guide->grab().save(out + QStringLiteral("/guide.png"));
            guide->close();
            window.activateWindow();
            if (!QTest::qWaitForWindowActive(&window)) return 1;
        }
    }
    // A clip of one's own, half marked.
    ReviewInputs own = window.session().inputs();
    const Marks known = readMarks((demoFolder() / "clips" / "ruta-bridge-april.marks.json").string()).value();
    own.marks = {}, own.note = {}, own.history.clear(), own.agreed.clear();
    own.client = "Marit Solheim", own.clientRole = "stage manager",
    own.clipPath = (demoFolder() / "clips" / "ruta-bridge-april.mp4").string();
    own.clipSha256 = sha256OfFile(own.clipPath).value();
    const auto marit = window.library().addClient(own.client, own.clientRole).value();
    window.openClip(window.library().addClip(marit, "2026-05-16", own).value());
    StagePicture& stage = window.benchPage().stage();
    QTest::qWait(500);
    for (int k = 0; k < 4; ++k) {
        const auto& p = known.frames[0].points.at(stage.toPlace().front().toStdString());
        QTest::mouseClick(&stage, Qt::LeftButton, {}, stage.toWidget({p->x(), p->y()}).toPoint());
    }
    shot("placing");
    for (const Clip& c : window.library().clips())
        if (c.draft.client.starts_with("Tom")) window.openClip(c.id);
    if (!QTest::qWaitFor([&] { return window.session().offered().proposals() != nullptr; }, kPatience_ms)) return 1;
    shot("proposed");
    QTest::keyClick(&stage, Qt::Key_C);
    QTest::keyClick(&stage, Qt::Key_Return);
    if (!QTest::qWaitFor([&] { return window.session().review() != nullptr; }, kPatience_ms)) return 1;
    shot("plank");
    for (const char* name : {"Saoirse", "Wim"}) {
        for (const Clip& c : window.library().clips())
            if (c.draft.client.starts_with(name)) window.openClip(c.id);
        if (!QTest::qWaitFor([&] { return window.session().offered().proposals() != nullptr; }, kPatience_ms)) return 1;
        if (name[0] == 'S') shot("stand-proposed");
        QTest::keyClick(&stage, Qt::Key_C);
        QTest::keyClick(&stage, Qt::Key_Return);
        if (!QTest::qWaitFor([&] { return window.session().review() != nullptr; }, kPatience_ms)) return 1;
        shot(name[0] == 'S' ? "stand" : "reach");
        if (name[0] == 'S') {
            window.go(MainWindow::Compare);
            QTest::keyClick(&window.comparePage(), Qt::Key_3);
            shot("sides");
        }
    }
    if (argc < 3) return 0;
    // Not for the documentation: more to look at.
    window.go(MainWindow::Exercises);
    for (const char* id : {"arm-leg-reach", "one-leg-stand", "curl-up", "rollout"}) {
        window.exercisesPage().choose(id);
        shot(id);
    }
    window.exercisesPage().setEditing(true);
    shot("own-file");
    window.exercisesPage().setEditing(false);
    window.setDark(true);
    window.go(MainWindow::Queue);
    shot("queue-dark");
    window.setDark(dark);
    for (const Clip& c : window.library().clips())
        if (!c.filed && c.draft.client.starts_with("Ois")) window.openClip(c.id);
    if (!QTest::qWaitFor([&] { return window.session().review() != nullptr; }, kPatience_ms)) return 1;
    shot("plain-clothes");
    window.benchPage().target().setOverruling(true);
    shot("overrule");
    window.benchPage().target().setOverruling(false);
    window.go(MainWindow::Letter);
    shot("answer-plain");
    window.resize(1920, 1080);
    shot("answer-large");
    window.go(MainWindow::Bench);
    shot("bench-large");
    window.resize(size);
    window.queuePage().bringIn(QString::fromStdString((demoFolder() / "clips" / "ruta-bridge-april.mp4").string()));
    window.go(MainWindow::Queue);
    window.queuePage().bringIn(QString::fromStdString((demoFolder() / "clips" / "ruta-bridge-april.mp4").string()));
    QTest::qWait(8000); // until the exercise has been guessed
    shot("new-clip");
    return 0;
}
