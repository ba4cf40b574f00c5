#pragma once
#include "answer/answer.h"

#include <QByteArray>

namespace deft::ui {

/// The answer on A4 pages, pictures beside each other, text that can be searched. Needs a QGuiApplication and the
/// typeface, but no display.
QByteArray answerPdf(const Answer& answer, const PictureMaker& pictures);

} // namespace deft::ui
