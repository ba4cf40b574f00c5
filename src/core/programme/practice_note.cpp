// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/practice_note.h"

#include "base/dates.h"
#include "base/json_reader.h"

#include <algorithm>
#include <set>

namespace deft {
namespace {

constexpr const char* kNoteFormat = "deft-mirror-practice";
constexpr size_t kMostDays = 400; // of one note; chosen here
constexpr int kMostSets = 50;

/// What the reader cannot say by itself: where, and what is not known.
struct Unknown {
    Message& trouble;
    void operator()(const std::string& path, Message why) const {
        if (trouble.empty()) trouble = inPlace(path, std::move(why));
    }
};

void readPractised(const Catalogue& catalogue, JsonReader& r, Practised& p, const Unknown& unknown) {
    r.text("exercise", p.exercise, true);
    r.text("version", p.version);
    r.count("sets", p.sets, 0, kMostSets);
    r.text("effort", p.effort);
    if (!p.effort.empty()) r.oneOf("effort", p.effort, {"easy", "right", "hard", "too-hard"});
    r.texts("felt", p.felt);
    const auto e = catalogue.exercise(p.exercise);
    if (!e) return unknown(r.at("exercise"), e.error().message);
    if (!p.version.empty() && e->versionIndex(p.version) < 0)
        unknown(r.at("version"),
                {"{exercise} has no version \"{version}\"", {{"exercise", p.exercise}, {"version", p.version}}});
    for (const std::string& place : p.felt)
        if (!e->feltPlace(place))
            unknown(r.at("felt"),
                    {"{exercise} has no place \"{place}\"", {{"exercise", p.exercise}, {"place", place}}});
}

void readDay(const Catalogue& catalogue, JsonReader& r, PractisedDay& d, const Unknown& unknown) {
    r.text("day", d.day, true);
    if (!d.day.empty() && !parseDate(d.day)) r.complain(r.at("day"), "a day as 2026-05-14", Json(d.day));
    r.objects("items", [&](JsonReader& i) { readPractised(catalogue, i, d.items.emplace_back(), unknown); });
    if (d.items.size() > size_t(kMostItems))
        r.complain(r.at("items"), {"at most {most} exercises", {{"most", kMostItems}}}, Json(d.items.size()));
    r.flag("pain", d.pain);
    r.text("where", d.where);
    r.texts("red_flags", d.redFlags);
    for (const std::string& flag : d.redFlags)
        if (!catalogue.safety().redFlags.count(flag))
            unknown(r.at("red_flags"), {"\"{flag}\" is not known", {{"flag", flag}}});
    r.text("words", d.words);
}

bool asksFor(const Programme& p, const std::string& exercise, std::chrono::sys_days day) {
    if (day < *parseDate(p.from) || day >= endOf(p)) return false;
    const auto items = itemsOn(p, day);
    return std::any_of(items.begin(), items.end(), [&](size_t i) { return p.items[i].exercise == exercise; });
}

} // namespace

bool isPracticeNote(const Json& document) {
    const auto format = document.is_object() ? document.find("format") : document.end();
    return format != document.end() && *format == kNoteFormat;
}

bool PractisedDay::isDone() const {
    return std::any_of(items.begin(), items.end(), [](const Practised& p) { return p.sets > 0; });
}

Result<PracticeNote> parsePracticeNote(const Catalogue& catalogue, const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, kNoteFormat, 1, where); !ok) return tl::unexpected(ok.error());
    Message trouble, notKnown;
    std::string format;
    int version = 1;
    const Unknown unknown{notKnown};
    PracticeNote n;
    JsonReader r(json, "", trouble, true);
    r.text("format", format), r.count("version", version, 1, 1); // told already
    r.text("client_id", n.clientUid);
    r.text("client", n.client, n.clientUid.empty());
    r.text("programme", n.programme, true);
    r.objects("days", [&](JsonReader& d) { readDay(catalogue, d, n.days.emplace_back(), unknown); });
    if (n.days.size() > kMostDays)
        r.complain("/days", {"at most {most} days", {{"most", kMostDays}}}, Json(n.days.size()));
    std::sort(n.days.begin(), n.days.end(), [](const auto& a, const auto& b) { return a.day < b.day; });
    for (size_t i = 1; i < n.days.size(); ++i)
        if (n.days[i].day == n.days[i - 1].day) r.complain("/days", "each day once", Json(n.days[i].day));
    r.finish();
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    if (!notKnown.empty()) return fail(Errc::NotFound, inPlace(where, notKnown));
    if (auto ok = catalogue.obeysSchema("practice", json, where); !ok) return tl::unexpected(ok.error());
    return n;
}

