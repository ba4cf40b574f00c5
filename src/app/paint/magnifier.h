// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPainter>

namespace deft::ui {

/// A round lens beside a point of a picture, with a cross on it: three times as large as the picture is drawn.
/// @param picture drawn over a rectangle of `size` (px of the clip), which `toView` brings into `area`
void drawMagnifier(QPainter& p, const QRectF& area, const QImage& picture, const QSizeF& size, const QTransform& toView,
                   const QPointF& at);

} // namespace deft::ui
