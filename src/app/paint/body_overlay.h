// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

#include <QPainter>
#include <QTransform>

namespace deft::ui {

/// How a body is drawn onto its picture. Painters know no widget: window, answer and files share them.
struct BodyLook {
    QTransform toView;       ///< picture pixels → painter
    std::string measure;     ///< the one that matters here; drawn in sky blue with its number
    bool everything = false; ///< whole body, angle arcs, mat line; otherwise the one line only
    bool numbers = true;
    bool marks = false;               ///< handles for mending: ring = seen, dashed = weak, square = by hand
    std::string selected;             ///< landmark with a filled handle
    std::optional<int64_t> bestFrame; ///< outline of this frame, thin and dashed
    bool raw = false;                 ///< beside a tilt: its raw angle, and the neutral that it is told against
    double scale = 1;                 ///< of pens and text, 1 in the window
    double clearTop = 0;              ///< of the painter's height, kept free of numbers for other words
};

/// Draws lines, arcs, tolerance and numbers of one frame. Frames without the points that a line needs lack the line.
void drawBody(QPainter& painter, const Review& review, int64_t frame, const BodyLook& look);

/// Where shoulder, hip and knee (or the whole body) are in any frame of the review, with some room around, px of the clip.
QRectF bodyBox(const Review& review, bool wholeBody);

/// The same with this aspect: one for all frames, so that pictures can be compared.
QRectF bodyCrop(const Review& review, double aspect, bool wholeBody);

/// Text with a dark halo, readable on any picture.
void haloText(QPainter& painter, const QPointF& at, const QString& text, Qt::Alignment alignment = Qt::AlignLeft);

} // namespace deft::ui
