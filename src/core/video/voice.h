// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "video/sound.h"

namespace deft {

/// What somebody said into a microphone, as it goes to a client.
struct Voice {
    Sound sound;
    double cut_s = 0; ///< taken off its beginning
};

/// Cuts the silence before and after it and makes it as loud as voices on a phone are: -16 LUFS (EBU R 128's measure;
/// the number is common practice, no published source), peaks below -2 dB, without the rumble below a voice.
/// @param rate_Hz of the recording @errors NotFound (nothing was heard), Internal
Result<Voice> readyVoice(const Sound& recorded, int rate_Hz = kSoundRate_Hz);

} // namespace deft
