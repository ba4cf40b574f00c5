// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/propose.h"
#include "store/library.h"

namespace deft {

/// Everything on record that a programme of this client is proposed from: filed reviews, flags, what came home. Weeks,
/// days and minutes are those of the last programme, else the usual ones.
/// @param from ISO day on which it is to begin @param usual the coach's own schools
ProgrammeNeed programmeNeed(const Library& library, int64_t client, const std::string& from, const Schools& usual);

} // namespace deft
