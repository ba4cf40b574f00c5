// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/json.h"
#include "exercises/catalogue.h"
#include "judgement/asked.h"
#include "judgement/case.h"
#include "judgement/case_reader.h"
#include "judgement/decision.h"
#include "judgement/safety.h"
#include "judgement/targets.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace deft {
namespace {

using Reader = JsonReader;

constexpr double kHour_s = 3600, kFar = 1e4, kMostReps = 1e4;

void readPast(Reader& r, PastReview& p) {
    r.text("date", p.date, true);
    r.text("rung", p.version);
    r.object("target", [&](Reader& t) { readTarget(t, p.target); });
    r.flag("met", p.met);
    r.flag("clean", p.clean);
    r.texts("sides", p.sides);
    for (const std::string& side : p.sides) r.oneOf("sides", side, {"left", "right"});
    r.texts("faults", p.faults);
    r.objects("cues", [&](Reader& c) {
        PastCue cue;
        c.text("fault", cue.fault, true);
        c.text("rung", cue.level, true);
        c.oneOf("rung", cue.level, {"set-up", "internal", "image", "touch", "prop", "easier"});
        c.number("worst", cue.worst, -kFar, kFar);
        c.number("mdc", cue.mdc, 0, kFar);
        p.cues.push_back(cue);
    });
}

void readNow(Reader& r, Case& c) {
    auto side = [](Reader& s, std::string& to) {
        s.text("side", to);
        s.oneOf("side", to, {"left", "right", "both"});
    };
    r.flag("usable", c.usable);
    r.objects("setup", [&](Reader& s) {
        std::string id, verdict;
        s.text("id", id, true), s.text("verdict", verdict, true);
        s.oneOf("verdict", verdict, {"good", "poor", "cannot-tell"});
        c.setup.emplace_back(id, verdict);
    });
    r.objects("holds", [&](Reader& s) {
        Case::Hold h;
        side(s, h.side);
        s.number("duration_s", h.duration_s, 0, kHour_s, true);
        h.clean_s = h.duration_s;
        s.number("clean_s", h.clean_s, 0, kHour_s);
        s.text("broken_by", h.brokenBy);
        s.number("tremor_share", h.tremorShare, 0, 100);
        s.number("tremor_share_u95", h.tremorU95, 0, 100);
        if (h.clean_s > h.duration_s) s.complain(s.at("clean_s"), "no more than duration_s", Json(h.clean_s));
        c.holds.push_back(h);
    });
    r.objects("reps", [&](Reader& s) {
        Case::Rep p;
        side(s, p.side);
        s.number("reach", p.reach, 0, kFar, true);
        p.controlRange = p.reach;
        s.number("control_range", p.controlRange, 0, kFar);
        s.number("u95", p.u95, 0, kFar);
        s.text("broken_by", p.brokenBy);
        s.flag("on_the_way_back", p.onTheWayBack);
        if (p.controlRange > p.reach) s.complain(s.at("control_range"), "no more than reach", Json(p.controlRange));
        c.reps.push_back(p);
    });
    r.texts("between", c.between);
    r.objects("faults", [&](Reader& s) {
        Case::Fault f;
        s.text("id", f.id, true);
        s.text("measure", f.measure);
        f.certainty = "clear";
        s.text("certainty", f.certainty);
        s.oneOf("certainty", f.certainty, {"clear", "cannot-tell"});
        s.number("worst", f.worst, -kFar, kFar);
        s.number("u95", f.u95, 0, kFar);
        double rep = 1;
        s.number("rep", rep, 1, kMostReps);
        f.rep = int(rep) - 1;
        c.faults.push_back(f);
    });
}

void readNote(Reader& r, ClientNote& note) {
    r.flag("pain", note.pain);
    r.flag("shaking", note.shaking);
    r.texts("red_flags", note.redFlags);
    r.texts("signs", note.signs);
    r.texts("felt", note.felt);
    r.text("words", note.words);
}

void readPractice(Reader& r, std::optional<Practice>& practice) {
    r.object("practice", [&](Reader& p) {
        practice.emplace();
        p.count("asked", practice->asked, 0, kPracticeDays);
        p.count("done", practice->done, 0, kPracticeDays);
    });
}

/// Ids must be among those that the safety rules know: a flag that is misspelt would protect nobody.
template <class Map> Message unknownIn(const std::vector<std::string>& ids, const Map& known, const std::string& path) {
    for (const std::string& id : ids)
        if (!known.count(id)) {
            std::string list;
            for (const auto& [name, value] : known) list += (list.empty() ? "" : ", ") + name;
            return inPlace(path, {"\"{id}\" is not known; there are: {known}", {{"id", id}, {"known", list}}});
        }
    return {};
}

Result<void> knownToSafety(const SafetyRules& rules, const std::vector<std::string>& flags,
                           const std::vector<std::string>& cleared, const ClientNote& note, const std::string& where) {
    for (const Message& t : {unknownIn(flags, rules.flags, "/flags"), unknownIn(cleared, rules.flags, "/cleared"),
                             unknownIn(note.redFlags, rules.redFlags, "/note/red_flags"),
                             unknownIn(note.signs, rules.signs, "/note/signs")})
        if (!t.empty()) return fail(Errc::NotFound, inPlace(where, t));
    return {};
}

} // namespace

