#pragma once
#include "answer/mail.h"

#include <QByteArray>

namespace deft::ui {

/// The answer on A4 pages, pictures beside each other, text that can be searched. Needs a QGuiApplication and the
/// typeface, but no display.
QByteArray answerPdf(const Answer& answer, const PictureMaker& pictures);

/// An answer, or a sheet, in one of the forms "html", "pdf", "text" and "eml".
/// @param who of the mail @errors Unsupported (another form), those of answerMail
Result<std::string> answerIn(const std::string& form, const Answer& answer, const Correspondents& who,
                             const PictureMaker& pictures);

} // namespace deft::ui
