// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/filing.h"

#include "app/documents/letter_films.h"

#include <algorithm>

namespace deft::ui {

void Filing::file(std::vector<One> reviews, bool withPictures) {
    waiting_.push_back({std::move(reviews), withPictures});
    if (waiting_.size() == 1) next();
}

bool Filing::isFiling(int64_t clip) const {
    return std::any_of(waiting_.begin(), waiting_.end(), [&](const Sheet& s) {
        return std::any_of(s.reviews.begin(), s.reviews.end(), [&](const One& one) { return one.clip == clip; });
    });
}

void Filing::next() {
    if (waiting_.empty()) return;
    struct Page {
        std::string html, text;
    };
    std::vector<std::shared_ptr<const Review>> reviews;
    for (const One& one : waiting_.front().reviews) reviews.push_back(one.review);
    job_.run(
        [reviews, withPictures = waiting_.front().withPictures](StopToken, const ProgressFn&) -> Result<Page> {
            auto films = LetterFilms::open(reviews);
            if (!films) return tl::unexpected(films.error());
            const Answer letter = letterOn(reviews);
            return Page{answerHtml(letter, withPictures ? films->pictures() : PictureMaker()), answerText(letter)};
        },
        [this, reviews](const Result<Page>& page) {
            const Sheet sheet = std::move(waiting_.front());
            waiting_.pop_front();
            std::vector<Answered> answered;
            FiledLetter letter;
            for (const One& one : sheet.reviews) {
                answered.push_back({one.clip, one.review.get()});
                letter.clips.push_back(one.clip);
            }
            const auto ids = page.and_then([&](const Page& p) { return library_.file(answered, p.html, p.text); });
            if (ids) {
                letter.id = ids->front(), letter.reviews = reviews;
                emit filed(letter);
            } else {
                emit failed(sheet.reviews.front().clip, QString::fromStdString(ids.error().detail));
            }
            next();
        });
}

} // namespace deft::ui
