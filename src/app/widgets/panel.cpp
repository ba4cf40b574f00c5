// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/panel.h"

namespace deft::ui {

Panel::Panel(const QString& title, QWidget* parent) : QWidget(parent), title_(title) { setAccessibleName(title); }

void Panel::setTitle(const QString& title) {
    title_ = title;
    setAccessibleName(title);
    update();
}

void Panel::setAside(const QString& words) {
    aside_ = words;
    update();
}

void Panel::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    drawNotchedRule(p, 0, 0.5, width(), 12);
    const QRect head(0, 6, width(), 26);
    const int used = putText(p, head, title_, Size::Body, colours().ink, QFont::DemiBold);
    putText(p, head.adjusted(used + 8, 0, 0, 0), aside_, Size::Small, colours().ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
    paintBody(p, body());
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(colours().ink, 1.6));
        p.drawRect(QRectF(rect()).adjusted(0.8, 6, -0.8, -0.8));
    }
}

} // namespace deft::ui

#include "moc_panel.cpp"
