// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "base/dates.h"

namespace deft {

/// The day on which the next clip is due: the one that the client's programme asks for it, where that comes after the
/// answer; else a week after it. Nothing when `answered` is no date.
std::optional<std::chrono::sys_days> nextClipDay(const std::string& answered, const std::string& planned = {});
/// The same for a review: counted from the day of its answer, or from the clip's own while it has none.
std::optional<std::chrono::sys_days> nextClipDay(const ReviewInputs& inputs);

/// The next clip's day as a calendar file (iCalendar, RFC 5545): an event of a whole day that takes no time away, with
/// the target until then, and a reminder in the morning. The same review gives the same bytes.
/// @param answer of a visit: the targets of all its exercises @param inputs then those of the review of its part "next"
/// @errors Unsupported when the review has no date, or no next clip is asked for
Result<std::string> answerCalendar(const Answer& answer, const ReviewInputs& inputs);

} // namespace deft
