// SPDX-License-Identifier: GPL-3.0-or-later
// The client room's keys, and what leaves the library or is erased from it.
#include "answer/filming.h"
#include "app/client/client_page.h"
#include "app/documents/bundle.h"
#include "app/documents/client_report.h"
#include "app/queue/queue_page.h"
#include "app/session/stored_review.h"
#include "app/theme/words.h"
#include "app/window/main_window.h"
#include "base/files.h"

#include <QDate>
#include <QFileDialog>

namespace deft::ui {

void MainWindow::makeClientActions(QMenu* menu) {
    using K = QKeySequence;
    ClientRecord& record = client_->record();
    const std::tuple<QString, QKeySequence, std::function<void()>> actions[] = {
        {tr("Next exercise"), K(Qt::Key_Down), [&record] { record.stepExercise(1); }},
        {tr("Previous exercise"), K(Qt::Key_Up), [&record] { record.stepExercise(-1); }},
        {tr("Later review"), K(Qt::Key_Right), [&record] { record.chooseReview(record.review() + 1); }},
        {tr("Earlier review"), K(Qt::Key_Left), [&record] { record.chooseReview(record.review() - 1); }},
        {tr("Open the review on the bench"), K(Qt::Key_O), [this] { client_->openReview(); }},
        {tr("Open its mail in the mail program"), K(Qt::SHIFT | Qt::Key_M),
         [this, &record] {
             const FiledReview* r = record.chosenReview();
             const auto mail = r ? library_->mailOf(r->id) : std::nullopt;
             openMail(mail ? mail->file : std::filesystem::path());
         }},
        {tr("Mark its mail as sent or not sent"), K(Qt::Key_M), [this] { markMailSent(); }},
        {tr("Next client"), K(Qt::CTRL | Qt::Key_PageDown), [&record] { record.stepClient(1); }},
        {tr("Previous client"), K(Qt::CTRL | Qt::Key_PageUp), [&record] { record.stepClient(-1); }},
        {tr("Edit wishes, flags and consent"), K(Qt::Key_E), [this] { client_->edit(); }},
        {tr("Export a report of this exercise…"), K(Qt::Key_P), [this] { chooseReportFile(); }},
        {tr("Print the report of this exercise…"), K(QKeySequence::Print),
         [this] { choosePrinter(&MainWindow::writeReport); }},
        {tr("Export the review as a bundle…"), K(Qt::Key_X), [this] { chooseBundleFile(); }},
        {tr("Sheet of this exercise for the client…"), K(Qt::Key_S), [this] { sheetOfRecord(); }},
        {tr("How to film, as a page for the client…"), K(Qt::Key_F), [this] { filmingOfRecord(); }},
        {tr("Erase videos, or everything, of this client…"), K(Qt::Key_Delete), [this] { client_->askWhatToErase(); }}};
    for (const auto& [name, key, what] : actions) // none of them while a form is open: it belongs to one client
        add(menu, name, {key}, client_, [this, act = what] {
            if (!client_->isEditing()) act();
        });
    add(menu, tr("Back from the client"), {K(Qt::Key_Escape)}, client_, [this] {
        if (!client_->leaveForm()) go(session_->isOpen() ? Bench : Queue);
    });
    connect(&record, &ClientRecord::changed, this, [this] { session_->follow(client_->record().client()); });
    connect(&record, &ClientRecord::changed, this, &MainWindow::refreshBars);
    connect(client_, &ClientPage::openClip, this, &MainWindow::openClip);
    connect(client_, &ClientPage::said, this, &MainWindow::say);
    connect(client_, &ClientPage::eraseWanted, this, &MainWindow::eraseClient);
    connect(client_, &ClientPage::reportWanted, this, &MainWindow::chooseReportFile);
    connect(client_, &ClientPage::bundleWanted, this, &MainWindow::chooseBundleFile);
}

/// Whose clip is looked at in the room one comes from: the one that is open there, or chosen in the queue.
void MainWindow::showRecord(Room from) {
    if (client_->isEditing()) return client_->setFocus(); // what was being written is still there
    const auto chosen = from == Queue ? library_->clip(queue_->chosen()) : std::nullopt;
    if (chosen)
        client_->record().show(chosen->client, chosen->draft.exercise);
    else if (isOfAClip(from) && session_->isOpen())
        client_->record().show(session_->client().id, session_->inputs().exercise);
    else
        client_->record().refresh();
    client_->setFocus();
}

/// For the version and target that the client does next.
void MainWindow::sheetOfRecord() {
    const ClientRecord& record = client_->record();
    const Clip* newest = record.newestClip();
    if (!record.story() || !newest) return say(tr("Choose a client with an exercise first."));
    const ClientStory& story = *record.story();
    const Target next = story.now().value_or(firstTarget(*library_->catalogue(), story.exercise));
    const Client& client = record.client();
    chooseSheetForClient(story.exercise, next,
                         {client.name, newest->draft.coach, client.flags, newest->draft.cleared, client.language},
                         client.id);
}

/// Of every exercise that this client has filmed.
void MainWindow::filmingOfRecord() {
    const ClientRecord& record = client_->record();
    if (record.exercises().empty()) return say(tr("Choose a client with an exercise first."));
    std::vector<std::string> ids;
    for (const auto& exercise : record.exercises()) ids.push_back(exercise.id);
    const Client& client = record.client();
    const auto page =
        filmingPage(*library_->catalogue(), ids, {client.name, library_->coach().name, {}, {}, client.language});
    if (!page) return say(tr("Not exported: %1.").arg(said(page.error())));
    const QString path = QFileDialog::getSaveFileName(this, tr("How to film, as a file"), QStringLiteral("filming.pdf"),
                                                      tr("PDF (*.pdf);;Page (*.html);;Text (*.txt);;Mail (*.eml)"));
    if (!path.isEmpty()) writeLetter(path, *page, {}, client.id);
}

void MainWindow::markMailSent() {
    const FiledReview* r = client_->record().chosenReview();
    const auto mail = r ? library_->mailOf(r->id) : std::nullopt;
    if (!mail) return say(tr("No mail has been made for this review."));
    const auto ok = library_->setMailSent(r->id, mail->sent.empty());
    client_->record().refresh();
    say(!ok                  ? tr("Not marked: %1.").arg(said(ok.error()))
        : mail->sent.empty() ? tr("Marked as sent.")
                             : tr("Marked as not sent."));
}

void MainWindow::chooseReportFile() {
    if (!client_->record().chosenReview()) return say(tr("No review of this exercise has been filed yet."));
    const QString path = QFileDialog::getSaveFileName(this, tr("The report as a file"), QStringLiteral("report.pdf"),
                                                      tr("PDF (*.pdf);;SVG (*.svg);;PNG (*.png)"));
    if (!path.isEmpty()) writeReport(path);
}

void MainWindow::writeReport(const QString& path) {
    const ClientRecord& record = client_->record();
    if (!record.story()) return say(tr("No review of this exercise has been filed yet."));
    writeAside(path, [story = *record.story(), name = record.client().name, role = record.client().role,
                      scope = scopeNote(*library_->catalogue()->language(coachLanguage())),
                      file = std::filesystem::path(path.toStdString())](StopToken, const ProgressFn&) {
        return writeClientReport(story, name, role, scope, file);
    });
}

void MainWindow::chooseBundleFile() {
    if (!client_->record().chosenReview()) return say(tr("No review of this exercise has been filed yet."));
    const QString path = QFileDialog::getSaveFileName(this, tr("The review as a bundle"),
                                                      QStringLiteral("review.deft-bundle.zip"), tr("Bundle (*.zip)"));
    if (!path.isEmpty()) writeBundle(path);
}

void MainWindow::writeBundle(const QString& path) {
    const ClientRecord& record = client_->record();
    const FiledReview* review = record.chosenReview();
    if (!review) return say(tr("No review of this exercise has been filed yet."));
    if (!allowsPassingOn(record.client().consent, QDate::currentDate().toString(Qt::ISODate).toStdString()))
        return say(tr("Not exported: there is no consent of %1 on record to passing a bundle on, or its day is over. E "
                      "writes one down.")
                       .arg(QString::fromStdString(record.client().name)));
    const auto clip = library_->clip(review->clip);
    if (!clip) return say(tr("This clip is no longer in the library."));
    writeAside(path,
               [&library = *library_, inputs = clip->draft, file = std::filesystem::path(path.toStdString())](
                   StopToken stop, const ProgressFn& progress) -> Result<void> {
                   auto measured = measureStored(library, inputs, stop, progress);
                   if (!measured) return tl::unexpected(measured.error());
                   auto reader = ClipReader::open(inputs.clipPath, inputs.part);
                   if (!reader) return tl::unexpected(reader.error());
                   auto zip = reviewBundle(std::move(*measured), *reader, stop, progress);
                   if (!zip) return tl::unexpected(zip.error());
                   return writeFileAtomically(file, *zip);
               });
}

void MainWindow::eraseClient(qint64 client, Erasing what) {
    if (session_->isOpen() && session_->client().id == client) session_->leave();
    std::vector<int64_t> filed;
    for (const Clip& c : library_->clipsOf(client)) {
        session_->offered().proposer().stopOne(c.id);
        measurer_->stopOne(c.id);
        for (const FiledReview& r : library_->filed(client, c.draft.exercise)) filed.push_back(r.id);
    }
    outgoing_->giveUp(filed);
    const QString name = QString::fromStdString(client_->record().client().name);
    const auto erased = library_->erase(client, what);
    client_->leaveForm();
    client_->record().refresh();
    queue_->refresh();
    refreshBars();
    if (!erased) return say(tr("Not erased: %1. Ask for it again.").arg(said(erased.error())));
    const QString traces = erased->traces.empty()
                               ? QString()
                               : tr(" Traces may still stand in the database's file (%1); the next start removes them.")
                                     .arg(said(erased->traces));
    say((what == Erasing::Everything ? tr("Everything of %1 has been erased.").arg(name)
                                     : tr("The videos of %1 have been erased; the numbers are kept.").arg(name)) +
        traces);
}

} // namespace deft::ui
