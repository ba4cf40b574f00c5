// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/comparison.h"

#include <QMouseEvent>
#include <QWidget>

namespace deft::ui {

/// Where in the movement both pictures stand: start, top, end of the hold, end. Dragged, or moved by keys.
class PlaceStrip : public QWidget {
    Q_OBJECT
public:
    explicit PlaceStrip(Comparison& comparison, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override { go(event->position().x()); }
    void mouseMoveEvent(QMouseEvent* event) override { go(event->position().x()); }

private:
    void go(double x);
    Comparison& comparison_;
};

} // namespace deft::ui
