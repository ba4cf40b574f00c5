// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "base/progress.h"
#include "store/library.h"

namespace deft::ui {

/// Which filed clips of a client may show the client's own best frame beside the exercises of a programme: the newest
/// of each exercise in its version. None without consent to pictures on that day.
std::vector<ReviewInputs> clipsToShow(const Library& library, const Client& client, const Programme& programme,
                                      const std::string& today);

/// The middle of the best clean hold of each, by exercise, every face made unrecognisable; on any thread. A clip that
/// has gone, in which nothing was clean, or whose faces cannot be covered shows none.
std::map<std::string, PictureData> ownPictures(const Library& library, const std::vector<ReviewInputs>& clips,
                                               StopToken stop, const ProgressFn& progress);

/// The top of the first rep of a filed clip, faces covered; on any thread. Empty where it cannot be shown.
PictureData topPicture(const Library& library, const ReviewInputs& clip, StopToken stop, const ProgressFn& progress);

} // namespace deft::ui
