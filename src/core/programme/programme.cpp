// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/programme.h"

#include "base/dates.h"
#include "base/json_reader.h"
#include "judgement/case_reader.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace deft {
namespace {

constexpr const char* kProgrammeFormat = "deft-mirror-programme";
constexpr size_t kMostReminder = 300; // bytes; chosen here
constexpr std::array<const char*, 7> kWeekdays = {"sun", "mon", "tue", "wed", "thu", "fri", "sat"}; // as C counts them

std::vector<std::chrono::weekday> daysIn(JsonReader& r) {
    std::vector<std::string> ids;
    r.texts("days", ids);
    if (ids.empty()) r.complain(r.at("days"), "a list of days such as \"mon\"", Json(ids));
    std::set<unsigned> days; // Monday first
    for (const std::string& id : ids) {
        const auto known = std::find(kWeekdays.begin(), kWeekdays.end(), id);
        const std::chrono::weekday day(unsigned(known - kWeekdays.begin()) % 7);
        if (known == kWeekdays.end() || !days.insert(day.iso_encoding()).second)
            r.complain(r.at("days"), "days such as \"mon\", each once", Json(id));
    }
    std::vector<std::chrono::weekday> out;
    for (const unsigned day : days) out.emplace_back(day);
    return out;
}

/// @param unknown what there is none of
void readItem(const Catalogue& catalogue, JsonReader& r, ProgrammeItem& item, Message& unknown) {
    r.text("exercise", item.exercise, true);
    r.object(
        "target", [&](JsonReader& t) { readTarget(t, item.target); }, true);
    r.number("rest_s", item.rest_s, 0, kMostRest_s);
    r.text("watch", item.watch);
    r.messages("because", item.because);
    if (!item.target.reps && !item.target.hold_s)
        r.complain(r.at("target"), "reps or hold_s", r.json().value("target", Json()));
    const auto exercise = catalogue.exercise(item.exercise);
    const auto tell = [&](const char* at, Message why) {
        if (unknown.empty()) unknown = inPlace(r.at(at), std::move(why));
    };
    if (!exercise)
        tell("exercise", exercise.error().message);
    else if (!exercise->series)
        tell("exercise", {"{name} is filmed to look at and is not practised", {{"name", Message(exercise->name)}}});
    else if (exercise->versionIndex(item.target.version) < 0)
        tell("target/rung", {"{exercise} has no version \"{version}\"",
                             {{"exercise", item.exercise}, {"version", item.target.version}}});
}

void readLookAgain(const Catalogue& catalogue, JsonReader& r, LookAgain& again, Message& unknown) {
    r.text("on", again.on, true);
    if (!again.on.empty() && !parseDate(again.on)) r.complain(r.at("on"), "a day as 2026-05-14", Json(again.on));
    r.texts("exercises", again.exercises);
    if (again.exercises.size() > size_t(kMostItems))
        r.complain(r.at("exercises"), {"at most {most} exercises", {{"most", kMostItems}}},
                   Json(again.exercises.size()));
    for (const std::string& id : again.exercises)
        if (const auto e = catalogue.exercise(id); !e && unknown.empty())
            unknown = inPlace(r.at("exercises"), e.error().message);
}

} // namespace

const ProgrammeItem* Programme::find(const std::string& exercise) const {
    for (const ProgrammeItem& item : items)
        if (item.exercise == exercise) return &item;
    return nullptr;
}

Result<Programme> parseProgramme(const Catalogue& catalogue, const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, kProgrammeFormat, 1, where); !ok) return tl::unexpected(ok.error());
    Message trouble, unknown;
    std::string format;
    int version = 1;
    Programme p;
    JsonReader r(json, "", trouble, true);
    r.text("format", format), r.count("version", version, 1, 1); // told already
    r.text("id", p.uid, true);
    r.text("client_id", p.clientUid);
    r.text("client", p.client);
    r.text("coach", p.coach);
    r.text("from", p.from, true);
    if (!p.from.empty() && !parseDate(p.from)) r.complain("/from", "a day as 2026-05-14", Json(p.from));
    r.count("weeks", p.weeks, 1, kMostWeeks);
    p.days = daysIn(r);
    r.count("minutes", p.minutes, 1, kMostMinutes);
    r.object("look_again", [&](JsonReader& l) { readLookAgain(catalogue, l, p.lookAgain.emplace(), unknown); });
    r.texts("goals", p.goals);
    for (const std::string& goal : p.goals)
        if (!catalogue.goals().count(goal) && unknown.empty()) unknown = "/goals: there is no goal \"" + goal + "\"";
    r.text("reminder", p.reminder);
    if (p.reminder.size() > kMostReminder)
        r.complain("/reminder", {"at most {most} bytes", {{"most", kMostReminder}}}, Json(p.reminder.size()));
    r.objects("items", [&](JsonReader& i) { readItem(catalogue, i, p.items.emplace_back(), unknown); });
    if (p.items.size() > size_t(kMostItems))
        r.complain("/items", {"at most {most} exercises", {{"most", kMostItems}}}, Json(p.items.size()));
    r.finish();
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    if (!unknown.empty()) return fail(Errc::NotFound, inPlace(where, unknown));
    if (auto ok = catalogue.obeysSchema("programme", json, where); !ok) return tl::unexpected(ok.error());
    return p;
}

