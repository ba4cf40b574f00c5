// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/theme/palette.h"

#include <QPainter>

namespace deft::ui {

/// Text in a box, cut with an ellipsis when it does not fit. @return width used
int putText(QPainter& p, const QRectF& box, const QString& text, Size size, const QColor& colour,
            QFont::Weight weight = QFont::Normal, Qt::Alignment alignment = Qt::AlignLeft | Qt::AlignVCenter);
/// The rule with a notch that parts sections.
void drawNotchedRule(QPainter& p, double x, double y, double width, double notchX);
/// Diagonal hatch, for what lies outside a tolerance.
QBrush hatch(const QColor& colour);

} // namespace deft::ui
