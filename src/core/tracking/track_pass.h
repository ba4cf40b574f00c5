// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "tracking/tracker.h"
#include "video/clip_reader.h"

#include <functional>
#include <set>

namespace deft {

/// What a pass follows: by frame, the points set by hand and where a body finder saw joints.
struct PassInput {
    std::map<int64_t, std::map<std::string, std::optional<Point2>>> marked;
    std::map<int64_t, std::map<std::string, Point2>> seeds;
    /// By frame, see joinMarks(): what is told from the marks around it, and the marks that need not be followed to the
    /// next one, later or earlier.
    std::map<int64_t, std::map<std::string, TrackPoint>> told;
    std::map<int64_t, std::set<std::string>> joinedOnward, joinedBack;
};

/// One way through a clip, in one direction of time.
struct TrackPass {
    PassInput input;
    int64_t begin = 0, end = 0; ///< first frame and last one, which is before it when backward
    std::map<int64_t, std::map<std::string, TrackPoint>> rows; ///< by frame
    std::vector<int64_t> damaged;
    std::map<int64_t, std::set<std::string>> stickers; ///< by frame, of the marks that were set there
    /// The tracker as it was after some frames, without pictures: where a pass with other marks can set out from.
    std::map<int64_t, LandmarkTracker> places;
};

/// Follows the marks from frame `begin` to frame `end`, both included; backward when `end` is before `begin`.
///
/// @param earlier the same way with other marks: what they share is taken from it, so that only the stretch that the
/// difference touches is followed again. The result is the same to the last bit as without it.
/// @param keepPlaces for a later pass
/// @param report called after each frame that was followed, with the number of those that are left
/// @errors Cancelled; those of ClipReader except DamagedFrame
Result<TrackPass> runPass(ClipReader& clip, PassInput input, int64_t begin, int64_t end, const TrackPass* earlier,
                          bool keepPlaces, StopToken stop, const std::function<void(int64_t)>& report);

} // namespace deft