static Json written(const Programme& p, const Language* english) {
    Json days = Json::array(), items = Json::array();
    for (const auto day : p.days) days.push_back(weekdayId(day));
    for (const ProgrammeItem& i : p.items) {
        Json item = {{"exercise", i.exercise}, {"target", toJson(i.target)}, {"rest_s", i.rest_s}};
        if (!i.watch.empty()) item["watch"] = i.watch;
        for (const Message& why : i.because) item["because"].push_back(english ? Json(english->say(why)) : toJson(why));
        items.push_back(std::move(item));
    }
    Json j = {{"format", kProgrammeFormat},
              {"version", 1},
              {"id", p.uid},
              {"from", p.from},
              {"weeks", p.weeks},
              {"days", std::move(days)},
              {"minutes", p.minutes},
              {"items", std::move(items)}};
    if (p.lookAgain) j["look_again"] = {{"on", p.lookAgain->on}, {"exercises", p.lookAgain->exercises}};
    if (!p.goals.empty()) j["goals"] = p.goals;
    for (const auto& [key, value] :
         {std::pair{"client_id", &p.clientUid}, {"client", &p.client}, {"coach", &p.coach}, {"reminder", &p.reminder}})
        if (!value->empty()) j[key] = *value;
    return j;
}

Json toJson(const Programme& programme, const Language& english) { return written(programme, &english); }
Json toJson(const Programme& programme) { return written(programme, nullptr); }

Result<Exercise> exerciseOf(const Catalogue& catalogue, const ProgrammeItem& item, const Schools& schools) {
    const auto plain = catalogue.exercise(item.exercise);
    return plain ? catalogue.form({item.exercise, item.target.version, {}, plain->schoolsFor(schools)}) : plain;
}

std::string nameWithVersion(const Exercise& e, const std::string& version) {
    const int at = e.versionIndex(version);
    if (at < 0 || e.name.starts_with(e.ladder[size_t(at)].name)) return e.name;
    return e.name + ": " + e.ladder[size_t(at)].name;
}

std::vector<std::chrono::sys_days> practiceDays(const Programme& p) {
    std::vector<std::chrono::sys_days> out;
    if (!parseDate(p.from)) return out;
    for (auto day = *parseDate(p.from); day < endOf(p); day += std::chrono::days(1))
        if (std::find(p.days.begin(), p.days.end(), std::chrono::weekday(day)) != p.days.end()) out.push_back(day);
    return out;
}

std::vector<size_t> itemsOn(const Programme& p, size_t dayOfWeek) {
    std::vector<size_t> out;
    const size_t days = p.days.size();
    for (size_t i = 0; i < p.items.size() && days > 0; ++i) {
        const size_t times = std::min(days, size_t(std::max(1, p.items[i].target.daysPerWeek)));
        if (dayOfWeek * times % days < times) out.push_back(i);
    }
    return out;
}

std::vector<size_t> itemsOn(const Programme& p, std::chrono::sys_days day) {
    const auto at = std::find(p.days.begin(), p.days.end(), std::chrono::weekday(day));
    return at == p.days.end() ? std::vector<size_t>{} : itemsOn(p, size_t(at - p.days.begin()));
}

int weekOf(const Programme& p, std::chrono::sys_days day) {
    return int(std::floor(double((day - *parseDate(p.from)).count()) / 7));
}

std::chrono::sys_days endOf(const Programme& p) { return *parseDate(p.from) + std::chrono::days(7 * p.weeks); }

std::string weekdayId(std::chrono::weekday day) { return kWeekdays[day.c_encoding()]; }

} // namespace deft
