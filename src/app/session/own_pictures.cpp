// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/own_pictures.h"

#include "answer/clip_words.h"
#include "app/documents/answer_picture.h"
#include "app/session/stored_review.h"
#include "readings/compare.h"

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

namespace {

/// A frame of a filed clip, by a rep that is chosen once the clip has been measured; −1 = none.
PictureData pictureOf(const Library& library, const ReviewInputs& inputs, const std::function<int(const Review&)>& rep,
                      const std::function<double(const Rep&)>& time, StopToken stop, const ProgressFn& progress) {
    const auto review = measureStored(library, inputs, stop, progress);
    auto reader = review ? ClipReader::open(inputs.clipPath, inputs.part) : tl::unexpected(review.error());
    if (!reader) return {};
    const int chosen = rep(*review);
    if (chosen < 0 || chosen >= int(review->events.reps.size())) return {};
    AnswerPicture picture;
    picture.frame = review->clip().frameAt(time(review->events.reps[size_t(chosen)])), picture.rep = chosen;
    return pictureMaker(*review, *reader)(picture);
}

} // namespace

PictureData topPicture(const Library& library, const ReviewInputs& clip, StopToken stop, const ProgressFn& progress) {
    return pictureOf(
        library, clip, [](const Review&) { return 0; }, [](const Rep& rep) { return alignedTime(rep, kAlignTop); },
        stop, progress);
}

std::map<std::string, PictureData> ownPictures(const Library& library, const std::vector<ReviewInputs>& clips,
                                               StopToken stop, const ProgressFn& progress) {
    std::map<std::string, PictureData> out;
    for (const ReviewInputs& inputs : clips) {
        PictureData data = pictureOf(
            library, inputs, praisedRep, [](const Rep& rep) { return (rep.hold.start_s + rep.hold.end_s) / 2; }, stop,
            progress);
        if (!data.base64.empty()) out[inputs.exercise] = std::move(data);
    }
    return out;
}

} // namespace deft::ui
