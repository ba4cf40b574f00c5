// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/clip_info.h"

#include "base/json.h"

#include <algorithm>
#include <cmath>

namespace deft {

Json toJson(const FilmPart& part) { return {{"from_s", rounded(part.from_s, 4)}, {"to_s", rounded(part.to_s, 4)}}; }

Result<FilmPart> parsePart(const Json& json, const std::string& where) {
    return readMembers(where, [&]() -> Result<FilmPart> {
        const FilmPart part{json.at("from_s"), json.at("to_s")};
        if (!(part.from_s >= 0) || !(part.to_s > part.from_s) || !std::isfinite(part.to_s))
            return fail(Errc::BadFormat,
                        {"{where}: expected seconds of the film, the first before the second, found {found}",
                         {{"where", where}, {"found", excerpt(json)}}});
        return part;
    });
}

int64_t ClipInfo::frameAt(double seconds) const {
    const auto after = std::lower_bound(time_s.begin(), time_s.end(), seconds);
    if (after == time_s.begin()) return 0;
    if (after == time_s.end()) return frames() - 1;
    const auto i = after - time_s.begin();
    return seconds - time_s[size_t(i - 1)] <= *after - seconds ? i - 1 : i;
}

} // namespace deft
