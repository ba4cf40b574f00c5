// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "app/widgets/key_button.h"
#include "app/widgets/page.h"

#include <QScrollArea>
#include <set>

class QLabel;
class QVBoxLayout;

namespace deft::ui {

class AnswerRow;
class LetterWords;

/// The message as the client will read it, beside the parts that it is made of and what each rests on.
class AnswerPage : public Page {
    Q_OBJECT
public:
    AnswerPage(ReviewSession& session, LetterWords& words, QWidget* parent = nullptr);
    KeyButton& fileButton() { return *file_; }
    KeyButton& speakButton() { return *speak_; }
    QString footWords() const;
    void stepPart(int step);
    void togglePart();
    void useComputed();  ///< words and pictures of the chosen part
    void pickPicture();  ///< the next picture, to choose its frame
    bool leavePicture(); ///< @return whether one was picked
    AnswerRow* chosenRow() const;
    void editWords();
    void movePart(int step); ///< the chosen one, in the letter; the greeting stays first, the close last
    void checkSpelling();    ///< on to the next word that is not right, with what may be meant
    void openSentences();    ///< of the coach's own, for the chosen part

signals:
    void filePressed();
    void fileAlonePressed();
    void speakPressed();
    void openClip(qint64 clip); ///< another one of the visit
    void said(const QString& sentence);

private:
    void refresh();
    void choose(int part);
    void requestPictures();
    void showVisit();
    void showSpoken();
    void coverNext();

    void offerWords(AnswerRow* row);
    ReviewSession& session_;
    LetterWords& letterWords_;
    QScrollArea* scroll_;
    QVBoxLayout* rows_;
    std::vector<AnswerRow*> parts_;
    int chosen_ = 0;
    std::string moved_; ///< part that stays chosen when the rows are made anew
    std::set<std::pair<std::string, int64_t>> asked_; // part and frame of pictures on their way or there
    std::deque<std::pair<int64_t, QImage>> toCover_;  ///< frames whose faces are still to be covered
    std::set<int64_t> refused_;                       ///< frames whose faces cannot be
    BackgroundJob cover_;
    KeyButton *speak_, *file_;
    QLabel *sendWords_, *spokenWords_;
    QLabel *visit_, *whole_; ///< whose letter it is besides; all of it in words, of a visit
};

} // namespace deft::ui
