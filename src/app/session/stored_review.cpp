// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/stored_review.h"

#include "analysis/analyse.h"
#include "video/clip_reader.h"

namespace deft::ui {

Result<Review> measureStored(const Library& library, const ReviewInputs& inputs, StopToken stop,
                             const ProgressFn& progress) {
    auto reader = ClipReader::open(inputs.clipPath, inputs.part);
    if (!reader) return tl::unexpected(reader.error());
    auto tracks = library.cachedTracks(inputs);
    if (!tracks || int64_t(tracks->frames()) != reader->info().frames())
        return analyse(library.catalogue(), inputs, stop, progress);
    tracks->time_s = reader->info().time_s;
    return measureReview(library.catalogue(), inputs, reader->info(), std::move(*tracks));
}

} // namespace deft::ui
