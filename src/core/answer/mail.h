#pragma once
#include "answer/answer.h"

namespace deft {

/// The answer as a mail file (RFC 5322, MIME): plain text, and the page with its pictures inside. A draft: mail
/// programs open it to be looked at and sent by the coach. The library knows no addresses, so the recipient's ends in
/// `.invalid` (RFC 2606) and has to be filled in.
/// @errors Unsupported when the mail library refuses
Result<std::string> answerMail(const Answer& answer, const std::string& coach, const PictureMaker& pictures);

} // namespace deft
