// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

#include <QImage>
#include <QWidget>

namespace deft::ui {

/// The client's own frames of one part side by side, each with its edge and caption. One of them can be picked, to
/// choose another frame for it.
class AnswerPictures : public QWidget {
    Q_OBJECT
public:
    explicit AnswerPictures(QWidget* parent = nullptr);
    void show(const std::vector<AnswerPicture>& pictures, bool choosable);
    void setPicture(int64_t frame, const QImage& picture); ///< null: the place stays empty
    /// @param index -1 = none
    void pick(int index);
    const AnswerPicture* picked() const;
    int pickedIndex() const { return picked_; }
    int choosable() const { return choosable_ ? int(pictures_.size()) : 0; } ///< how many can be picked

signals:
    void pickedByHand(int index);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QRectF box(int index) const;
    std::vector<AnswerPicture> pictures_;
    std::vector<QImage> images_; ///< as many
    bool choosable_ = false;
    int picked_ = -1;
};

/// What can be done with the picked picture; before that, how to pick one.
class PictureTools : public QWidget {
    Q_OBJECT
public:
    explicit PictureTools(QWidget* parent = nullptr);
    void setPicked(bool picked);

signals:
    void pick();
    void stepFrame(int by);
    void nextRep();
    void frameOfBench();
    void computed();

private:
    QWidget *start_, *tools_;
};

} // namespace deft::ui
