// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/tracks.h"

#include <array>
#include <functional>
#include <map>

namespace deft {

/// Skin and cloth slide over the bone when a neighbouring joint turns, so a mark on them leaves the point that it
/// stands for: skin is not bone.
struct SoftTissue {
    std::string landmark;
    /// Whose turn moves it: the angle at the middle one. Of two, without the third: how far their line is turned out of
    /// the picture, as its foreshortening tells; so the thigh is seen from the front.
    std::array<std::string, 3> joint;
    double share; ///< standard deviation of the slide, of the trunk's length for each radian
};
/// What is taken for everybody. From memory of the literature on soft-tissue artefact (certainty about 65 %): the front
/// hip point slides by 10 to 20 mm in deep hip flexion, skin over thigh and shank by 5 to 30 mm.
/// @param fromTheSide else left and right are seen, and of the joints only how far a thigh comes out of the picture
const std::vector<SoftTissue>& usualSoftTissue(bool fromTheSide);

/// Standard deviation by which a landmark may have left its bone, px, one for each frame.
using SlideSd = std::map<std::string, std::vector<double>>;

/// Since the mark was set: for what is told as it stands. Of several frames in which it was set the nearest turn
/// counts. Landmarks whose joint is not marked are left out. @param trunk_px shoulder to hip
SlideSd slideSinceMarked(const Tracks& tracks, const std::vector<SoftTissue>& tissue, double trunk_px);
/// Since the still time at the start: for what is told against that. @param inSetup of a time, s
SlideSd slideSinceStart(const Tracks& tracks, const std::vector<SoftTissue>& tissue, double trunk_px,
                        const std::function<bool(double)>& inSetup);

} // namespace deft
