// SPDX-License-Identifier: GPL-3.0-or-later
// The programme room's keys, how a programme goes out, and how what was done comes home.
#include "app/client/client_page.h"
#include "app/documents/printed_page.h"
#include "app/documents/programme_files.h"
#include "app/programme/programme_beside.h"
#include "app/programme/programme_page.h"
#include "app/programme/programme_table.h"
#include "app/queue/queue_page.h"
#include "app/session/own_pictures.h"
#include "app/session/usual_schools.h"
#include "app/theme/words.h"
#include "app/window/main_window.h"
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "devices/mail_drop.h"
#include "programme/then_and_now.h"

#include <QApplication>
#include <QClipboard>
#include <QDate>
#include <QDesktopServices>
#include <QFileDialog>
#include <QInputDialog>
#include <QMenu>
#include <QUrl>

namespace deft::ui {
namespace {

std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }

} // namespace

void MainWindow::makeProgrammeActions(QMenu* menu) {
    using K = QKeySequence;
    ProgrammeDesk& desk = programme_->desk();
    const std::tuple<QString, QKeySequence, std::function<void()>> actions[] = {
        {tr("Add an exercise…"), K(Qt::Key_Insert), [this] { programme_->addExercise(); }},
        {tr("Earlier in the order"), K(Qt::ALT | Qt::Key_Up), [&desk] { desk.move(-1); }},
        {tr("Later in the order"), K(Qt::ALT | Qt::Key_Down), [&desk] { desk.move(1); }},
        {tr("Leave it out"), K(Qt::Key_Delete), [&desk] { desk.remove(); }},
        {tr("Another one instead…"), K(Qt::Key_V), [this] { programme_->chooseInstead(); }},
        {tr("A harder version"), K(Qt::Key_Plus), [&desk] { desk.stepVersion(1); }},
        {tr("An easier version"), K(Qt::Key_Minus), [&desk] { desk.stepVersion(-1); }},
        {tr("Edit the dose"), K(Qt::Key_D), [this] { programme_->editDose(); }},
        {tr("Side by side with another one"), K(Qt::Key_C), [this] { programme_->besideAnother(); }},
        {tr("Propose again"), K(Qt::Key_R), [&desk] { desk.propose(); }},
        {tr("Page as the client sees it"), K(Qt::Key_P), [this] { showPracticePage(); }},
        {tr("Print the programme…"), K(QKeySequence::Print), [this] { choosePrinter(&MainWindow::writeProgramme); }},
        {tr("Export the programme…"), K::Save, [this] { chooseProgrammeFile(); }},
        {tr("Import a programme…"), {}, [this] { readProgrammeFile(); }},
        {tr("Begin from a template…"), K(Qt::Key_B), [this] { chooseTemplate(false); }},
        {tr("Keep as a template…"), K(Qt::Key_K), [this] { nameTemplate(); }},
        {tr("Remove a template…"), {}, [this] { chooseTemplate(true); }},
        {tr("Look at this one again when the weeks are over, or not"), K(Qt::Key_L),
         [&desk] {
             if (const ProgrammeItem* item = desk.item())
                 desk.lookAgain(item->exercise, !desk.isLookedAtAgain(item->exercise));
         }},
        {tr("Take in a practice note (copied text, or a file)…"), K(Qt::Key_N), [this] { takePracticeNote(); }},
        {tr("Then and now: a report…"), K(Qt::Key_T), [this] { chooseThenAndNow(); }},
        {tr("Give it to the client"), K(Qt::CTRL | Qt::Key_Return), [this] { giveProgramme(); }},
        {tr("Open the newest mail in the mail program"), K(Qt::SHIFT | Qt::Key_M), [this] { openMail(lastMail_); }},
        {tr("Back from the programme"), K(Qt::Key_Escape), [this] {
             if (programme_->beside().isVisible())
                 programme_->besideAnother();
             else if (programme_->table().hasFocus() || programme_->hasFocus())
                 go(Record);
             else
                 programme_->table().setFocus();
         }}};
    for (const auto& [name, key, what] : actions) add(menu, name, {key}, programme_, what);
    connect(programme_, &ProgrammePage::givePressed, this, &MainWindow::giveProgramme);
    connect(programme_, &ProgrammePage::pageWanted, this, &MainWindow::showPracticePage);
    connect(&desk, &ProgrammeDesk::said, this, &MainWindow::say);
    connect(&desk, &ProgrammeDesk::changed, this, &MainWindow::refreshBars);
}

/// Of the client that is looked at in the room one comes from.
void MainWindow::showProgramme(Room from) {
    const auto chosen = from == Queue ? library_->clip(queue_->chosen()) : std::nullopt;
    programme_->desk().show(chosen                                  ? chosen->client
                            : from == Record                        ? client_->record().client().id
                            : isOfAClip(from) && session_->isOpen() ? session_->client().id
                                                                    : programme_->desk().client().id);
    programme_->table().setFocus();
}

