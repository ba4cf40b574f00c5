// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// What proposing, growing and changing a programme share.

#include "programme/propose.h"

namespace deft {

/// Null where nothing has been filed of it.
const Reviewed* recordOf(const ProgrammeNeed& need, const std::string& exercise);
/// As this client does the exercise; of what is new, as the coach usually has it.
Schools schoolsFor(const ProgrammeNeed& need, const Exercise& exercise);
std::string versionName(const Exercise& exercise, const std::string& version);

/// The one thing to watch: the cue that was given last, else the first of the set-up, else of what must stay.
/// @param past null = nothing was given
std::string watchFor(const Exercise& exercise, const PastReview* past);

/// What keeps this version from the client, one sentence without a full stop; empty = nothing.
Message lockWords(const Catalogue& catalogue, const ProgrammeNeed& need, const Exercise& exercise,
                  const std::string& version);
/// Puts an item that intake locks onto the nearest version below that is open, and says so.
/// @return false when there is none
bool unlock(const Catalogue& catalogue, const ProgrammeNeed& need, const Exercise& exercise, ProgrammeItem& item);

} // namespace deft
