// SPDX-License-Identifier: GPL-3.0-or-later
// Answers on their way out: filed, made into a mail, written to files.
#include "answer/calendar.h"
#include "answer/mail.h"
#include "answer/reminder.h"
#include "answer/sheet.h"
#include "app/answer/answer_page.h"
#include "app/answer/speak_form.h"
#include "app/documents/answer_file.h"
#include "app/documents/answer_picture.h"
#include "app/documents/frame_picture.h"
#include "app/documents/letter_films.h"
#include "app/documents/reply_clip.h"
#include "app/documents/review_sheet.h"
#include "app/documents/sketch_picture.h"
#include "app/queue/queue_page.h"
#include "app/session/device_microphone.h"
#include "app/theme/words.h"
#include "app/window/demo.h"
#include "app/window/main_window.h"
#include "app/window/print_pages.h"
#include "base/files.h"
#include "devices/mail_drop.h"

#include <QApplication>
#include <QClipboard>
#include <QDesktopServices>
#include <QFileDialog>
#include <QPrintDialog>
#include <QTemporaryDir>
#include <QUrl>

namespace deft::ui {
namespace {

using Reviews = std::vector<std::shared_ptr<const Review>>;

/// The mail as filing would make it, with its attachments.
Result<std::string> wholeMail(const Reviews& reviews, const Correspondents& who, StopToken stop,
                              const ProgressFn& progress) {
    const QTemporaryDir folder;
    if (!folder.isValid()) return fail(Errc::WriteFailed, folder.errorString().toStdString());
    return makeMail(reviews, who, folder.filePath(QStringLiteral("moment")).toStdString(), stop, progress)
        .map([](MadeMail made) { return std::move(made.text); });
}

/// The form that a file's ending asks for. @errors Unsupported naming the endings there are
Result<std::string> formOf(const std::filesystem::path& path, const std::string& more = {}) {
    const std::string ending = path.extension().string();
    if (ending == ".txt") return "text";
    if (ending == ".pdf" || ending == ".html" || ending == ".eml") return ending.substr(1);
    return fail(Errc::Unsupported, {"{file}: end the name in one of {known}",
                                    {{"file", path.string()}, {"known", ".pdf, .html, .txt, .eml" + more}}});
}

/// The desktop's own, or a sound file in its place: the one that is asked for, else the demo's where there is none.
/// @return null: there is none
std::unique_ptr<Microphone> microphone(bool demo) {
    if (const QByteArray file = qgetenv("DEFT_MICROPHONE"); !file.isEmpty())
        return std::make_unique<SimulatedMicrophone>(file.toStdString());
    if (DeviceMicrophone::isThere()) return std::make_unique<DeviceMicrophone>();
    if (demo) return std::make_unique<SimulatedMicrophone>(demoFolder() / "microphone.wav");
    return nullptr;
}

/// A letter in the form that the file's ending asks for. @param shown which of its reviews a reply clip is of
Result<void> writeAs(const std::filesystem::path& path, const Reviews& reviews, size_t shown, const Correspondents& who,
                     StopToken stop, const ProgressFn& progress) {
    const std::string kind = path.extension().string();
    auto films = LetterFilms::open(reviews);
    if (!films) return tl::unexpected(films.error());
    const Answer answer = letterOn(reviews);
    if (kind == ".mp4")
        return writeReplyClip(films->review(shown), partsOf(answer, int(shown)), films->reader(shown), path, stop,
                              progress);
    if (kind == ".eml" || kind == ".ics") {
        const AnswerPart* next = answer.find("next");
        auto content = kind == ".eml" ? wholeMail(reviews, who, stop, progress)
                                      : answerCalendar(answer, reviews[size_t(next ? next->of : 0)]->inputs);
        if (!content) return tl::unexpected(content.error());
        return writeFileAtomically(path, *content);
    }
    const auto form = formOf(path, ", .ics, .mp4");
    if (!form) return tl::unexpected(form.error());
    auto content = answerIn(*form, answer, who, films->pictures());
    if (!content) return tl::unexpected(content.error());
    return writeFileAtomically(path, *content);
}

} // namespace

void MainWindow::keepForVisit(bool andNext) {
    if (const auto ok = session_->letter().keepForVisit(); !ok) return say(tr("Not kept: %1.").arg(said(ok.error())));
    const VisitClips& visit = session_->letter().visit();
    int64_t next = 0;
    for (const VisitClips::Other& other : visit.others())
        if (!other.clip.draft.ready && next == 0) next = other.clip.id;
    const QString words =
        tr("Ready for the one letter to %1; %2 of this visit still to be looked at.")
            .arg(QString::fromStdString(session_->client().name), counted(visit.open(), tr("clip"), tr("clips")));
    go(Queue);
    queue_->chooseClip(next);
    if (andNext && next) openClip(next);
    say(words);
}

void MainWindow::fileAnswer(bool andNext, bool alone) {
    if (!alone && session_->letter().visit().open() > 0) return keepForVisit(andNext);
    if (const auto ok = session_->letter().file(alone); !ok)
        return say(tr("Not filed: %1. The draft is kept.").arg(said(ok.error())));
    const QString name = QString::fromStdString(session_->client().name);
    go(Queue);
    const int64_t next =
        queue_->chooseNext([this](int64_t clip) { return session_->letter().filing().isFiling(clip); });
    if (andNext && next) openClip(next);
    say(session_->letter().filing().grace_ms() > 0
            ? tr("The answer to %1 goes out in a minute; U in the queue takes it back.").arg(name)
            : tr("Filing the answer to %1 …").arg(name));
}

void MainWindow::speakOverClip() {
    if (!answer_->speakButton().isEnabled())
        return say(tr("There is nothing to speak over: a reply clip shows the first correction, and only with the "
                      "client's consent to pictures."));
    auto* form = new SpeakForm(std::make_unique<Speaking>(*session_, *library_, microphone(phones_ != nullptr)), this);
    form->open();
}

void MainWindow::connectSending() {
    connect(&session_->letter().filing(), &Filing::filed, this, [this](const FiledLetter& letter) {
        outgoing_->send(letter.id, letter.reviews);
        queue_->refresh();
        say(tr("Filed. The mail to %1 is being made; it will lie in the library's folder outbox.%2")
                .arg(QString::fromStdString(letter.reviews.front()->inputs.client),
                     programmeFollows(library_->clientOfReview(letter.id))));
    });
    connect(&session_->letter().filing(), &Filing::failed, this, [this](qint64, const QString& why) {
        say(tr("Not filed: %1. The draft is kept.").arg(why));
        queue_->refresh();
    });
    connect(outgoing_, &Outgoing::sent, this, [this](const MadeMail& mail) {
        lastMail_ = mail.file;
        const QString file = QString::fromStdString(mail.file.string());
        say(mail.clip              ? tr("The mail is ready, with the reply clip: %1").arg(file)
            : mail.without.empty() ? tr("The mail is ready: %1").arg(file)
                                   : tr("The mail is ready, %1. It is in %2").arg(said(mail.without), file));
    });
    connect(&queue_->expected(), &ExpectedList::remind, this, &MainWindow::remind);
    connect(&queue_->expected(), &ExpectedList::expectNoMore, this, [this](qint64 review) {
        const auto ok = library_->expectNoMore(review);
        if (!ok) return say(tr("Not changed: %1.").arg(said(ok.error())));
        queue_->refresh();
    });
    connect(outgoing_, &Outgoing::failed, this, [this](qint64, const QString& sentence) {
        say(tr("The review is filed and its page kept, but there is no mail: %1. In the queue it can be tried again.")
                .arg(sentence));
        showInbox();
    });
}

void MainWindow::takeBackLetter() {
    const auto clips = session_->letter().filing().takeBack();
    queue_->refresh();
    if (clips.empty()) return say(tr("Nothing is being sent that could be taken back."));
    queue_->chooseClip(clips.front());
    say(tr("Taken back: nothing has been filed, and the draft is as it was."));
}

void MainWindow::openMail(const std::filesystem::path& file) {
    std::error_code ec;
    if (file.empty()) return say(tr("No mail has been made yet."));
    if (!std::filesystem::exists(file, ec))
        return say(
            tr("The mail %1 has gone; the page of the answer is kept.").arg(QString::fromStdString(file.string())));
    const bool opened = QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(file.string())));
    say(opened ? tr("The mail is open in your mail program. When it has gone, M in the client room marks it as sent.")
               : tr("No mail program opens it. The mail is %1.").arg(QString::fromStdString(file.string())));
}

