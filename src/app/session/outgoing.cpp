#include "app/session/outgoing.h"

#include "answer/calendar.h"
#include "app/paint/answer_picture.h"
#include "app/paint/reply_clip.h"
#include "app/session/stored_review.h"
#include "base/files.h"
#include "devices/mail_drop.h"

#include <algorithm>

namespace deft::ui {

Result<MadeMail> makeMail(const Review& review, const Correspondents& who, const std::filesystem::path& clip,
                          StopToken stop, const ProgressFn& progress) {
    auto reader = ClipReader::open(review.inputs.clipPath);
    if (!reader) return tl::unexpected(reader.error());
    const Answer answer = composeAnswer(review);
    MadeMail made;
    std::vector<Attachment> attachments;
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
    if (const auto calendar = answerCalendar(answer, review.inputs))
        attachments.push_back({"next-clip.ics", "text/calendar", *calendar});
    auto mail = answerMail(answer, who, pictureMaker(review, *reader), attachments);
    if (!mail) return tl::unexpected(mail.error());
    made.text = std::move(*mail);
    return made;
}

namespace {

/// The files of a filed review: reply clip and calendar beside its page, the mail in the outbox.
Result<MadeMail> makeFiles(const Review& review, const Correspondents& who, const std::string& name,
                           const std::filesystem::path& library, StopToken stop, const ProgressFn& progress) {
    const auto beside = library / "answers" / name;
    auto made = makeMail(review, who, beside.string() + ".mp4", stop, progress);
    if (!made) return made;
    if (const auto calendar = answerCalendar(composeAnswer(review), review.inputs))
        if (auto ok = writeFileAtomically(beside.string() + ".ics", *calendar); !ok) return tl::unexpected(ok.error());
    auto file = dropMail(library / "outbox", name, made->text);
    if (!file) return tl::unexpected(file.error());
    made->file = std::move(*file);
    return made;
}

} // namespace

void Outgoing::send(int64_t filed, const Review& review) {
    queue({filed, library_.correspondents(library_.clientOfReview(filed), review.inputs.coach),
           [review](StopToken, const ProgressFn&) { return Result<Review>(review); }});
}

void Outgoing::resume() {
    for (const UnsentReview& unsent : library_.unsent())
        queue({unsent.review, library_.correspondents(library_.clientOfReview(unsent.review), unsent.inputs.coach),
               [&library = library_, inputs = unsent.inputs](StopToken stop, const ProgressFn& progress) {
                   return measureStored(library, inputs, stop, progress);
               }});
}

void Outgoing::queue(Letter letter) {
    waiting_.push_back(std::move(letter));
    if (!job_.isRunning()) next();
}

void Outgoing::giveUp(const std::vector<int64_t>& filed) {
    const auto isMeant = [&](int64_t id) { return std::find(filed.begin(), filed.end(), id) != filed.end(); };
    waiting_.erase(
        std::remove_if(waiting_.begin(), waiting_.end(), [&](const Letter& letter) { return isMeant(letter.filed); }),
        waiting_.end());
    if (!job_.isRunning() || !isMeant(now_)) return;
    job_.stop();
    next();
}

void Outgoing::next() {
    if (waiting_.empty()) return;
    Letter letter = std::move(waiting_.front());
    waiting_.pop_front();
    const int64_t filed = now_ = letter.filed;
    job_.run(
        [letter = std::move(letter), folder = library_.folder()](StopToken stop,
                                                                 const ProgressFn& progress) -> Result<MadeMail> {
            auto review = letter.review(stop, progress);
            if (!review) return tl::unexpected(review.error());
            return makeFiles(*review, letter.who, "answer-" + std::to_string(letter.filed), folder, stop, progress);
        },
        [this, filed](const Result<MadeMail>& made) {
            if (made) {
                (void)library_.markSent(filed); // if this fails, the next start makes the mail once more
                emit sent(*made);
            } else {
                emit failed(QString::fromStdString(made.error().detail));
            }
            next();
        });
}

} // namespace deft::ui
