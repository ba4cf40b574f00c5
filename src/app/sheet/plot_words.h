// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

#include <QString>

namespace deft::ui {

// What the plots of a review show, for whoever does not see them.

/// Each rep's control range and reach: "Rep 1: in control up to 12° of 27°; …"; of a hold the clean and the held time.
QString giveWayInWords(const Review& review);
/// When each rep began and ended, and when what was out of tolerance.
QString timePlotsInWords(const Review& review);
/// Both as a table: a line of heads, then one a rep, cells parted by tabs; numbers in the coach's language.
QString plotsAsText(const Review& review);

} // namespace deft::ui