ProgrammeJob MainWindow::programmeJob() const {
    const ProgrammeDesk& desk = programme_->desk();
    ProgrammeJob job;
    job.catalogue = library_->catalogue();
    job.programme = desk.programme();
    job.extras.flags = desk.client().flags, job.extras.language = desk.client().language;
    for (const ProgrammeItem& item : job.programme.items)
        for (const auto& [question, choice] : desk.schoolsOf(item.exercise)) job.extras.schools[question] = choice;
    job.forms = programme_->forms();
    job.who = library_->correspondents(desk.client().id, library_->coach().name);
    job.revision = int(desk.given().size());
    job.today = today();
    return job;
}

/// What was given already is not given twice; its mail is made once more, if it is wanted or the program was closed.
void MainWindow::giveProgramme() {
    ProgrammeDesk& desk = programme_->desk();
    if (writing_.isRunning()) return say(tr("Something is still being written; try again in a moment."));
    ProgrammeJob job = programmeJob();
    auto shown = clipsToShow(*library_, desk.client(), job.programme, job.today);
    const auto id = desk.isGiven() ? Result<int64_t>(desk.running()->id) : desk.give();
    if (!id) return say(tr("Not given: %1.").arg(said(id.error())));
    const std::string name = "programme-" + std::to_string(*id);
    say(tr("Given. Its mail is being made …"));
    writing_.run(
        [job = std::move(job), &library = *library_, shown = std::move(shown),
         name](StopToken stop, const ProgressFn& progress) -> Result<std::filesystem::path> {
            ProgrammeJob whole = job;
            whole.extras.pictures = ownPictures(library, shown, stop, progress);
            const std::filesystem::path& folder = library.folder();
            auto mail = programmeMail(whole, folder / "answers", name);
            if (!mail) return tl::unexpected(mail.error());
            return dropMail(folder / "outbox", name, *mail);
        },
        [this, who = QString::fromStdString(desk.client().name)](const Result<std::filesystem::path>& file) {
            if (file) lastMail_ = *file;
            say(file ? tr("Given to %1. The mail lies in %2; Shift+M opens it.")
                           .arg(who, QString::fromStdString(file->string()))
                     : tr("Given, but its mail could not be made: %1.").arg(said(file.error())));
        });
}

/// Proposed, never silent: the coach looks at it and gives it.
QString MainWindow::programmeFollows(int64_t client) const {
    const auto given = library_->programmes(client);
    if (given.empty()) return {};
    const Programme& running = given.back().programme;
    const ProgrammeNeed need = programmeNeed(*library_, client, today(), usualSchools());
    const auto day = parseDate(need.from);
    if (!parseDate(running.from) || !day || *day >= endOf(running)) return {};
    const auto grown = growProgramme(*library_->catalogue(), need, running);
    return grown && !(grown->programme == running) ? tr(" The programme would follow: Alt+6 shows it.") : QString();
}

void MainWindow::showPracticePage() {
    if (programme_->desk().programme().items.empty()) return;
    const auto file = library_->folder() / "cache" / "practice-page.html";
    std::error_code ec;
    std::filesystem::create_directories(file.parent_path(), ec);
    const auto page = ui::programmePage(programmeJob());
    const auto ok = page.and_then([&](const std::string& html) { return writeFileAtomically(file, html); });
    if (!ok) return say(tr("Not shown: %1.").arg(said(ok.error())));
    if (QGuiApplication::platformName() == QLatin1String("offscreen") ||
        !QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(file.string()))))
        say(tr("The page lies in %1.").arg(QString::fromStdString(file.string())));
}

void MainWindow::chooseProgrammeFile() {
    const QString path = QFileDialog::getSaveFileName(
        this, tr("The programme as a file"), QStringLiteral("practice.html"),
        tr("Practice page (*.html);;Printed sheet (*.pdf);;Calendar (*.ics);;Programme (*.programme.json *.json)"));
    if (!path.isEmpty()) writeProgramme(path);
}

void MainWindow::writeProgramme(const QString& path) {
    if (programme_->desk().programme().items.empty()) return say(tr("There is no exercise in it."));
    writeAside(path,
               [job = programmeJob(),
                file = std::filesystem::path(path.toStdString())](StopToken, const ProgressFn&) -> Result<void> {
                   auto bytes = programmeIn(file.extension().string(), job);
                   return bytes ? writeFileAtomically(file, *bytes) : tl::unexpected(bytes.error());
               });
}

void MainWindow::chooseThenAndNow() {
    const QString path = QFileDialog::getSaveFileName(
        this, tr("Then and now, as a file"), QStringLiteral("then-and-now.pdf"), tr("PDF (*.pdf);;Page (*.html)"));
    if (!path.isEmpty()) writeThenAndNow(path);
}

