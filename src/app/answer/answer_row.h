// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/answer/answer_pictures.h"
#include "app/answer/growing_text.h"
#include "app/session/review_session.h"

#include <QElapsedTimer>

class QCheckBox;

namespace deft::ui {

class AnswerFacts;
class LetterWords;

/// One part of the answer: its words and pictures on the letter's side, its reasons on the other.
class AnswerRow : public QWidget {
    Q_OBJECT
public:
    AnswerRow(ReviewSession& session, LetterWords& words, const std::string& part, QWidget* parent = nullptr);
    const std::string& part() const { return id_; }
    GrowingText& words() { return *words_; }
    void show(const AnswerPart& part);
    void setPicture(int64_t frame, const QImage& picture);
    void setChosen(bool chosen);
    void toggle();
    void insertSentence(const std::string& text); ///< of the coach's own, filled, where the cursor is
    void useComputed(); ///< words and pictures, instead of the edited and chosen ones
    /// Another frame for one of its pictures: pick it (-1 = none), then step by frames or reps, or take the bench's.
    void pickPicture(int index);
    int pickedPicture() const { return pictures_->pickedIndex(); }
    int pictures() const { return pictures_->choosable(); } ///< that can be picked
    void stepPicture(int frames);
    void stepPictureRep(int step);
    void usePictureOfBench();

signals:
    void chosen();

protected:
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    ReviewSession& session_;
    std::string id_;
    AnswerPart shown_;
    GrowingText* words_;
    QCheckBox* sent_;
    AnswerPictures* pictures_;
    PictureTools* tools_;
    AnswerFacts* facts_;
    bool chosen_ = false;
    int burst_ = 0; ///< of typing: what is undone at once
    QElapsedTimer lastKey_;
    void takeWords();
    int letterWidth() const;
    friend class AnswerFacts;
};

} // namespace deft::ui
