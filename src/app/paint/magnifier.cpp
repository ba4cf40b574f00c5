// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/magnifier.h"

#include "app/theme/palette.h"

#include <QPainterPath>
#include <algorithm>

namespace deft::ui {

void drawMagnifier(QPainter& p, const QRectF& area, const QImage& picture, const QSizeF& size, const QTransform& toView,
                   const QPointF& at) {
    const QPointF here = toView.map(at);
    const double r = 56, times = 3 * toView.m11();
    const QPointF centre(here.x() + (here.x() > area.center().x() ? -90 : 90),
                         std::clamp(here.y() - 80, area.top() + r + 4, area.bottom() - r - 4));
    p.save();
    QPainterPath lens;
    lens.addEllipse(centre, r, r);
    p.setClipPath(lens);
    p.translate(centre);
    p.scale(times, times);
    p.translate(-at);
    p.drawImage(QRectF(QPointF(0, 0), size), picture);
    p.restore();
    p.setBrush(Qt::NoBrush);
    for (const auto& [colour, w] : {std::pair{QColor(kCasing), 4.0}, {QColor(kOnPicture), 1.6}}) {
        p.setPen(QPen(colour, w));
        p.drawEllipse(centre, r, r);
        p.drawLine(centre - QPointF(8, 0), centre + QPointF(8, 0));
        p.drawLine(centre - QPointF(0, 8), centre + QPointF(0, 8));
    }
}

} // namespace deft::ui
