// SPDX-License-Identifier: GPL-3.0-or-later
// What was computed once and is kept to save time.
#include "base/files.h"
#include "base/json.h"
#include "review/review_json.h"
#include "store/cache_names.h"
#include "store/library.h"

#include <QCryptographicHash>

namespace deft {
namespace {
/// @param key of what is kept; the clip's own sum comes first, so that all that is kept of it can be found
std::filesystem::path cacheFile(const std::filesystem::path& folder, const std::string& clipSha256,
                                const std::string& key, const char* ending) {
    const QByteArray hash =
        QCryptographicHash::hash(QByteArray::fromStdString(key), QCryptographicHash::Sha256).toHex().left(32);
    return folder / "cache" / (cachePrefix(clipSha256) + hash.toStdString() + ending);
}
/// Empty for a whole film.
std::string partKey(const ReviewInputs& in) { return in.part ? toLine(toJson(*in.part)) : std::string(); }
// The numbers rise when tracking or proposing itself changes.
std::filesystem::path tracksFile(const std::filesystem::path& folder, const ReviewInputs& in) {
    return cacheFile(folder, in.clipSha256, "1" + in.clipSha256 + partKey(in) + toLine(toJson(in.marks)),
                     ".tracks.csv");
}
std::filesystem::path proposalsFile(const std::filesystem::path& folder, const ReviewInputs& in) {
    return cacheFile(folder, in.clipSha256,
                     "3" + in.clipSha256 + partKey(in) + in.exercise + (in.marks.mirrored ? "m" : ""),
                     ".proposals.json");
}
} // namespace

std::optional<Tracks> Library::cachedTracks(const ReviewInputs& inputs) const {
    const auto path = tracksFile(folder_, inputs);
    const auto csv = readFile(path);
    if (!csv) return std::nullopt;
    auto tracks = parseTracks(*csv, path.string());
    return tracks ? std::optional(std::move(*tracks)) : std::nullopt;
}

void Library::cacheTracks(const ReviewInputs& inputs, const Tracks& tracks) const {
    (void)writeFileAtomically(tracksFile(folder_, inputs), toCsv(tracks));
}

std::optional<Marks> Library::cachedProposals(const ReviewInputs& inputs) const {
    auto marks = readMarks(proposalsFile(folder_, inputs));
    return marks ? std::optional(std::move(*marks)) : std::nullopt;
}

void Library::cacheProposals(const ReviewInputs& inputs, const Marks& proposals) const {
    (void)writeFileAtomically(proposalsFile(folder_, inputs), toText(toJson(proposals)));
}

} // namespace deft
