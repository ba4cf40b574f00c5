// SPDX-License-Identifier: GPL-3.0-or-later
// What goes on in the background, and how the queue shows it.
#include "app/bench/bench_page.h"
#include "app/queue/queue_page.h"
#include "app/session/desktop_link.h"
#include "app/theme/words.h"
#include "app/window/bars.h"
#include "app/window/demo_phone.h"
#include "app/window/main_window.h"

#include <QDragEnterEvent>
#include <QFileDialog>
#include <QMimeData>
#include <QSettings>
#include <QUrl>

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

constexpr int kSecondPress_ms = 8000;

QString fileName(const std::filesystem::path& path) {
    return QString::fromStdString(path.filename().string()).toHtmlEscaped();
}

} // namespace

void MainWindow::connectWork() {
    removal_.setSingleShot(true);
    inbox_ = new Inbox(*library_, inboxFolder(*library_), this);
    connect(inbox_, &Inbox::changed, this, &MainWindow::showInbox);
    arrivals_.setSingleShot(true);
    arrivals_.setInterval(300); // many may come at once
    connect(inbox_, &Inbox::practised, this, &MainWindow::tellPractice);
    connect(inbox_, &Inbox::tookIn, &arrivals_, qOverload<>(&QTimer::start));
    connect(inbox_, &Inbox::tookIn, this, [this](qint64 id) {
        const auto clip = library_->clip(id);
        if (clip && clip->draft.note.isAlarming() && !isActiveWindow())
            DesktopLink::notify(tr("A clip with pain has come in"), tr("It stands first in the queue."));
    });
    connect(&arrivals_, &QTimer::timeout, this, [this] {
        queue_->refresh();
        refreshBars();
        session_->offered().proposer().look(library_->clips(0));
        quiet_.start();
    });
    connect(queue_, &QueuePage::inboxLink, this, [this](const QString& link) {
        if (link == QLatin1String("retry"))
            inbox_->retry();
        else if (link == QLatin1String("mails"))
            outgoing_->retry(), showInbox();
        else if (link == QLatin1String("no-mails"))
            giveUpMails();
        else if (link.startsWith(QLatin1String("is ")))
            inbox_->answer(QUrl::fromPercentEncoding(link.section(QLatin1Char(' '), 2).toLatin1()).toStdString(),
                           link.section(QLatin1Char(' '), 1, 1).toLongLong());
        else
            queue_->bringIn(link);
    });
    for (const Backlog* ahead :
         {static_cast<Backlog*>(&session_->offered().proposer()), static_cast<Backlog*>(measurer_)}) {
        connect(ahead, &Backlog::ready, this, [this](qint64 clip) {
            queue_->clips().touch(clip);
            showWork(clip);
            showAllWork();
            if (room() == Queue) queue_->refresh();
        });
        connect(&ahead->job(), &BackgroundJob::changed, this, [this, ahead] {
            showWork(ahead->now());
            showAllWork();
        });
    }
    connect(keys_, &KeysBar::workPressed, this, &MainWindow::pauseWork);
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
    if (!session_->offered().proposer().isIdle())
        return quiet_.start(); // one kind of work at a time: two cores are soon busy
    if (!session_->job().isRunning()) measurer_->look(library_->clips(0));
}

void MainWindow::pauseWork() {
    const bool paused = !measurer_->isPaused();
    session_->offered().proposer().setPaused(paused);
    measurer_->setPaused(paused);
    showAllWork();
    say(paused ? tr("Clips that wait are not measured for now.") : tr("Clips that wait are measured again."));
}

/// All of it in one place, on every room's last line.
void MainWindow::showAllWork() {
    const Backlog &proposer = session_->offered().proposer(), &measurer = *measurer_;
    const int waiting = proposer.waiting() + measurer.waiting();
    const Backlog* at = proposer.now() ? &proposer : measurer.now() ? &measurer : nullptr;
    QString words;
    if (measurer.isPaused())
        words = tr("Paused, %1 waiting: go on").arg(waiting);
    else if (at) {
        const Progress& p = at->job().progress();
        const int percent = p.total > 0 ? int(100 * p.done / p.total) : 0;
        const bool looking = at == &proposer;
        words = waiting == 0 ? (looking ? tr("Looking, %1 %: pause") : tr("Measuring, %1 %: pause")).arg(percent)
                             : (looking ? tr("Looking, %1 %, %2 waiting: pause")
                                        : tr("Measuring, %1 %, %2 waiting: pause"))
                                   .arg(percent)
                                   .arg(waiting);
    }
    keys_->showWork(words);
}

