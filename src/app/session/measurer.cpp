// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/measurer.h"

#include "tracking/track_clip.h"
#include "video/clip_reader.h"

namespace deft::ui {

bool Measurer::needs(const Clip& clip) const {
    const auto exercise = exerciseOf(*library_.catalogue(), clip.draft);
    return exercise && isMarked(*exercise, clip.draft.marks) && !library_.cachedTracks(clip.draft);
}

void Measurer::start(const Clip& clip) {
    job_.run(
        [clip](StopToken stop, const ProgressFn& progress) -> Result<std::pair<ReviewInputs, Tracks>> {
            auto reader = ClipReader::open(clip.draft.clipPath, clip.draft.part);
            if (!reader) return tl::unexpected(reader.error());
            // The same marks as opening would use, or the result would not be found again.
            ReviewInputs inputs = clip.draft;
            auto marks = fitToClip(inputs.marks, reader->info(), inputs.clipSha256);
            if (!marks) return tl::unexpected(marks.error());
            inputs.marks = std::move(*marks);
            auto tracks = trackClip(*reader, inputs.marks, stop, progress);
            if (!tracks) return tl::unexpected(tracks.error());
            return std::pair{std::move(inputs), std::move(*tracks)};
        },
        [this, clip](const Result<std::pair<ReviewInputs, Tracks>>& measured) {
            if (measured) {
                library_.cacheTracks(measured->first, measured->second);
                if (!(measured->first.marks == clip.draft.marks)) library_.cacheTracks(clip.draft, measured->second);
            }
            done(measured ? Message() : measured.error().message);
        });
}

} // namespace deft::ui

#include "moc_measurer.cpp"
