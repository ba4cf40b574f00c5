// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/message.h"

namespace deft {

// Numbers as an answer tells them.

Message countWords(int n);            ///< 3 → "three"
Message ordinal(int rep);             ///< 0 → "first", 10 → "11th"
Message secondsWords(double seconds); ///< "one second", "5.5 seconds", "12 seconds"
/// "+10.4 ± 0.2°" @param u95 nothing = without a band
Amount reading(double value, const std::string& unit, int decimals, bool withSign, std::optional<double> u95 = {});
inline Amount sec(double v) { return {v, 1, "s"}; } ///< "5.6 s"

} // namespace deft
