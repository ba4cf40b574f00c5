// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/sides.h"

#include <algorithm>

namespace deft {

std::vector<std::string> sidesOf(const Exercise& e) {
    return e.eachSide ? std::vector<std::string>{"left", "right"} : std::vector<std::string>{""};
}

std::set<std::string> sidesShown(const Exercise& e, const Case& c) {
    if (!e.eachSide) return {""};
    std::set<std::string> shown;
    const auto add = [&](const std::string& side) {
        for (const std::string& one : sidesOf(e))
            if (side == one || side == "both") shown.insert(one);
    };
    for (const Case::Hold& h : c.holds) add(h.side);
    for (const Case::Rep& r : c.reps) add(r.side);
    return shown;
}

int reviewsRunning(const Exercise& e, const Case& c, const std::string& side, bool goodNow,
                   const std::function<bool(const PastReview&)>& good) {
    const bool shownNow = sidesShown(e, c).count(side) > 0;
    if (shownNow && !goodNow) return 0;
    int running = shownNow ? 1 : 0;
    for (auto past = c.history.rbegin(); past != c.history.rend(); ++past) {
        const bool shown = past->sides.empty() ? shownNow
                                               : side.empty() || std::find(past->sides.begin(), past->sides.end(),
                                                                           side) != past->sides.end();
        if (!shown) continue;
        if (!good(*past)) break;
        ++running;
    }
    return running;
}

} // namespace deft
