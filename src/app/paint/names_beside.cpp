// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/names_beside.h"

#include "app/paint/body_overlay.h"
#include "app/theme/palette.h"

#include <algorithm>
#include <optional>

namespace deft::ui {

void drawNamesBeside(QPainter& p, const QRectF& area, const std::vector<NamedPlace>& places) {
    p.setFont(face(Size::Small, QFont::Medium));
    const QFontMetrics metrics(p.font());
    std::vector<QRectF> taken; // what is drawn round the marks, then each name
    for (const NamedPlace& place : places) {
        const double half = 0.72 * place.clear; // the square inside the ring
        taken.emplace_back(place.at - QPointF(half, half), QSizeF(2 * half, 2 * half));
    }
    const auto isFree = [&](const QRectF& box) {
        return area.contains(box) &&
               std::none_of(taken.begin(), taken.end(), [&](const QRectF& t) { return t.intersects(box); });
    };
    /// The first free box at a distance from the mark, in one of eight directions; below it once more, a line lower.
    const auto freeBox = [&](const QPointF& at, double out, const QSizeF& size) -> std::optional<QRectF> {
        const double w = size.width(), h = size.height(), slant = 0.7 * out;
        for (const QPointF& corner :
             {QPointF(out, -h / 2), QPointF(-out - w, -h / 2), QPointF(-w / 2, out), QPointF(-w / 2, -out - h),
              QPointF(slant, slant), QPointF(-slant - w, slant), QPointF(slant, -slant - h),
              QPointF(-slant - w, -slant - h), QPointF(-w / 2, out + h)})
            if (const QRectF box(at + corner, size); isFree(box)) return box;
        return std::nullopt;
    };
    for (const NamedPlace& place : places) {
        const QSizeF size(metrics.horizontalAdvance(place.name), metrics.height());
        std::optional<QRectF> box;
        double out = place.clear + 3;
        for (const double far : {0.0, 28.0, 56.0, 90.0}) // where marks lie close together a line leads to the name
            if (!box) out = place.clear + 3 + far, box = freeBox(place.at, out, size);
        if (!box) continue;
        if (out > place.clear + 3) {
            const QPointF end(std::clamp(place.at.x(), box->left(), box->right()),
                              std::clamp(place.at.y(), box->top() + 2, box->bottom() - 2));
            const QLineF way(place.at, end);
            for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.0}, {QColor(kOnPicture), 1.0}}) {
                p.setPen(QPen(colour, w));
                p.drawLine(way.pointAt(std::min(1.0, 8 / std::max(1.0, way.length()))), end);
            }
        }
        taken.push_back(*box);
        haloText(p, box->topLeft() + QPointF(0, metrics.ascent()), place.name);
    }
}

} // namespace deft::ui
