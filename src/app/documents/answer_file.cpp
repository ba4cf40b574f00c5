// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/answer_file.h"

#include "app/documents/printed_page.h"

namespace deft::ui {

Result<std::string> answerIn(const std::string& form, const Answer& answer, const Correspondents& who,
                             const PictureMaker& pictures) {
    if (form == "html") return answerHtml(answer, pictures);
    if (form == "pdf") return printedPage(answerHtml(answer, pictures));
    if (form == "text") return answerText(answer);
    if (form == "eml") return answerMail(answer, who, pictures);
    return fail(Errc::Unsupported, {"\"{form}\" is no form of an answer: html, pdf, text or eml", {{"form", form}}});
}

} // namespace deft::ui
