#pragma once
#include "answer/answer.h"

namespace deft {

/// A file that goes along.
struct Attachment {
    std::string name, type; ///< "next-clip.ics", "text/calendar"
    std::string bytes;
};

/// The answer as a mail file (RFC 5322, MIME): plain text, and the page with its pictures inside. A draft: mail
/// programs open it to be looked at and sent by the coach. The library knows no addresses, so the recipient's ends in
/// `.invalid` (RFC 2606) and has to be filled in.
/// @errors Unsupported when the mail library refuses
Result<std::string> answerMail(const Answer& answer, const std::string& coach, const PictureMaker& pictures,
                               const std::vector<Attachment>& attachments = {});

} // namespace deft
