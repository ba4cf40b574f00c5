// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/inputs.h"

namespace deft {

Change changeBetween(const ReviewInputs& before, const ReviewInputs& after) {
    if (before == after) return Change::None;
    if (before.marks != after.marks || before.part != after.part) return Change::Tracks;
    ReviewInputs sameAnswer = after;
    takeAnswer(sameAnswer, before);
    return sameAnswer == before ? Change::Answer : Change::Judgement;
}

void takeAnswer(ReviewInputs& to, const ReviewInputs& from) {
    to.words = from.words, to.wordsOn = from.wordsOn, to.parts = from.parts, to.pictures = from.pictures;
    to.order = from.order, to.ready = from.ready, to.language = from.language, to.spoken = from.spoken;
}

ReviewInputs ofPart(ReviewInputs in, const std::optional<FilmPart>& part) {
    if (in.part == part) return in;
    const double later = (in.part ? in.part->from_s : 0) - (part ? part->from_s : 0);
    for (auto* frames : {&in.marks.frames, &in.marks.seeds}) {
        for (MarkedFrame& f : *frames) f.time_s += later;
        std::erase_if(*frames, [&](const MarkedFrame& f) {
            return f.time_s < 0 || (part && f.time_s > part->to_s - part->from_s);
        });
    }
    in.agreed.clear(), in.seen.clear(), in.drawings.clear(), in.breaths.clear(), in.pictures.clear();
    in.neutral.reset(), in.spoken.reset();
    in.ready = false;
    in.part = part;
    return in;
}

} // namespace deft
