// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/breath.h"

namespace deft {

/// What is heard of breathing in a clip. Breath is noise without a pitch, between 300 and 3000 Hz at a phone's
/// microphone, that swells and dies away within some seconds; a voice has a pitch, a knock is short.
struct BreathSound {
    double rate_Hz = 0;        ///< of level
    std::vector<double> level; ///< dB over the room's own noise, at least 0
    /// Beginnings of what may be breaths out, rising: for the coach to hear and confirm, never counted by themselves.
    std::vector<BreathTap> proposed;
};

/// @param samples one channel, −1 … 1 @param rate_Hz at least 8000 @returns empty where there is no sound
BreathSound hearBreath(const std::vector<float>& samples, double rate_Hz);

} // namespace deft
