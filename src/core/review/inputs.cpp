// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/inputs.h"

namespace deft {

Change changeBetween(const ReviewInputs& before, const ReviewInputs& after) {
    if (before == after) return Change::None;
    if (before.marks != after.marks) return Change::Tracks;
    ReviewInputs sameAnswer = after;
    takeAnswer(sameAnswer, before);
    return sameAnswer == before ? Change::Answer : Change::Judgement;
}

void takeAnswer(ReviewInputs& to, const ReviewInputs& from) {
    to.words = from.words, to.wordsOn = from.wordsOn, to.parts = from.parts, to.pictures = from.pictures;
}

} // namespace deft
