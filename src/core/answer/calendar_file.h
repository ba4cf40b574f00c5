// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <chrono>
#include <optional>
#include <string>
#include <vector>

namespace deft {

/// A whole day on which something is to be done; it takes no time away.
struct CalendarEvent {
    std::string uid, title, words;
    std::chrono::sys_days day;
    std::optional<int> revision{}; ///< a later file of the same uid takes the place of one with a smaller number
};

/// A calendar file (iCalendar, RFC 5545) with a reminder at nine in the morning of each day. The same events give the
/// same bytes. @param made as it is told in the file
std::string calendarFile(const std::vector<CalendarEvent>& events, std::chrono::sys_days made);

} // namespace deft
