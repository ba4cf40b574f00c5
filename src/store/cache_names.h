// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

namespace deft {

/// With what the name of every file in cache/ begins that was computed from this clip.
inline std::string cachePrefix(const std::string& clipSha256) { return clipSha256.substr(0, 32) + "-"; }

/// Names the clip whose picture is being made, see Library::lookingAt().
constexpr const char* kLookingAt = "looking-at";

/// A clip in clips/ is named after as much of its sum.
constexpr size_t kClipNameLength = 16;

/// With what the names of voices begin that were spoken over a clip; they lie beside it in clips/.
inline std::string voicePrefix(const std::string& clipSha256) {
    return clipSha256.substr(0, kClipNameLength) + "-voice-";
}

} // namespace deft
