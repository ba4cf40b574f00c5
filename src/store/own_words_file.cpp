// SPDX-License-Identifier: GPL-3.0-or-later
#include "store/own_words_file.h"

#include "base/files.h"
#include "base/json.h"

namespace deft {
namespace {

std::filesystem::path fileOf(const std::filesystem::path& library) { return library / "own-words.json"; }

} // namespace

Result<OwnWords> readOwnWords(const std::filesystem::path& library) {
    const auto json = readJsonFile(fileOf(library));
    if (!json) return json.error().code == Errc::NotFound ? Result<OwnWords>(OwnWords{}) : tl::unexpected(json.error());
    return parseOwnWords(*json, fileOf(library).filename().string());
}

Result<void> writeOwnWords(const std::filesystem::path& library, const OwnWords& words) {
    return writeFileAtomically(fileOf(library), toText(toJson(words)));
}

} // namespace deft
