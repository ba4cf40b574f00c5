// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/annotations.h"

#include <QPainter>
#include <QTransform>

namespace deft::ui {

/// Draws one of the coach's drawings: bright on a dark casing, with its words; an angle shows its degrees.
/// @param toView from pixels of the clip to the painter @param scale of pens and text, 1 in the window
void drawDrawing(QPainter& painter, const Drawing& drawing, const QTransform& toView, double scale = 1);

} // namespace deft::ui
