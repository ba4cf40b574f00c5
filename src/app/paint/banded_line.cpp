// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/banded_line.h"

#include <cmath>

namespace deft::ui {

QPointF drawBandedLine(QPainter& p, const std::vector<BandedPoint>& points,
                       const std::function<QPointF(double, double)>& at, const QPen& pen, const QColor& band) {
    QPolygonF line, upper, lower;
    QPointF end;
    auto flush = [&] {
        if (line.isEmpty()) return;
        if (band.alpha() > 0) {
            QPolygonF area = upper;
            for (auto it = lower.crbegin(); it != lower.crend(); ++it) area << *it;
            p.setPen(Qt::NoPen);
            p.setBrush(band);
            p.drawPolygon(area);
        }
        p.setPen(pen);
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(line);
        end = line.last();
        line.clear(), upper.clear(), lower.clear();
    };
    for (const BandedPoint& q : points) {
        if (!std::isfinite(q.x) || !std::isfinite(q.y)) {
            flush();
            continue;
        }
        line << at(q.x, q.y);
        upper << at(q.x, q.y + q.u95);
        lower << at(q.x, q.y - q.u95);
    }
    flush();
    return end;
}

QColor withAlpha(QColor colour, int alpha) {
    colour.setAlpha(alpha);
    return colour;
}

} // namespace deft::ui
