// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/programme.h"
#include "records/filed_review.h"

namespace deft {

/// What has been filed of one exercise of a client, and how it is done.
struct Reviewed {
    std::vector<FiledReview> reviews; ///< oldest first, at least one
    Schools schools;
    std::vector<std::string> cleared; ///< flags whose readiness list is confirmed
    ClientNote note;                  ///< with the newest clip
};

/// What a programme is proposed from.
struct ProgrammeNeed {
    std::string from; ///< ISO day on which it is to begin
    int weeks = 4;    ///< two to six at one level are normal (common practice, no published source)
    std::vector<std::chrono::weekday> days; ///< empty = every other day
    int minutes = 15;
    std::string uid, clientUid, client, coach;
    std::vector<std::string> flags;
    std::vector<std::string> goals;   ///< of Catalogue::goals(): what the client comes for
    std::string reminder;             ///< in the client's own words
    Schools schools;                  ///< of this coach, for exercises that are new to the client
    std::vector<Reviewed> record;     ///< one for each exercise that was reviewed
    std::string lastPractised;        ///< ISO day; empty = not known
    std::optional<Practice> practice; ///< in the two weeks before
};

struct LeftOut {
    std::string exercise, name;
    Message why; ///< a sentence without a full stop
};

struct ProposedProgramme {
    Programme programme;
    std::vector<LeftOut> leftOut;
};

/// At most six exercises, in the order in which a series is done (finds the position, front, back, sides, the whole,
/// a stretch; common practice, no published source): what is under review goes on with the target that was decided;
/// then what answers a finding; then what serves a goal, one exercise for each part of the body; then what a part that
/// nobody works on is begun with. Nothing that intake
/// locks, nothing harder than what was decided, no more minutes than there are. After two weeks away everything is a
/// version easier (common practice). Every item says why.
/// @errors Unsupported (naming what was told) while a red flag stands: a clinician comes first; BadFormat when `from`
/// is no day
Result<ProposedProgramme> proposeProgramme(const Catalogue& catalogue, const ProgrammeNeed& need);

/// A programme that is running, as what was filed since asks for: targets follow, what was stopped or is locked now
/// goes, after two weeks away it is a version easier. What nothing was filed of stays. Nothing new: the same programme;
/// else a new one from `need.from` on for the weeks that are left. @pre `running.from` is a day @errors as above
Result<ProposedProgramme> growProgramme(const Catalogue& catalogue, const ProgrammeNeed& need,
                                        const Programme& running);

/// What could stand in place of an item: easier versions of it, then exercises for the same part, in their first dose.
/// None is locked; none is in the programme already.
std::vector<ProgrammeItem> insteadOf(const Catalogue& catalogue, const ProgrammeNeed& need, const Programme& programme,
                                     size_t item);

/// An exercise that is new to the client, or another version of one, in the dose in which it begins.
/// @param version empty = where one begins, or the nearest below it that is open
/// @errors Unsupported (naming the reason) when it is locked or only filmed to look at; NotFound
Result<ProgrammeItem> newItem(const Catalogue& catalogue, const ProgrammeNeed& need, const std::string& exercise,
                              const std::string& version = {});

/// A programme of somebody else, as it may be given to this client: locked versions give way to open ones or go.
ProposedProgramme openProgramme(const Catalogue& catalogue, const ProgrammeNeed& need, const Programme& programme);

constexpr size_t kMostProposed = 6; ///< three to six make a series; common practice, no published source

} // namespace deft