/// Those that are still to be made: their clip may be gone for good. Their pages are kept.
void MainWindow::giveUpMails() {
    std::vector<int64_t> filed;
    for (const UnsentReview& unsent : library_->unsent()) filed.push_back(unsent.review);
    outgoing_->giveUp(filed);
    for (const int64_t review : filed)
        if (auto ok = library_->markMade(review); !ok) return say(tr("Not discarded: %1.").arg(said(ok.error())));
    for (const Aside& a : library_->asides("mail")) (void)library_->end("mail", a.subject);
    showInbox();
    say(filed.empty()
            ? tr("No mail is waiting to be made.")
            : tr("%1 discarded; the pages are kept.").arg(counted(int(filed.size()), tr("mail"), tr("mails"))));
}

/// The mail lies in the outbox beside the answers'; its name begins like theirs, so that it is erased with them.
void MainWindow::remind(qint64 review) {
    for (const ExpectedClip& e : library_->expected()) {
        if (e.review != review) continue;
        Result<Exercise> exercise = library_->catalogue()->exercise(e.exercise);
        for (const FiledReview& r : library_->filed(e.client, e.exercise)) // in the schools of what was answered
            if (const auto clip = r.id == review ? library_->clip(r.clip) : std::nullopt)
                exercise = exerciseOf(*library_->catalogue(), clip->draft);
        if (!exercise) return say(tr("No reminder: %1.").arg(said(exercise.error())));
        const auto client = library_->client(e.client);
        const LanguagePtr language = library_->catalogue()->language(client ? client->language : std::string());
        const auto mail = answerMail(reminder(language, *exercise, e.target, e.name, e.coach, e.due),
                                     library_->correspondents(e.client, e.coach), {});
        if (!mail) return say(tr("No reminder: %1.").arg(said(mail.error())));
        const auto file =
            dropMail(library_->folder() / "outbox", "answer-" + std::to_string(review) + "-reminder", *mail);
        return say(file ? tr("The reminder is ready: %1").arg(QString::fromStdString(file->string()))
                        : tr("No reminder: %1.").arg(said(file.error())));
    }
}

