// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/main_window.h"
#include "app/theme/words.h"

#include "app/answer/answer_page.h"
#include "app/bench/bench_page.h"
#include "app/client/client_page.h"
#include "app/compare/compare_page.h"
#include "app/exercises/exercises_page.h"
#include "app/practice/practice_page.h"
#include "app/programme/programme_page.h"
#include "app/queue/queue_page.h"
#include "app/session/letter_words.h"
#include "app/widgets/page_stack.h"
#include "app/widgets/style.h"
#include "app/window/bars.h"
#include "app/window/first_steps.h"
#include "app/window/keys_sheet.h"
#include "app/window/message_stack.h"

#include <QApplication>
#include <QFileDialog>
#include <QFileInfo>
#include <QGuiApplication>
#include <QLabel>
#include <QScreen>
#include <QScrollArea>
#include <QSettings>
#include <QVBoxLayout>

namespace deft::ui {
MainWindow::MainWindow(std::unique_ptr<Library> library, QWidget* parent)
    : QMainWindow(parent), library_(std::move(library)) {
    setWindowTitle(tr("Deft Mirror"));
    setAcceptDrops(true);
    library_->onTrouble([this](const Message& sentence) { say(said(sentence)); });
    session_ = new ReviewSession(*library_, this);
    undo_ = new QUndoGroup(this);
    undo_->addStack(&session_->undoStack());
    measurer_ = new Measurer(*library_, this);
    outgoing_ = new Outgoing(*library_, this);
    quiet_.setSingleShot(true);
    quiet_.setInterval(1500);
    menu_ = new QMenu(this);
    rooms_ = new RoomBar(menu_);
    line_ = new ClientLine(*session_);
    steps_ = new FirstSteps;
    keys_ = new KeysBar;
    pages_ = new PageStack;
    queue_ = new QueuePage(*library_);
    bench_ = new BenchPage(*session_);
    compare_ = new ComparePage(*session_, *library_);
    letterWords_ = new LetterWords(library_->folder(), this);
    answer_ = new AnswerPage(*session_, *letterWords_);
    client_ = new ClientPage(*library_);
    exercises_ = new ExercisesPage(*library_);
    programme_ = new ProgrammePage(*library_);
    practice_ = new PracticePage(library_->catalogue());
    for (QWidget* page :
         {static_cast<QWidget*>(queue_), static_cast<QWidget*>(bench_), static_cast<QWidget*>(compare_),
          static_cast<QWidget*>(answer_), static_cast<QWidget*>(client_), static_cast<QWidget*>(programme_),
          static_cast<QWidget*>(exercises_), static_cast<QWidget*>(practice_)})
        pages_->addWidget(page);
    auto* middle = new QWidget;
    auto* column = new QVBoxLayout(middle);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    for (QWidget* w : {static_cast<QWidget*>(rooms_), static_cast<QWidget*>(line_), static_cast<QWidget*>(steps_)})
        column->addWidget(w);
    // On a screen that is smaller than what the rooms need, they scroll; nothing is cut.
    auto* scrolled = new QScrollArea;
    scrolled->setWidget(pages_);
    scrolled->setWidgetResizable(true);
    scrolled->setFocusPolicy(Qt::NoFocus);
    column->addWidget(scrolled, 1);
    column->addWidget(keys_);
    setCentralWidget(middle);
    messages_ = new MessageStack(middle, line_);
    undo_->addStack(&programme_->desk().undoStack());
    makeActions();

    connect(queue_, &QueuePage::openClip, this, &MainWindow::openClip);
    connect(queue_, &QueuePage::chooseFile, this, &MainWindow::chooseClipFile);
    connect(queue_, &QueuePage::failed, this, &MainWindow::say);
    connect(session_, &ReviewSession::failed, this, &MainWindow::say);
    connectWork();
    connectSending();
    outgoing_->resume();
    connect(exercises_, &ExercisesPage::said, this, &MainWindow::say);
    connect(practice_, &PracticePage::said, this, &MainWindow::say);
    connect(&exercises_->editor(), &OwnFileEditor::changed, session_, &ReviewSession::exerciseChanged);
    connect(&bench_->stage(), &StagePicture::stateChanged, this, &MainWindow::refreshBars);
    connect(bench_, &BenchPage::toAnswer, this, [this] { go(Letter); });
    connect(answer_, &AnswerPage::said, this, &MainWindow::say);
    connect(answer_, &AnswerPage::filePressed, this, [this] { fileAnswer(); });
    connect(answer_, &AnswerPage::speakPressed, this, &MainWindow::speakOverClip);
    connect(answer_, &AnswerPage::fileAlonePressed, this, [this] { fileAnswer(false, true); });
    connect(answer_, &AnswerPage::openClip, this, &MainWindow::openClip);
    connect(rooms_, &RoomBar::helpPressed, this, &MainWindow::showKeys);
    connect(session_, &ReviewSession::saved, this, &MainWindow::refreshBars);
    connect(session_, &ReviewSession::opened, this, &MainWindow::refreshBars);
    connect(session_, &ReviewSession::reviewChanged, this, &MainWindow::refreshBars);
    connect(&session_->undoStack(), &QUndoStack::indexChanged, this, &MainWindow::refreshBars);

    QSettings settings;
    // Never larger than the screen that it starts on.
    const QSize available = QGuiApplication::primaryScreen()->availableGeometry().size();
    setMinimumSize(QSize(640, 480).boundedTo(available));
    resize(QSize(1280, 800).boundedTo(available));
    restoreGeometry(settings.value(QStringLiteral("geometry")).toByteArray());
    bench_->foldThreads(settings.value(QStringLiteral("threads-folded"), false).toBool());
    go(Queue);
    if (const auto& own = letterWords_->read(); !own)
        say(tr("Your own sentences cannot be used: %1. The file is left as it is.").arg(said(own.error())));
}

MainWindow::~MainWindow() {
    session_->leave();
    session_->offered().proposer().stop();
    measurer_->stop();
    outgoing_->stop(); // these write to the library, which goes before them
    inbox_->stop();
    delete takeCentralWidget(); // pages look at the library and the session, which go next
}

bool MainWindow::isOfAClip(Room room) { return room == Bench || room == Compare || room == Letter; }
MainWindow::Room MainWindow::room() const { return Room(pages_->currentIndex()); }
const QString& MainWindow::message() const { return messages_->last(); }
void MainWindow::say(const QString& sentence) { messages_->say(sentence); }

void MainWindow::go(Room room) {
    if (isOfAClip(room) && !session_->isOpen()) {
        say(tr("Choose a clip in the queue first."));
        room = Queue;
    }
    if (room != Bench) bench_->player().stop();
    const Room from = this->room();
    pages_->setCurrentIndex(room);
    undo_->setActiveStack(room == Programmes ? &programme_->desk().undoStack() : &session_->undoStack());
    for (size_t i = 0; i < roomActions_.size(); ++i) roomActions_[i]->setChecked(int(i) == room);
    if (room == Queue) {
        queue_->refresh();
        showInbox();
        session_->offered().proposer().look(library_->clips(0));
        if (!session_->job().isRunning()) quiet_.start();
        queue_->list().setFocus();
    } else if (room == Exercises) {
        exercises_->list().setFocus();
        // What is being written is still there.
        if (session_->isOpen() && !exercises_->isEditing()) exercises_->choose(session_->inputs().exercise);
    } else if (room == Record) {
        showRecord(from);
    } else if (room == Programmes) {
        showProgramme(from);
    } else if (room == Practice) {
        practice_->picture().setFocus();
    } else {
        (room == Bench     ? static_cast<QWidget*>(&bench_->stage())
         : room == Compare ? static_cast<QWidget*>(compare_)
                           : answer_)
            ->setFocus();
    }
    refreshBars();
}

void MainWindow::openClip(qint64 id) {
    const auto clip = library_->clip(id);
    if (!clip) return say(tr("This clip is no longer in the library."));
    Client client;
    for (const Client& c : library_->clients())
        if (c.id == clip->client) client = c;
    say({});
    if (auto ok = session_->open(*clip, client); !ok) {
        std::error_code ec;
        if (!std::filesystem::exists(clip->draft.clipPath, ec) &&
            QGuiApplication::platformName() != QLatin1String("offscreen"))
            return pointToClip(*clip);
        return say(tr("Not opened: %1. Its review so far is kept.").arg(said(ok.error())));
    }
    go(Bench);
}

/// A clip outside of the library that has moved: the coach shows where it is, and it is taken in for good.
void MainWindow::pointToClip(const Clip& clip) {
    const QString path = QFileDialog::getOpenFileName(
        this, tr("Where is %1 now?").arg(QFileInfo(QString::fromStdString(clip.draft.clipPath)).fileName()));
    if (path.isEmpty()) return say(tr("Not opened: the film has gone. Its review so far is kept."));
    bringBack(clip.id, path);
}

void MainWindow::bringBack(int64_t clip, const QString& path) {
    const auto of = library_->clip(clip);
    if (!of) return;
    const auto kept = keepFilm(path.toStdString(), of->draft.clipSha256, library_->folder() / "clips");
    const auto ok = kept ? library_->relocate(clip, kept->path) : tl::unexpected(kept.error());
    if (!ok) return say(tr("Not opened: %1. Its review so far is kept.").arg(said(ok.error())));
    openClip(clip);
}

void MainWindow::refreshBars() {
    using Keys = std::vector<std::pair<QString, QString>>;
    const QUndoStack& undo = *undo_->activeStack();
    if (phones_) steps_->say(firstStep());
    rooms_->setCount(roomActions_[Queue], queue_->clips().waiting());
    rooms_->setWords(undo.canUndo() && (room() == Bench || room() == Letter || room() == Programmes)
                         ? tr("Undo: %1").arg(undo.undoText())
                         : QString(),
                     isOfAClip(room()) ? session_->savedWords() : QString());
    roomActions_[Bench]->setEnabled(session_->isOpen());
    roomActions_[Letter]->setEnabled(session_->isOpen());
    roomActions_[Compare]->setEnabled(session_->isOpen());
    const int waiting = queue_->clips().waiting();
    line_->setHeading(room() == Exercises
                          ? tr("What the program knows about every exercise, and where each number comes from")
                      : room() == Record     ? client_->heading()
                      : room() == Programmes ? programme_->heading()
                      : room() == Practice   ? tr("Practice: how exactly do you place marks?")
                      : room() != Queue      ? QString()
                      : waiting ? tr("%1 waiting for an answer").arg(counted(waiting, tr("clip"), tr("clips")))
                      : queue_->clips().rowCount() == 0 ? tr("No clip has come yet")
                                                        : tr("Everything has been answered"));
    if (room() == Queue)
        keys_->setKeys(Keys{{tr("↑ ↓"), tr("clip")},
                            {tr("Enter"), tr("open")},
                            {tr("Ctrl+O"), tr("add a clip")},
                            {QStringLiteral("/"), tr("find")},
                            {QStringLiteral("X"), tr("stop its measuring")},
                            {QStringLiteral("R"), tr("try again")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Bench && bench_->stage().isPlacing())
        keys_->setKeys(Keys{{QStringLiteral("C"), tr("confirm all proposed")},
                            {QStringLiteral("G"), tr("go to the proposed")},
                            {QStringLiteral("S"), tr("not visible")},
                            {tr("Ctrl ← →"), tr("cursor")},
                            {QStringLiteral("P"), tr("place there")},
                            {QStringLiteral("0"), tr("whole picture")},
                            {QStringLiteral("F11"), tr("picture alone")},
                            {tr("Enter"), tr("measure")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Bench && bench_->stage().isMending())
        keys_->setKeys(Keys{{QStringLiteral("[ ]"), tr("choose a mark")},
                            {tr("Ctrl ← →"), tr("half a pixel")},
                            {QStringLiteral("X"), tr("onto the sticker")},
                            {tr("Del"), tr("not visible from here")},
                            {QStringLiteral("H"), tr("next weak place")},
                            {QStringLiteral("F11"), tr("picture alone")},
                            {tr("Esc"), tr("back to the reps")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Bench)
        keys_->setKeys(Keys{{QStringLiteral("J"), tr("next moment")},
                            {QStringLiteral("A D"), tr("agree, reject")},
                            {QStringLiteral("← →"), tr("frame")},
                            {QStringLiteral("↑ ↓"), tr("rep")},
                            {tr("Space"), tr("play")},
                            {QStringLiteral("M"), tr("edit landmark")},
                            {QStringLiteral("B"), tr("best over")},
                            {QStringLiteral("T"), tr("time plots")},
                            {tr("Enter"), tr("to the answer")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Compare)
        keys_->setKeys(Keys{{QStringLiteral("1 2 3 4"), tr("times, reps, sides, weeks")},
                            {QStringLiteral("← →"), tr("place in the movement")},
                            {QStringLiteral("↑ ↓"), tr("rep")},
                            {tr("Esc"), tr("bench")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Record)
        keys_->setKeys(Keys{{tr("↑ ↓"), tr("exercise")},
                            {tr("← →"), tr("review")},
                            {QStringLiteral("O"), tr("open it")},
                            {tr("Ctrl+Page"), tr("client")},
                            {QStringLiteral("E"), tr("edit")},
                            {QStringLiteral("P"), tr("report")},
                            {QStringLiteral("X"), tr("bundle")},
                            {QStringLiteral("S"), tr("exercise sheet")},
                            {tr("Esc"), tr("back")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Programmes)
        keys_->setKeys(Keys{{tr("↑ ↓"), tr("exercise")},
                            {tr("Alt ↑ ↓"), tr("order")},
                            {QStringLiteral("D"), tr("dose")},
                            {QStringLiteral("+ −"), tr("version")},
                            {QStringLiteral("V"), tr("another")},
                            {QStringLiteral("R"), tr("propose again")},
                            {QStringLiteral("P"), tr("the page")},
                            {QStringLiteral("N"), tr("note from home")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Exercises)
        keys_->setKeys(Keys{{tr("↑ ↓"), tr("exercise")},
                            {QStringLiteral("E"), tr("my own file")},
                            {QStringLiteral("W"), tr("a sheet for a client")},
                            {tr("Ctrl+S"), tr("save")},
                            {tr("Esc"), tr("back")},
                            {QStringLiteral("?"), tr("all keys")}});
    else if (room() == Practice)
        keys_->setKeys(Keys{{tr("Enter"), tr("begin, or use it")},
                            {tr("Ctrl ← →"), tr("cursor")},
                            {QStringLiteral("P"), tr("place there")},
                            {tr("Backspace"), tr("remove the last mark")},
                            {QStringLiteral("← →"), tr("pictures, afterwards")},
                            {QStringLiteral("N"), tr("another round")},
                            {tr("Esc"), tr("back")},
                            {QStringLiteral("?"), tr("all keys")}});
    else
        keys_->setKeys(Keys{{QStringLiteral("↑ ↓"), tr("part")},
                            {tr("Space"), tr("include or leave out")},
                            {QStringLiteral("E"), tr("edit text")},
                            {QStringLiteral("P"), tr("choose a picture")},
                            {tr("Esc"), tr("bench")},
                            {tr("Ctrl+Enter"), tr("file and send")},
                            {QStringLiteral("?"), tr("all keys")}});
}

void MainWindow::setDark(bool dark) {
    usePalette(dark);
    applyStyle(*qApp);
    dark_->setChecked(dark);
    QSettings().setValue(QStringLiteral("dark"), dark);
    for (QWidget* w : QApplication::allWidgets()) {
        // Links keep the colour in which a label's text was set.
        if (auto* label = qobject_cast<QLabel*>(w); label && label->text().contains(QLatin1String("<a "))) {
            const QString words = label->text();
            label->clear();
            label->setText(words);
        }
        w->update();
    }
}

void MainWindow::showKeys() {
    std::vector<std::pair<QString, QList<QAction*>>> groups;
    for (QMenu* m : menus_) groups.emplace_back(m->title().remove(QLatin1Char('&')), m->actions());
    auto* sheet = new KeysSheet(groups, this);
    sheet->show();
}

void MainWindow::comeBack() {
    QSettings settings;
    const auto room = Room(settings.value(QStringLiteral("room"), int(Queue)).toInt());
    const auto clip = library_->clip(settings.value(QStringLiteral("clip"), 0).toLongLong());
    settings.remove(QStringLiteral("clip")); // should it end the program, the next start does not try it again
    if (clip && isOfAClip(room)) {
        std::error_code ec;
        if (!clip->filed && std::filesystem::exists(clip->draft.clipPath, ec)) openClip(clip->id);
    } else if (room == Record || room == Programmes || room == Exercises || room == Practice)
        go(room);
}

void MainWindow::closeEvent(QCloseEvent* e) {
    QSettings settings;
    settings.setValue(QStringLiteral("room"), int(room()));
    settings.setValue(QStringLiteral("clip"), qlonglong(session_->isOpen() ? session_->clipId() : 0));
    settings.setValue(QStringLiteral("geometry"), saveGeometry());
    settings.setValue(QStringLiteral("threads-folded"), bench_->threadsFolded());
    // What has been filed is on its way: a few seconds are waited for it, and then the window closes by itself.
    if (isSending()) {
        e->ignore();
        if (closing_) return;
        closing_ = true;
        session_->letter().filing().hurry();
        centralWidget()->setEnabled(false);
        say(tr("The last mail is being finished …"));
        auto* look = new QTimer(this);
        connect(look, &QTimer::timeout, this, [this] {
            if (!isSending()) close();
        });
        look->start(50);
        return;
    }
    QMainWindow::closeEvent(e);
}

bool MainWindow::isSending() const {
    return !session_->letter().filing().isIdle() || !outgoing_->isIdle() || writing_.isRunning();
}

} // namespace deft::ui

#include "moc_main_window.cpp"
