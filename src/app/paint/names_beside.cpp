// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/names_beside.h"

#include "app/paint/body_overlay.h"
#include "app/theme/palette.h"

#include <algorithm>

namespace deft::ui {

void drawNamesBeside(QPainter& p, const QRectF& area, const std::vector<NamedPlace>& places,
                     std::vector<QRectF> taken) {
    p.setFont(face(Size::Small, QFont::Medium));
    const QFontMetrics metrics(p.font());
    for (const NamedPlace& place : places) {
        const double w = metrics.horizontalAdvance(place.name), h = metrics.height(), out = place.clear + 3;
        for (const QPointF& corner :
             {QPointF(out, -h / 2), QPointF(-out - w, -h / 2), QPointF(-w / 2, out), QPointF(-w / 2, -out - h),
              QPointF(0.7 * out, 0.7 * out), QPointF(-0.7 * out - w, 0.7 * out), QPointF(0.7 * out, -0.7 * out - h),
              QPointF(-0.7 * out - w, -0.7 * out - h), QPointF(-w / 2, out + h)}) {
            const QRectF box(place.at + corner, QSizeF(w, h));
            if (!area.contains(box) ||
                std::any_of(taken.begin(), taken.end(), [&](const QRectF& t) { return t.intersects(box); }))
                continue;
            taken.push_back(box);
            haloText(p, box.topLeft() + QPointF(0, metrics.ascent()), place.name);
            break;
        }
    }
}

} // namespace deft::ui