void MainWindow::chooseAnswerFile() {
    if (!session_->review()) return say(tr("There is no answer yet; measure the clip first."));
    const QString path = QFileDialog::getSaveFileName(
        this, tr("The answer as a file"), QStringLiteral("answer.pdf"),
        tr("PDF (*.pdf);;Page (*.html);;Text (*.txt);;Mail (*.eml);;Reply clip (*.mp4);;Next date (*.ics)"));
    if (!path.isEmpty()) writeAnswer(path);
}

void MainWindow::choosePictureFile() {
    if (!session_->review()) return say(tr("Measure the clip first."));
    const QString path = QFileDialog::getSaveFileName(this, tr("This picture as a file"), QStringLiteral("picture.png"),
                                                      tr("PNG (*.png);;SVG (*.svg);;PDF (*.pdf)"));
    if (!path.isEmpty()) writePicture(path);
}

void MainWindow::chooseSheetFile() {
    if (!session_->review()) return say(tr("Measure the clip first."));
    const QString path =
        QFileDialog::getSaveFileName(this, tr("The rep sheet and its plots as a file"), QStringLiteral("sheet.pdf"),
                                     tr("PDF (*.pdf);;SVG (*.svg);;PNG (*.png)"));
    if (!path.isEmpty()) writeSheet(path);
}

void MainWindow::writeSheet(const QString& path) {
    if (!session_->review()) return say(tr("Measure the clip first."));
    writeAside(path,
               [review = *session_->review(),
                file = std::filesystem::path(path.toStdString())](StopToken, const ProgressFn&) -> Result<void> {
                   auto reader = ClipReader::open(review.inputs.clipPath, review.inputs.part);
                   if (!reader) return tl::unexpected(reader.error());
                   return writeReviewSheet(review, *reader, file);
               });
}

void MainWindow::writePicture(const QString& path) {
    if (!session_->review()) return say(tr("Measure the clip first."));
    const QImage frame = session_->frames()->frame(session_->place().frame());
    if (frame.isNull()) return say(tr("The picture is still being decoded; try again."));
    const Moment* m = moment();
    writeAside(path, [review = *session_->review(), frame, number = session_->place().frame(),
                      measure = m ? m->measure : std::string(),
                      file = std::filesystem::path(path.toStdString())](StopToken, const ProgressFn&) {
        return writeFramePicture(review, frame, number, measure, file);
    });
}

