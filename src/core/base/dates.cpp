// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/dates.h"

#include <cstdio>

namespace deft {
using namespace std::chrono;

std::optional<sys_days> parseDate(const std::string& iso) {
    int y = 0, used = 0;
    unsigned m = 0, d = 0;
    if (std::sscanf(iso.c_str(), "%4d-%2u-%2u%n", &y, &m, &d, &used) != 3 || used != 10 || iso.size() != 10)
        return std::nullopt;
    const year_month_day date{year(y), month(m), day(d)};
    if (!date.ok()) return std::nullopt;
    return sys_days(date);
}

std::string isoDate(sys_days days) {
    const year_month_day date(days);
    char text[16];
    std::snprintf(text, sizeof text, "%04d-%02u-%02u", int(date.year()), unsigned(date.month()), unsigned(date.day()));
    return text;
}

std::string dayInWords(sys_days days) {
    static constexpr const char* kDays[] = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                            "Thursday", "Friday", "Saturday"};
    static constexpr const char* kMonths[] = {"January", "February", "March",     "April",   "May",      "June",
                                              "July",    "August",   "September", "October", "November", "December"};
    const year_month_day date(days);
    return std::string(kDays[weekday(days).c_encoding()]) + " " + std::to_string(unsigned(date.day())) + " " +
           kMonths[unsigned(date.month()) - 1];
}

} // namespace deft
