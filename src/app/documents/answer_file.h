// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/mail.h"

namespace deft::ui {

/// An answer, or a sheet, in one of the forms "html", "pdf" (the page as it prints), "text" and "eml".
/// @param who of the mail @errors Unsupported (another form), those of answerMail and printedPage
Result<std::string> answerIn(const std::string& form, const Answer& answer, const Correspondents& who,
                             const PictureMaker& pictures);

} // namespace deft::ui
