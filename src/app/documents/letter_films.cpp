// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/letter_films.h"

#include "app/documents/answer_picture.h"
#include "app/theme/words.h"

namespace deft::ui {

Result<LetterFilms> LetterFilms::open(std::vector<std::shared_ptr<const Review>> reviews) {
    LetterFilms films;
    for (const auto& review : reviews) {
        auto reader = ClipReader::open(review->inputs.clipPath, review->inputs.part);
        if (!reader) return tl::unexpected(reader.error());
        films.readers_.push_back(std::move(*reader));
    }
    films.reviews_ = std::move(reviews);
    return films;
}

PictureMaker LetterFilms::pictures() {
    std::vector<PictureMaker> makers;
    for (size_t i = 0; i < size(); ++i) makers.push_back(pictureMaker(review(i), reader(i)));
    return [makers](const AnswerPicture& picture) { return makers[size_t(picture.of)](picture); };
}

Answer letterOn(const std::vector<std::shared_ptr<const Review>>& reviews) {
    std::vector<const Review*> plain;
    for (const auto& review : reviews) plain.push_back(review.get());
    return composeVisit(plain, coachLanguage());
}

} // namespace deft::ui
