// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/queue/clip_list.h"
#include "app/queue/coach_form.h"
#include "app/queue/expected_list.h"
#include "app/queue/mail_list.h"
#include "app/queue/new_clip_form.h"

#include <QListView>
#include <QStackedWidget>

namespace deft::ui {

/// What waits and what has been filed; beside it the chosen clip, or the form for a new one.
class QueuePage : public QWidget {
    Q_OBJECT
public:
    explicit QueuePage(Library& library, QWidget* parent = nullptr);
    ClipList& clips() { return *clips_; }
    QListView& list() { return *list_; }
    NewClipForm& form() { return *form_; }
    CoachForm& coachForm() { return *coach_; }
    MailList& mails() { return *mails_; }
    void showMails(); ///< made and sent, beside the list
    /// Films one after the other, each with its form.
    void bringInAll(const QStringList& films);
    void askForCoach(); ///< name and address of the coach, beside the list
    ExpectedList& expected() { return *expected_; }
    void refresh();
    void openChosen();
    void find(); ///< asks for words; only clips that have them all are shown
    /// Leaves the form beside the list, else shows all clips again.
    void leave();
    QLineEdit& findBox() { return *find_; }
    /// Looks at a file and asks what has to be known about it. Says what is wrong with a bad one.
    void bringIn(const QString& path);
    void correctChosen();                                 ///< the form, with what is known of the chosen clip
    void beginPart(const Clip& of, const FilmPart& part); ///< the form, for another part of its film
    /// What waits in the inbox and could not be taken in, as rich text with links; empty = nothing.
    void setInboxWords(const QString& html);
    int64_t chosen() const; ///< clip, 0 = none
    /// Chooses the clip that is to be answered next, while this one is being filed. 0 = none waits.
    /// @param isAnswered is a clip among those that are being filed?
    int64_t chooseNext(const std::function<bool(int64_t)>& isAnswered);
    void chooseClip(int64_t clip);   ///< unfolds its visit
    void unfoldVisit(bool unfolded); ///< of the chosen clip

signals:
    void openClip(qint64 clip);
    void chooseFile();
    void corrected(qint64 clip);
    void failed(const QString& sentence);
    void inboxLink(const QString& link);

private:
    QString askedFor(const ReviewInputs& draft) const;
    void preview();
    void filter();
    void bringInNext();
    Library& library_;
    ClipList* clips_;
    QListView* list_;
    QLineEdit* find_;
    QStackedWidget* side_;
    NewClipForm* form_;
    CoachForm* coach_;
    ExpectedList* expected_;
    QLabel *picture_, *about_, *inbox_;
    KeyButton* open_;
    QLabel* found_; ///< how many of the clips a search shows
    MailList* mails_;
    QStringList next_; ///< films that are brought in after this one
};

} // namespace deft::ui
