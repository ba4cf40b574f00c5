// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/compare/place_strip.h"

#include "app/paint/strokes.h"

#include <QMouseEvent>

namespace deft::ui {
namespace {
constexpr double kSide = 60; // room for the outer words
} // namespace

PlaceStrip::PlaceStrip(Comparison& comparison, QWidget* parent) : QWidget(parent), comparison_(comparison) {
    setFixedHeight(40);
    setCursor(Qt::PointingHandCursor);
    setAccessibleName(tr("Place in the movement"));
    connect(&comparison, &Comparison::changed, this, qOverload<>(&QWidget::update));
    connect(&comparison, &Comparison::placeChanged, this, qOverload<>(&QWidget::update));
}

void PlaceStrip::go(double x) {
    if (comparison_.side(0)) comparison_.setPlace((x - kSide) / (width() - 2 * kSide) * kAlignEnd);
}

void PlaceStrip::paintEvent(QPaintEvent*) {
    if (!comparison_.side(0)) return;
    const Palette& c = colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    auto at = [&](double place) { return kSide + place / kAlignEnd * (width() - 2 * kSide); };
    const double y = 12;
    p.setPen(QPen(c.strong, 1.5));
    p.drawLine(QPointF(at(0), y), QPointF(at(kAlignEnd), y));
    const QString words[] = {tr("start"), tr("top"), tr("end of the hold"), tr("end")};
    for (int i = 0; i <= 3; ++i) {
        p.setPen(QPen(c.strong, 1.5));
        p.drawLine(QPointF(at(i), y - 5), QPointF(at(i), y + 5));
        putText(p, QRectF(at(i) - 70, y + 8, 140, 18), words[i], Size::Small, c.ink2, QFont::Normal, Qt::AlignCenter);
    }
    p.setPen(Qt::NoPen);
    p.setBrush(c.accent);
    p.drawEllipse(QPointF(at(comparison_.place()), y), 6, 6);
}

} // namespace deft::ui

#include "moc_place_strip.cpp"
