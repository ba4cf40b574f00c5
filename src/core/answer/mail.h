// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

namespace deft {

/// Who writes to whom, by name and address; each may be empty. The client's name stands in the answer.
struct Correspondents {
    std::string coach, coachAddress, clientAddress;
    bool pictures = true; ///< false: the client has not agreed to pictures, so none are sent
};

/// Is this an address that a mail can go to: one @, something before it and a domain after it, no blanks?
bool isAddress(const std::string& address);

/// A file that goes along.
struct Attachment {
    std::string name, type; ///< "next-clip.ics", "text/calendar"
    std::string bytes;
    std::string description{}; ///< what it is, for whoever hears it read
};

/// The answer as a mail file (RFC 5322, MIME): plain text, and the page with its pictures inside. A draft: mail
/// programs open it to be looked at and sent by the coach. An address that is not known ends in `.invalid` (RFC 2606)
/// and has to be filled in.
/// @errors Unsupported when the mail library refuses
Result<std::string> answerMail(const Answer& answer, const Correspondents& who, const PictureMaker& pictures,
                               const std::vector<Attachment>& attachments = {});

} // namespace deft
