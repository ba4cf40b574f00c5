// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/annotations.h"
#include "review/spoken.h"

#include <QPainter>
#include <QTransform>

namespace deft::ui {

/// Draws one of the coach's drawings: bright on a dark casing, with its words; an angle shows its degrees.
/// @param toView from pixels of the clip to the painter @param scale of pens and text, 1 in the window
void drawDrawing(QPainter& painter, const Drawing& drawing, const QTransform& toView, double scale = 1);

/// Lines drawn while speaking, as they stand at a time: they grow as they were drawn and go when the moment is shown
/// anew. @param time_s since the voice began @param begins_s as of Spoken @param run_s that the moment takes once
void drawPenLines(QPainter& painter, const QRectF& box, const std::vector<PenLine>& lines, double time_s,
                  double begins_s, double run_s);

} // namespace deft::ui
