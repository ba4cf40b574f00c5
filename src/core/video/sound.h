// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "base/result.h"
#include "marks/clip_info.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <filesystem>
#include <optional>
#include <vector>

namespace deft {

constexpr int kSoundRate_Hz = 16000; ///< enough for a voice and for breath

/// One channel of sound, kSoundRate_Hz, −1 … 1; sample 0 is at 0 s of the clip, its first picture.
using Sound = std::vector<float>;
inline int16_t asInt16(float v) { return int16_t(std::lround(std::clamp(v, -1.0f, 1.0f) * 32767)); }
constexpr double soundSeconds(const Sound& sound) { return double(sound.size()) / kSoundRate_Hz; }

/// The sound of a clip, as long as its pictures at most; gaps are silence. Empty where it has none. Of a file without
/// pictures (WAV): all of it.
/// @param part of the film, as in ClipReader::open() @errors those of ClipReader::open for the file; Unsupported (sound
/// in a form that cannot be decoded); Cancelled
Result<Sound> readSound(const std::filesystem::path& path, const std::optional<FilmPart>& part = {},
                        StopToken stop = {});

/// Writes a WAV file of 16 bits. @errors WriteFailed
Result<void> writeSound(const std::filesystem::path& path, const Sound& sound);

/// What comes out of libav's filters (ffmpeg-filters(1)); numbers in them without a decimal sign, which libav reads as
/// the locale has it. @param rate_Hz of what goes in @errors Internal
Result<Sound> filtered(const Sound& sound, const std::string& filters, int rate_Hz = kSoundRate_Hz);

/// The same at another speed, no lower or higher in pitch. @param rate 0.25 … 2; 1 = as it is. @errors Internal
Result<Sound> atSpeed(const Sound& sound, double rate);

} // namespace deft
