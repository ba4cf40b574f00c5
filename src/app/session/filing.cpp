// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/filing.h"

#include "app/theme/words.h"

#include "app/documents/letter_films.h"

#include <algorithm>

namespace deft::ui {

Filing::Filing(Library& library, QObject* parent) : QObject(parent), library_(library) {
    hold_.setSingleShot(true);
    connect(&hold_, &QTimer::timeout, this, &Filing::record);
}

void Filing::file(std::vector<One> reviews, bool withPictures) {
    waiting_.push_back({std::move(reviews), withPictures, QDeadlineTimer(grace_ms_)});
    if (waiting_.size() == 1) next();
}

bool Filing::isFiling(int64_t clip) const {
    return std::any_of(waiting_.begin(), waiting_.end(), [&](const Sheet& s) {
        return std::any_of(s.reviews.begin(), s.reviews.end(), [&](const One& one) { return one.clip == clip; });
    });
}

void Filing::next() {
    if (waiting_.empty()) return;
    std::vector<std::shared_ptr<const Review>> reviews;
    for (const One& one : waiting_.front().reviews) reviews.push_back(one.review);
    job_.run(
        [reviews, withPictures = waiting_.front().withPictures](StopToken, const ProgressFn&) -> Result<Page> {
            auto films = LetterFilms::open(reviews);
            if (!films) return tl::unexpected(films.error());
            const Answer letter = letterOn(reviews);
            return Page{answerHtml(letter, withPictures ? films->pictures() : PictureMaker()), answerText(letter)};
        },
        [this](Result<Page> page) {
            page_ = std::move(page);
            hold_.start(*page_ ? int(waiting_.front().until.remainingTime()) : 0); // what failed need not wait
        });
}

void Filing::record() {
    if (!page_) return;
    const Sheet sheet = std::move(waiting_.front());
    const Result<Page> page = std::move(*page_);
    waiting_.pop_front();
    page_.reset();
    std::vector<Answered> answered;
    FiledLetter letter;
    for (const One& one : sheet.reviews) {
        answered.push_back({one.clip, one.review.get()});
        letter.clips.push_back(one.clip);
        letter.reviews.push_back(one.review);
    }
    const auto ids = page.and_then([&](const Page& p) { return library_.file(answered, p.html, p.text); });
    if (ids) {
        letter.id = ids->front();
        emit filed(letter);
    } else {
        emit failed(sheet.reviews.front().clip, said(ids.error()));
    }
    next();
}

std::vector<int64_t> Filing::takeBack() {
    std::vector<int64_t> clips;
    if (waiting_.empty()) return clips;
    for (const One& one : waiting_.back().reviews) clips.push_back(one.clip);
    const bool isFirst = waiting_.size() == 1;
    waiting_.pop_back();
    if (isFirst) {
        job_.stop();
        hold_.stop();
        page_.reset();
    }
    emit takenBack(clips);
    return clips;
}

void Filing::hurry() {
    grace_ms_ = 0;
    for (Sheet& sheet : waiting_) sheet.until = QDeadlineTimer(0);
    if (page_) hold_.start(0);
}

} // namespace deft::ui

#include "moc_filing.cpp"
