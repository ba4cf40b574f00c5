// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/own_pictures.h"

#include "answer/clip_words.h"
#include "app/documents/answer_picture.h"
#include "app/session/stored_review.h"

namespace deft::ui {

std::vector<ReviewInputs> clipsToShow(const Library& library, const Client& client, const Programme& programme,
                                      const std::string& today) {
    std::vector<ReviewInputs> out;
    if (!allowsPictures(client.consent, today)) return out;
    const auto clips = library.clipsOf(client.id);
    for (const ProgrammeItem& item : programme.items) {
        const Clip* newest = nullptr;
        for (const Clip& c : clips)
            if (c.filed && c.draft.exercise == item.exercise && c.draft.asked.version == item.target.version &&
                (!newest || c.id > newest->id))
                newest = &c;
        if (newest) out.push_back(newest->draft);
    }
    return out;
}

std::map<std::string, PictureData> ownPictures(const Library& library, const std::vector<ReviewInputs>& clips,
                                               StopToken stop, const ProgressFn& progress) {
    std::map<std::string, PictureData> out;
    for (const ReviewInputs& inputs : clips) {
        const auto review = measureStored(library, inputs, stop, progress);
        auto reader = review ? ClipReader::open(inputs.clipPath) : tl::unexpected(review.error());
        if (!reader) continue;
        const int best = praisedRep(*review);
        if (best < 0) continue;
        const Hold& hold = review->events.reps[size_t(best)].hold;
        AnswerPicture picture;
        picture.frame = review->clip().frameAt((hold.start_s + hold.end_s) / 2), picture.rep = best;
        if (PictureData data = pictureMaker(*review, *reader)(picture); !data.base64.empty())
            out[inputs.exercise] = std::move(data);
    }
    return out;
}

} // namespace deft::ui
