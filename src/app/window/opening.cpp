// SPDX-License-Identifier: GPL-3.0-or-later
// Files that are handed to the window: dropped, double-clicked, or named when the program is started.
#include "app/exercises/exercises_page.h"
#include "app/programme/programme_page.h"
#include "app/queue/queue_page.h"
#include "app/session/file_kind.h"
#include "app/theme/words.h"
#include "app/window/main_window.h"
#include "base/files.h"
#include "base/json.h"
#include "marks/marks.h"
#include "programme/practice_note.h"

namespace deft::ui {
namespace {

constexpr size_t kMostNoteBytes = size_t(1) << 20; // a mail with a note; more is something else

} // namespace

/// Films are asked about one after the other; what lies in a folder is copied into the inbox, with its notes. Of other
/// files the last sentence stays.
void MainWindow::openFiles(const QStringList& paths) {
    QStringList films;
    for (const QString& path : paths) {
        const auto kind = kindOf(path.toStdString());
        if (!kind) {
            say(said(kind.error()) + QLatin1Char('.'));
            continue;
        }
        switch (kind->kind) {
        case FileKind::Folder:
            takeFolder(path);
            break;
        case FileKind::Film:
            films << path;
            break;
        case FileKind::Marks:
            session_->isOpen() ? takeMarks(path) : say(tr("Open a clip first; marks belong to one."));
            break;
        case FileKind::Programme:
            go(Programmes);
            programme_->desk().client().id ? readProgramme(path)
                                           : say(tr("Choose a client first; a programme is for one."));
            break;
        case FileKind::PracticeNote:
            takeNote(path);
            break;
        case FileKind::Exercise:
            takeExercise(path);
            break;
        case FileKind::Review:
        case FileKind::Bundle:
            say(tr("%1 is what was measured of a clip, to be read by other programs; open its clip instead.")
                    .arg(path));
            break;
        case FileKind::Other:
            if (const auto file = readFile(path.toStdString(), kMostNoteBytes);
                file && noteInText(*file).find("deft-mirror-practice") != std::string::npos)
                takeNote(path);
            else
                say(tr("%1 is neither a film nor a file that this window can open.").arg(path));
        }
    }
    if (films.isEmpty()) return;
    go(Queue);
    queue_->bringInAll(films);
}

void MainWindow::takeMarks(const QString& path) {
    auto marks = readMarks(path.toStdString());
    if (!marks)
        return say(tr("Marks not read: %1. The marks of this review are as they were.").arg(said(marks.error())));
    auto fitted = fitToClip(std::move(*marks), session_->clip(), session_->inputs().clipSha256);
    if (!fitted)
        return say(tr("Marks not read: %1. The marks of this review are as they were.").arg(said(fitted.error())));
    if (areUnconfirmed(*fitted)) // the file is looked at here, by the coach: from now on they are the coach's marks
        say(tr("These marks were proposed by the program. Look at each before you answer."));
    fitted->keep("proposed", nullptr);
    session_->edit(tr("marks from a file"), [&](ReviewInputs& in) { in.marks = *fitted; });
    if (!session_->review()) session_->measure();
}

/// It is shown in the editor, to be looked at and saved: what limits count is the coach's to say.
void MainWindow::takeExercise(const QString& path) {
    const auto text = readFile(path.toStdString());
    const auto exercise =
        text.and_then([&](const std::string& t) { return parseJson(t, path.toStdString()); })
            .and_then([&](const Json& j) { return library_->catalogue()->parse(j, path.toStdString()); });
    if (!exercise) return say(tr("Not opened: %1.").arg(said(exercise.error())));
    go(Exercises);
    exercises_->setEditing(true);
    exercises_->editor().edit(*exercise);
    exercises_->editor().text().setPlainText(QString::fromStdString(*text));
    say(tr("From %1, not saved yet.").arg(path));
}

void MainWindow::takeNote(const QString& path) {
    const auto file = readFile(path.toStdString(), kMostNoteBytes);
    if (!file) return say(tr("Not taken in: %1.").arg(said(file.error())));
    readPracticeNote(noteInText(*file), path.toStdString());
}

} // namespace deft::ui
