// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPainter>
#include <vector>

namespace deft::ui {

/// A point with a name, and how far around it nothing is to be written, px.
struct NamedPlace {
    QPointF at;
    double clear = 8;
    QString name;
};

/// Writes each name beside its point, where it covers no other name and no mark; where marks lie close together farther
/// away, with a line that leads there. A name for which there is no room in `area` is left out.
void drawNamesBeside(QPainter& p, const QRectF& area, const std::vector<NamedPlace>& places);

} // namespace deft::ui
