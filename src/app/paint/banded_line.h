// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPainter>
#include <functional>
#include <vector>

namespace deft::ui {

struct BandedPoint {
    double x, y, u95; ///< NaN in x or y = gap
};

/// A line with its 95 % band. A gap ends both and is never bridged.
/// @param at from values to the painter @param band transparent = none @return where the line ended
QPointF drawBandedLine(QPainter& p, const std::vector<BandedPoint>& points,
                       const std::function<QPointF(double, double)>& at, const QPen& line, const QColor& band);

QColor withAlpha(QColor colour, int alpha);

} // namespace deft::ui
