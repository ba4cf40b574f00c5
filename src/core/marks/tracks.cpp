// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/tracks.h"

#include <algorithm>

namespace deft {

const char* stateName(PointState state) {
    switch (state) {
    case PointState::Seen:
        return "seen";
    case PointState::Weak:
        return "weak";
    case PointState::Lost:
        return "lost";
    case PointState::ByHand:
        return "by hand";
    case PointState::Absent:
        break;
    }
    return "absent";
}

const TrackPoint* Tracks::find(const std::string& name, size_t frame) const {
    const auto it = landmark.find(name);
    if (it == landmark.end() || frame >= it->second.size()) return nullptr;
    return &it->second[frame];
}

std::vector<WeakStretch> weakStretches(const Tracks& tracks, size_t shortest) {
    std::vector<WeakStretch> out;
    for (const auto& [name, points] : tracks.landmark) {
        auto poor = [&, &track = points](size_t i) {
            return track[i].state == PointState::Weak || track[i].state == PointState::Lost;
        };
        for (size_t i = 0; i < points.size();) {
            if (!poor(i)) {
                ++i;
                continue;
            }
            WeakStretch s{name, i, i, i, false};
            for (; s.end < points.size() && poor(s.end); ++s.end) {
                const bool lost = points[s.end].state == PointState::Lost;
                if ((lost && !s.lost) || (lost == s.lost && points[s.end].sd > points[s.worst].sd)) s.worst = s.end;
                s.lost = s.lost || lost;
            }
            i = s.end;
            if (s.end - s.begin >= shortest) out.push_back(std::move(s));
        }
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const WeakStretch& a, const WeakStretch& b) { return a.begin < b.begin; });
    return out;
}

} // namespace deft
