// What goes on in the background, and how the queue shows it.
#include "app/bench/bench_page.h"
#include "app/queue/queue_page.h"
#include "app/window/demo_phone.h"
#include "app/window/main_window.h"

#include <QFileDialog>
#include <QSettings>

namespace deft::ui {
namespace {

/// The coach's own choice, else a folder inside the library.
std::filesystem::path inboxFolder(const Library& library) {
    const QString own = QSettings().value(QStringLiteral("inbox")).toString();
    if (!own.isEmpty()) return own.toStdString();
    std::error_code ec;
    std::filesystem::create_directories(library.folder() / "inbox", ec);
    return library.folder() / "inbox";
}

QString fileName(const std::filesystem::path& path) {
    return QString::fromStdString(path.filename().string()).toHtmlEscaped();
}

} // namespace

void MainWindow::connectWork() {
    inbox_ = new Inbox(*library_, inboxFolder(*library_), this);
    connect(inbox_, &Inbox::changed, this, &MainWindow::showInbox);
    arrivals_.setSingleShot(true);
    arrivals_.setInterval(300); // many may come at once
    connect(inbox_, &Inbox::tookIn, &arrivals_, qOverload<>(&QTimer::start));
    connect(&arrivals_, &QTimer::timeout, this, [this] {
        queue_->refresh();
        refreshBars();
        session_->proposer().look(library_->clips(0));
        quiet_.start();
    });
    connect(queue_, &QueuePage::inboxLink, this, [this](const QString& link) {
        if (link == QLatin1String("retry"))
            inbox_->retry();
        else
            queue_->bringIn(link);
    });
    for (const Backlog* ahead : {static_cast<Backlog*>(&session_->proposer()), static_cast<Backlog*>(measurer_)}) {
        connect(ahead, &Backlog::ready, this, [this](qint64 clip) {
            queue_->clips().touch(clip);
            showWork(clip);
            if (room() == Queue) queue_->refresh();
        });
        connect(&ahead->job(), &BackgroundJob::changed, this, [this, ahead] { showWork(ahead->now()); });
    }
    connect(&quiet_, &QTimer::timeout, this, &MainWindow::workAhead);
    connect(&session_->job(), &BackgroundJob::changed, this, [this] {
        if (session_->job().isRunning())
            measurer_->stop(); // the clip that is open goes first
        else
            quiet_.start();
    });
}

/// Measures the clips that wait, as long as nobody waits for the one that is open.
void MainWindow::workAhead() {
    if (!session_->proposer().isIdle()) return quiet_.start(); // one kind of work at a time: two cores are soon busy
    if (!session_->job().isRunning()) measurer_->look(library_->clips(0));
}

void MainWindow::showWork(int64_t clip) {
    if (clip == 0) return;
    QString words;
    for (const auto& [work, doing, could] :
         {std::tuple{static_cast<const Backlog*>(&session_->proposer()), tr("being looked at, %1 %"),
                     tr("not looked at: %1")},
          {static_cast<const Backlog*>(measurer_), tr("being measured, %1 %"), tr("not measured: %1")}}) {
        const Progress& p = work->job().progress();
        if (work->now() == clip)
            words = doing.arg(p.total > 0 ? 100 * p.done / p.total : 0);
        else if (const QString trouble = work->troubleOf(clip); !trouble.isEmpty())
            words = could.arg(trouble);
    }
    queue_->clips().setWork(clip, words);
}

void MainWindow::showInbox() {
    QString html;
    if (!inbox_->trouble().isEmpty()) html += QStringLiteral("<li>%1</li>").arg(inbox_->trouble().toHtmlEscaped());
    constexpr size_t kShown = 4;
    const auto& refused = inbox_->refused();
    for (size_t i = 0; i < std::min(kShown, refused.size()); ++i)
        html += QStringLiteral("<li>%1: %2</li>")
                    .arg(fileName(refused[i].file), QString::fromStdString(refused[i].why).toHtmlEscaped());
    for (size_t i = 0; i < std::min(kShown, inbox_->loose().size()); ++i)
        html +=
            tr("<li>%1 came without a note. <a href=\"%2\">Say whose it is</a></li>")
                .arg(fileName(inbox_->loose()[i]), QString::fromStdString(inbox_->loose()[i].string()).toHtmlEscaped());
    const size_t more = refused.size() + inbox_->loose().size() - std::min(kShown, refused.size()) -
                        std::min(kShown, inbox_->loose().size());
    if (more > 0) html += tr("<li>and %1 more</li>").arg(more);
    if (!html.isEmpty())
        html = tr("<b>In the inbox, not taken in.</b> Nothing was changed there. <a href=\"retry\">Try again</a><ul "
                  "style='margin:2px 0 0 -24px'>%1</ul>")
                   .arg(html);
    queue_->setInboxWords(html);
}

void MainWindow::startDemo() {
    phones_ = new DemoPhone(*library_, inbox_->folder(), this);
    connect(phones_, &DemoPhone::said, this, &MainWindow::say);
    add(queueMenu_, tr("Simulated phone: send the next clip"), {}, this, [this] { phones_->sendNext(); });
    refreshBars();
}

/// What to do next, for somebody who sees the program for the first time.
QString MainWindow::firstStep() const {
    switch (room()) {
    case Queue:
        return tr("These clips wait, the most urgent first. Choose one with the arrows and open it with Enter.");
    case Bench:
        if (session_->review())
            return tr("J goes to the next moment; A agrees with it, D does not. Enter takes you to the answer.");
        return bench_->stage().isPlacing()
                   ? tr("C takes the proposed marks; drag one that is off. Enter measures when the marks are set.")
                   : tr("The clip is being measured. You can look at it meanwhile: arrows step, Space plays.");
    case Compare:
        return tr("Drag the dot along the movement: both pictures follow. The table says which differences are real.");
    case Letter:
        return tr(
            "This goes to the client. E edits words, Space leaves a part out, Ctrl+Enter files and makes the mail.");
    case Record:
        return tr("What the answered clips tell together. Arrows choose exercise and review; E writes down consent.");
    case Exercises:
        break;
    case Practice:
        return tr("Click the points that are asked for, as you would on a client's clip. Enter begins.");
    }
    return tr("What is measured in each exercise, and where each number comes from. E makes your own version of it.");
}

void MainWindow::chooseInbox() {
    const QString path = QFileDialog::getExistingDirectory(this, tr("Folder into which clients' clips come"));
    if (path.isEmpty()) return;
    QSettings().setValue(QStringLiteral("inbox"), path);
    inbox_->setFolder(path.toStdString());
    say(tr("Clips are taken in from %1.").arg(path));
}

void MainWindow::makeQueueActions(QMenu* menu) {
    using K = QKeySequence;
    queueMenu_ = menu;
    // Lists take Return themselves only when something is chosen.
    add(menu, tr("Open the chosen clip"), {K(Qt::Key_Return), K(Qt::Key_Enter)}, &queue_->list(),
        [this] { queue_->openChosen(); });
    add(menu, tr("Find clips"), {K(Qt::Key_Slash)}, queue_, [this] { queue_->find(); });
    add(menu, tr("Show all clips again, or leave what is beside them"), {K(Qt::Key_Escape)}, queue_,
        [this] { queue_->leave(); });
    add(menu, tr("Stop the work on this clip"), {K(Qt::Key_X)}, &queue_->list(), [this] {
        const int64_t clip = queue_->chosen();
        session_->proposer().now() == clip ? session_->proposer().stopOne(clip) : measurer_->stopOne(clip);
        showWork(clip);
    });
    add(menu, tr("Try again"), {K(Qt::Key_R)}, &queue_->list(), [this] {
        inbox_->retry();
        if (const auto clip = library_->clip(queue_->chosen())) {
            session_->proposer().retry(*clip);
            measurer_->retry(*clip);
            showWork(clip->id);
        }
    });
    add(menu, tr("Look into the inbox now"), {K(Qt::Key_I)}, &queue_->list(), [this] { inbox_->look(); });
    add(menu, tr("Give up mails that could not be made"), {}, this, [this] { giveUpMails(); });
    add(menu, tr("Choose the inbox folder…"), {}, this, [this] { chooseInbox(); });
}

} // namespace deft::ui
