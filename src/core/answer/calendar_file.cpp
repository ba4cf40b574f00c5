// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/calendar_file.h"

#include <libical/ical.h>

namespace deft {
namespace {

icaltimetype dateOf(std::chrono::sys_days day) {
    const std::chrono::year_month_day date(day);
    icaltimetype out = icaltime_null_date();
    out.year = int(date.year()), out.month = int(unsigned(date.month())), out.day = int(unsigned(date.day()));
    return out;
}

icaltimetype midnightOf(std::chrono::sys_days day) {
    icaltimetype out = dateOf(day);
    out.hour = out.minute = out.second = 0;
    out.is_date = 0, out.zone = icaltimezone_get_utc_timezone();
    return out;
}

icalcomponent* componentOf(const CalendarEvent& e, std::chrono::sys_days made) {
    const icaltriggertype morning = icaltriggertype_from_int(9 * 3600); // after the day begins
    icalcomponent* alarm = icalcomponent_vanew(
        ICAL_VALARM_COMPONENT, icalproperty_new_action(ICAL_ACTION_DISPLAY), icalproperty_new_trigger(morning),
        icalproperty_new_description(e.title.c_str()), static_cast<void*>(nullptr));
    icalcomponent* event =
        icalcomponent_vanew(ICAL_VEVENT_COMPONENT, icalproperty_new_uid(e.uid.c_str()),
                            icalproperty_new_dtstamp(midnightOf(made)), icalproperty_new_dtstart(dateOf(e.day)),
                            icalproperty_new_summary(e.title.c_str()), icalproperty_new_description(e.words.c_str()),
                            icalproperty_new_transp(ICAL_TRANSP_TRANSPARENT), alarm, static_cast<void*>(nullptr));
    if (e.revision) icalcomponent_add_property(event, icalproperty_new_sequence(*e.revision));
    return event;
}

} // namespace

std::string calendarFile(const std::vector<CalendarEvent>& events, std::chrono::sys_days made) {
    icalcomponent* calendar = icalcomponent_vanew(
        ICAL_VCALENDAR_COMPONENT, icalproperty_new_version("2.0"), icalproperty_new_prodid("-//Deft Mirror//EN"),
        icalproperty_new_method(ICAL_METHOD_PUBLISH), static_cast<void*>(nullptr));
    for (const CalendarEvent& e : events) icalcomponent_add_component(calendar, componentOf(e, made));
    char* text = icalcomponent_as_ical_string_r(calendar);
    std::string out(text);
    icalmemory_free_buffer(text);
    icalcomponent_free(calendar);
    return out;
}

} // namespace deft