/// Of what is to be looked at again, else of everything that was filed more than once.
void MainWindow::writeThenAndNow(const QString& path) {
    const ProgrammeDesk& desk = programme_->desk();
    std::vector<std::string> exercises;
    if (const auto& again = desk.programme().lookAgain) exercises = again->exercises;
    for (const Reviewed& r : desk.need().record)
        if (const std::string& id = r.reviews.back().exercise;
            !desk.programme().lookAgain && std::find(exercises.begin(), exercises.end(), id) == exercises.end())
            exercises.push_back(id);
    std::vector<ThenAndNow> pairs;
    for (const std::string& id : exercises)
        if (auto pair = thenAndNow(*library_->catalogue(), library_->filed(desk.client().id, id)))
            pairs.push_back(std::move(*pair));
    if (pairs.empty()) return say(tr("Nothing has been filed twice in the same version yet."));
    std::map<int64_t, ReviewInputs> clips; // read here: the database belongs to this thread
    if (allowsPictures(desk.client().consent, today()))
        for (const ThenAndNow& pair : pairs)
            for (const FiledReview* review : {&pair.then, &pair.now})
                if (auto clip = library_->clip(review->clip)) clips[review->clip] = std::move(clip->draft);
    writeAside(
        path,
        [&library = *library_, pairs, clips, name = desk.client().name,
         language = library_->catalogue()->language(desk.client().language),
         file = std::filesystem::path(path.toStdString())](StopToken stop, const ProgressFn& progress) -> Result<void> {
            const auto shown = [&](const ThenAndNow& pair) {
                const auto of = [&](const FiledReview& review) {
                    const auto clip = clips.find(review.clip);
                    return clip == clips.end() ? PictureData() : topPicture(library, clip->second, stop, progress);
                };
                return std::pair(of(pair.then), of(pair.now));
            };
            const std::string page = thenAndNowPage(*language, name, pairs, shown);
            if (file.extension() == ".html") return writeFileAtomically(file, page);
            auto pdf = printedPage(page);
            return pdf ? writeFileAtomically(file, *pdf) : tl::unexpected(pdf.error());
        });
}

void MainWindow::readProgrammeFile() {
    const QString path =
        QFileDialog::getOpenFileName(this, tr("A programme"), {}, tr("Programme (*.programme.json *.json)"));
    if (!path.isEmpty()) readProgramme(path);
}

/// Another client's programme: exercises and doses come, the client stays.
void MainWindow::readProgramme(const QString& path) {
    ProgrammeDesk& desk = programme_->desk();
    const auto read = readJsonFile(path.toStdString()).and_then([&](const Json& j) {
        return parseProgramme(*library_->catalogue(), j, path.toStdString());
    });
    if (!read) return say(tr("Not imported: %1.").arg(said(read.error())));
    desk.begin(tr("imported"), *read);
}

void MainWindow::nameTemplate() {
    bool named = false;
    const QString name = QInputDialog::getText(this, tr("Keep as a template"), tr("Name of the template"),
                                               QLineEdit::Normal, {}, &named);
    if (named) programme_->desk().saveTemplate(name.simplified().toStdString());
}

void MainWindow::chooseTemplate(bool toRemove) {
    QMenu menu(this);
    for (const std::string& name : library_->templates())
        connect(menu.addAction(QString::fromStdString(name)), &QAction::triggered, this, [this, name, toRemove] {
            toRemove ? programme_->desk().removeTemplate(name) : programme_->desk().useTemplate(name);
        });
    if (menu.isEmpty()) menu.addAction(tr("No template has been kept yet"))->setEnabled(false);
    menu.exec(programme_->mapToGlobal(QPoint(24, 48)));
}

void MainWindow::takePracticeNote() {
    const std::string copied = noteInText(QApplication::clipboard()->text().toStdString());
    if (copied.find("deft-mirror-practice") != std::string::npos) return readPracticeNote(copied, "the copied text");
    const QString path = QFileDialog::getOpenFileName(this, tr("A practice note"), {}, tr("Note (*.json *.txt *.eml)"));
    if (!path.isEmpty()) takeNote(path);
}

void MainWindow::readPracticeNote(const std::string& text, const std::string& where) {
    const auto note = parseJson(text, where).and_then([&](const Json& j) {
        return parsePracticeNote(*library_->catalogue(), j, where);
    });
    const auto client =
        note ? takePractice(*library_, *note, programme_->desk().client().id) : tl::unexpected(note.error());
    if (!client) return say(tr("Not taken in: %1.").arg(said(client.error())));
    tellPractice(*note, *client);
}

/// What came home is shown at once, and pain is said before anything else.
void MainWindow::tellPractice(const PracticeNote& note, int64_t client) {
    const auto of = library_->client(client);
    const QString who = QString::fromStdString(of ? of->name : std::string());
    const auto hurt =
        std::find_if(note.days.rbegin(), note.days.rend(), [](const PractisedDay& d) { return d.isAlarming(); });
    if (programme_->desk().client().id == client) programme_->desk().refresh();
    if (hurt != note.days.rend())
        say(tr("%1 reports pain on %2: %3. Answer that first.")
                .arg(who, QString::fromStdString(hurt->day), QString::fromStdString(hurt->where)));
    else
        say(tr("Taken in: %1 of practice of %2.").arg(counted(int(note.days.size()), tr("day"), tr("days")), who));
    if (!session_->isOpen() || session_->isFiled() || session_->client().id != client) return;
    if (const auto clip = library_->clip(session_->clipId()))
        session_->edit(tr("practice told"),
                       [&](ReviewInputs& in) { in.practice = clip->draft.practice, in.note = clip->draft.note; });
}

} // namespace deft::ui
