// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

#include <QPainter>

namespace deft::ui {

/// Draws a body from an exercise file's own points, floor and all, into a box; the landmarks that the exercise asks for
/// are ringed. `also` is drawn behind it as dashes, such as the start behind the far end; `asked` is the landmark that
/// stands out among the others.
void drawSketch(QPainter& painter, const QRectF& box, const Exercise& exercise, const Sketch& body,
                const Sketch* also = nullptr, const std::string& asked = {});

/// The drawings of a client's sheet (answer/sheet.h) as PNG, without the rings that tell a coach what to mark.
PictureMaker sheetPictures(const Exercise& exercise);

/// The far end as one fault makes it look.
Sketch wrongSketch(const Exercise& exercise, const std::string& fault);

} // namespace deft::ui
