// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/page.h"

#include "app/theme/palette.h"

namespace deft::ui {

Page::Page(const QString& name, QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(name);
}

void Page::paintEvent(QPaintEvent*) {
    QPainter p(this);
    // Whoever presses the page sees where they are; whoever comes by keys is shown.
    if (window()->testAttribute(Qt::WA_KeyboardFocusChange)) drawFocus(p, *this, colours().ink);
}

void Page::focusInEvent(QFocusEvent* e) {
    QWidget::focusInEvent(e);
    update();
}

void Page::focusOutEvent(QFocusEvent* e) {
    QWidget::focusOutEvent(e);
    update();
}

void drawFocus(QPainter& p, const QWidget& widget, const QColor& colour) {
    if (!widget.hasFocus()) return;
    p.setPen(QPen(colour, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawRect(QRectF(widget.rect()).adjusted(1.5, 1.5, -1.5, -1.5));
}

} // namespace deft::ui
