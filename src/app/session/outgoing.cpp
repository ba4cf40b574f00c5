// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/outgoing.h"

#include "app/theme/words.h"

#include "answer/calendar.h"
#include "app/documents/letter_films.h"
#include "app/documents/reply_clip.h"
#include "app/session/stored_review.h"
#include "base/files.h"
#include "devices/mail_drop.h"

#include <algorithm>

namespace deft::ui {
namespace {
constexpr const char* kMailWork = "mail"; // as the library knows what was put aside
} // namespace

/// The calendar file of a letter. @errors those of answerCalendar
static Result<std::string> calendarOf(const Answer& letter, const std::vector<std::shared_ptr<const Review>>& reviews) {
    const AnswerPart* next = letter.find("next");
    return answerCalendar(letter, reviews[size_t(next ? next->of : 0)]->inputs);
}

Result<MadeMail> makeMail(const std::vector<std::shared_ptr<const Review>>& reviews, const Correspondents& who,
                          const std::filesystem::path& beside, StopToken stop, const ProgressFn& progress) {
    auto films = LetterFilms::open(reviews);
    if (!films) return tl::unexpected(films.error());
    const Answer letter = letterOn(reviews);
    MadeMail made;
    std::vector<Attachment> attachments;
    if (!who.pictures) made.without = "without pictures and reply clip, as there is no consent to them on record";
    for (size_t i = 0; i < films->size() && who.pictures; ++i) {
        const std::string number = i == 0 ? "" : "-" + std::to_string(i + 1);
        const std::filesystem::path clip = beside.string() + number + ".mp4";
        const Answer own = partsOf(letter, int(i));
        if (auto ok = writeReplyClip(films->review(i), own, films->reader(i), clip, stop, progress); ok) {
            auto bytes = readFile(clip);
            if (!bytes) return tl::unexpected(bytes.error());
            made.clip = true;
            attachments.push_back(
                {"moment" + number + ".mp4", "video/mp4", std::move(*bytes), letter.language->say("mail.clip")});
        } else if (ok.error().code == Errc::Cancelled) {
            return tl::unexpected(ok.error());
        } else if (std::any_of(own.parts.begin(), own.parts.end(), isCorrection)) {
            made.without = {"without a reply clip: {what}", {{"what", ok.error().message}}};
        } // else nothing was to be corrected, so nobody misses a clip of it
    }
    if (const auto calendar = calendarOf(letter, reviews))
        attachments.push_back({"next-clip.ics", "text/calendar", *calendar, letter.language->say("mail.calendar")});
    auto mail = answerMail(letter, who, who.pictures ? films->pictures() : PictureMaker(), attachments);
    if (!mail) return tl::unexpected(mail.error());
    made.text = std::move(*mail);
    return made;
}

namespace {

/// The files of a filed review: reply clip and calendar beside its page, the mail in the outbox.
Result<MadeMail> makeFiles(const std::vector<std::shared_ptr<const Review>>& reviews, const Correspondents& who,
                           const std::string& name, const std::filesystem::path& library, StopToken stop,
                           const ProgressFn& progress) {
    const auto beside = library / "answers" / name;
    auto made = makeMail(reviews, who, beside, stop, progress);
    if (!made) return made;
    if (const auto calendar = calendarOf(letterOn(reviews), reviews))
        if (auto ok = writeFileAtomically(beside.string() + ".ics", *calendar); !ok) return tl::unexpected(ok.error());
    auto file = dropMail(library / "outbox", name, made->text);
    if (!file) return tl::unexpected(file.error());
    made->file = std::move(*file);
    return made;
}

} // namespace

void Outgoing::send(int64_t filed, std::vector<std::shared_ptr<const Review>> reviews) {
    queue({filed, library_.correspondents(library_.clientOfReview(filed), reviews.front()->inputs.coach),
           [reviews](StopToken, const ProgressFn&) {
               return Result<std::vector<std::shared_ptr<const Review>>>(reviews);
           }});
}

void Outgoing::retry() {
    for (const Aside& a : library_.asides(kMailWork)) (void)library_.end(kMailWork, a.subject);
    resume();
}

void Outgoing::resume() {
    const auto aside = library_.asides(kMailWork);
    const auto waits = [this](int64_t filed) {
        return now_ == filed ||
               std::any_of(waiting_.begin(), waiting_.end(), [&](const Letter& l) { return l.filed == filed; });
    };
    for (const UnsentReview& unsent : library_.unsent()) {
        const std::string subject = std::to_string(unsent.review);
        if (waits(unsent.review) ||
            std::any_of(aside.begin(), aside.end(), [&](const Aside& a) { return a.subject == subject; }))
            continue;
        queue({unsent.review, library_.correspondents(library_.clientOfReview(unsent.review), unsent.inputs.coach),
               [&library = library_, unsent](
                   StopToken stop, const ProgressFn& progress) -> Result<std::vector<std::shared_ptr<const Review>>> {
                   std::vector<ReviewInputs> all = {unsent.inputs};
                   all.insert(all.end(), unsent.with.begin(), unsent.with.end());
                   std::vector<std::shared_ptr<const Review>> reviews;
                   for (const ReviewInputs& inputs : all) {
                       auto review = measureStored(library, inputs, stop, progress);
                       if (!review) return tl::unexpected(review.error());
                       reviews.push_back(std::make_shared<const Review>(std::move(*review)));
                   }
                   return reviews;
               }});
    }
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
    (void)library_.end(kMailWork, std::to_string(now_));
    next();
}

void Outgoing::stop() {
    waiting_.clear();
    if (!job_.isRunning()) return;
    job_.stop();
    (void)library_.end(kMailWork, std::to_string(now_)); // closing is no failure
}

void Outgoing::next() {
    now_ = 0;
    if (waiting_.empty()) return;
    Letter letter = std::move(waiting_.front());
    waiting_.pop_front();
    const int64_t filed = now_ = letter.filed;
    (void)library_.begin(kMailWork, std::to_string(filed));
    job_.run(
        [letter = std::move(letter), folder = library_.folder()](StopToken stop,
                                                                 const ProgressFn& progress) -> Result<MadeMail> {
            auto reviews = letter.reviews(stop, progress);
            if (!reviews) return tl::unexpected(reviews.error());
            return makeFiles(*reviews, letter.who, "answer-" + std::to_string(letter.filed), folder, stop, progress);
        },
        [this, filed](const Result<MadeMail>& made) {
            const std::string subject = std::to_string(filed);
            (void)library_.end(kMailWork, subject);
            if (made) {
                (void)library_.markMade(filed, made->file); // if this fails, the next start makes the mail once more
                emit sent(*made);
            } else {
                (void)library_.putAside({kMailWork, subject, made.error().message});
                emit failed(filed, said(made.error()));
            }
            next();
        });
}

} // namespace deft::ui

#include "moc_outgoing.cpp"
