// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "marks/clip_info.h"
#include "marks/marks.h"
#include "proposals/body_layout.h"

namespace deft {

class ClipReader;

/// Where a proposed mark comes from.
enum class MarkSource { Keypoint, Layout, LastTime, Sticker };
const char* sourceName(MarkSource source); ///< "keypoint" "layout" "last-time" "sticker"

/// A place offered for a landmark; nothing is measured with it before somebody has confirmed it.
struct ProposedMark {
    Point2 at = Point2::Zero();
    double sd = 0;    ///< px, of each axis
    double score = 0; ///< 0…1
    MarkSource from = MarkSource::Keypoint;
};

struct Proposals {
    int64_t frame = 0; ///< in which the marks are proposed
    double time_s = 0;
    std::map<std::string, ProposedMark> marks;
    std::vector<std::string> empty; ///< landmarks of the exercise for which there is no trustworthy place
    std::optional<BodyFacts> facts; ///< nothing when nobody was found
    std::string missing;            ///< why keypoints could not be used; empty when they were
    std::vector<MarkedFrame> seeds; ///< joints found over the clip, to go with the marks (Marks::seeds)
};

constexpr int kLooks = 5; ///< frames of a clip that are searched for a body

/// Bodies in frames spread over a clip, by frame; damaged frames are passed over. @errors Cancelled
Result<std::map<int64_t, FoundBody>> findBodies(ClipReader& clip, KeypointNetwork& network, int looks,
                                                StopToken stop = {}, const ProgressFn& progress = {});

/// What is known before the clip is looked at.
struct ProposeContext {
    bool mirrored = false;
    BodyLayout layout;             ///< of this client
    std::optional<Marks> lastTime; ///< of the client's last clip of this exercise
    int lastWidth = 0, lastHeight = 0;

    /// Takes in where the client's points lay in the first marked frame of another clip.
    void learn(const Marks& marks, const Exercise& exercise);
};

/// @param network when it could not be loaded, only stickers and last time's marks are used, and `missing` says why
/// @errors Cancelled, those of ClipReader
Result<Proposals> proposeMarks(const Catalogue& catalogue, ClipReader& clip, Result<KeypointNetwork>& network,
                               const Exercise& exercise, const ProposeContext& context, StopToken stop = {},
                               const ProgressFn& progress = {});

/// Puts the layout's proposals where they belong to joints that have been confirmed or moved meanwhile.
void followMarks(Proposals& proposals, const Exercise& exercise, const BodyLayout& layout,
                 const std::map<std::string, Point2>& confirmed);

} // namespace deft
