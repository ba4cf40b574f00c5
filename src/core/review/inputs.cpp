// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/inputs.h"

namespace deft {

Change changeBetween(const ReviewInputs& before, const ReviewInputs& after) {
    if (before == after) return Change::None;
    if (before.marks != after.marks) return Change::Tracks;
    ReviewInputs sameAnswer = after;
    sameAnswer.words = before.words, sameAnswer.wordsOn = before.wordsOn;
    sameAnswer.parts = before.parts, sameAnswer.pictures = before.pictures;
    return sameAnswer == before ? Change::Answer : Change::Judgement;
}

} // namespace deft
