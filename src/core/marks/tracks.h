// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"
#include "geometry/angle.h"

#include <map>
#include <string>
#include <vector>

namespace deft {

enum class PointState {
    Absent, ///< not marked before or after, or marked as not visible
    Seen,
    Weak, ///< found, but with less certainty: shown dashed
    Lost, ///< carried by the rest of its segment, or by nothing at all
    ByHand
};
const char* stateName(PointState state); ///< "absent" "seen" "weak" "lost" "by hand"

/// A landmark in one frame. `sd` is the standard deviation of each axis (px).
struct TrackPoint {
    Point2 at = Point2::Zero();
    double sd = 0;
    PointState state = PointState::Absent;
    bool usable() const { return state != PointState::Absent && state != PointState::Lost; }
    bool operator==(const TrackPoint&) const = default;
};

/// Every landmark in every frame, in order of names.
struct Tracks {
    std::vector<double> time_s;
    std::map<std::string, std::vector<TrackPoint>> landmark;
    std::vector<int64_t> damagedFrames; ///< could not be decoded; their points are Lost

    size_t frames() const { return time_s.size(); }
    const TrackPoint* find(const std::string& name, size_t frame) const;
};

/// A stretch of frames in which one landmark was found less surely, or lost.
struct WeakStretch {
    std::string landmark;
    size_t begin = 0, end = 0; ///< half-open
    size_t worst = 0;          ///< the frame with the widest band, among the lost ones where there are any
    bool lost = false;
};
/// In order of time; shorter stretches than `shortest` frames are left out.
std::vector<WeakStretch> weakStretches(const Tracks& tracks, size_t shortest = 3);

/// `frame,time_s,<landmark>_x,<landmark>_y,<landmark>_sd,<landmark>_state,…`; empty cells where absent.
std::string toCsv(const Tracks& tracks);
/// And back. @errors BadFormat with the line
Result<Tracks> parseTracks(const std::string& csv, const std::string& where);

} // namespace deft
