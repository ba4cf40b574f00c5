// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "video/clip_reader.h"

#include <memory>

namespace deft::ui {

/// The reviews that one letter answers, with their clips open: what its pictures and reply clips are made from.
class LetterFilms {
public:
    /// @pre at least one review @errors those of ClipReader::open
    static Result<LetterFilms> open(std::vector<std::shared_ptr<const Review>> reviews);

    size_t size() const { return reviews_.size(); }
    const Review& review(size_t i) const { return *reviews_[i]; }
    ClipReader& reader(size_t i) { return readers_[i]; }
    PictureMaker pictures(); ///< of `of` of each; as long as this lives

private:
    std::vector<std::shared_ptr<const Review>> reviews_;
    std::vector<ClipReader> readers_;
};

/// The letter on these reviews, see composeVisit().
Answer letterOn(const std::vector<std::shared_ptr<const Review>>& reviews);

} // namespace deft::ui