void MainWindow::copyPicture() {
    if (!session_->review()) return say(tr("Measure the clip first."));
    const QImage frame = session_->frames()->frame(session_->place().frame());
    if (frame.isNull()) return say(tr("The picture is still being decoded; try again."));
    const Moment* m = moment();
    writing_.run([review = *session_->review(), frame, number = session_->place().frame(),
                  measure = m ? m->measure : std::string()](StopToken, const ProgressFn&) {
        return framePicture(review, frame, number, measure);
    }, [this](const Result<QImage>& picture) {
        if (!picture) return say(tr("Not copied: %1.").arg(said(picture.error())));
        QApplication::clipboard()->setImage(*picture);
        say(tr("The picture is copied, face made unrecognisable."));
    });
}

void MainWindow::writeAnswer(const QString& path) {
    if (!session_->review()) return say(tr("There is no answer yet; measure the clip first."));
    const Reviews reviews = session_->letter().reviews();
    writeAside(path, [reviews, shown = session_->letter().own(reviews), file = std::filesystem::path(path.toStdString()),
                      who = library_->correspondents(session_->client().id, session_->inputs().coach)](
                         StopToken stop, const ProgressFn& progress) {
        return writeAs(file, reviews, shown, who, stop, progress);
    });
}

void MainWindow::chooseSheetForClient(const Exercise& exercise, const Target& target, const SheetReader& reader,
                                      int64_t client) {
    const QString path =
        QFileDialog::getSaveFileName(this, tr("The exercise as a sheet for a client"), QStringLiteral("exercise.pdf"),
                                     tr("PDF (*.pdf);;Page (*.html);;Text (*.txt);;Mail (*.eml)"));
    if (!path.isEmpty()) writeSheetForClient(path, exercise, target, reader, client);
}

void MainWindow::writeSheetForClient(const QString& path, const Exercise& exercise, const Target& target,
                                     const SheetReader& reader, int64_t client) {
    const auto sheet = exerciseSheet(*library_->catalogue(), exercise, target, reader);
    if (!sheet) return say(tr("Not exported: %1.").arg(said(sheet.error())));
    writeLetter(path, sheet->letter, sheetPictures(sheet->exercise), client);
}

void MainWindow::writeLetter(const QString& path, const Answer& letter, const PictureMaker& pictures, int64_t client) {
    writeAside(path,
               [letter, pictures, who = library_->correspondents(client, library_->coach().name),
                file = std::filesystem::path(path.toStdString())](StopToken, const ProgressFn&) -> Result<void> {
                   const auto form = formOf(file);
                   if (!form) return tl::unexpected(form.error());
                   auto content = answerIn(*form, letter, who, pictures);
                   if (!content) return tl::unexpected(content.error());
                   return writeFileAtomically(file, *content);
               });
}

/// Writes a file off the window's thread and says how it went; or prints it, where a printer was chosen for it.
void MainWindow::writeAside(const QString& path, std::function<Result<void>(StopToken, const ProgressFn&)> write) {
    if (const auto printing = std::exchange(printing_, nullptr)) {
        say(tr("Printing …"));
        return writing_.run(
            [write = std::move(write), printing](StopToken stop, const ProgressFn& progress) {
                return write(stop, progress).and_then([&] {
                    return printPages(printing->file().toStdString(), printing->printer);
                });
            },
            [this, printing](const Result<void>& ok) {
                say(ok ? tr("Printed on %1.").arg(printing->printer.printerName().isEmpty()
                                                      ? printing->printer.outputFileName()
                                                      : printing->printer.printerName())
                       : tr("Not printed: %1.").arg(said(ok.error())));
            });
    }
    say(tr("Exporting %1 …").arg(path));
    writing_.run(std::move(write), [this, path](const Result<void>& ok) {
        say(ok ? tr("Exported to %1.").arg(path) : tr("Not exported: %1.").arg(said(ok.error())));
    });
}

void MainWindow::choosePrinter(void (MainWindow::*write)(const QString&)) {
    auto job = std::make_shared<PrintJob>();
    if (!job->folder.isValid()) return say(tr("Not printed: %1.").arg(job->folder.errorString()));
    auto* ask = new QPrintDialog(&job->printer, this);
    ask->setAttribute(Qt::WA_DeleteOnClose);
    ask->setOption(QAbstractPrintDialog::PrintPageRange, false);
    connect(ask, &QDialog::accepted, this, [this, job, write] {
        printing_ = job;
        (this->*write)(job->file());
        printing_.reset(); // there was nothing to write, and it has been said why
    });
    ask->open();
}

} // namespace deft::ui
