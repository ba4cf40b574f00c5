// SPDX-License-Identifier: GPL-3.0-or-later
#include "store/programme_need.h"

#include "base/dates.h"

#include <QUuid>
#include <set>

namespace deft {
namespace {

/// All exercises together: a client who does half of everything is meant by it.
std::optional<Practice> practiceOfAll(const std::vector<GivenProgramme>& given, const std::vector<PractisedDay>& days,
                                      std::chrono::sys_days from) {
    if (given.empty() || days.empty()) return std::nullopt;
    std::vector<Programme> programmes;
    std::set<std::string> exercises;
    for (const GivenProgramme& g : given) {
        programmes.push_back(g.programme);
        for (const ProgrammeItem& item : g.programme.items) exercises.insert(item.exercise);
    }
    std::optional<Practice> most; // the exercise that was asked for on most days stands for the rhythm
    for (const std::string& id : exercises)
        if (const auto p = practiceOf(programmes, days, id, from); p && (!most || p->asked > most->asked)) most = p;
    return most;
}

} // namespace

ProgrammeNeed programmeNeed(const Library& library, int64_t id, const std::string& from, const Schools& usual) {
    ProgrammeNeed need;
    need.from = from, need.schools = usual, need.coach = library.coach().name;
    need.uid = QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
    const auto client = library.client(id);
    if (!client) return need;
    need.clientUid = client->uid, need.client = client->name, need.flags = client->flags;
    std::map<std::string, std::pair<const Clip*, const Clip*>> newest; // exercise → newest clip, newest that was filed
    const auto clips = library.clipsOf(id);
    for (const Clip& c : clips) {
        auto& [any, filed] = newest[c.draft.exercise];
        if (!any || c.id > any->id) any = &c;
        if (c.filed && (!filed || c.id > filed->id)) filed = &c;
    }
    for (const auto& [exercise, of] : newest) {
        if (!of.second) continue;
        Reviewed r{library.filed(id, exercise), of.second->draft.schools, of.second->draft.cleared,
                   of.first->draft.note};
        if (!r.reviews.empty()) need.record.push_back(std::move(r));
    }
    const auto given = library.programmes(id);
    const auto days = library.practised(id);
    for (const PractisedDay& day : days)
        if (day.isDone()) need.lastPractised = std::max(need.lastPractised, day.day);
    // Pain that was told at home counts like pain that came with a clip, until a later clip says otherwise.
    for (const PractisedDay& day : days)
        for (Reviewed& r : need.record) {
            const bool isOfIt = std::any_of(day.items.begin(), day.items.end(), [&](const Practised& p) {
                return p.exercise == r.reviews.back().exercise;
            });
            if (day.day <= r.reviews.back().date) continue;
            if (day.pain && (isOfIt || day.items.empty())) r.note.pain = true;
            for (const std::string& flag : day.redFlags) r.note.redFlags.push_back(flag);
        }
    if (const auto day = parseDate(from)) need.practice = practiceOfAll(given, days, *day);
    if (!given.empty()) {
        const Programme& last = given.back().programme;
        need.weeks = last.weeks, need.days = last.days, need.minutes = last.minutes;
        need.goals = last.goals, need.reminder = last.reminder;
    }
    return need;
}

} // namespace deft
