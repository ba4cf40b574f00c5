// SPDX-License-Identifier: GPL-3.0-or-later
// The real window, driven as a coach would: by keys, presses and drags.
#include "app/answer/answer_row.h"
#include "app/bench/mark_panel.h"
#include "app/bench/picture_window.h"
#include "app/bench/readings_panel.h"
#include "app/bench/rep_sheet.h"
#include "app/bench/target_panel.h"
#include "app/exercises/exercises_page.h"
#include "app/sheet/rep_rows.h"
#include "app/widgets/plain_table.h"
#include "base/files.h"
#include "readings/compare.h"
#include "support/catalogue.h"
#include "support/demo_review.h"
#include "support/driven_window.h"
#include "support/numbered_clip.h"
#include "support/table.h"

#include <QAccessible>
#include <QDialog>
#include <QLineEdit>
#include <QScrollBar>
#include <QSpinBox>
#include <QTableView>
#include <QWheelEvent>

using namespace deft;
using namespace deft::ui;
using namespace deft::test;

class WindowTest : public DrivenWindow {
    Q_OBJECT

    /// The demo as it comes, with Ruta's clip still waiting.
    void openUnfiled() {
        if (!std::filesystem::exists(dir_.filePath(QStringLiteral("ahead")).toStdString()))
            fill(QStringLiteral("ahead"));
        openWindow(QStringLiteral("ahead"));
    }

private slots:
    void initTestCase() { prepare(); }
    void init() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere"); // without proposals, but for the tests of them
        openWindow(QStringLiteral("demo"));
        actions_ = 0;
    }
    void cleanupTestCase() { window_.reset(); }

    void demoHasEarlierReviews() {
        QCOMPARE(window_->library().clients().size(), size_t(3));
        QCOMPARE(window_->queuePage().clips().waiting(), 3);
        for (const Client& c : window_->library().clients())
            if (c.name.starts_with("Ruta")) QCOMPARE(window_->library().filed(c.id, "bridge").size(), size_t(3));
    }

    /// Opening shows the first frame at once; the measurement follows, with progress and a way to stop.
    void firstFrameAtOnceThenMeasured() {
        QElapsedTimer clock;
        clock.start();
        window_->openClip(clipOf("Ruta"));
        QCOMPARE(window_->room(), MainWindow::Bench);
        QVERIFY(session().job().isRunning());
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(0).isNull(); }, kPatience_ms));
        qInfo("first frame after %lld ms", static_cast<long long>(clock.elapsed()));
        QVERIFY(QTest::qWaitFor([&] { return session().job().progress().done > 0; }, kPatience_ms));
        session().job().stop();
        QVERIFY(!session().job().isRunning() && session().review() == nullptr); // stopped: nothing half measured
        QVERIFY(session().inputs().marks.frames.size() == 1);                   // and the marks are still there
        key(Qt::Key_Return);                                                    // again
        QVERIFY(measured());
        QCOMPARE(session().review()->events.reps.size(), size_t(3));
    }

    void steppingAndPlaying() {
        openRuta();
        key(Qt::Key_Home);
        QCOMPARE(session().place().frame(), 0);
        key(Qt::Key_Right);
        key(Qt::Key_Right);
        QCOMPARE(session().place().frame(), 2);
        key(Qt::Key_Left);
        QCOMPARE(session().place().frame(), 1);
        key(Qt::Key_End);
        QCOMPARE(session().place().frame(), session().clip().frames() - 1);
        // A step back is on the screen soon even where nothing was decoded ahead.
        session().place().setFrame(400);
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(400).isNull(); }, kPatience_ms));
        key(Qt::Key_Left);
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(399, -1).isNull(); }, kPatience_ms));
        // Played by the clip's own times: a quarter of a second of the clip takes half a second at half speed, or
        // longer on a busy machine.
        key(Qt::Key_Home);
        key(Qt::Key_2);
        QElapsedTimer clock;
        clock.start();
        key(Qt::Key_Space);
        const auto shown_s = [&] { return session().clip().time_s[size_t(session().place().frame())]; };
        QVERIFY(QTest::qWaitFor([&] { return shown_s() >= 0.25; }, kPatience_ms));
        const double took_s = double(clock.elapsed()) / 1000;
        key(Qt::Key_Space);
        QVERIFY(!window_->benchPage().player().isPlaying());
        QVERIFY2(shown_s() <= 0.5 * took_s + 0.05, qPrintable(QString::number(took_s)));
        key(Qt::Key_1);
    }

    void movingThroughTheSheet() {
        openRuta();
        QCOMPARE(session().place().moment(), 0); // the first proposed moment is shown when measuring is done
        key(Qt::Key_J);
        QCOMPARE(session().place().moment(), 1);
        QCOMPARE(session().place().frame(), session().moments()[1].frame);
        key(Qt::Key_K);
        QCOMPARE(session().place().moment(), 0);
        session().place().choose(0, Phase::SetUp);
        key(Qt::Key_Right, Qt::ShiftModifier);
        QCOMPARE(session().place().phase(), Phase::Out);
        key(Qt::Key_Down);
        QCOMPARE(session().place().rep(), 1);
        QCOMPARE(session().place().frame(), repRows(*session().review())[1].cells[size_t(Phase::Out)].frame);
        key(Qt::Key_B);
        QVERIFY(stage().bestOver());
        key(Qt::Key_T);
        QVERIFY(window_->benchPage().threadsFolded());
        key(Qt::Key_T);
    }

    /// What the sheet shows is what was scripted: clean, sinks late, bends on the way up.
    void sheetShowsWhatHappened() {
        openRuta();
        const auto rows = repRows(*session().review());
        QCOMPARE(rows.size(), size_t(3));
        QVERIFY(rows[0].wholeClean);
        QVERIFY(rows[1].cells[size_t(Phase::Hold)].notch.has_value() && !rows[1].cells[size_t(Phase::Out)].notch);
        QVERIFY(rows[2].cells[size_t(Phase::Out)].notch.has_value());
        QCOMPARE(rows[2].cells[size_t(Phase::Hold)].under, QStringLiteral("already out"));
        QCOMPARE(rows[2].cells[size_t(Phase::Worst)].edge, Verdict::Out);
        QVERIFY(rows[0].cells[size_t(Phase::Worst)].edge != Verdict::Out);
    }

    /// The earlier review's numbers stand beside the new ones.
    void numbersOfLastTime() {
        openRuta();
        const ReadingsTable& table = window_->benchPage().readings().table();
        int compared = 0;
        for (const ReadingRow& row : table.rows()) {
            const Reading* last = table.last(row);
            QVERIFY2(last != nullptr, row.measure.c_str());
            ++compared;
            if (row.measure == "knee_angle") {
                QVERIFY(last->value > row.value + 10); // the feet have come nearer since April
                QVERIFY(isRealChange(last->value, last->u95, row.value, row.u95));
            }
        }
        QVERIFY(compared >= 7);
    }

    /// Each cell of a table is a node of its own for a screen reader: its column's and row's name and what it says.
    void cellsToBeHeard() {
        openRuta();
        const auto cell = [](QTableView* view, int row, int column) {
            auto* table = QAccessible::queryAccessibleInterface(view)->tableInterface();
            return table && table->rowCount() > row && table->cellAt(row, column)
                       ? table->cellAt(row, column)->text(QAccessible::Name)
                       : QString();
        };
        auto* sheet = window_->benchPage().findChild<RepSheet*>();
        QCOMPARE(QAccessible::queryAccessibleInterface(sheet)->role(), QAccessible::Table);
        QCOMPARE(QAccessible::queryAccessibleInterface(sheet)->tableInterface()->rowDescription(2),
                 QStringLiteral("Rep 3"));
        QVERIFY(cell(sheet, 2, int(Phase::Hold)).contains(QStringLiteral("already out")));
        QVERIFY(cell(sheet, 2, int(Phase::Worst)).contains(QStringLiteral("out of tolerance")));
        const QModelIndex worst = sheet->model()->index(2, int(Phase::Worst));
        QCOMPARE(sheet->indexAt(sheet->visualRect(worst).center()), worst);
        sheet->setCurrentIndex({});
        session().place().choose(2, Phase::Worst);
        QCOMPARE(sheet->currentIndex(), worst);
        auto* readings = window_->benchPage().readings().findChild<QTableView*>();
        for (int row = 0; row < readings->model()->rowCount(); ++row) {
            QVERIFY(!cell(readings, row, ReadingsTable::Name).isEmpty());
            QVERIFY(!cell(readings, row, ReadingsTable::Worst).isEmpty());
        }
        // A row goes to its worst frame, the number of the best rep to that.
        const ReadingRow& knee = window_->benchPage().readings().table().rows()[0];
        const auto press = [&](int column) {
            QTest::mouseClick(readings->viewport(), Qt::LeftButton, {},
                              readings->visualRect(readings->model()->index(0, column)).center());
        };
        press(ReadingsTable::BestRep);
        QCOMPARE(session().place().frame(), knee.bestFrame);
        press(ReadingsTable::Name);
        QCOMPARE(session().place().frame(), knee.worstFrame);
    }

    /// A table that was made in one theme is drawn in the other's colours after switching.
    void tablesFollowTheTheme() {
        openRuta();
        auto* readings = window_->benchPage().readings().findChild<QTableView*>();
        window_->benchPage().readings().step(1);
        const auto chosen = [&] {
            const QRect cell = readings->visualRect(readings->currentIndex());
            const QImage seen = window_->grab().toImage();
            return seen.pixelColor(readings->viewport()->mapTo(window_.get(), cell.topLeft() + QPoint(1, 3)));
        };
        for (const bool dark : {true, false}) {
            window_->setDark(dark);
            QCOMPARE(chosen().name(), colours().soft.name());
        }
    }

    /// Dragging a mark tracks again and everything follows; undo is at once, and so is redo.
    void mendingAMark() {
        openRuta();
        const double before = session().review()->series().find("knee_angle")->value[300];
        session().place().setFrame(300);
        key(Qt::Key_M);
        QVERIFY(stage().isMending());
        QVERIFY(pictureIsThere());
        const TrackPoint* knee = session().review()->tracks().find("knee", 300);
        const QPoint from = stage().toWidget({knee->at.x(), knee->at.y()}).toPoint(), to = from + QPoint(60, 0);
        QTest::mousePress(&stage(), Qt::LeftButton, {}, from);
        QTest::mouseMove(&stage(), from + QPoint(30, 0));
        QTest::mouseMove(&stage(), to);
        QTest::mouseRelease(&stage(), Qt::LeftButton, {}, to);
        QCOMPARE(stage().selected(), QStringLiteral("knee"));
        QCOMPARE(session().inputs().marks.frames.size(), size_t(2));
        QVERIFY(session().undoStack().undoText().contains(QStringLiteral("knee")));
        QVERIFY(measured());
        const double after = session().review()->series().find("knee_angle")->value[300];
        QVERIFY2(std::abs(after - before) > 3, qPrintable(QStringLiteral("%1 → %2").arg(before).arg(after)));
        QCOMPARE(session().review()->tracks().find("knee", 300)->state, PointState::ByHand);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!session().job().isRunning()); // known tracks: no waiting
        NEAR(session().review()->series().find("knee_angle")->value[300], before, 1e-9);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(!session().job().isRunning());
        NEAR(session().review()->series().find("knee_angle")->value[300], after, 1e-9);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        // By keyboard alone: choose a mark, move it by half a pixel.
        key(Qt::Key_BracketRight);
        const std::string chosen = stage().selected().toStdString();
        const Point2 at = session().review()->tracks().find(chosen, 300)->at;
        key(Qt::Key_Right, Qt::ControlModifier);
        NEAR(session().inputs().marks.frames.back().points.at(chosen)->x(), at.x() + 0.5, 1e-6);
        session().job().stop();
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        key(Qt::Key_M);
    }

    void agreeingAndUndo() {
        openRuta();
        const std::string step = session().review()->decision.step;
        session().place().chooseMoment(1);
        key(Qt::Key_D);
        QCOMPARE(session().moments()[1].agreed, std::optional<bool>(false));
        QVERIFY(session().review()->events.reps[2].brokenBy.empty() && session().review()->standing().size() == 1);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!session().moments()[1].agreed);
        QCOMPARE(session().review()->decision.step, step);
        QCOMPARE(window_->library().clip(session().clipId())->draft.agreed.size(), size_t(0)); // saved as it is, too
    }

    void lightAndDark() {
        openRuta();
        const QImage light = window_->grab().toImage();
        window_->setDark(true);
        const QImage dark = window_->grab().toImage();
        window_->setDark(false);
        QVERIFY(light.pixelColor(5, 300).lightness() > 200 && dark.pixelColor(5, 300).lightness() < 50);
        QCOMPARE(window_->grab().toImage().pixelColor(5, 300), light.pixelColor(5, 300));
    }

    void fitsTheScreen() {
        openRuta();
        QVERIFY(window_->minimumSizeHint().width() <= 1280 && window_->minimumSizeHint().height() <= 800);
        // Numbers of more lifts than fit scroll inside the sheet alone; nothing else is cut off at 1280 × 800.
        for (QWidget* w : window_->benchPage().findChildren<QWidget*>(Qt::FindDirectChildrenOnly))
            if (w->isVisible())
                QVERIFY2(window_->benchPage().rect().contains(w->geometry()), w->metaObject()->className());
    }

    void allKeysAreListed() {
        QStringList seen;
        for (const QAction* a : window_->findChildren<QAction*>()) {
            for (const QKeySequence& k : a->shortcuts()) {
                QVERIFY(!a->text().isEmpty());
                seen << k.toString();
            }
        }
        for (const char* k : {"J", "K", "A", "D", "Left", "Right", "Up", "Down", "M", "B", "T", "Return", "Esc",
                              "Ctrl+Return", "Ctrl+Z", "?", "Space", "E"})
            QVERIFY2(seen.contains(QString::fromLatin1(k)), k);
        QTest::keyClick(window_.get(), Qt::Key_Question);
        QVERIFY(window_->findChild<QDialog*>() != nullptr);
        const QSize sheet = window_->findChild<QDialog*>()->size();
        QVERIFY(sheet.width() <= 1280 && sheet.height() <= 800);
        window_->findChild<QDialog*>()->close();
    }

    void badFiles_data() {
        QTest::addColumn<QString>("name");
        QTest::newRow("text") << "text.mp4";
        QTest::newRow("nothing") << "none.mp4";
        QTest::newRow("empty") << "empty.mp4";
        QTest::newRow("one frame") << "one.mp4";
        QTest::newRow("cut off") << "cut.mp4";
    }
    void badFiles() {
        QFETCH(QString, name);
        const std::filesystem::path path = dir_.filePath(name).toStdString();
        if (name == QLatin1String("text.mp4")) QVERIFY(writeFileAtomically(path, "Hello Jonna"));
        if (name == QLatin1String("empty.mp4")) QVERIFY(writeFileAtomically(path, ""));
        if (name == QLatin1String("one.mp4")) QVERIFY(writeNumbered(path, {0}));
        if (name == QLatin1String("cut.mp4"))
            QVERIFY(writeFileAtomically(path, readFile(demoClip("ruta-bridge-april"))->substr(0, kPatience_ms)));
        const size_t before = window_->library().clips().size();
        window_->queuePage().bringIn(QString::fromStdString(path.string()));
        QVERIFY2(window_->message().startsWith(QStringLiteral("Not opened")) && window_->message().contains(name) &&
                     window_->message().contains(QStringLiteral("Nothing was changed")),
                 qPrintable(window_->message()));
        QCOMPARE(window_->library().clips().size(), before);
    }

    /// The clip's file has gone: said, and the review that was begun is kept.
    void clipThatHasGone() {
        ReviewInputs in = demoInputs();
        in.clipPath = dir_.filePath(QStringLiteral("gone.mp4")).toStdString();
        const auto clip = window_->library().addClip(window_->library().clients()[0].id, "2026-06-01", in).value();
        window_->openClip(clip);
        QVERIFY(window_->message().contains(QStringLiteral("gone.mp4")) &&
                window_->message().contains(QStringLiteral("kept")));
        QCOMPARE(window_->room(), MainWindow::Queue);
        QVERIFY(window_->library().clip(clip).has_value());
    }

    /// Every exercise can be read, and the coach's own tolerance counts as soon as it is kept.
    void exercisesRoom() {
        window_->go(MainWindow::Exercises);
        ExercisesPage& page = window_->exercisesPage();
        int read = 0;
        for (const std::string& id : shipped().exerciseIds()) {
            page.choose(id);
            const Exercise e = shipped().exercise(id).value();
            const QString text = page.page().toPlainText();
            for (const FaultPlan& f : e.faults)
                QVERIFY2(text.contains(QString::fromStdString(f.name)) &&
                             text.contains(QString::fromStdString(f.cues.back().text)),
                         f.id.c_str());
            QVERIFY(text.contains(QString::fromStdString(e.stopRule)));
            ++read;
        }
        QCOMPARE(read, 37);
        page.choose("bridge");
        QTest::keyClick(&page.list(), Qt::Key_E);
        QVERIFY(page.isEditing());
        OwnFileEditor& editor = page.editor();
        QCOMPARE(editor.verdict(), QStringLiteral("In order."));
        QString words = editor.text().toPlainText();
        editor.text().setPlainText(QString(words).replace(QLatin1String("back-bend"), QLatin1String("back-bent")));
        QVERIFY(QTest::qWaitFor([&] { return !editor.isInOrder(); }, kPatience_ms)); // the check follows what is typed
        QVERIFY2(editor.verdict().contains(QLatin1String("/limits/back-bent")), qPrintable(editor.verdict()));
        window_->go(MainWindow::Queue);
        window_->go(MainWindow::Exercises);
        QCoreApplication::processEvents();
        QVERIFY(page.isEditing() && editor.text().toPlainText().contains(QLatin1String("back-bent"))); // still there
        editor.save(); // a file that is not in order is not kept
        NEAR(*window_->library().catalogue()->exercise("bridge")->fault("back-bend")->limit.high, 5, 0);
        editor.text().setPlainText(words.replace(QLatin1String("5.0"), QLatin1String("7.5")));
        QTest::keyClick(&editor.text(), Qt::Key_S, Qt::ControlModifier);
        NEAR(*window_->library().catalogue()->exercise("bridge")->fault("back-bend")->limit.high, 7.5, 0);
        QVERIFY(page.page().toPlainText().contains(QStringLiteral("chosen by the coach")));
        editor.remove();
        NEAR(*window_->library().catalogue()->exercise("bridge")->fault("back-bend")->limit.high, 5, 0);
        QTest::keyClick(&editor.text(), Qt::Key_Escape);
        QVERIFY(!page.isEditing());
    }

    /// The coach's own target counts, says so in the answer, and is undone like everything else.
    void overruling() {
        openRuta();
        const Decision proposed = session().review()->decision;
        key(Qt::Key_O);
        OverruleForm& form = window_->benchPage().target().form();
        QVERIFY(form.isVisible());
        form.step().setCurrentIndex(form.step().findData(QStringLiteral("back")));
        form.hold().setValue(4);
        form.why().setText(QStringLiteral("a long drive the day before"));
        QTest::keyClick(&form.why(), Qt::Key_Return);
        QCOMPARE(window_->room(), MainWindow::Bench); // Enter is the form's here
        QVERIFY(!form.isVisible());
        const Decision& d = session().review()->decision;
        QCOMPARE(d.step, std::string("back"));
        NEAR(*d.target.hold_s, 4, 0);
        QVERIFY(said(d.because.front()).find("a long drive the day before") != std::string::npos);
        QVERIFY(session().answer().find("target")->text.find("four seconds") != std::string::npos);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session().review()->decision.step, proposed.step);
    }

    /// A school of the menu changes the tolerance at once, and can be undone.
    void schoolOfTheClient() {
        openRuta();
        session().edit(QStringLiteral("school"), [](ReviewInputs& in) { in.schools["bridge"] = "flat-first"; });
        NEAR(*session().exercise().fault("back-bend")->limit.high, 3, 0);
        QVERIFY(session().answer().schoolWords.find("Flatten first") != std::string::npos);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        NEAR(*session().exercise().fault("back-bend")->limit.high, 5, 0);
    }

    /// An intake flag locks the exercise until its readiness list is confirmed; that is recorded in the review.
    void readinessList() {
        openRuta();
        session().edit(QStringLiteral("intake"), [](ReviewInputs& in) {
            in.flags = {"osteoporosis"}, in.exercise = "curl-up", in.view = "side", in.schools = {};
        });
        QCOMPARE(session().review()->decision.step, std::string("stop"));
        QVERIFY(session().answer().find("cautions")->text.find("A doctor has agreed") != std::string::npos);
        key(Qt::Key_O);
        const auto points = window_->benchPage().target().form().findChildren<QCheckBox*>();
        QCOMPARE(points.size(), 1);
        points.front()->click();
        QCOMPARE(session().inputs().cleared, std::vector<std::string>{"osteoporosis"});
        QVERIFY(session().review()->decision.step != "stop");
        for (int k = 0; k < 2; ++k) QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
    }

    /// A harder one: two marks to be mended, a moment refused, another agreed, a part left out; 25 at the most.
    void harderOneToFiled() {
        fill(QStringLiteral("harder"));
        openWindow(QStringLiteral("harder"));
        actions_ = 0;
        window_->openClip(clipOf("Ruta")), ++actions_;
        QVERIFY(measured());
        key(Qt::Key_J);
        key(Qt::Key_D);
        key(Qt::Key_M);
        QVERIFY(pictureIsThere());
        for (const char* name : {"ear", "toe"}) {
            const Point2 at = session().review()->tracks().find(name, size_t(session().place().frame()))->at;
            const QPoint from = stage().toWidget({at.x(), at.y()}).toPoint();
            QTest::mousePress(&stage(), Qt::LeftButton, {}, from);
            QTest::mouseMove(&stage(), from + QPoint(3, 2));
            QTest::mouseRelease(&stage(), Qt::LeftButton, Qt::AltModifier, from + QPoint(3, 2));
            ++actions_;
        }
        QCOMPARE(session().inputs().marks.frames.size(), size_t(2));
        QVERIFY(measured());
        key(Qt::Key_M);
        for (size_t guard = 0; guard < 8; ++guard) {
            const auto& moments = session().moments();
            if (std::none_of(moments.begin(), moments.end(), [](const Moment& m) { return !m.agreed; })) break;
            if (session().place().moment() < 0 || moments[size_t(session().place().moment())].agreed) key(Qt::Key_J);
            if (!moments[size_t(session().place().moment())].agreed) key(Qt::Key_A);
        }
        key(Qt::Key_Return);
        QCOMPARE(window_->room(), MainWindow::Letter);
        key(Qt::Key_Down);
        key(Qt::Key_Space); // without praise today
        QVERIFY(!session().answer().find("well")->sent);
        key(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY2(filed(), qPrintable(window_->message()));
        qInfo("a harder clip from opened to filed: %d actions", actions_);
        QVERIFY(actions_ <= 25);
    }

    /// A message above takes room from the rep sheet; its pictures shrink a little rather than the last row being cut.
    void messageCutsNoRow() {
        openRuta();
        auto* sheet = window_->benchPage().findChild<RepSheet*>();
        QVERIFY(sheet);
        for (const int height : {800, 775}) {
            window_->resize(1280, height);
            QCoreApplication::processEvents();
            QCOMPARE(sheet->verticalScrollBar()->maximum(), 0);
        }
        window_->resize(1280, 800);
    }

    /// The picture once more, for a second screen: it follows the bench, and the keys stay there.
    void pictureOnASecondScreen() {
        openRuta();
        const auto second = [this]() -> PictureWindow* {
            for (QWidget* w : window_->findChildren<QWidget*>())
                if (auto* picture = dynamic_cast<PictureWindow*>(w)) return picture;
            return nullptr;
        };
        key(Qt::Key_F11, Qt::ControlModifier);
        QVERIFY(second() && second()->isVisible());
        for (int i = 0; i < 3; ++i) key(Qt::Key_Right);
        QTRY_COMPARE(second()->stage().shownFrame(), session().place().frame());
        QVERIFY(!second()->stage().grab().toImage().isNull());
        key(Qt::Key_B);
        QCOMPARE(second()->stage().bestOver(), stage().bestOver());
        key(Qt::Key_B);
        QCOMPARE(second()->stage().bestOver(), stage().bestOver());
        QVERIFY(window_->isActiveWindow());
        key(Qt::Key_F11, Qt::ControlModifier);
        QTRY_VERIFY(!second());
    }

    /// From the waiting clip to the filed answer, counted: twelve deliberate actions at the most.
    void fromOpenedToFiled() {
        for (int row = 0; row < window_->queuePage().clips().rowCount(); ++row)
            if (window_->queuePage().clips().entry(row).clip.id == clipOf("Ruta"))
                window_->queuePage().list().setCurrentIndex(window_->queuePage().clips().index(row));
        key(Qt::Key_Return);
        QVERIFY(measured());
        while (std::any_of(session().moments().begin(), session().moments().end(),
                           [](const Moment& m) { return !m.agreed; }))
            key(Qt::Key_A);
        key(Qt::Key_Return);
        QCOMPARE(window_->room(), MainWindow::Letter);
        // A sentence of the coach's own.
        key(Qt::Key_Down);
        key(Qt::Key_E);
        auto* words = qobject_cast<GrowingText*>(QApplication::focusWidget());
        QVERIFY(words != nullptr);
        ++actions_;
        words->moveCursor(QTextCursor::End);
        const ReviewInputs told = session().review()->inputs; // in full, which the draft need not be
        QVERIFY(!told.view.empty());
        QTest::keyClicks(words, QStringLiteral(" Jam tomorrow."));
        QVERIFY(session().answer().find("well")->text.ends_with(" Jam tomorrow."));
        QCOMPARE(changeBetween(told, session().review()->inputs), Change::Answer);
        QCOMPARE(session().undoStack().undoText().contains(QStringLiteral("What went well")),
                 true); // typing is one step
        ++actions_;
        QTest::keyClick(words, Qt::Key_Return, Qt::ControlModifier);
        QVERIFY2(actions_ <= 12, qPrintable(QString::number(actions_)));
        QCOMPARE(window_->room(), MainWindow::Queue);
        QVERIFY2(filed(), qPrintable(window_->message()));
        const qint64 clip = clipOf("Ruta", true);
        QVERIFY(clip != 0);
        int64_t client = 0;
        for (const Client& c : window_->library().clients())
            if (c.name.starts_with("Ruta")) client = c.id;
        const auto filed = window_->library().filed(client, "bridge");
        QCOMPARE(filed.size(), size_t(4));
        QVERIFY(filed.back().answerText.find("Jam tomorrow.") != std::string::npos);
        const auto html =
            readFile(window_->library().folder() / "answers" / ("answer-" + std::to_string(filed.back().id) + ".html"));
        QVERIFY(html.has_value() && html->find("Jam tomorrow.") != std::string::npos);
        // Without the keypoint network no face can be covered, so no picture leaves; the words do.
        QVERIFY(html->find("data:image/jpeg") == std::string::npos);
        // What was sent stays: opened again, nothing can be changed.
        window_->openClip(filed.back().clip);
        QVERIFY(measured());
        session().place().chooseMoment(0);
        key(Qt::Key_D);
        QVERIFY(session().moments()[0].agreed == std::optional<bool>(true));
        QVERIFY(window_->message().contains(QStringLiteral("stays")));
    }

    /// A clip of one's own: chosen, named, marked in the window, measured, filed. Closed in between; nothing is lost.
    void aClipOfOnesOwn() {
        const QString path = dir_.filePath(QStringLiteral("own.mp4"));
        QVERIFY(QFile::copy(QString::fromStdString(demoClip("ruta-bridge-april").string()), path));
        QueuePage& queue = window_->queuePage();
        queue.bringIn(path);
        QTest::keyClicks(queue.form().clientBox().lineEdit(), QStringLiteral("Marit Solheim"));
        for (QComboBox* box : queue.form().findChildren<QComboBox*>())
            if (const int bridge = box->findText(QStringLiteral("Bridge, both feet")); bridge >= 0) {
                box->setCurrentIndex(bridge);
                emit box->activated(bridge);
            }
        for (QAbstractButton* b : queue.form().findChildren<QAbstractButton*>())
            if (b->text().startsWith(QStringLiteral("Add and open"))) b->click();
        QTRY_COMPARE_WITH_TIMEOUT(window_->room(), MainWindow::Bench,
                                  kPatience_ms); // once it is copied into the library
        QVERIFY(stage().isPlacing());
        QVERIFY(session().review() == nullptr && !session().job().isRunning());
        const Marks known = readMarks(DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-april.marks.json").value();
        auto placeNext = [&] {
            const std::string name = stage().toPlace().front().toStdString();
            const auto& points = known.frames[0].points;
            if (const auto it = points.find(name); it != points.end())
                QTest::mouseClick(&stage(), Qt::LeftButton, {},
                                  stage().toWidget({it->second->x(), it->second->y()}).toPoint());
            else
                QTest::keyClick(&stage(), Qt::Key_S); // cannot be seen
        };
        // The picture has the bench to itself; the list beside it tells how far each landmark has come.
        BenchPage& bench = window_->benchPage();
        QTableView& list = bench.marks().list().view();
        QTRY_VERIFY(stage().width() > 950 && !bench.readings().isVisible() && list.isVisible());
        const auto state = [&](int row) { return list.model()->index(row, MarkTable::State).data().toString(); };
        QCOMPARE(state(0), QStringLiteral("to place"));
        key(Qt::Key_F11);
        QTRY_VERIFY(stage().width() > 1200 && !list.isVisible());
        key(Qt::Key_Escape);
        QTRY_VERIFY(list.isVisible() && stage().width() < 1000);
        QCOMPARE(window_->room(), MainWindow::Bench);
        for (int k = 0; k < 4; ++k) placeNext();
        QCOMPARE(state(0), QStringLiteral("placed"));
        list.setCurrentIndex(list.model()->index(1, MarkTable::Name));
        QCOMPARE(stage().selected(), QString::fromStdString(session().exercise().landmarksNeeded[1]));
        // Without a mouse: Ctrl and arrows move a cursor, P places.
        const std::string byKeys = stage().toPlace().front().toStdString();
        QTest::keyClick(&stage(), Qt::Key_Right, Qt::ControlModifier);
        QTest::keyClick(&stage(), Qt::Key_Down, Qt::ControlModifier | Qt::ShiftModifier);
        QTest::keyClick(&stage(), Qt::Key_P);
        NEAR(session().inputs().marks.frames[0].points.at(byKeys)->x(), 640 + 10, 1e-9);
        NEAR(session().inputs().marks.frames[0].points.at(byKeys)->y(), 360 + 1, 1e-9);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        placeNext();
        const Marks soFar = session().inputs().marks;
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier); // the last one again
        QVERIFY(session().inputs().marks.landmarks().size() + 1 == soFar.landmarks().size());
        placeNext();
        QCOMPARE(session().inputs().marks, soFar);
        const qint64 clip = session().clipId();
        openWindow(QStringLiteral("demo")); // the program ended; the marks are there
        window_->openClip(clip);
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(0).isNull(); }, kPatience_ms));
        QVERIFY(stage().isPlacing() && !session().job().isRunning()); // going on where it was left
        for (int k = 0; k < 30 && stage().isPlacing(); ++k) placeNext();
        QVERIFY2(!stage().isPlacing(), qPrintable(stage().toPlace().join(QLatin1Char(' '))));
        session().measure();
        QVERIFY(measured());
        QVERIFY(window_->benchPage().readings().isVisible() && !window_->benchPage().marks().isVisible());
        QCOMPARE(session().review()->events.reps.size(), size_t(2));
        QVERIFY(session().review()->missing.empty());
        // Set by hand within half a pixel of the screen, the pelvis reads as in the clip's own marks, within its band.
        const Review same = demoReview();
        NEAR(summaryOf(session().review()->series(), "pelvis_on_trunk").max,
             summaryOf(same.series(), "pelvis_on_trunk").max, 0.5);
        window_->go(MainWindow::Letter);
        key(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY2(filed(), qPrintable(window_->message()));
    }

    /// A clip that arrives without marks: proposals wait when it is opened, none counts, one key confirms them all and
    /// another measures. By hand the same marking took one click for each landmark.
    void confirmingProposals() {
        qunsetenv("DEFT_MIRROR_KEYPOINTS");
        if (!std::filesystem::exists(KeypointNetwork::usualPlace())) QSKIP("the keypoint network has not been fetched");
        openWindow(QStringLiteral("demo"));
        // Looked at in the background while the coach is still in the queue.
        QVERIFY(QTest::qWaitFor([&] { return session().offered().proposer().isIdle(); }, kPatience_ms));
        const qint64 clip = clipOf("Tom");
        actions_ = 0;
        window_->openClip(clip), ++actions_;
        const Proposals* offered = session().offered().proposals();
        QVERIFY(offered && offered->frame == session().place().frame());
        QVERIFY(session().inputs().marks.frames.empty() && !session().review()); // nothing counts yet
        const size_t ghosts = stage().ghosts().size();
        const Marks truth = readMarks(DEFT_SOURCE_DIR "/demo/clips/tomas-plank-may.marks.json").value();
        const auto& points = truth.frames[0].points;
        const double torso = (*points.at("shoulder") - *points.at("hip")).norm();
        for (const auto& [name, mark] : offered->marks)
            if (const auto it = points.find(name); it != points.end())
                QVERIFY2((mark.at - *it->second).norm() < 0.2 * torso, name.c_str());

        // One that is off is dragged to its place; a sticker would be snapped to, cloth is not.
        const QPointF from = stage().toWidget({offered->marks.at("hip").at.x(), offered->marks.at("hip").at.y()}),
                      to = stage().toWidget({points.at("hip")->x(), points.at("hip")->y()});
        const Point2 crestBefore = offered->marks.at("crest").at;
        QTest::mousePress(&stage(), Qt::LeftButton, {}, from.toPoint());
        QTest::mouseMove(&stage(), to.toPoint());
        QTest::mouseRelease(&stage(), Qt::LeftButton, {}, to.toPoint());
        ++actions_;
        QCOMPARE(session().inputs().marks.landmarks(), std::vector<std::string>{"hip"});
        QVERIFY((*session().inputs().marks.frames[0].points.at("hip") - *points.at("hip")).norm() < 2.5);
        QCOMPARE(stage().ghosts().size(), ghosts - 1);
        QVERIFY(session().offered().proposals()->marks.at("crest").at !=
                crestBefore); // what hangs on the hip goes along

        key(Qt::Key_C);
        QVERIFY(session().isMarked() && stage().ghosts().empty());
        QCOMPARE(session().inputs().marks.landmarks().size(), ghosts);
        key(Qt::Key_Return);
        QVERIFY(measured());
        QVERIFY(session().review()->missing.empty());
        QCOMPARE(session().review()->events.reps.size(), size_t(1));
        const int withProposals = actions_;
        // Undone as one step: the ghosts are back, the dragged one stays.
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session().inputs().marks.landmarks().size(), size_t(1));

        // The same clip marked by hand.
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        fill(QStringLiteral("by-hand"));
        openWindow(QStringLiteral("by-hand"));
        actions_ = 0;
        window_->openClip(clipOf("Tom")), ++actions_;
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(0).isNull(); }, kPatience_ms));
        while (!session().isMarked() && actions_ < 40) {
            const Point2& place = *points.at(stage().toPlace().first().toStdString());
            QTest::mouseClick(&stage(), Qt::LeftButton, {}, stage().toWidget({place.x(), place.y()}).toPoint());
            ++actions_;
        }
        key(Qt::Key_Return);
        QVERIFY(measured());
        qInfo("to a finished marking: %d actions with proposals, %d without", withProposals, actions_);
        QVERIFY(withProposals <= 4 && actions_ >= 2 * withProposals);
    }

    /// What waits is measured before anybody opens it; opening then shows the result at once. A clip that is opened
    /// meanwhile goes first.
    void measuredAhead() {
        fill(QStringLiteral("ahead"));
        openWindow(QStringLiteral("ahead"));
        const auto ruta = *window_->library().clip(clipOf("Ruta"));
        QVERIFY(!window_->library().cachedTracks(ruta.draft));
        window_->openClip(clipOf("Ois"));
        QVERIFY(measured() && window_->measurer().isIdle());
        QVERIFY(QTest::qWaitFor([&] { return window_->library().cachedTracks(ruta.draft).has_value(); }, kPatience_ms));
        window_->openClip(ruta.id);
        QVERIFY(session().review() && !session().job().isRunning());
        window_->go(MainWindow::Queue);
        const ClipList& clips = window_->queuePage().clips();
        QVERIFY(QTest::qWaitFor([&] { return clips.find(ruta.id)->found.contains(QStringLiteral("moment")); },
                                kPatience_ms));
    }

    /// A client's confirmed clips teach the program where that client's points lie, and are laid onto the next clip.
    void learnsFromConfirmedClips() {
        const auto known = Proposer::contextFor(window_->library(), *window_->library().clip(clipOf("Ruta")));
        QVERIFY(known.lastTime && known.lastWidth == 1280);
        QCOMPARE(known.layout.find("asis", "side")->learned, 1);
        const auto stranger = Proposer::contextFor(window_->library(), *window_->library().clip(clipOf("Tom")));
        QVERIFY(!stranger.lastTime && stranger.layout.find("asis", "side")->learned == 0);
    }

    /// The pointer near a sticker is offered its middle; a click goes there, with Alt it goes where it is.
    void snappingToStickers() {
        ReviewInputs own;
        own.clipPath = demoClip("ruta-bridge-april").string();
        own.exercise = "bridge", own.client = "Ilse Brandt";
        own.clipSha256 = sha256OfFile(own.clipPath).value();
        const auto client = window_->library().addClient(own.client, "rigger").value();
        window_->openClip(window_->library().addClip(client, "2026-05-16", own).value());
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(0).isNull(); }, kPatience_ms));
        const Marks known = readMarks(DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-april.marks.json").value();
        const Point2 knee = *known.frames[0].points.at("knee");
        const QPoint beside = stage().toWidget({knee.x() + 5, knee.y() - 3}).toPoint();
        QTest::mouseMove(&stage(), beside);
        QVERIFY(stage().offeredSticker().has_value());
        const std::string first = stage().toPlace().front().toStdString();
        QTest::mouseClick(&stage(), Qt::LeftButton, {}, beside);
        const Point2 at = *session().inputs().marks.frames[0].points.at(first);
        QVERIFY2((at - knee).norm() < 0.6, qPrintable(QString::number((at - knee).norm())));
        const std::string second = stage().toPlace().front().toStdString();
        QTest::mouseMove(&stage(), beside + QPoint(2, 2));
        QTest::mouseClick(&stage(), Qt::LeftButton, Qt::AltModifier, beside + QPoint(6, 6));
        const Point2 free = *session().inputs().marks.frames[0].points.at(second);
        QVERIFY2((free - knee).norm() > 4, qPrintable(QString::number((free - knee).norm())));
    }

    /// In a fresh answer the first part is chosen, whatever was chosen in the one before: no key leaves out what nobody
    /// has looked at.
    void nothingIsChosenUnseen() {
        openUnfiled();
        openRuta();
        window_->go(MainWindow::Letter);
        for (int k = 0; k < 6; ++k) key(Qt::Key_Down);
        QVERIFY(window_->answerPage().chosenRow()->part() != "greeting");
        window_->openClip(clipOf("Ois"));
        QVERIFY(measured());
        window_->go(MainWindow::Letter);
        QCOMPARE(window_->answerPage().chosenRow()->part(), std::string("greeting"));
        key(Qt::Key_Space);
        for (const AnswerPart& p : session().answer().parts) QCOMPARE(p.sent, p.id != "greeting");
        key(Qt::Key_Space);
    }

    /// Opening a clip that is not measured yet leaves nothing of the client before: not on the screen, not to be heard.
    void nothingOfTheClientBefore() {
        openUnfiled();
        openRuta();
        const auto heard = [&] {
            QString all;
            for (const QWidget* w : window_->benchPage().findChildren<QWidget*>()) all += w->accessibleDescription();
            return all;
        };
        QVERIFY(heard().contains(QStringLiteral("×")) || heard().size() > 100);
        window_->openClip(clipOf("Tom"));
        QVERIFY(!session().review());
        QVERIFY2(!heard().contains(QStringLiteral("±")) && !heard().contains(QStringLiteral(" s,")),
                 qPrintable(heard()));
        QCOMPARE(window_->benchPage().readings().table().rowCount(), 0);
        QCOMPARE(window_->benchPage().findChild<RepSheet*>()->model()->rowCount(), 0);
        QVERIFY(window_->benchPage().findChild<TargetPanel*>()->accessibleDescription().isEmpty());
    }

    /// A wheel that scrolls past a field does not change it.
    void wheelPastAField() {
        window_->queuePage().bringIn(QString::fromStdString(demoClip("ruta-bridge-april").string()));
        NewClipForm& form = window_->queuePage().form();
        int fields = 0;
        for (QWidget* w : form.findChildren<QWidget*>()) {
            const bool number = qobject_cast<QSpinBox*>(w), choice = qobject_cast<QComboBox*>(w);
            if (!(number || choice) || !w->isVisible()) continue;
            form.clientBox().setFocus();
            if (w == &form.clientBox()) continue;
            const auto value = [&] {
                return number ? qobject_cast<QSpinBox*>(w)->value() : qobject_cast<QComboBox*>(w)->currentIndex();
            };
            const int before = value();
            for (const int turn : {120, -120, -120}) {
                QWheelEvent event(QPointF(5, 5), w->mapToGlobal(QPointF(5, 5)), {}, {0, turn}, Qt::NoButton,
                                  Qt::NoModifier, Qt::NoScrollPhase, false);
                QCoreApplication::sendEvent(w, &event);
            }
            QCOMPARE(value(), before);
            QVERIFY(!w->hasFocus());
            ++fields;
        }
        QVERIFY(fields >= 6);
    }
};

QTEST_MAIN(WindowTest)
#include "window_test.moc"
