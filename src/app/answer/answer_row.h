#pragma once
#include "app/session/review_session.h"

#include <QPlainTextEdit>

class QCheckBox;

namespace deft::ui {

/// A text field as tall as its text.
class GrowingText : public QPlainTextEdit {
    Q_OBJECT
public:
    explicit GrowingText(QWidget* parent = nullptr);
    void fit();
signals:
    void leave();

protected:
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
};

/// One part of the answer: its words and pictures on the letter's side, its reasons on the other.
class AnswerRow : public QWidget {
    Q_OBJECT
public:
    AnswerRow(ReviewSession& session, const std::string& part, QWidget* parent = nullptr);
    const std::string& part() const { return id_; }
    GrowingText& words() { return *words_; }
    void show(const AnswerPart& part);
    void setPicture(int64_t frame, const QImage& picture);
    void setChosen(bool chosen);
    void toggle();
    void useComputed(); ///< instead of the edited words

signals:
    void chosen();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    ReviewSession& session_;
    std::string id_;
    AnswerPart shown_;
    GrowingText* words_;
    QCheckBox* sent_;
    QWidget* pictures_;
    QWidget* facts_;
    std::map<int64_t, QImage> images_;
    bool chosen_ = false;
    int letterWidth() const;
    friend class AnswerPictures;
    friend class AnswerFacts;
};

} // namespace deft::ui
