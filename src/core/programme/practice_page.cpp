// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/practice_page.h"

#include "answer/dose_words.h"
#include "answer/html.h"
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "exercises/translated.h"
#include "judgement/safety.h"
#include "programme/phases.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr const char* kSheetStyle = R"(
 @page{size:A4;margin:14mm}
 body{margin:0;color:#1c2023;font:15px/1.4 Inter,system-ui,sans-serif} main{max-width:760px;margin:0 auto;padding:12px}
 h1{font-size:23px;margin:0 0 4px} ol{padding-left:22px;margin:8px 0 14px} li{margin:0 0 10px;break-inside:avoid}
 li::marker{font-weight:600} table{border-collapse:collapse;margin:0 0 14px} th,td{font-weight:400;text-align:left}
 th,td{padding:4px 16px 8px 0;font-size:13px} .square{display:inline-block;width:20px;height:20px;margin-top:3px}
 .square{border:1.5px solid #1c2023} .scope{color:#5a6164;font-size:13px;margin:0 0 6px}
)";

const char* idOf(Phase::Kind kind) {
    switch (kind) {
    case Phase::Kind::Ready:
        return "ready";
    case Phase::Kind::Out:
        return "out";
    case Phase::Kind::Hold:
        return "hold";
    case Phase::Kind::Back:
        return "back";
    case Phase::Kind::Rest:
        return "rest";
    case Phase::Kind::OtherSide:
        return "otherSide";
    }
    return "";
}

Json pointsOf(const Sketch& sketch) {
    Json out = Json::object();
    for (const auto& [name, p] : sketch) out[name] = {rounded(p.x(), 1), rounded(p.y(), 1)};
    return out;
}

/// Cautions of the intake flags, and of all exercises together, each once.
std::vector<std::string> cautionsOf(const Catalogue& catalogue, const std::vector<Exercise>& exercises,
                                    const PageExtras& extras, const Language& l) {
    std::vector<std::string> out;
    for (const Exercise& e : exercises) {
        Case asked;
        asked.exercise = e.id, asked.flags = extras.flags;
        for (const Message& caution : cautionsFor(catalogue.safety(), e, asked, {}))
            if (const std::string said = l.say(caution); std::find(out.begin(), out.end(), said) == out.end())
                out.push_back(said);
    }
    out.push_back(scopeNote(l));
    return out;
}

Json itemOf(const Exercise& e, const ProgrammeItem& item, const PageExtras& extras, const Language& l) {
    Json felt = Json::array(), phases = Json::array();
    for (const FeltPlace& place : e.felt)
        if (place.id != kShaking) felt.push_back({{"id", place.id}, {"name", place.name}});
    for (const Phase& p : phasesOf(e, item))
        phases.push_back(
            {{"k", idOf(p.kind)}, {"s", rounded(p.seconds, 2)}, {"set", p.set}, {"rep", p.rep}, {"side", p.side}});
    const int version = e.versionIndex(item.target.version);
    Json j = {{"exercise", item.exercise},
              {"versionId", item.target.version},
              {"name", e.name},
              {"version", version < 0 ? "" : e.ladder[size_t(version)].name},
              {"dose", l.say(doseOf(e, item))},
              {"sets", item.target.sets},
              {"moves", !e.mover.isWindow()},
              {"out", e.phaseOut},
              {"back", e.phaseBack},
              {"purpose", e.series ? e.series->purpose : ""},
              {"watch", l.text(item.watch)},
              {"setUp", setUpWords(e)},
              {"stopRule", e.stopRule},
              {"felt", std::move(felt)},
              {"phases", std::move(phases)},
              {"drawn", {{"start", pointsOf(e.start)}, {"end", pointsOf(e.end)}}}};
    if (const auto it = extras.pictures.find(item.exercise); it != extras.pictures.end() && !it->second.base64.empty())
        j["picture"] = "data:" + it->second.type + ";base64," + it->second.base64;
    return j;
}

Json lookAgainOf(const Catalogue& catalogue, const Programme& p, const Language& l) {
    if (!p.lookAgain) return nullptr;
    std::string names;
    for (const std::string& id : p.lookAgain->exercises)
        if (const auto e = catalogue.exercise(id)) names += (names.empty() ? "" : "; ") + l.text(e->name);
    return {{"on", p.lookAgain->on}, {"names", names}};
}

Result<std::vector<Exercise>> exercisesOf(const Catalogue& catalogue, const Programme& p, const Schools& schools,
                                          const Language& l) {
    std::vector<Exercise> out;
    for (const ProgrammeItem& item : p.items) {
        auto e = exerciseOf(catalogue, item, schools);
        if (!e) return tl::unexpected(e.error());
        out.push_back(inLanguage(*e, l));
    }
    return out;
}

/// Nothing in a document can end the script element that it stands in.
std::string inScript(const Json& document) {
    std::string out;
    for (const char c : toLine(document)) out += c == '<' ? "\\u003c" : std::string(1, c);
    return out;
}

/// A template with its {{places}} filled, in one go: what is put in may look like a place.
std::string filled(const std::string& page, const std::map<std::string, std::string>& places) {
    std::string out;
    size_t from = 0;
    for (size_t at; (at = page.find("{{", from)) != std::string::npos;) {
        const size_t end = page.find("}}", at);
        const auto place = places.find(page.substr(at + 2, end - at - 2));
        if (end == std::string::npos || place == places.end()) {
            out += page.substr(from, at + 2 - from);
            from = at + 2;
            continue;
        }
        out += page.substr(from, at - from) + place->second;
        from = end + 2;
    }
    return out + page.substr(from);
}

} // namespace

