// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/mail.h"

#include <algorithm>
#include <vmime/vmime.hpp>

namespace deft {
namespace {

/// As one encoded word, so that a name with one accent is not taken apart. Line breaks would end the header.
vmime::text utf8(std::string words) {
    std::replace_if(
        words.begin(), words.end(), [](unsigned char c) { return c < 0x20; }, ' ');
    return vmime::text(vmime::word(words, vmime::charsets::UTF_8));
}

vmime::shared_ptr<vmime::contentHandler> content(const std::string& bytes) {
    return vmime::make_shared<vmime::stringContentHandler>(bytes);
}

/// Lines of a mail end in CR LF (RFC 5322, 2.1).
std::string withCrLf(const std::string& text) {
    std::string out;
    for (const char c : text) {
        if (c == '\n' && (out.empty() || out.back() != '\r')) out += '\r';
        out += c;
    }
    return out;
}

/// @param unknown stands before @address.invalid where there is no address
vmime::shared_ptr<vmime::mailbox> mailbox(const std::string& name, const std::string& noName,
                                          const std::string& address, const char* unknown) {
    return vmime::make_shared<vmime::mailbox>(utf8(name.empty() ? noName : name),
                                              isAddress(address) ? vmime::emailAddress(address)
                                                                 : vmime::emailAddress(unknown, "address.invalid"));
}

std::string decoded(const std::string& base64) {
    std::string bytes;
    vmime::utility::inputStreamStringAdapter in(base64);
    vmime::utility::outputStreamStringAdapter out(bytes);
    vmime::utility::encoder::encoderFactory::getInstance()->create("base64")->decode(in, out);
    return bytes;
}

} // namespace

bool isAddress(const std::string& address) {
    const size_t at = address.find('@');
    return at != std::string::npos && at > 0 && at + 1 < address.size() &&
           address.find('@', at + 1) == std::string::npos && address.find_first_of(" \t\r\n<>,;") == std::string::npos;
}

Result<std::string> answerMail(const Answer& answer, const Correspondents& who, const PictureMaker& pictures,
                               const std::vector<Attachment>& attachments) {
    try {
        vmime::messageBuilder builder;
        builder.setExpeditor(*mailbox(who.coach, answer.language->say("mail.coach"), who.coachAddress, "coach"));
        builder.getRecipients().appendAddress(
            mailbox(answer.clientName, answer.language->say("mail.client"), who.clientAddress, "client"));
        builder.setSubject(utf8(answer.language->say({answer.subject, {{"exercise", answer.exerciseName}}})));
        builder.constructTextPart(vmime::mediaType(vmime::mediaTypes::TEXT, vmime::mediaTypes::TEXT_HTML));
        const auto part = vmime::dynamicCast<vmime::htmlTextPart>(builder.getTextPart());
        part->setCharset(vmime::charsets::UTF_8);
        part->setPlainText(content(withCrLf(answerText(answer))));
        // Pictures inside the page would be blocked by most mail programs: each becomes a part of its own.
        part->setText(content(withCrLf(answerPage(answer, [&](const AnswerPicture& picture) {
            const PictureData data = pictures ? pictures(picture) : PictureData{};
            if (data.base64.empty()) return std::string();
            return part->addObject(content(decoded(data.base64)), vmime::mediaType(data.type))->getReferenceId();
        }))));
        for (const Attachment& a : attachments) {
            const auto file = vmime::make_shared<vmime::defaultAttachment>(
                content(a.bytes), vmime::encoding("base64"), vmime::mediaType(a.type), utf8(a.description),
                vmime::word(a.name, vmime::charsets::UTF_8));
            builder.appendAttachment(file);
        }
        const auto message = builder.construct();
        // Its own domain: the machine's name is nobody's business.
        message->getHeader()->MessageId()->setValue(
            vmime::messageId(vmime::messageId::generateId().getLeft(), "deft-mirror.invalid"));
        message->getHeader()->getField("X-Unsent")->setValue(std::string("1"));
        std::string bytes;
        vmime::utility::outputStreamStringAdapter out(bytes);
        message->generate(out);
        return bytes;
    } catch (const vmime::exception& e) {
        return fail(Errc::Unsupported, {"the mail file could not be made: {why}", {{"why", e.what()}}});
    }
}

} // namespace deft