void MainWindow::showWork(int64_t clip) {
    if (clip == 0) return;
    QString words;
    for (const auto& [work, doing, could] :
         {std::tuple{static_cast<const Backlog*>(&session_->offered().proposer()), tr("being looked at, %1 %"),
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

namespace {

QString listItem(const QString& html) { return QStringLiteral("<li>%1</li>").arg(html); }

QString section(const QString& head, const QStringList& items) {
    constexpr qsizetype kShown = 4;
    if (items.isEmpty()) return {};
    QString html = items.mid(0, kShown).join(QString());
    if (items.size() > kShown) html += listItem(QObject::tr("and %1 more").arg(items.size() - kShown));
    return QStringLiteral("%1<ul style='margin:2px 0 6px -24px'>%2</ul>").arg(head, html);
}

QString escaped(const std::string& words) { return QString::fromStdString(words).toHtmlEscaped(); }

} // namespace

/// What cannot go on by itself: damage, questions, what was not taken in, mails that were not made.
void MainWindow::showInbox() {
    QStringList damage, questions, refused, mails;
    for (const Message& sentence : library_->damage()) damage << listItem(said(sentence).toHtmlEscaped());
    QStringList own; // exercise files that cannot be used
    const CataloguePtr catalogue = library_->catalogue();
    for (const std::string& id : catalogue->exerciseIds())
        if (const auto e = catalogue->exercise(id); !e) own << listItem(said(e.error()).toHtmlEscaped());
    for (const Inbox::Question& q : inbox_->questions()) {
        QString ask = tr("A clip of <b>%1</b> has come. Is it ").arg(escaped(q.item.parcel().client));
        const QString note = QString::fromLatin1(QUrl::toPercentEncoding(QString::fromStdString(q.item.note.string())));
        for (const Client& c : q.alike)
            ask += tr("<a href=\"is %1 %2\">%3</a> whom you know, or ")
                       .arg(c.id)
                       .arg(note, escaped(c.role.empty() ? c.name : c.name + ", " + c.role));
        questions << listItem(ask + tr("<a href=\"is 0 %1\">somebody else</a>?").arg(note));
    }
    if (!inbox_->trouble().isEmpty()) refused << listItem(inbox_->trouble().toHtmlEscaped());
    for (const auto& r : inbox_->refused())
        refused << listItem(QStringLiteral("%1: %2").arg(fileName(r.file), said(r.why).toHtmlEscaped()));
    for (const auto& file : inbox_->loose())
        refused << listItem(tr("%1 came without a note. <a href=\"%2\">Choose the client</a>")
                                .arg(fileName(file), escaped(file.string())));
    for (const Aside& a : library_->asides("mail")) mails << listItem(said(a.why).toHtmlEscaped());
    queue_->setInboxWords(
        section(tr("<b>Damaged in the library.</b> Nothing was changed; a backup can be put back: deft-mirror library "
                   "restore"),
                damage) +
        section(tr("<b>Your own exercise files that cannot be used.</b> The exercises room mends them."), own) +
        section(tr("<b>Whose clip is it?</b>"), questions) +
        section(tr("<b>In the inbox, not taken in.</b> Nothing was changed there. <a href=\"retry\">Try again</a>"),
                refused) +
        section(
            tr("<b>Failed emails.</b> The pages of these answers are kept. <a href=\"mails\">Try again</a> &nbsp; <a "
               "href=\"no-mails\">Discard</a>"),
            mails));
}

/// At the second press: the first one says what goes.
void MainWindow::removeClip(int64_t id) {
    const auto clip = library_->clip(id);
    if (!clip) return;
    const auto client = library_->client(clip->client);
    const QString whose = QString::fromStdString(client ? client->name : std::string());
    if (toRemove_ != id || !removal_.isActive()) {
        toRemove_ = id;
        removal_.start(kSecondPress_ms);
        return say(tr("Delete once more removes this clip of %1 with its marks; the record of %1 stays.").arg(whose));
    }
    removal_.stop();
    if (session_->clipId() == id) session_->leave();
    session_->offered().proposer().stopOne(id);
    measurer_->stopOne(id);
    const auto removed = library_->removeClip(id);
    queue_->refresh();
    refreshBars();
    say(removed ? tr("The clip of %1 has been removed.").arg(whose)
                : tr("Not removed: %1.").arg(said(removed.error())));
}

void MainWindow::startDemo() {
    phones_ = new DemoPhone(*library_, inbox_->folder(), QDate::currentDate(), this);
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
    case Programmes:
        return tr(
            "What the client practises for some weeks, proposed from the reviews. Ctrl+Enter gives it; N takes in "
            "what comes home.");
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

void MainWindow::takeFolder(const QString& path) {
    say(tr("Taking over what lies in %1 …").arg(path));
    taking_.run([from = std::filesystem::path(path.toStdString()), to = inbox_->folder()](
                    StopToken stop, const ProgressFn& progress) { return takeOver(from, to, stop, progress); },
                [this, path](const Result<int>& copied) {
                    say(copied ? tr("%1 copied into the inbox from %2; nothing was taken away there.")
                                     .arg(counted(*copied, tr("file"), tr("files")), path)
                               : tr("Not taken over: %1.").arg(said(copied.error())));
                    inbox_->look();
                });
}

void MainWindow::dragEnterEvent(QDragEnterEvent* e) {
    const auto urls = e->mimeData()->urls();
    if (std::any_of(urls.begin(), urls.end(), [](const QUrl& url) { return url.isLocalFile(); }))
        e->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* e) {
    QStringList paths;
    for (const QUrl& url : e->mimeData()->urls())
        if (url.isLocalFile()) paths << url.toLocalFile();
    openFiles(paths);
}

void MainWindow::makeQueueActions(QMenu* menu) {
    using K = QKeySequence;
    queueMenu_ = menu;
    // Lists take Return themselves only when something is chosen.
    add(menu, tr("Open the chosen clip"), {K(Qt::Key_Return), K(Qt::Key_Enter)}, &queue_->list(),
        [this] { queue_->openChosen(); });
    add(menu, tr("Show the clips of this visit"), {K(Qt::Key_Right)}, &queue_->list(),
        [this] { queue_->unfoldVisit(true); });
    add(menu, tr("Fold them again"), {K(Qt::Key_Left)}, &queue_->list(), [this] { queue_->unfoldVisit(false); });
    add(menu, tr("Find clips"), {K(Qt::Key_Slash)}, queue_, [this] { queue_->find(); });
    add(menu, tr("Show all clips again, or leave what is beside them"), {K(Qt::Key_Escape)}, queue_,
        [this] { queue_->leave(); });
    add(menu, tr("Correct what is known of this clip"), {K(Qt::Key_E)}, &queue_->list(),
        [this] { queue_->correctChosen(); });
    add(menu, tr("Remove this clip"), {K(Qt::Key_Delete)}, &queue_->list(), [this] { removeClip(queue_->chosen()); });
    connect(queue_, &QueuePage::corrected, this, [this](qint64 clip) {
        if (session_->clipId() == clip) session_->leave(); // it is another one now
        say(tr("Corrected."));
        refreshBars();
    });
    add(menu, tr("Stop the work on this clip"), {K(Qt::Key_X)}, &queue_->list(), [this] {
        const int64_t clip = queue_->chosen();
        session_->offered().proposer().now() == clip ? session_->offered().proposer().stopOne(clip)
                                                     : measurer_->stopOne(clip);
        showWork(clip);
    });
    add(menu, tr("Try again"), {K(Qt::Key_R)}, &queue_->list(), [this] {
        inbox_->retry();
        if (const auto clip = library_->clip(queue_->chosen())) {
            (void)library_->end("picture", std::to_string(clip->id));
            queue_->clips().touch(clip->id);
            queue_->refresh();
            session_->offered().proposer().retry(*clip);
            measurer_->retry(*clip);
            showWork(clip->id);
        }
    });
    add(menu, tr("Look into the inbox now"), {K(Qt::Key_I)}, &queue_->list(), [this] { inbox_->look(); });
    add(menu, tr("Open the last mail in the mail program"), {K(Qt::CTRL | Qt::SHIFT | Qt::Key_M)}, this,
        [this] { openMail(lastMail_); });
    add(menu, tr("Discard failed emails"), {}, this, [this] { giveUpMails(); });
    add(menu, tr("Mails made and sent"), {K(Qt::Key_M)}, &queue_->list(), [this] { queue_->showMails(); });
    add(menu, tr("Open the chosen mail"), {K(Qt::Key_Return), K(Qt::Key_Enter)}, &queue_->mails(), [this] {
        if (const MadeLetter* l = queue_->mails().chosen()) openMail(l->mail.file);
    });
    add(menu, tr("The chosen mail was sent, or was not"), {K(Qt::Key_M)}, &queue_->mails(),
        [this] { queue_->mails().toggleSent(); });
    add(menu, tr("Take back the answer that is being sent"), {K(Qt::Key_U)}, queue_, [this] { takeBackLetter(); });
    add(menu, tr("Choose the inbox folder…"), {}, this, [this] { chooseInbox(); });
    add(menu, tr("Take over a folder once…"), {}, this, [this] {
        const QString path = QFileDialog::getExistingDirectory(this, tr("A folder with clips"));
        if (!path.isEmpty()) openFiles({path});
    });
}

} // namespace deft::ui
