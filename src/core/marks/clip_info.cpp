// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/clip_info.h"

#include <algorithm>

namespace deft {

int64_t ClipInfo::frameAt(double seconds) const {
    const auto after = std::lower_bound(time_s.begin(), time_s.end(), seconds);
    if (after == time_s.begin()) return 0;
    if (after == time_s.end()) return frames() - 1;
    const auto i = after - time_s.begin();
    return seconds - time_s[size_t(i - 1)] <= *after - seconds ? i - 1 : i;
}

} // namespace deft
