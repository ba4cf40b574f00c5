// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/programme.h"

namespace deft {

/// One exercise as it was done on one day.
struct Practised {
    std::string exercise, version;
    int sets = 0;                  ///< that were done
    std::string effort;            ///< easy, right, hard, too-hard; empty = not told
    std::vector<std::string> felt; ///< places of the exercise's own list

    bool operator==(const Practised&) const = default;
};

/// A day of practice, as the client tells it.
struct PractisedDay {
    std::string day; ///< ISO
    std::vector<Practised> items;
    bool pain = false;
    std::string where; ///< it hurt, in the client's words
    std::vector<std::string> redFlags;
    std::string words;

    bool operator==(const PractisedDay&) const = default;
    bool isAlarming() const { return pain || !redFlags.empty(); }
    bool isDone() const; ///< at least one set of something
};

/// What comes home from the practice page: file format `deft-mirror-practice` 1 (docs/formats.md).
struct PracticeNote {
    std::string clientUid, client, programme; ///< the programme's uid
    std::vector<PractisedDay> days;           ///< in order, each once

    bool operator==(const PracticeNote&) const = default;
};

/// Does a document say that it is such a note?
bool isPracticeNote(const Json& document);
/// Members that are not known are refused. @errors BadFormat naming file, path, what was expected and what was found;
/// NewerVersion; NotFound for exercises, versions, places and red flags that there are none of
Result<PracticeNote> parsePracticeNote(const Catalogue& catalogue, const Json& json, const std::string& where);
Json toJson(const PracticeNote& note);
Json toJson(const PractisedDay& day);

/// The note in a text that was pasted or mailed: the JSON document between its first { and its last }. Else the text as
/// it is.
std::string noteInText(const std::string& text);

/// Asked and done days of one week of a programme.
struct WeekDone {
    int week = 0; ///< from 0
    int asked = 0, done = 0;
    bool pain = false;
};

/// Week by week, up to and with the one in which `today` lies. A week that is under way asks only for the days that are
/// over. @pre the programme's `from` is a day
std::vector<WeekDone> weeksDone(const Programme& programme, const std::vector<PractisedDay>& days,
                                std::chrono::sys_days today);

/// The days of this exercise in the kPracticeDays before a day, as far as a programme asked for it then. Nothing where
/// it asked for none, or no day of it has been told since it began. @param programmes oldest first: a later one takes
/// the place of what an earlier one still asks for
std::optional<Practice> practiceOf(const std::vector<Programme>& programmes, const std::vector<PractisedDay>& days,
                                   const std::string& exercise, std::chrono::sys_days before);

} // namespace deft
