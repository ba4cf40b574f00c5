// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/strokes.h"

#include <QPainterPath>

namespace deft::ui {

int putText(QPainter& p, const QRectF& box, const QString& text, Size size, const QColor& colour, QFont::Weight weight,
            Qt::Alignment alignment) {
    p.setFont(face(size, weight));
    p.setPen(colour);
    const QFontMetricsF m(p.font());
    const QString shown = m.elidedText(text, Qt::ElideRight, box.width());
    // What is painted keeps its places in a window that is read from the right, as plots do; words run as they are read.
    p.setLayoutDirection(Qt::LayoutDirectionAuto);
    p.drawText(box, int(alignment | Qt::AlignAbsolute), shown);
    return int(m.horizontalAdvance(shown)) + 1;
}

void drawNotchedRule(QPainter& p, double x, double y, double width, double notchX) {
    QPainterPath rule({x, y});
    rule.lineTo(x + notchX - 5, y);
    rule.lineTo(x + notchX, y + 5);
    rule.lineTo(x + notchX + 5, y);
    rule.lineTo(x + width, y);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(colours().strong, 1));
    p.drawPath(rule);
}

QBrush hatch(const QColor& colour) { return QBrush(colour, Qt::BDiagPattern); }

} // namespace deft::ui
