// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPainter>
#include <QWidget>

namespace deft::ui {

/// A room's page, which has keys of its own: Tab comes to it, and a frame shows when it has the focus.
class Page : public QWidget {
public:
    explicit Page(const QString& name, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
};

/// In a widget that paints itself: its rim while it has the focus.
void drawFocus(QPainter& painter, const QWidget& widget, const QColor& colour);

} // namespace deft::ui
