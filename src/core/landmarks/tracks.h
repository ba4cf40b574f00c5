#pragma once
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
};

/// Every landmark in every frame, in order of names.
struct Tracks {
    std::vector<double> time_s;
    std::map<std::string, std::vector<TrackPoint>> landmark;
    std::vector<int64_t> damagedFrames; ///< could not be decoded; their points are Lost

    size_t frames() const { return time_s.size(); }
    const TrackPoint* find(const std::string& name, size_t frame) const;
};

/// `frame,time_s,<landmark>_x,<landmark>_y,<landmark>_sd,<landmark>_state,…`; empty cells where absent.
std::string toCsv(const Tracks& tracks);

} // namespace deft