void readTarget(Reader& r, Target& t) {
    r.text("rung", t.version);
    r.count("sets", t.sets, 1, 50);
    r.count("reps", t.reps, 1, 500);
    r.number("hold_s", t.hold_s, 0.1, kHour_s);
    r.number("range", t.range, 0, kFar);
    r.count("days_per_week", t.daysPerWeek, 1, 7);
    r.text("first_side", t.firstSide);
}

Json toJson(const ClientNote& n) {
    return {{"pain", n.pain}, {"red_flags", n.redFlags}, {"signs", n.signs},
            {"felt", n.felt}, {"shaking", n.shaking},    {"words", n.words}};
}

Json toJson(const Practice& p) { return {{"asked", p.asked}, {"done", p.done}}; }

Result<Practice> parsePractice(const Json& json, const std::string& where) {
    Message trouble;
    std::optional<Practice> practice;
    const Json whole = {{"practice", json}};
    Reader r(whole, "", trouble);
    readPractice(r, practice);
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    return practice.value_or(Practice{});
}

Json toJson(const Target& t) {
    Json j = {{"rung", t.version},
              {"sets", t.sets},
              {"reps", t.reps ? Json(*t.reps) : Json(nullptr)},
              {"hold_s", numberOrNull(t.hold_s)},
              {"range", numberOrNull(t.range)},
              {"days_per_week", t.daysPerWeek}};
    if (!t.firstSide.empty()) j["first_side"] = t.firstSide;
    return j;
}

Result<Target> parseTarget(const Json& json, const std::string& where) {
    Message trouble;
    Target t;
    Reader r(json, "", trouble);
    readTarget(r, t);
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    return t;
}

Json toJson(const std::vector<PastReview>& history) {
    Json list = Json::array();
    for (const PastReview& p : history) {
        Json cues = Json::array();
        for (const PastCue& c : p.cues)
            cues.push_back(
                {{"fault", c.fault}, {"rung", c.level}, {"worst", rounded(c.worst, 3)}, {"mdc", rounded(c.mdc, 3)}});
        Json one = {{"date", p.date}, {"rung", p.version}, {"target", toJson(p.target)},
                    {"met", p.met},   {"clean", p.clean},  {"faults", p.faults},
                    {"cues", cues}};
        if (!p.sides.empty()) one["sides"] = p.sides;
        list.push_back(one);
    }
    return list;
}

Result<std::vector<PastReview>> parseHistory(const Json& json, const std::string& where) {
    if (json.is_object())
        if (auto ok = expectFormat(json, "deft-mirror-history", 1, where); !ok) return tl::unexpected(ok.error());
    Message trouble;
    std::vector<PastReview> out;
    const Json whole = json.is_array() ? Json{{"history", json}} : json;
    if (!whole.is_object() || !whole.contains("history"))
        return fail(Errc::BadFormat, {"{where}: the history should be a list", {{"where", where}}});
    Reader r(whole, "", trouble);
    r.objects("history", [&](Reader& p) { readPast(p, out.emplace_back()); });
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    return out;
}

