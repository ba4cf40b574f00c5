// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "base/result.h"
#include "marks/clip_info.h"

#include <filesystem>
#include <optional>
#include <vector>

namespace deft {

constexpr int kSoundRate_Hz = 16000; ///< enough for a voice and for breath

/// One channel of sound, kSoundRate_Hz, −1 … 1; sample 0 is at 0 s of the clip, its first picture.
using Sound = std::vector<float>;
constexpr double soundSeconds(const Sound& sound) { return double(sound.size()) / kSoundRate_Hz; }

/// The sound of a clip, as long as its pictures at most; gaps are silence. Empty where it has none.
/// @param part of the film, as in ClipReader::open() @errors those of ClipReader::open for the file; Unsupported (sound
/// in a form that cannot be decoded); Cancelled
Result<Sound> readSound(const std::filesystem::path& path, const std::optional<FilmPart>& part = {},
                        StopToken stop = {});

/// The same at another speed, no lower or higher in pitch. @param rate 0.25 … 2; 1 = as it is. @errors Internal
Result<Sound> atSpeed(const Sound& sound, double rate);

} // namespace deft
