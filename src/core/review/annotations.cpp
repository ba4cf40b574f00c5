// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/annotations.h"

#include "base/json.h"

namespace deft {
namespace {

constexpr std::pair<Drawing::Kind, const char*> kKinds[] = {{Drawing::Kind::Arrow, "arrow"},
                                                            {Drawing::Kind::Line, "line"},
                                                            {Drawing::Kind::Angle, "angle"},
                                                            {Drawing::Kind::Words, "words"}};

std::string entry(const std::string& where, const char* list, size_t i) {
    return where + ": /" + list + "/" + std::to_string(i);
}

} // namespace

size_t Drawing::pointsOf(Kind kind) { return kind == Kind::Angle ? 3 : kind == Kind::Words ? 1 : 2; }

Json toJson(const std::map<std::string, ChosenPictures>& pictures) {
    Json all = Json::object();
    for (const auto& [fault, chosen] : pictures)
        all[fault] = {{"best_s", chosen.best_s ? Json(*chosen.best_s) : Json(nullptr)},
                      {"worst_s", chosen.worst_s ? Json(*chosen.worst_s) : Json(nullptr)}};
    return all;
}

Result<std::map<std::string, ChosenPictures>> parsePictures(const Json& json, const std::string& where) {
    std::map<std::string, ChosenPictures> pictures;
    for (const auto& [fault, chosen] : json.items()) {
        auto time = [&, &of = chosen](const char* key) -> std::optional<double> {
            const Json at = of.value(key, Json(nullptr));
            return at.is_null() ? std::nullopt : std::optional(at.get<double>());
        };
        try {
            pictures[fault] = {time("best_s"), time("worst_s")};
        } catch (const nlohmann::json::exception& e) {
            return fail(Errc::BadFormat, inPlace(where + ": /pictures/" + fault, e.what()));
        }
    }
    return pictures;
}

Json toJson(const std::vector<SeenFault>& seen) {
    Json list = Json::array();
    for (const SeenFault& s : seen)
        list.push_back({{"fault", s.id}, {"start_s", s.start_s}, {"end_s", s.end_s}, {"instead", s.instead}});
    return list;
}

Json toJson(const std::vector<Drawing>& drawings) {
    Json list = Json::array();
    for (const Drawing& d : drawings) {
        Json points = Json::array();
        for (const Point2& p : d.points) points.push_back({rounded(p.x(), 2), rounded(p.y(), 2)});
        for (const auto& [kind, name] : kKinds)
            if (kind == d.kind)
                list.push_back({{"kind", name}, {"time_s", d.time_s}, {"points", points}, {"words", d.words}});
    }
    return list;
}

Json toJson(const std::vector<BreathTap>& breaths) {
    Json list = Json::array();
    for (const BreathTap& b : breaths) list.push_back({{"time_s", b.time_s}, {"breath", b.out ? "out" : "in"}});
    return list;
}

Result<std::vector<BreathTap>> parseBreaths(const Json& json, const std::string& where) {
    std::vector<BreathTap> breaths;
    try {
        for (const Json& j : json) {
            const std::string kind = j.at("breath");
            breaths.push_back({j.at("time_s"), kind == "out"});
            if ((kind != "out" && kind != "in") ||
                (breaths.size() > 1 && breaths.back().time_s < breaths[breaths.size() - 2].time_s))
                return fail(Errc::BadFormat, {"{where}: expected breaths out or in, in order of time",
                                              {{"where", entry(where, "breaths", breaths.size() - 1)}}});
        }
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, inPlace(entry(where, "breaths", breaths.size()), e.what()));
    }
    return breaths;
}

Result<std::vector<SeenFault>> parseSeen(const Json& json, const std::string& where) {
    std::vector<SeenFault> seen;
    try {
        for (const Json& s : json) {
            seen.push_back({s.at("fault"), s.at("start_s"), s.at("end_s"), s.value("instead", false)});
            if (!(seen.back().start_s <= seen.back().end_s))
                return fail(Errc::BadFormat,
                            {"{where} ends before it starts", {{"where", entry(where, "seen", seen.size() - 1)}}});
        }
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, inPlace(entry(where, "seen", seen.size()), e.what()));
    }
    return seen;
}

Result<std::vector<Drawing>> parseDrawings(const Json& json, const std::string& where) {
    std::vector<Drawing> drawings;
    try {
        for (const Json& j : json) {
            Drawing d;
            bool known = false;
            for (const auto& [kind, name] : kKinds)
                if (j.at("kind") == name) d.kind = kind, known = true;
            d.time_s = j.at("time_s"), d.words = j.value("words", "");
            for (const Json& p : j.at("points")) d.points.emplace_back(p.at(0).get<double>(), p.at(1).get<double>());
            if (!known || d.points.size() != Drawing::pointsOf(d.kind))
                return fail(Errc::BadFormat, {"{where}: expected an arrow, line, angle or words with their points",
                                              {{"where", entry(where, "drawings", drawings.size())}}});
            drawings.push_back(std::move(d));
        }
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, inPlace(entry(where, "drawings", drawings.size()), e.what()));
    }
    return drawings;
}

} // namespace deft