Result<Case> parseCase(const Catalogue& catalogue, const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-case", 1, where); !ok) return tl::unexpected(ok.error());
    Message trouble;
    Case c;
    Reader r(json, "", trouble);
    r.text("exercise", c.exercise, true);
    r.text("rung", c.version);
    r.object("schools", [&](Reader& s) {
        for (const auto& [question, choice] : s.json().items()) s.text(question.c_str(), c.schools[question]);
    });
    r.texts("flags", c.flags);
    r.texts("cleared", c.cleared);
    r.object("note", [&](Reader& n) { readNote(n, c.note); });
    r.object("target", [&](Reader& t) { readTarget(t, c.target); });
    r.object(
        "now", [&](Reader& n) { readNow(n, c); }, true);
    r.objects("history", [&](Reader& p) { readPast(p, c.history.emplace_back()); });
    readPractice(r, c.practice);
    r.objects("cue_record", [&](Reader& k) {
        CueRecord record;
        k.text("fault", record.fault, true);
        k.text("rung", record.level, true);
        k.count("tried", record.tried, 0, 1000000);
        k.count("helped", record.helped, 0, record.tried);
        c.cueRecord.push_back(record);
    });
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    if (c.version.empty()) c.version = c.target.version;
    c.target.version = c.version;
    if (auto ok = knownToSafety(catalogue.safety(), c.flags, c.cleared, c.note, where); !ok)
        return tl::unexpected(ok.error());
    if (auto ok = catalogue.schools().know(c.schools); !ok)
        return fail(ok.error().code, {"{where}: /schools: {what}", {{"where", where}, {"what", ok.error().message}}});
    return c;
}

Result<Asked> parseAsked(const Catalogue& catalogue, const Json& json, const std::string& where,
                         const Exercise& exercise) {
    if (auto ok = expectFormat(json, "deft-mirror-asked", 1, where); !ok) return tl::unexpected(ok.error());
    Message trouble;
    std::string version, format;
    Asked a;
    Reader r(json, "", trouble, true);
    double formatVersion = 1;
    r.text("format", format), r.number("version", formatVersion, 1, 1); // told already
    r.text("rung", version);
    r.object("target", [&](Reader& t) { readTarget(t, a.target); });
    r.texts("flags", a.flags);
    r.texts("cleared", a.cleared);
    r.object("note", [&](Reader& n) { readNote(n, a.note); });
    r.objects("history", [&](Reader& p) { readPast(p, a.history.emplace_back()); });
    readPractice(r, a.practice);
    r.finish();
    if (!version.empty() && !a.target.version.empty() && version != a.target.version)
        r.complain("/target/rung", {"the version of /rung (\"{version}\")", {{"version", version}}},
                   Json(a.target.version));
    if (!version.empty()) a.target.version = version;
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    if (auto ok = knownToSafety(catalogue.safety(), a.flags, a.cleared, a.note, where); !ok)
        return tl::unexpected(ok.error());
    // A version alone is asked for in the exercise's usual dose; a dose alone in the version that a new client begins
    // with.
    if (!json.contains("target")) {
        const auto asVersion = catalogue.inVersion(exercise, version);
        if (!asVersion) return tl::unexpected(asVersion.error());
        if (!version.empty()) a.target = usualTarget(*asVersion), a.target.version = version;
    } else if (a.target.version.empty()) {
        a.target.version = firstTarget(catalogue, exercise).version;
    }
    std::map<std::string, bool> versions, places;
    for (const Version& v : exercise.ladder) versions[v.id] = true;
    for (const FeltPlace& f : exercise.felt) places[f.id] = true;
    if (!a.target.version.empty())
        if (const Message t = unknownIn({a.target.version}, versions, "/rung"); !t.empty())
            return fail(Errc::NotFound, inPlace(where, t));
    if (const Message t = unknownIn(a.note.felt, places, "/note/felt"); !t.empty())
        return fail(Errc::NotFound, inPlace(where, t));
    return a;
}

} // namespace deft
