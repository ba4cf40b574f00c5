// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/programme.h"

namespace deft {

/// The days of practice and the day of the next clip as one calendar file (iCalendar, RFC 5545): whole days that take
/// no time away, each with an id of its own, so that a later file of the same programme changes them and adds none.
/// @param revision grows with every file of one programme: calendars keep the newest @param made ISO day of the file
/// @param language the client's; empty = English
/// @errors BadFormat (days that are none); those of Catalogue::form
Result<std::string> programmeCalendar(const Catalogue& catalogue, const Programme& programme, int revision,
                                      const std::string& made, const std::string& language = {});

} // namespace deft
