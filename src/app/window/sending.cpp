// Answers on their way out: filed, made into a mail, written to files.
#include "answer/calendar.h"
#include "app/answer/answer_page.h"
#include "app/paint/answer_pdf.h"
#include "app/paint/answer_picture.h"
#include "app/paint/frame_picture.h"
#include "app/paint/reply_clip.h"
#include "app/paint/review_sheet.h"
#include "app/queue/queue_page.h"
#include "app/window/main_window.h"
#include "base/files.h"

#include <QFileDialog>
#include <QTemporaryDir>

namespace deft::ui {
namespace {

/// The mail as filing would make it, with its attachments.
Result<std::string> wholeMail(const Review& review, StopToken stop, const ProgressFn& progress) {
    const QTemporaryDir folder;
    if (!folder.isValid()) return fail(Errc::WriteFailed, folder.errorString().toStdString());
    return makeMail(review, folder.filePath(QStringLiteral("moment.mp4")).toStdString(), stop, progress)
        .map([](MadeMail made) { return std::move(made.text); });
}

/// An answer in the form that the file's ending asks for.
Result<void> writeAs(const std::filesystem::path& path, const Review& review, StopToken stop,
                     const ProgressFn& progress) {
    const std::string kind = path.extension().string();
    auto reader = ClipReader::open(review.inputs.clipPath);
    if (!reader) return tl::unexpected(reader.error());
    const Answer answer = composeAnswer(review);
    if (kind == ".mp4") return writeReplyClip(review, answer, *reader, path, stop, progress);
    const PictureMaker pictures = pictureMaker(review, *reader);
    Result<std::string> content =
        fail(Errc::Unsupported, path.string() + ": end the name in .pdf, .html, .txt, .eml, .ics or .mp4");
    if (kind == ".pdf")
        content = answerPdf(answer, pictures).toStdString();
    else if (kind == ".html")
        content = answerHtml(answer, pictures);
    else if (kind == ".txt")
        content = answerText(answer);
    else if (kind == ".eml")
        content = wholeMail(review, stop, progress);
    else if (kind == ".ics")
        content = answerCalendar(answer, review.inputs);
    if (!content) return tl::unexpected(content.error());
    return writeFileAtomically(path, *content);
}

} // namespace

void MainWindow::fileAnswer() {
    const auto id = session_->file();
    if (!id) return say(QString::fromStdString("Not filed: " + id.error().detail + ". The draft is kept."));
    outgoing_->send(*id, *session_->review());
    const QString name = QString::fromStdString(session_->client().name);
    queue_->refresh();
    go(Queue);
    say(tr("Filed. The mail to %1 is being made.").arg(name));
}

void MainWindow::connectSending() {
    connect(outgoing_, &Outgoing::sent, this, [this](const MadeMail& mail) {
        const QString file = QString::fromStdString(mail.file.string());
        say(mail.clip ? tr("The mail is ready, with the reply clip: %1").arg(file)
            : mail.without.empty()
                ? tr("The mail is ready: %1").arg(file)
                : tr("The mail is ready, %1. It is in %2").arg(QString::fromStdString(mail.without), file));
    });
    connect(outgoing_, &Outgoing::failed, this, [this](const QString& sentence) {
        say(tr("The review is filed and its page kept, but there is no mail: %1. The next start tries again.")
                .arg(sentence));
    });
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
                   auto reader = ClipReader::open(review.inputs.clipPath);
                   if (!reader) return tl::unexpected(reader.error());
                   return writeReviewSheet(review, *reader, file);
               });
}

void MainWindow::writePicture(const QString& path) {
    if (!session_->review()) return say(tr("Measure the clip first."));
    const QImage frame = session_->frames()->frame(session_->frame());
    if (frame.isNull()) return say(tr("The picture is still being decoded; try again."));
    const Moment* m = moment();
    const auto ok = writeFramePicture(*session_->review(), frame, session_->frame(), m ? m->measure : std::string(),
                                      path.toStdString());
    say(ok ? tr("Written to %1, face made unrecognisable.").arg(path)
           : QString::fromStdString("Not written: " + ok.error().detail + "."));
}

void MainWindow::writeAnswer(const QString& path) {
    if (!session_->review()) return say(tr("There is no answer yet; measure the clip first."));
    writeAside(path, [review = *session_->review(), file = std::filesystem::path(path.toStdString())](
                         StopToken stop, const ProgressFn& progress) { return writeAs(file, review, stop, progress); });
}

/// Writes a file off the window's thread and says how it went.
void MainWindow::writeAside(const QString& path, std::function<Result<void>(StopToken, const ProgressFn&)> write) {
    say(tr("%1 is being written …").arg(path));
    writing_.run(std::move(write), [this, path](const Result<void>& ok) {
        say(ok ? tr("Written to %1.").arg(path) : QString::fromStdString("Not written: " + ok.error().detail + "."));
    });
}

} // namespace deft::ui
