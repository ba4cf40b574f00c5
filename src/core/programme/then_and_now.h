// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "readings/compare.h"
#include "records/filed_review.h"

namespace deft {

/// One exercise of a client, filmed the same way at two times.
struct ThenAndNow {
    Exercise exercise; ///< in the version that both showed
    FiledReview then, now;
    std::vector<Difference> differences; ///< what both have, in the order in which the exercise is inspected
};

/// The last review of an exercise against the first in the same version; nothing where there is no other.
/// @param reviews of one client and exercise, oldest first
std::optional<ThenAndNow> thenAndNow(const Catalogue& catalogue, const std::vector<FiledReview>& reviews);

/// Makes the two pictures of an exercise, then and now; both may be empty.
using PairOfPictures = std::function<std::pair<PictureData, PictureData>(const ThenAndNow&)>;

/// A page of them: pictures of the same moment side by side, then every reading with what became of it. Only a change
/// that the bands of both cannot explain is called one.
std::string thenAndNowPage(const Language& language, const std::string& client, const std::vector<ThenAndNow>& pairs,
                           const PairOfPictures& pictures);

} // namespace deft
