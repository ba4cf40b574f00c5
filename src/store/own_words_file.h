// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/own_words.h"

#include <filesystem>

namespace deft {

/// The coach's own words, in own-words.json of a library's folder: a file that can be copied to another library.
/// @returns none where there is no such file @errors NotReadable, those of parseOwnWords
Result<OwnWords> readOwnWords(const std::filesystem::path& library);
/// @errors WriteFailed
Result<void> writeOwnWords(const std::filesystem::path& library, const OwnWords& words);

} // namespace deft
