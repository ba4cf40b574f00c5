// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "proposals/propose.h"

namespace deft {

/// Puts proposals onto the stickers that they mean. A sticker belongs to one landmark. Those of pelvis and trunk lie
/// close together, so they are matched as a whole: the layout may be off by a common shift, but not each point its own
/// way.
void snapToStickers(std::map<std::string, ProposedMark>& marks, const cv::Mat& grey, double torsoPx);

} // namespace deft
