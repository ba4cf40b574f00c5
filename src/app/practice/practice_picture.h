// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/practice/practice_round.h"

#include <QWidget>

namespace deft::ui {

/// The picture of a round of practice, large, with what has been marked on it. A click marks what is asked; without a
/// mouse a cursor is moved.
class PracticePictureView : public QWidget {
    Q_OBJECT
public:
    explicit PracticePictureView(PracticeRound& round, QWidget* parent = nullptr);
    void nudge(const QPointF& px); ///< the cursor, px of the picture
    void placeAtCursor();
    QPointF toWidget(const QPointF& picture) const { return view().map(picture); }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    QTransform view() const;
    void moveCursor(const QPointF& to);
    QString waiting() const; ///< what is told while there is no picture
    PracticeRound& round_;
    std::optional<QPointF> cursor_; ///< px of the picture
};

} // namespace deft::ui