Result<PageParts> loadPageParts(const std::filesystem::path& data, const std::string& wanted) {
    const auto folder = data / "practice-page";
    const std::string language = wanted.empty() ? "en" : wanted;
    PageParts parts;
    for (const auto& [name, to] :
         {std::pair{"page.html", &parts.html}, {"page.css", &parts.css}, {"page.js", &parts.script}}) {
        auto text = readFile(folder / name);
        if (!text) return tl::unexpected(text.error());
        *to = std::move(*text);
    }
    auto words = readJsonFile(folder / ("words." + language + ".json"));
    if (!words) return tl::unexpected(words.error());
    parts.words = std::make_shared<const Json>(std::move(*words));
    return parts;
}

std::string lookAgainWords(const Catalogue& catalogue, const Programme& p, const Language& l) {
    const auto day = p.lookAgain ? parseDate(p.lookAgain->on) : std::nullopt;
    Messages names;
    if (day)
        for (const std::string& id : p.lookAgain->exercises)
            if (const auto e = catalogue.exercise(id)) names.push_back(e->name);
    return names.empty() ? "" : l.say({"programme.look-again", {{"day", Day{*day}}, {"names", names}}});
}

Message doseOf(const Exercise& e, const ProgrammeItem& item) {
    return {"programme.dose",
            {{"dose", askedWords(e, item.target)}, {"first", e.eachSide ? item.target.firstSide : ""}}};
}

