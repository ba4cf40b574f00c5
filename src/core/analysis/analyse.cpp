// SPDX-License-Identifier: GPL-3.0-or-later
#include "analysis/analyse.h"

#include "base/files.h"
#include "base/json.h"
#include "marks/clip_of_tracks.h"
#include "review/review_json.h"
#include "tracking/track_clip.h"
#include "video/clip_reader.h"

namespace deft {

Result<Review> analyse(CataloguePtr catalogue, ReviewInputs inputs, StopToken stop, const ProgressFn& progress) {
    auto reader = ClipReader::open(inputs.clipPath, inputs.part);
    if (!reader) return tl::unexpected(reader.error());
    auto marks = fitToClip(inputs.marks, reader->info(), inputs.clipSha256);
    if (!marks) return tl::unexpected(marks.error());
    inputs.marks = std::move(*marks);
    auto tracks = trackClip(*reader, inputs.marks, stop, progress);
    if (!tracks) return tl::unexpected(tracks.error());
    return measureReview(std::move(catalogue), std::move(inputs), reader->info(), std::move(*tracks));
}

Result<Review> readFolder(CataloguePtr catalogue, const std::filesystem::path& folder) {
    const auto file = folder / "review.json";
    auto json = readJsonFile(file);
    if (!json) return tl::unexpected(json.error());
    if (auto ok = expectFormat(*json, "deft-mirror-review", 1, file.string()); !ok) return tl::unexpected(ok.error());
    if (!json->contains("inputs"))
        return fail(Errc::BadFormat, {"{file}: /inputs is missing; analyse the clip again", {{"file", file.string()}}});
    auto inputs = parseInputs((*json)["inputs"], file.string() + ": /inputs");
    if (!inputs) return tl::unexpected(inputs.error());
    auto csv = readFile(folder / "tracks.csv");
    if (!csv) return tl::unexpected(csv.error());
    auto tracks = parseTracks(*csv, (folder / "tracks.csv").string());
    if (!tracks) return tl::unexpected(tracks.error());
    auto reader = ClipReader::open(inputs->clipPath, inputs->part);
    if (!reader && reader.error().code == Errc::NotFound) {
        ClipInfo clip = clipOf(*tracks);
        return measureReview(std::move(catalogue), std::move(*inputs), std::move(clip), std::move(*tracks));
    }
    if (!reader) return tl::unexpected(reader.error());
    if (reader->info().frames() != int64_t(tracks->frames()))
        return fail(Errc::Conflict, {"{folder}: its tracks do not belong to the clip {clip}; analyse it again",
                                     {{"folder", folder.string()}, {"clip", inputs->clipPath}}});
    tracks->time_s = reader->info().time_s; // the file keeps six decimals
    return measureReview(std::move(catalogue), std::move(*inputs), reader->info(), std::move(*tracks));
}

} // namespace deft
