#include "app/session/outgoing.h"

#include "answer/calendar.h"
#include "answer/mail.h"
#include "app/paint/answer_picture.h"
#include "app/paint/reply_clip.h"
#include "base/files.h"
#include "devices/mail_drop.h"

namespace deft::ui {

Result<MadeMail> makeMail(const Review& review, const std::string& name, const std::filesystem::path& answers,
                          const std::filesystem::path& outbox, StopToken stop, const ProgressFn& progress) {
    auto reader = ClipReader::open(review.inputs.clipPath);
    if (!reader) return tl::unexpected(reader.error());
    const Answer answer = composeAnswer(review);
    MadeMail made;
    std::vector<Attachment> attachments;
    const auto clip = answers / (name + ".mp4");
    if (auto ok = writeReplyClip(review, answer, *reader, clip, stop, progress); ok) {
        auto bytes = readFile(clip);
        if (!bytes) return tl::unexpected(bytes.error());
        made.clip = true;
        attachments.push_back({"moment.mp4", "video/mp4", std::move(*bytes)});
    } else if (ok.error().code == Errc::Cancelled) {
        return tl::unexpected(ok.error());
    } else if (review.decision.cues.empty()) {
        // Nothing was to be corrected, so nobody misses a clip of it.
    } else {
        made.without = "without a reply clip: " + ok.error().detail;
    }
    if (const auto calendar = answerCalendar(answer, review.inputs)) {
        if (auto ok = writeFileAtomically(answers / (name + ".ics"), *calendar); !ok) return tl::unexpected(ok.error());
        attachments.push_back({"next-clip.ics", "text/calendar", *calendar});
    }
    auto mail = answerMail(answer, review.inputs.coach, pictureMaker(review, *reader), attachments);
    if (!mail) return tl::unexpected(mail.error());
    auto file = dropMail(outbox, name, *mail);
    if (!file) return tl::unexpected(file.error());
    made.file = std::move(*file);
    return made;
}

void Outgoing::send(int64_t filed, const Review& review) {
    waiting_.emplace_back(filed, review);
    if (!job_.isRunning()) next();
}

void Outgoing::next() {
    if (waiting_.empty()) return;
    auto [filed, review] = std::move(waiting_.front());
    waiting_.pop_front();
    job_.run(
        [review = std::move(review), name = "answer-" + std::to_string(filed),
         folder = library_.folder()](StopToken stop, const ProgressFn& progress) {
            return makeMail(review, name, folder / "answers", folder / "outbox", stop, progress);
        },
        [this](const Result<MadeMail>& made) {
            if (made)
                emit sent(*made);
            else
                emit failed(QString::fromStdString(made.error().detail));
            next();
        });
}

} // namespace deft::ui