Result<std::string> practicePage(const Catalogue& catalogue, const Programme& p, const PageParts& parts,
                                 const PageExtras& extras) {
    const LanguagePtr language = catalogue.language(extras.language);
    const Language& l = *language;
    const auto exercises = exercisesOf(catalogue, p, extras.schools, l);
    if (!exercises) return tl::unexpected(exercises.error());
    Json items = Json::array(), plan = Json::array(), redFlags = Json::array();
    for (size_t i = 0; i < p.items.size(); ++i) items.push_back(itemOf((*exercises)[i], p.items[i], extras, l));
    const auto days = practiceDays(p);
    for (const auto day : days) {
        plan.push_back({{"day", isoDate(day)}, {"week", weekOf(p, day) + 1}, {"items", itemsOn(p, day)}});
    }
    const SafetyRules& rules = catalogue.safety();
    for (const auto& [id, name] : rules.redFlags) redFlags.push_back({{"id", id}, {"name", l.text(name)}});
    const Json data = {{"id", p.uid},
                       {"clientId", p.clientUid},
                       {"client", p.client},
                       {"coach", p.coach},
                       {"from", p.from},
                       {"plan", std::move(plan)},
                       {"items", std::move(items)},
                       {"again", lookAgainOf(catalogue, p, l)},
                       {"pain", l.text(rules.pain)},
                       {"urgent", l.text(rules.urgent)},
                       {"redFlags", std::move(redFlags)},
                       {"cautions", cautionsOf(catalogue, *exercises, extras, l)},
                       {"words", *parts.words}};
    return filled(
        parts.html,
        {{"lang", htmlLanguage(l)},
         {"title", escapedHtml(l.say({"programme.title", {{"named", !p.coach.empty()}, {"coach", p.coach}}}))},
         {"css", parts.css},
         {"noscript", escapedHtml(parts.words->at("noscript").get<std::string>())},
         {"script", parts.script},
         {"data", inScript(data)}});
}

Result<std::string> practiceSheet(const Catalogue& catalogue, const Programme& p, const PageExtras& extras) {
    const LanguagePtr language = catalogue.language(extras.language);
    const Language& l = *language;
    const auto exercises = exercisesOf(catalogue, p, extras.schools, l);
    if (!exercises) return tl::unexpected(exercises.error());
    const std::string title = l.say({"programme.sheet", {{"named", !p.client.empty()}, {"name", p.client}}});
    const auto from = parseDate(p.from);
    const std::string when = l.say({"programme.sheet-when",
                                    {{"weeks", p.weeks},
                                     {"dated", from.has_value()},
                                     {"from", from ? Argument(Day{*from}) : Argument("")},
                                     {"minutes", int(std::ceil(secondsOf(catalogue, p) / 60))}}});
    std::string h = "<!DOCTYPE html>\n<html" + htmlLanguage(l) + ">\n<head>\n<meta charset=\"utf-8\">\n<title>" +
                    escapedHtml(title) + "</title>\n<style>" + kSheetStyle + "</style>\n</head>\n<body>\n<main>\n<h1>" +
                    escapedHtml(title) + "</h1>\n<p>" + escapedHtml(when) + "</p>\n<ol>\n";
    const auto days = practiceDays(p);
    for (size_t i = 0; i < p.items.size(); ++i) {
        const Exercise& e = (*exercises)[i];
        h += "<li><b>" + escapedHtml(nameWithVersion(e, p.items[i].target.version)) + "</b><br>" +
             escapedHtml(l.say(doseOf(e, p.items[i]))) + "<br>" + escapedHtml(l.text(p.items[i].watch)) + "</li>\n";
    }
    h += "</ol>\n<table>\n";
    for (size_t d = 0; d < days.size();) {
        const int week = weekOf(p, days[d]);
        h += "<tr><th>" + escapedHtml(l.say({"programme.week", {{"n", week + 1}}})) + "</th>";
        for (; d < days.size() && weekOf(p, days[d]) == week; ++d)
            h += "<td>" + escapedHtml(l.day({days[d]})) + "<br><span class=\"square\"></span></td>";
        h += "</tr>\n";
    }
    h += "</table>\n";
    if (const std::string again = lookAgainWords(catalogue, p, l); !again.empty())
        h += "<p>" + escapedHtml(again) + "</p>\n";
    std::vector<std::string> said;
    for (const Exercise& e : *exercises)
        if (std::find(said.begin(), said.end(), e.stopRule) == said.end()) said.push_back(e.stopRule);
    for (const std::string& caution : cautionsOf(catalogue, *exercises, extras, l)) said.push_back(caution);
    for (const std::string& line : said) h += "<p class=\"scope\">" + escapedHtml(line) + "</p>\n";
    return h + "</main>\n</body>\n</html>\n";
}

} // namespace deft
