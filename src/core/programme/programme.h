// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
#include "judgement/case.h"

#include <chrono>

namespace deft {

/// One exercise of a programme.
struct ProgrammeItem {
    std::string exercise;
    Target target;      ///< version, dose, side that begins, and on how many days of the week
    double rest_s = 30; ///< between sets
    std::string watch;  ///< to the client: the one thing to watch
    Messages because;   ///< to the coach: why it is here, and why in this dose

    bool operator==(const ProgrammeItem&) const = default;
};

/// What is filmed again, the same way as before, to see what has changed.
struct LookAgain {
    std::string on; ///< ISO day
    std::vector<std::string> exercises;

    bool operator==(const LookAgain&) const = default;
};

/// What a client practises for some weeks, in this order: file format `deft-mirror-programme` 1 (docs/formats.md).
struct Programme {
    std::string uid; ///< the same on the practice page and in the notes that come home
    std::string clientUid, client, coach;
    std::string from; ///< ISO day on which it begins
    int weeks = 4;
    std::vector<std::chrono::weekday> days; ///< of practice, Monday first
    int minutes = 15;                       ///< that the client has on such a day
    std::vector<ProgrammeItem> items;
    std::optional<LookAgain> lookAgain; ///< nothing = the next clip is asked for by each review
    std::vector<std::string> goals;     ///< of Catalogue::goals(): what the client comes for
    std::string reminder;               ///< what reminds the client, in the client's own words; empty = the program's

    const ProgrammeItem* find(const std::string& exercise) const; ///< null = it is not in it
    bool operator==(const Programme&) const = default;
};

/// How much of each there may be in a file.
constexpr int kMostWeeks = 26, kMostMinutes = 180, kMostItems = 12;
constexpr double kMostRest_s = 600;

/// Members that are not known are refused, too. @errors BadFormat naming file, path, what was expected and what was
/// found; NewerVersion; NotFound for exercises and versions that there are none of
Result<Programme> parseProgramme(const Catalogue& catalogue, const Json& json, const std::string& where);
/// As a file: why each exercise is in it, in English.
Json toJson(const Programme& programme, const Language& english);
/// As the library keeps it: why as messages, to be said in any language. It can be read like a file.
Json toJson(const Programme& programme);

/// The exercise of an item, in its version and in these schools. @errors those of Catalogue::form
Result<Exercise> exerciseOf(const Catalogue& catalogue, const ProgrammeItem& item, const Schools& schools = {});

/// "Side plank: Knees bent, up and down"; the version is left out where it has the exercise's own name.
std::string nameWithVersion(const Exercise& exercise, const std::string& version);

/// All days of practice, in order. Empty where `from` is no day.
std::vector<std::chrono::sys_days> practiceDays(const Programme& programme);
/// Which items are done on the k-th day of practice of a week: one that is asked for less often than there are days is
/// spread over them, beginning with the first.
std::vector<size_t> itemsOn(const Programme& programme, size_t dayOfWeek);
/// Which items are done on this day; none on a day of rest.
std::vector<size_t> itemsOn(const Programme& programme, std::chrono::sys_days day);
/// The week in which a day lies, from 0; negative before it begins. @pre `from` is a day
int weekOf(const Programme& programme, std::chrono::sys_days day);
/// The day after the last week. @pre `from` is a day
std::chrono::sys_days endOf(const Programme& programme);

/// "Mon", "Tue" …, as in files in lower case: "mon".
std::string weekdayId(std::chrono::weekday day);

} // namespace deft
