// SPDX-License-Identifier: GPL-3.0-or-later
// Every key and menu entry of the window, in one place.
#include "app/answer/answer_page.h"
#include "app/answer/answer_row.h"
#include "app/bench/bench_page.h"
#include "app/bench/drawing_tool.h"
#include "app/bench/mat_tool.h"
#include "app/bench/readings_panel.h"
#include "app/bench/target_panel.h"
#include "app/compare/compare_page.h"
#include "app/exercises/exercises_page.h"
#include "app/practice/practice_page.h"
#include "app/queue/queue_page.h"
#include "app/session/usual_schools.h"
#include "app/sheet/plot_words.h"
#include "app/theme/words.h"
#include "app/window/bars.h"
#include "app/window/first_steps.h"
#include "app/window/guide.h"
#include "app/window/main_window.h"
#include "base/files.h"
#include "base/json.h"
#include "review/review_json.h"

#include <QApplication>
#include <QClipboard>
#include <QFileDialog>
#include <QMessageBox>
#include <cmath>

namespace deft::ui {

QAction* MainWindow::add(QMenu* menu, const QString& text, const QList<QKeySequence>& keys, QWidget* where,
                         std::function<void()> what) {
    auto* action = new QAction(text, this);
    action->setShortcuts(keys);
    // A room's keys count only while one is in it.
    action->setShortcutContext(where == this ? Qt::WindowShortcut : Qt::WidgetWithChildrenShortcut);
    where->addAction(action);
    connect(action, &QAction::triggered, this, std::move(what));
    menu->addAction(action);
    return action;
}

void MainWindow::makePracticeActions(QMenu* menu) {
    using K = QKeySequence;
    PracticePictureView& picture = practice_->picture();
    add(menu, tr("Begin, or use what was found"), {K(Qt::Key_Return), K(Qt::Key_Enter)}, practice_,
        [this] { practice_->goOn(); });
    add(menu, tr("Remove the last mark"), {K(Qt::Key_Backspace)}, practice_, [this] { practice_->round().takeBack(); });
    add(menu, tr("Another round"), {K(Qt::Key_N)}, practice_, [this] { practice_->round().begin(); });
    add(menu, tr("Use the usual value again"), {K(Qt::Key_U)}, practice_, [this] { practice_->forgetOwn(); });
    const std::tuple<QString, Qt::Key, QPointF> ways[] = {{tr("Cursor left"), Qt::Key_Left, {-1, 0}},
                                                          {tr("Cursor right"), Qt::Key_Right, {1, 0}},
                                                          {tr("Cursor up"), Qt::Key_Up, {0, -1}},
                                                          {tr("Cursor down"), Qt::Key_Down, {0, 1}}};
    for (const auto& [name, key, way] : ways) {
        add(menu, name, {K(Qt::CTRL | key)}, practice_, [&picture, step = way] { picture.nudge(step); });
        add(menu, tr("%1, far").arg(name), {K(Qt::CTRL | Qt::SHIFT | key)}, practice_,
            [&picture, step = 10 * way] { picture.nudge(step); });
    }
    add(menu, tr("Mark at the cursor"), {K(Qt::Key_P)}, practice_, [&picture] { picture.placeAtCursor(); });
    add(menu, tr("Next picture that was marked"), {K(Qt::Key_Right)}, practice_,
        [this] { practice_->round().step(1); });
    add(menu, tr("Previous picture that was marked"), {K(Qt::Key_Left)}, practice_,
        [this] { practice_->round().step(-1); });
    add(menu, tr("Back to the bench, or to the queue"), {K(Qt::Key_Escape)}, practice_,
        [this] { go(session_->isOpen() ? Bench : Queue); });
}

void MainWindow::makeActions() {
    auto menu = [&](const QString& title) {
        QMenu* m = menu_->addMenu(title);
        menus_ << m;
        return m;
    };
    using K = QKeySequence;
    QMenu* file = menu(tr("&File"));
    add(file, tr("Add a clip…"), {K::Open}, this, [this] { chooseClipFile(); });
    add(file, tr("Import marks…"), {}, this, [this] { readMarksFile(); });
    add(file, tr("Export marks…"), {}, this, [this] { writeMarksFile(); });
    add(file, tr("Export measurements…"), {}, this, [this] { writeReviewFolder(); });
    add(file, tr("Your name and address…"), {K(Qt::CTRL | Qt::Key_Comma)}, this, [this] {
        go(Queue);
        queue_->askForCoach();
    });
    file->addSeparator();
    add(file, tr("Quit"), {K(Qt::CTRL | Qt::Key_Q)}, this, [this] { close(); });

    QMenu* edit = menu(tr("&Edit"));
    for (QAction* a : {undo_->createUndoAction(this, tr("Undo")), undo_->createRedoAction(this, tr("Redo"))}) {
        QList<K> keys = K::keyBindings(edit->isEmpty() ? K::Undo : K::Redo);
        // On every desktop; bound twice it would be ambiguous and do nothing.
        if (const K often(Qt::CTRL | Qt::Key_Y); !edit->isEmpty() && !keys.contains(often)) keys << often;
        a->setShortcuts(keys);
        addAction(a);
        edit->addAction(a);
    }

    QMenu* rooms = menu(tr("&Rooms"));
    const std::pair<QString, Room> names[] = {{tr("Queue"), Queue},         {tr("Bench"), Bench},
                                              {tr("Compare"), Compare},     {tr("Answer"), Letter},
                                              {tr("Client"), Record},       {tr("Programme"), Programmes},
                                              {tr("Exercises"), Exercises}, {tr("Practice"), Practice}};
    for (const auto& [name, room] : names) {
        QAction* a =
            add(rooms, name, {K(Qt::ALT | Qt::Key(Qt::Key_1 + int(room)))}, this, [this, to = room] { go(to); });
        a->setCheckable(true);
        roomActions_.push_back(a);
        rooms_->addRoom(a);
    }
    makeQueueActions(menu(tr("&Queue")));

    QMenu* moment = menu(tr("&Moments"));
    add(moment, tr("Next moment"), {K(Qt::Key_J)}, bench_, [this] { bench_->stepMoment(1); });
    add(moment, tr("Previous moment"), {K(Qt::Key_K)}, bench_, [this] { bench_->stepMoment(-1); });
    add(moment, tr("Agree"), {K(Qt::Key_A)}, bench_, [this] { bench_->answerMoment(true); });
    add(moment, tr("Reject"), {K(Qt::Key_D)}, bench_, [this] { bench_->answerMoment(false); });
    add(moment, tr("To the answer, or measure"), {K(Qt::Key_Return), K(Qt::Key_Enter)}, bench_, [this] {
        if (session_->review())
            go(Letter);
        else if (!session_->inputs().marks.frames.empty())
            session_->measure();
    });
    add(moment, tr("File and send as it stands, and open the next clip"),
        {K(Qt::CTRL | Qt::SHIFT | Qt::Key_Return), K(Qt::CTRL | Qt::SHIFT | Qt::Key_Enter)}, bench_,
        [this] { fileAnswer(true); });
    add(moment, tr("Back to the queue"), {K(Qt::Key_Escape)}, bench_, [this] {
        if (StageTool* tool = bench_->stage().activeTool())
            tool->cancel();
        else if (bench_->isPictureAlone())
            bench_->setPictureAlone(false);
        else if (bench_->stage().isMending())
            bench_->stage().setMending(false);
        else
            go(Queue);
    });

    add(moment, tr("Override the target"), {K(Qt::Key_O)}, bench_, [this] { bench_->target().setOverruling(true); });
    schools_ = moment->addMenu(tr("Schools"));
    connect(schools_, &QMenu::aboutToShow, this, &MainWindow::fillSchools);

    QMenu* picture = menu(tr("&Picture"));
    Player& player = bench_->player();
    add(picture, tr("Next frame"), {K(Qt::Key_Right)}, bench_, [this] { bench_->stepFrame(1); });
    add(picture, tr("Previous frame"), {K(Qt::Key_Left)}, bench_, [this] { bench_->stepFrame(-1); });
    add(picture, tr("Next phase"), {K(Qt::SHIFT | Qt::Key_Right)}, bench_, [this] { bench_->stepPhase(1); });
    add(picture, tr("Previous phase"), {K(Qt::SHIFT | Qt::Key_Left)}, bench_, [this] { bench_->stepPhase(-1); });
    add(picture, tr("Next rep"), {K(Qt::Key_Down)}, bench_, [this] { bench_->stepRep(1); });
    add(picture, tr("Previous rep"), {K(Qt::Key_Up)}, bench_, [this] { bench_->stepRep(-1); });
    add(picture, tr("Next reading's worst"), {K(Qt::Key_PageDown)}, bench_, [this] { bench_->readings().step(1); });
    add(picture, tr("Previous reading's worst"), {K(Qt::Key_PageUp)}, bench_, [this] { bench_->readings().step(-1); });
    add(picture, tr("First frame"), {K(Qt::Key_Home)}, bench_, [this] { bench_->stepFrame(-1000000000); });
    add(picture, tr("Last frame"), {K(Qt::Key_End)}, bench_, [this] { bench_->stepFrame(1000000000); });
    add(picture, tr("Play or pause"), {K(Qt::Key_Space)}, bench_, [&player] { player.toggle(); });
    add(picture, tr("Full speed"), {K(Qt::Key_1)}, bench_, [&player] { player.setRate(1); });
    add(picture, tr("Half speed"), {K(Qt::Key_2)}, bench_, [&player] { player.setRate(0.5); });
    add(picture, tr("Quarter speed"), {K(Qt::Key_4)}, bench_, [&player] { player.setRate(0.25); });
    add(picture, tr("Best frame over"), {K(Qt::Key_B)}, bench_,
        [this] { bench_->stage().setBestOver(!bench_->stage().bestOver()); });
    add(picture, tr("Picture alone"), {K(Qt::Key_F11)}, bench_,
        [this] { bench_->setPictureAlone(!bench_->isPictureAlone()); });
    add(picture, tr("Picture on a second screen"), {K(Qt::CTRL | Qt::Key_F11)}, bench_, [this] { togglePictureWindow(); });
    add(picture, tr("Fit the whole picture"), {K(Qt::Key_0)}, bench_, [this] { bench_->stage().resetZoom(); });
    add(picture, tr("Export this picture…"), {K(Qt::CTRL | Qt::Key_P)}, bench_, [this] { choosePictureFile(); });
    add(picture, tr("Export the rep sheet and plots…"), {K(Qt::CTRL | Qt::SHIFT | Qt::Key_P)}, bench_,
        [this] { chooseSheetFile(); });
    add(picture, tr("Print the rep sheet and plots…"), {K(Qt::CTRL | Qt::ALT | Qt::Key_P)}, bench_,
        [this] { choosePrinter(&MainWindow::writeSheet); });
    add(picture, tr("Copy this picture"), {K::Copy}, bench_, [this] { copyPicture(); });
    add(picture, tr("Copy the readings as a table"), {K(Qt::CTRL | Qt::SHIFT | Qt::Key_C)}, bench_,
        [this] { QApplication::clipboard()->setText(bench_->readings().asText()); });
    add(picture, tr("Copy the plots as a table"), {K(Qt::CTRL | Qt::SHIFT | Qt::Key_T)}, bench_, [this] {
        if (session_->review()) QApplication::clipboard()->setText(plotsAsText(*session_->review()));
    });
    add(picture, tr("Show time plots"), {K(Qt::Key_T)}, bench_,
        [this] { bench_->foldThreads(!bench_->threadsFolded()); });

    QAction* sound = add(picture, tr("Sound"), {K(Qt::SHIFT | Qt::Key_S)}, bench_,
                         [this] { bench_->sound().setOn(!bench_->sound().isOn()); });
    sound->setCheckable(true);
    sound->setChecked(bench_->sound().isOn());
    connect(&bench_->sound(), &ClipSound::said, this, &MainWindow::say);
    add(picture, tr("Loop this rep"), {K(Qt::Key_L)}, bench_, [&player] { player.setLoop(!player.isLooping()); });

    makeAnnotateActions(menu(tr("A&nnotate")));

    QMenu* marks = menu(tr("Mar&ks"));
    StagePicture& stage = bench_->stage();
    add(marks, tr("Edit landmark"), {K(Qt::Key_M)}, bench_, [&stage] { stage.setMending(!stage.isMending()); });
    add(marks, tr("Next place where a mark got weak"), {K(Qt::Key_H)}, bench_, [this] { bench_->stepWeak(1); });
    add(marks, tr("Previous place where a mark got weak"), {K(Qt::SHIFT | Qt::Key_H)}, bench_,
        [this] { bench_->stepWeak(-1); });
    add(marks, tr("Next mark"), {K(Qt::Key_BracketRight)}, bench_, [&stage] { stage.selectNext(1); });
    add(marks, tr("Previous mark"), {K(Qt::Key_BracketLeft)}, bench_, [&stage] { stage.selectNext(-1); });
    add(marks, tr("Move it left"), {K(Qt::CTRL | Qt::Key_Left)}, bench_, [&stage] { stage.nudge({-0.5, 0}); });
    add(marks, tr("Move it right"), {K(Qt::CTRL | Qt::Key_Right)}, bench_, [&stage] { stage.nudge({0.5, 0}); });
    add(marks, tr("Move it up"), {K(Qt::CTRL | Qt::Key_Up)}, bench_, [&stage] { stage.nudge({0, -0.5}); });
    add(marks, tr("Move it down"), {K(Qt::CTRL | Qt::Key_Down)}, bench_, [&stage] { stage.nudge({0, 0.5}); });
    for (const auto& [name, key, by] : {std::tuple{tr("Move it finely left"), Qt::Key_Left, QPointF(-0.05, 0)},
                                        {tr("Move it finely right"), Qt::Key_Right, QPointF(0.05, 0)},
                                        {tr("Move it finely up"), Qt::Key_Up, QPointF(0, -0.05)},
                                        {tr("Move it finely down"), Qt::Key_Down, QPointF(0, 0.05)}})
        add(marks, name, {K(Qt::CTRL | Qt::SHIFT | key)}, bench_, [&stage, step = by] { stage.nudge(step); });
    add(marks, tr("Snap to the sticker or corner nearby"), {K(Qt::Key_X)}, bench_, [&stage] { stage.snapSelected(); });
    add(marks, tr("Mark the corners of the mat"), {K(Qt::CTRL | Qt::Key_M)}, bench_, [&stage] { stage.mat().start(); });
    QMenu* sizes = marks->addMenu(tr("Size of the mat"));
    connect(sizes, &QMenu::aboutToShow, this, [sizes, &mat = stage.mat()] {
        sizes->clear();
        for (const MatSize& size : matSizes()) {
            QAction* choice = sizes->addAction(tr("%1 × %2 cm").arg(size.length_cm).arg(size.width_cm));
            choice->setCheckable(true);
            choice->setChecked(mat.size() == size);
            connect(choice, &QAction::triggered, &mat, [&mat, size] { mat.setSize(size); });
        }
    });
    add(marks, tr("Confirm all proposed marks"), {K(Qt::Key_C)}, bench_, [&stage] { stage.confirmGhosts(); });
    add(marks, tr("Go to the proposed marks"), {K(Qt::Key_G)}, bench_, [&stage] { stage.goToProposals(); });
    add(marks, tr("Place the next mark, or a point of the drawing, at the cursor"), {K(Qt::Key_P)}, bench_,
        [&stage] { stage.placeAtCursor(); });
    add(marks, tr("Not visible from here on"), {K(Qt::Key_Delete)}, bench_, [&stage] { stage.markInvisible(); });
    add(marks, tr("Skip this mark when placing"), {K(Qt::Key_S)}, bench_, [&stage] { stage.skipPlacing(); });

    QMenu* pair = menu(tr("&Compare"));
    Comparison& comparison = compare_->comparison();
    for (const auto& [name, key, of] : {std::tuple{tr("Last time and this time"), Qt::Key_1, Comparison::Of::Times},
                                        {tr("First and last rep"), Qt::Key_2, Comparison::Of::Reps},
                                        {tr("Left and right"), Qt::Key_3, Comparison::Of::Sides},
                                        {tr("Over the weeks"), Qt::Key_4, Comparison::Of::Weeks}})
        add(pair, name, {K(key)}, compare_, [&comparison, kind = of] { comparison.choose(kind); });
    add(pair, tr("A little later in the movement"), {K(Qt::Key_Right)}, compare_, [this] { compare_->step(0.05); });
    add(pair, tr("A little earlier"), {K(Qt::Key_Left)}, compare_, [this] { compare_->step(-0.05); });
    add(pair, tr("Move on to the next part"), {K(Qt::SHIFT | Qt::Key_Right)}, compare_,
        [&comparison] { comparison.setPlace(std::floor(comparison.place() + 1)); });
    add(pair, tr("Move on to the previous part"), {K(Qt::SHIFT | Qt::Key_Left)}, compare_,
        [&comparison] { comparison.setPlace(std::ceil(comparison.place() - 1)); });
    add(pair, tr("Next pair of reps"), {K(Qt::Key_Down)}, compare_, [this] { compare_->stepRep(1); });
    add(pair, tr("Previous pair of reps"), {K(Qt::Key_Up)}, compare_, [this] { compare_->stepRep(-1); });
    add(pair, tr("Back to the bench from comparing"), {K(Qt::Key_Escape)}, compare_, [this] { go(Bench); });

    QMenu* letter = menu(tr("&Answer"));
    add(letter, tr("Next part"), {K(Qt::Key_Down)}, answer_, [this] { answer_->stepPart(1); });
    add(letter, tr("Previous part"), {K(Qt::Key_Up)}, answer_, [this] { answer_->stepPart(-1); });
    add(letter, tr("Include or leave out this part"), {K(Qt::Key_Space)}, answer_, [this] { answer_->togglePart(); });
    add(letter, tr("Edit its text"), {K(Qt::Key_E)}, answer_, [this] { answer_->editWords(); });
    add(letter, tr("Choose the frame of the next picture"), {K(Qt::Key_P)}, answer_,
        [this] { answer_->pickPicture(); });
    add(letter, tr("Speak over the reply clip"), {K(Qt::Key_V)}, answer_, [this] { speakOverClip(); });
    add(letter, tr("Move the part up"), {K(Qt::ALT | Qt::Key_Up)}, answer_, [this] { answer_->movePart(-1); });
    add(letter, tr("Move the part down"), {K(Qt::ALT | Qt::Key_Down)}, answer_, [this] { answer_->movePart(1); });
    add(letter, tr("Next word that is not spelt right"), {K(Qt::Key_F7)}, answer_,
        [this] { answer_->checkSpelling(); });
    add(letter, tr("Sentences of your own"), {K(Qt::Key_I), K(Qt::CTRL | Qt::Key_I)}, answer_,
        [this] { answer_->openSentences(); });
    for (const auto& [name, key, by] : {std::tuple{tr("Picture: next frame"), K(Qt::Key_Right), 1},
                                        {tr("Picture: previous frame"), K(Qt::Key_Left), -1}})
        add(letter, name, {key}, answer_, [this, step = by] {
            if (AnswerRow* row = answer_->chosenRow()) row->stepPicture(step);
        });
    for (const auto& [name, key, by] : {std::tuple{tr("Picture: next rep"), K(Qt::SHIFT | Qt::Key_Right), 1},
                                        {tr("Picture: previous rep"), K(Qt::SHIFT | Qt::Key_Left), -1}})
        add(letter, name, {key}, answer_, [this, step = by] {
            if (AnswerRow* row = answer_->chosenRow()) row->stepPictureRep(step);
        });
    add(letter, tr("Picture: the bench's frame"), {K(Qt::Key_F)}, answer_, [this] {
        if (AnswerRow* row = answer_->chosenRow()) row->usePictureOfBench();
    });
    add(letter, tr("Words and pictures as computed"), {K(Qt::CTRL | Qt::Key_R)}, answer_,
        [this] { answer_->useComputed(); });
    add(letter, tr("Export the answer: PDF, page, text, mail, clip, calendar…"), {K::Save}, answer_,
        [this] { chooseAnswerFile(); });
    add(letter, tr("Print the answer…"), {K::Print}, answer_, [this] { choosePrinter(&MainWindow::writeAnswer); });
    add(letter, tr("Back to the bench"), {K(Qt::Key_Escape)}, answer_, [this] {
        if (!answer_->leavePicture()) go(Bench);
    });
    add(letter, tr("File and send"), {K(Qt::CTRL | Qt::Key_Return), K(Qt::CTRL | Qt::Key_Enter)}, answer_,
        [this] { fileAnswer(); });
    add(letter, tr("File and send, and open the next clip"),
        {K(Qt::CTRL | Qt::SHIFT | Qt::Key_Return), K(Qt::CTRL | Qt::SHIFT | Qt::Key_Enter)}, answer_,
        [this] { fileAnswer(true); });
    add(letter, tr("File this clip alone, without the others of its visit"),
        {K(Qt::CTRL | Qt::ALT | Qt::Key_Return), K(Qt::CTRL | Qt::ALT | Qt::Key_Enter)}, answer_,
        [this] { fileAnswer(false, true); });

    makeClientActions(menu(tr("C&lient")));
    makeProgrammeActions(menu(tr("P&rogramme")));

    QMenu* files = menu(tr("E&xercises"));
    add(files, tr("My own file of this exercise"), {K(Qt::Key_E)}, &exercises_->list(),
        [this] { exercises_->setEditing(true); });
    add(files, tr("Export a sheet for a client…"), {K(Qt::Key_W)}, &exercises_->list(), [this] {
        const CataloguePtr catalogue = library_->catalogue();
        if (const auto e = catalogue->exercise(exercises_->chosen()))
            chooseSheetForClient(*e, firstTarget(*catalogue, *e), {{}, library_->coach().name, {}, {}});
    });
    add(files, tr("Save my file"), {K::Save}, exercises_, [this] { exercises_->editor().save(); });
    add(files, tr("Back to the page, or to the bench"), {K(Qt::Key_Escape)}, exercises_, [this] {
        if (exercises_->isEditing())
            exercises_->setEditing(false);
        else
            go(session_->isOpen() ? Bench : Queue);
    });
    makePracticeActions(menu(tr("P&ractice")));

    makeViewActions(menu(tr("&View")));

    QMenu* help = menu(tr("&Help"));
    add(help, tr("Guide"), {K(Qt::Key_F1)}, this, [this] { (new Guide(this))->show(); });
    add(help, tr("All keys"), {K(Qt::Key_Question)}, this, [this] { showKeys(); });
    add(help, tr("Hide the first steps for good"), {K(Qt::Key_F8)}, this, [this] { steps_->putAway(); });
    add(help, tr("About Deft Mirror"), {}, this, [this] {
        QMessageBox::about(this, tr("About Deft Mirror"),
                           tr("<b>Deft Mirror %1</b><p>Measures recorded core exercises and drafts the answer to the "
                              "client. It is no medical device: it describes movement and makes no "
                              "diagnosis. Local rules and licensed practice come first.</p><p>GPL-3.0-or-later. "
                              "Typeface Inter, SIL Open Font License 1.1. Other licences: NOTICE.</p>")
                               .arg(QCoreApplication::applicationVersion()));
    });
}

void MainWindow::fillSchools() {
    schools_->clear();
    if (!session_->isOpen()) {
        schools_->addAction(tr("Open a clip first"))->setEnabled(false);
        return;
    }
    const Exercise& e = session_->exercise();
    const Schools now = e.schoolsFor(session_->inputs().schools);
    for (const SchoolsAnswer& answer : e.schools) {
        const SchoolQuestion* question = session_->catalogue().schools().find(answer.question);
        if (!question) continue;
        schools_->addSection(spoken(question->name));
        for (const SchoolChoice& choice : question->choices) {
            if (!session_->catalogue().inSchools(e, {{answer.question, choice.id}})) continue; // not for this exercise
            QAction* a = schools_->addAction(spoken(choice.name));
            a->setToolTip(spoken(choice.aim));
            a->setCheckable(true);
            a->setChecked(now.at(answer.question) == choice.id);
            connect(a, &QAction::triggered, this, [this, q = answer.question, to = choice.id, name = choice.name] {
                session_->edit(tr("school: %1").arg(spoken(name)), [&](ReviewInputs& in) { in.schools[q] = to; });
            });
        }
    }
    schools_->addSeparator();
    connect(schools_->addAction(tr("Use these schools for new clips, too")), &QAction::triggered, this,
            [now] { setUsualSchools(now); });
}

void MainWindow::chooseClipFile() {
    const QString path = QFileDialog::getOpenFileName(
        this, tr("A client's clip"), {}, tr("Clips (*.mp4 *.mov *.mkv *.webm *.m4v *.avi);;All files (*)"));
    if (path.isEmpty()) return;
    go(Queue);
    queue_->bringIn(path);
}

void MainWindow::readMarksFile() {
    if (!session_->isOpen()) return say(tr("Open a clip first; marks belong to one."));
    const QString path = QFileDialog::getOpenFileName(this, tr("Marks"), {}, tr("Marks (*.json)"));
    if (!path.isEmpty()) takeMarks(path);
}

void MainWindow::writeMarksFile() {
    if (!session_->isOpen()) return say(tr("Open a clip first; marks belong to one."));
    const QString path =
        QFileDialog::getSaveFileName(this, tr("Marks"), QStringLiteral("clip.marks.json"), tr("Marks (*.json)"));
    if (path.isEmpty()) return;
    auto ok = writeFileAtomically(path.toStdString(), toText(toJson(session_->inputs().marks)));
    say(ok ? tr("Marks exported to %1.").arg(path) : tr("Marks not written: %1.").arg(said(ok.error())));
}

void MainWindow::writeReviewFolder() {
    if (!session_->review()) return say(tr("There are no measurements yet."));
    const QString path =
        QFileDialog::getExistingDirectory(this, tr("Folder for review.json, series.csv and tracks.csv"));
    if (path.isEmpty()) return;
    auto ok = writeFolder(*session_->review(), path.toStdString());
    say(ok ? tr("Measurements exported to %1.").arg(path) : tr("Measurements not written: %1.").arg(said(ok.error())));
}

} // namespace deft::ui
