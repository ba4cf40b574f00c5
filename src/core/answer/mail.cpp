#include "answer/mail.h"

#include <vmime/vmime.hpp>

namespace deft {
namespace {

vmime::text utf8(const std::string& words) { return vmime::text(words, vmime::charsets::UTF_8); }

vmime::shared_ptr<vmime::contentHandler> content(const std::string& bytes) {
    return vmime::make_shared<vmime::stringContentHandler>(bytes);
}

std::string decoded(const std::string& base64) {
    std::string bytes;
    vmime::utility::inputStreamStringAdapter in(base64);
    vmime::utility::outputStreamStringAdapter out(bytes);
    vmime::utility::encoder::encoderFactory::getInstance()->create("base64")->decode(in, out);
    return bytes;
}

} // namespace

Result<std::string> answerMail(const Answer& answer, const std::string& coach, const PictureMaker& pictures,
                               const std::vector<Attachment>& attachments) {
    try {
        vmime::messageBuilder builder;
        builder.setExpeditor(vmime::mailbox(utf8(coach.empty() ? "Your coach" : coach),
                                            vmime::emailAddress("coach", "address.invalid")));
        builder.getRecipients().appendAddress(
            vmime::make_shared<vmime::mailbox>(utf8(answer.clientName.empty() ? "Client" : answer.clientName),
                                               vmime::emailAddress("client", "address.invalid")));
        builder.setSubject(utf8(answer.exerciseName + ": your review"));
        builder.constructTextPart(vmime::mediaType(vmime::mediaTypes::TEXT, vmime::mediaTypes::TEXT_HTML));
        const auto part = vmime::dynamicCast<vmime::htmlTextPart>(builder.getTextPart());
        part->setCharset(vmime::charsets::UTF_8);
        part->setPlainText(content(answerText(answer)));
        // Pictures inside the page would be blocked by most mail programs: each becomes a part of its own.
        part->setText(content(answerPage(answer, [&](const AnswerPicture& picture) {
            const PictureData data = pictures ? pictures(picture) : PictureData{};
            if (data.base64.empty()) return std::string();
            return part->addObject(content(decoded(data.base64)), vmime::mediaType(data.type))->getReferenceId();
        })));
        for (const Attachment& a : attachments) {
            const auto file = vmime::make_shared<vmime::defaultAttachment>(content(a.bytes), vmime::encoding("base64"),
                                                                           vmime::mediaType(a.type), utf8(""),
                                                                           vmime::word(a.name, vmime::charsets::UTF_8));
            builder.appendAttachment(file);
        }
        const auto message = builder.construct();
        message->getHeader()->MessageId()->setValue(vmime::messageId::generateId());
        message->getHeader()->getField("X-Unsent")->setValue(std::string("1"));
        std::string bytes;
        vmime::utility::outputStreamStringAdapter out(bytes);
        message->generate(out);
        return bytes;
    } catch (const vmime::exception& e) {
        return fail(Errc::Unsupported, std::string("the mail file could not be made: ") + e.what());
    }
}

} // namespace deft
