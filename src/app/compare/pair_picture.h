// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/comparison.h"

#include <QWidget>

namespace deft::ui {

/// The two frames that are compared, each with the line that matters. The second is laid onto the body of the first:
/// same hip at the start of the movement, same length from hip to shoulder, head to the same end.
class PairPicture : public QWidget {
    Q_OBJECT
public:
    explicit PairPicture(Comparison& comparison, QWidget* parent = nullptr);
    /// From pixels of a side's clip into this widget; for tests.
    QTransform view(int which) const;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    QRectF box(int which) const;
    void paintSide(QPainter& p, int which);
    void follow();

    Comparison& comparison_;
    QList<QMetaObject::Connection> arrivals_;
};

} // namespace deft::ui
