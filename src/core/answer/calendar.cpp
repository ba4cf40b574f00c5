// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/calendar.h"

#include <libical/ical.h>

namespace deft {
namespace {
constexpr std::chrono::days kUntilNext{7}; // common practice, no published source

icaltimetype dateOf(std::chrono::sys_days day) {
    const std::chrono::year_month_day date(day);
    icaltimetype out = icaltime_null_date();
    out.year = int(date.year()), out.month = int(unsigned(date.month())), out.day = int(unsigned(date.day()));
    return out;
}
} // namespace

std::optional<std::chrono::sys_days> nextClipDay(const std::string& answered) {
    const auto day = parseDate(answered);
    return day ? std::optional(*day + kUntilNext) : std::nullopt;
}

std::optional<std::chrono::sys_days> nextClipDay(const ReviewInputs& inputs) {
    return nextClipDay(inputs.answered.empty() ? inputs.date : inputs.answered);
}

Result<std::string> answerCalendar(const Answer& answer, const ReviewInputs& inputs) {
    if (const AnswerPart* next = answer.find("next"); !next || !next->sent)
        return fail(Errc::Unsupported, "no next clip is asked for, so there is no day for one");
    const auto due = nextClipDay(inputs);
    if (!due) return fail(Errc::Unsupported, "the review has no date, so there is no next date either");
    const icaltimetype day = dateOf(*due);
    icaltimetype made = dateOf(*due - kUntilNext); // midnight: the same review gives the same bytes
    made.hour = made.minute = made.second = 0;
    made.is_date = 0, made.zone = icaltimezone_get_utc_timezone();
    const AnswerPart* target = answer.find("target");
    const std::string title = "Film your " + answer.exerciseName;
    std::string words = target && target->sent ? target->text + "\n" : "";
    words += kScopeNote;
    const std::string uid = inputs.clipSha256.substr(0, 32) + "-" + inputs.date + "@deft-mirror.invalid";

    icaltriggertype morning = icaltriggertype_from_int(9 * 3600); // after the day begins
    icalcomponent* alarm = icalcomponent_vanew(
        ICAL_VALARM_COMPONENT, icalproperty_new_action(ICAL_ACTION_DISPLAY), icalproperty_new_trigger(morning),
        icalproperty_new_description(title.c_str()), static_cast<void*>(nullptr));
    icalcomponent* event =
        icalcomponent_vanew(ICAL_VEVENT_COMPONENT, icalproperty_new_uid(uid.c_str()), icalproperty_new_dtstamp(made),
                            icalproperty_new_dtstart(day), icalproperty_new_summary(title.c_str()),
                            icalproperty_new_description(words.c_str()),
                            icalproperty_new_transp(ICAL_TRANSP_TRANSPARENT), alarm, static_cast<void*>(nullptr));
    icalcomponent* calendar = icalcomponent_vanew(
        ICAL_VCALENDAR_COMPONENT, icalproperty_new_version("2.0"), icalproperty_new_prodid("-//Deft Mirror//EN"),
        icalproperty_new_method(ICAL_METHOD_PUBLISH), event, static_cast<void*>(nullptr));
    char* text = icalcomponent_as_ical_string_r(calendar);
    std::string out(text);
    icalmemory_free_buffer(text);
    icalcomponent_free(calendar);
    return out;
}

} // namespace deft
