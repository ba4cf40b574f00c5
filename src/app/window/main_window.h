// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/sheet.h"
#include "app/session/inbox.h"
#include "app/session/measurer.h"
#include "app/session/outgoing.h"
#include "app/session/review_session.h"

#include <QMainWindow>
#include <QPointer>
#include <QTimer>
#include <QUndoGroup>

class QStackedWidget;

namespace deft::ui {

class AnswerPage;
class PictureWindow;
class BenchPage;
class ClientLine;
class ClientPage;
class ComparePage;
class DemoPhone;
class ExercisesPage;
class PracticePage;
class ProgrammePage;
struct PrintJob;
struct ProgrammeJob;
class FirstSteps;
class KeysBar;
class LetterWords;
class MessageStack;
class QueuePage;
class RoomBar;

/// The window over one library: queue, bench, compare, answer, client, programme, exercises and practice.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    enum Room { Queue, Bench, Compare, Letter, Record, Programmes, Exercises, Practice };
    static bool isOfAClip(Room room); ///< it shows the clip that is open
    explicit MainWindow(std::unique_ptr<Library> library, QWidget* parent = nullptr);
    ~MainWindow() override;

    Library& library() { return *library_; }
    Measurer& measurer() { return *measurer_; }
    Inbox& inbox() { return *inbox_; }
    Outgoing& outgoing() { return *outgoing_; }
    ReviewSession& session() { return *session_; }
    QueuePage& queuePage() { return *queue_; }
    BenchPage& benchPage() { return *bench_; }
    ComparePage& comparePage() { return *compare_; }
    AnswerPage& answerPage() { return *answer_; }
    ClientPage& clientPage() { return *client_; }
    ExercisesPage& exercisesPage() { return *exercises_; }
    PracticePage& practicePage() { return *practice_; }
    ProgrammePage& programmePage() { return *programme_; }
    Room room() const;
    void go(Room room);
    void openClip(qint64 clip);
    /// What somebody hands to the program: films, folders, and files of ours, each where it belongs.
    void openFiles(const QStringList& paths);
    /// Room and clip of the last time.
    void comeBack();
    /// The film of a clip is here now: it is taken into the library, and the clip is opened.
    void bringBack(int64_t clip, const QString& path);
    const QString& message() const; ///< the last that was said
    MessageStack& messages() { return *messages_; }
    void pauseWork(); ///< in the background, or go on with it
    void say(const QString& sentence);
    void setDark(bool dark);
    void startDemo(); ///< phones that send clips, and a sentence in each room on what to do there
    FirstSteps& firstSteps() { return *steps_; }
    DemoPhone* phones() { return phones_; } ///< null outside of the demo
    /// Writes the answer as it stands; the kind by the file's ending: pdf, html, txt, eml, ics, mp4.
    void writeAnswer(const QString& path);
    /// The frame that is shown, with its lines, as png, svg or pdf.
    void writePicture(const QString& path);
    /// Rep sheet and plots on one page: .pdf, .svg or .png.
    void writeSheet(const QString& path);
    /// What the filed reviews of the client and exercise shown in the client room tell: .pdf, .svg or .png.
    void writeReport(const QString& path);
    /// The review chosen in the client room as a zip. Refused where the client has not agreed to passing it on.
    void writeBundle(const QString& path);
    /// An exercise for a client who has not done it before; the form by the file's ending: pdf, html, txt, eml.
    /// @param client whose address a mail goes to; 0 = nobody in particular
    void writeSheetForClient(const QString& path, const Exercise& exercise, const Target& target,
                             const SheetReader& reader, int64_t client = 0);
    /// The programme that is shown: .html (the practice page), .pdf (one sheet), .ics or .json.
    void writeProgramme(const QString& path);
    void readProgramme(const QString& path);
    void writeThenAndNow(const QString& path); ///< of the client in the programme room: .pdf or .html
    /// What was done at home. @param where it comes from, for the complaint
    void readPracticeNote(const std::string& text, const std::string& where);
    /// Ends all work on the client's clips, then takes them out of the library for good.
    void eraseClient(qint64 client, Erasing what);

protected:
    void closeEvent(QCloseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    QAction* add(QMenu* menu, const QString& text, const QList<QKeySequence>& keys, QWidget* where,
                 std::function<void()> what);
    void makeActions();
    void makeQueueActions(QMenu* menu);
    void makePracticeActions(QMenu* menu);
    void makeViewActions(QMenu* view);
    void makeTextSizeActions(QMenu* menu);
    void makeLanguageActions(QMenu* menu);
    void makeClientActions(QMenu* menu);
    void showRecord(Room from);
    void makeProgrammeActions(QMenu* menu);
    void showProgramme(Room from);
    ProgrammeJob programmeJob() const;
    void giveProgramme();
    QString programmeFollows(int64_t client) const; ///< a sentence where a review changes it; else empty
    void showPracticePage();
    void chooseProgrammeFile();
    void chooseThenAndNow();
    void readProgrammeFile();
    void nameTemplate();
    void chooseTemplate(bool toRemove); ///< to begin from, or to remove
    void takePracticeNote();
    void tellPractice(const PracticeNote& note, int64_t client);
    void remind(qint64 review);
    void giveUpMails();
    void openMail(const std::filesystem::path& file);
    void markMailSent();
    void chooseReportFile();
    void chooseBundleFile();
    void chooseSheetForClient(const Exercise& exercise, const Target& target, const SheetReader& reader,
                              int64_t client = 0);
    void sheetOfRecord();
    void filmingOfRecord();
    void writeLetter(const QString& path, const Answer& letter, const PictureMaker& pictures, int64_t client); ///< of the exercise shown in the client room
    void makeAnnotateActions(QMenu* menu);
    const Moment* moment() const; ///< the chosen one, null = none
    void chooseFault(const QString& title, const std::function<void(const std::string&)>& then);
    void chooseNeutralClip();
    void moveMoment(bool begin);
    void refreshBars();
    QString firstStep() const;
    void chooseClipFile();
    void readMarksFile();
    void writeMarksFile();
    void writeReviewFolder();
    void showKeys();
    void fillSchools();
    bool isSending() const;
    /// @param andNext opens the clip that is to be answered next, while this one is being filed
    /// @param alone though its visit has other clips, they get another letter
    void fileAnswer(bool andNext = false, bool alone = false);
    double filmTime() const; ///< of the frame that is shown, s from the film's own start
    void cutPart();          ///< from where a part was begun to the frame that is shown
    void takeMarks(const QString& path);
    void takeExercise(const QString& path);
    void takeNote(const QString& path);
    void takeFolder(const QString& path);
    void togglePictureWindow();      ///< for a second screen
    void speakOverClip();            ///< in a form
    void takeBackLetter();           ///< the newest that has not been recorded yet
    void keepForVisit(bool andNext); ///< as long as others of its visit are not ready
    void workAhead();
    void connectWork();
    void showWork(int64_t clip);
    void showAllWork();
    void showInbox();
    void removeClip(int64_t clip);
    void pointToClip(const Clip& clip);
    void chooseInbox();
    void chooseAnswerFile();
    void choosePictureFile();
    void chooseSheetFile();
    /// Asks for a printer; then what `write` makes as a PDF goes there instead of into a file.
    void choosePrinter(void (MainWindow::*write)(const QString&));
    void copyPicture();
    void writeAside(const QString& path, std::function<Result<void>(StopToken, const ProgressFn&)> write);
    void connectSending();

    std::unique_ptr<Library> library_;
    ReviewSession* session_;
    Measurer* measurer_;
    Inbox* inbox_;
    DemoPhone* phones_ = nullptr;
    QMenu* queueMenu_;
    Outgoing* outgoing_;
    bool closing_ = false;
    std::pair<int64_t, double> partFrom_{0, 0}; ///< clip, s of its film: where a part begins that has no end yet
    BackgroundJob taking_;                      ///< of a folder into the inbox
    BackgroundJob writing_;                     ///< of an answer's file, or a picture
    std::shared_ptr<PrintJob> printing_;        ///< where the next file goes; null = it stays a file
    QTimer arrivals_;                           ///< runs out when the inbox has brought nothing for a moment
    QTimer removal_;                            ///< runs out when Delete has not been pressed again
    std::filesystem::path lastMail_;            ///< the newest that was made while the window is open
    int64_t toRemove_ = 0;                      ///< the clip that it was pressed for
    QTimer quiet_;                              ///< runs out when the open clip has needed no measuring for a moment
    QMenu* menu_;
    QList<QMenu*> menus_;
    RoomBar* rooms_;
    ClientLine* line_;
    FirstSteps* steps_;
    KeysBar* keys_;
    MessageStack* messages_;
    QStackedWidget* pages_;
    QueuePage* queue_;
    BenchPage* bench_;
    ComparePage* compare_;
    LetterWords* letterWords_;
    AnswerPage* answer_;
    QPointer<PictureWindow> picture_; ///< while it is open
    ClientPage* client_;
    ExercisesPage* exercises_;
    PracticePage* practice_;
    ProgrammePage* programme_;
    QUndoGroup* undo_; ///< of the room: its own changes, else those of the open review
    QMenu* schools_;
    std::vector<QAction*> roomActions_;
    QAction* dark_;
};

} // namespace deft::ui
