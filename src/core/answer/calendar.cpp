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

std::optional<std::chrono::sys_days> nextClipDay(const std::string& reviewDate) {
    const auto day = parseDate(reviewDate);
    return day ? std::optional(*day + kUntilNext) : std::nullopt;
}

Result<std::string> answerCalendar(const Answer& answer, const ReviewInputs& inputs) {
    const auto due = nextClipDay(inputs.date);
    if (!due) return fail(Errc::Unsupported, "the review has no date, so there is no next date either");
    const icaltimetype day = dateOf(*due);
    icaltimetype reviewed = dateOf(*parseDate(inputs.date));
    reviewed.is_date = 0, reviewed.zone = icaltimezone_get_utc_timezone();
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
        icalcomponent_vanew(ICAL_VEVENT_COMPONENT, icalproperty_new_uid(uid.c_str()),
                            icalproperty_new_dtstamp(reviewed), icalproperty_new_dtstart(day),
                            icalproperty_new_summary(title.c_str()), icalproperty_new_description(words.c_str()),
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