Json toJson(const PractisedDay& d) {
    Json items = Json::array();
    for (const Practised& p : d.items) {
        Json item = {{"exercise", p.exercise}, {"version", p.version}, {"sets", p.sets}};
        if (!p.effort.empty()) item["effort"] = p.effort;
        if (!p.felt.empty()) item["felt"] = p.felt;
        items.push_back(std::move(item));
    }
    Json j = {{"day", d.day}, {"items", std::move(items)}, {"pain", d.pain}};
    if (!d.where.empty()) j["where"] = d.where;
    if (!d.redFlags.empty()) j["red_flags"] = d.redFlags;
    if (!d.words.empty()) j["words"] = d.words;
    return j;
}

Json toJson(const PracticeNote& n) {
    Json days = Json::array();
    for (const PractisedDay& d : n.days) days.push_back(toJson(d));
    Json j = {{"format", kNoteFormat}, {"version", 1}, {"programme", n.programme}, {"days", std::move(days)}};
    for (const auto& [key, value] : {std::pair{"client_id", &n.clientUid}, {"client", &n.client}})
        if (!value->empty()) j[key] = *value;
    return j;
}

std::string noteInText(const std::string& text) {
    const size_t from = text.find('{'), to = text.rfind('}');
    return from == std::string::npos || to == std::string::npos || to < from ? text : text.substr(from, to - from + 1);
}

std::vector<WeekDone> weeksDone(const Programme& p, const std::vector<PractisedDay>& days,
                                std::chrono::sys_days today) {
    std::vector<WeekDone> out(size_t(std::clamp(weekOf(p, today) + 1, 0, p.weeks)));
    for (size_t w = 0; w < out.size(); ++w) out[w].week = int(w);
    for (const auto day : practiceDays(p))
        if (const auto w = size_t(weekOf(p, day)); w < out.size() && day < today) ++out[w].asked;
    for (const PractisedDay& told : days) {
        const auto day = parseDate(told.day);
        const int w = day ? weekOf(p, *day) : -1;
        if (w < 0 || w >= int(out.size())) continue;
        out[size_t(w)].done += told.isDone();
        out[size_t(w)].pain = out[size_t(w)].pain || told.isAlarming();
    }
    return out;
}

std::optional<Practice> practiceOf(const std::vector<Programme>& programmes, const std::vector<PractisedDay>& days,
                                   const std::string& exercise, std::chrono::sys_days before) {
    Practice sum;
    bool isTold = false;
    for (auto day = before - std::chrono::days(kPracticeDays); day < before; day += std::chrono::days(1)) {
        const Programme* inForce = nullptr;
        for (const Programme& p : programmes)
            if (const auto from = parseDate(p.from); from && *from <= day) inForce = &p;
        if (!inForce) continue;
        sum.asked += asksFor(*inForce, exercise, day);
        for (const PractisedDay& told : days) {
            if (parseDate(told.day) != day) continue;
            isTold = true;
            sum.done += std::any_of(told.items.begin(), told.items.end(),
                                    [&](const Practised& p) { return p.exercise == exercise && p.sets > 0; });
        }
    }
    return isTold && sum.asked > 0 ? std::optional(sum) : std::nullopt;
}

} // namespace deft
