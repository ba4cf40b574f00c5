// SPDX-License-Identifier: GPL-3.0-or-later
#include "records/parcel.h"

#include "base/dates.h"
#include "base/json.h"
#include "exercises/catalogue.h"
#include "exercises/exercise.h"

#include <algorithm>
#include <filesystem>

namespace deft {

namespace {

constexpr size_t kMostName = 200; // characters; chosen here
constexpr size_t kMostClips = 30; // of one parcel; chosen here
constexpr const char* kOfOneClip[] = {"clip", "exercise", "side", "sha256", "part", "target"};

Result<Parcel> parcelFrom(const Catalogue& catalogue, const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-parcel", 1, where); !ok) return tl::unexpected(ok.error());
    Parcel p;
    for (const auto& [key, to, needed] : {std::tuple{"client", &p.client, true},
                                          {"clip", &p.clip, true},
                                          {"exercise", &p.exercise, true},
                                          {"client_id", &p.clientUid, false},
                                          {"role", &p.role, false},
                                          {"side", &p.side, false},
                                          {"sha256", &p.sha256, false},
                                          {"sent", &p.sent, false},
                                          {"answer_by", &p.answerBy, false}}) {
        const auto it = json.find(key);
        if (it == json.end() && !needed) continue;
        if (it == json.end() || !it->is_string() || (needed && it->get<std::string>().empty()))
            return fail(Errc::BadFormat, {"{where}: /{key}: expected text, found {found}",
                                          {{"where", where},
                                           {"key", key},
                                           {"found", it == json.end() ? Message("nothing") : Message(excerpt(*it))}}});
        *to = it->get<std::string>();
    }
    const bool plain =
        std::none_of(p.clip.begin(), p.clip.end(), [](unsigned char c) { return c < 0x20 || c == 0x7f; });
    if (std::filesystem::path(p.clip).filename() != p.clip || p.clip.front() == '.' || !plain ||
        p.clip.find('\\') != std::string::npos || p.clip.size() > kMostName)
        return fail(Errc::BadFormat, {"{where}: /clip: expected the name of a file in the same folder, found {found}",
                                      {{"where", where}, {"found", p.clip}}});
    // A calendar's day or nothing: dates are reckoned with and shown.
    for (const auto& [key, day] : {std::pair{"sent", &p.sent}, {"answer_by", &p.answerBy}})
        if (!day->empty() && !parseDate(*day))
            return fail(Errc::BadFormat, {"{where}: /{key}: expected a day as 2026-05-14, found {found}",
                                          {{"where", where}, {"key", key}, {"found", excerpt(*day)}}});
    if (p.client.size() > kMostName || p.role.size() > kMostName || p.clientUid.size() > kMostName)
        return fail(Errc::BadFormat, {"{where}: a name, role or id is longer than {most} characters",
                                      {{"where", where}, {"most", kMostName}}});
    if (p.side != "both" && p.side != "left" && p.side != "right")
        return fail(Errc::BadFormat, {"{where}: /side: expected left, right or both, found {found}",
                                      {{"where", where}, {"found", p.side}}});
    const auto exercise = catalogue.exercise(p.exercise);
    if (!exercise)
        return fail(Errc::NotFound,
                    {"{where}: /exercise: {what}", {{"where", where}, {"what", exercise.error().message}}});

    // Note, flags and target are written as in a case, and are read with the same strictness.
    Json same = {{"format", "deft-mirror-case"}, {"version", 1}, {"exercise", p.exercise}, {"now", Json::object()}};
    for (const char* key : {"note", "flags", "target"})
        if (json.contains(key)) same[key] = json[key];
    auto read = parseCase(catalogue, same, where);
    if (!read) return tl::unexpected(read.error());
    p.note = std::move(read->note);
    p.flags = std::move(read->flags);
    if (json.contains("target")) p.asked = read->target;
    if (json.contains("part")) {
        const auto part = parsePart(json["part"], where + ": /part");
        if (!part) return tl::unexpected(part.error());
        p.part = *part;
    }
    if (json.contains("consent")) {
        auto consent = parseConsent(catalogue.safety(), json["consent"], where + ": /consent");
        if (!consent) return tl::unexpected(consent.error());
        p.consent = std::move(*consent);
    }
    return p;
}

} // namespace

Result<Parcel> parseParcel(const Catalogue& catalogue, const Json& json, const std::string& where) {
    return readMembers(where, [&] { return parcelFrom(catalogue, json, where); });
}

Result<std::vector<Parcel>> parseParcels(const Catalogue& catalogue, const Json& json, const std::string& where) {
    std::vector<Parcel> parcels;
    if (!json.is_object() || !json.contains("clips")) {
        auto one = parseParcel(catalogue, json, where);
        if (!one) return tl::unexpected(one.error());
        parcels.push_back(std::move(*one));
    } else {
        const Json& clips = json["clips"];
        if (!clips.is_array() || clips.empty() || clips.size() > kMostClips)
            return fail(Errc::BadFormat, {"{where}: /clips: expected one to {most} clips, found {found}",
                                          {{"where", where}, {"most", kMostClips}, {"found", excerpt(clips)}}});
        for (size_t i = 0; i < clips.size(); ++i) {
            const std::string place = where + ": /clips/" + std::to_string(i);
            if (!clips[i].is_object())
                return fail(Errc::BadFormat, {"{where}: expected an object, found {found}",
                                              {{"where", place}, {"found", excerpt(clips[i])}}});
            Json own = json;
            own.erase("clips");
            for (const char* key : kOfOneClip) own.erase(key);
            for (const char* key : kOfOneClip)
                if (clips[i].contains(key)) own[key] = clips[i][key];
            auto one = parseParcel(catalogue, own, place);
            if (!one) return tl::unexpected(one.error());
            parcels.push_back(std::move(*one));
        }
    }
    if (auto ok = catalogue.obeysSchema("parcel", json, where); !ok) return tl::unexpected(ok.error());
    return parcels;
}

Json toJson(const Parcel& p) {
    Json j = {{"format", "deft-mirror-parcel"}, {"version", 1},   {"client", p.client}, {"role", p.role},
              {"exercise", p.exercise},         {"side", p.side}, {"clip", p.clip},     {"flags", p.flags},
              {"note", toJson(p.note)}};
    for (const auto& [key, text] :
         {std::pair{"client_id", &p.clientUid}, {"sha256", &p.sha256}, {"sent", &p.sent}, {"answer_by", &p.answerBy}})
        if (!text->empty()) j[key] = *text;
    if (p.part) j["part"] = toJson(*p.part);
    if (p.asked) j["target"] = toJson(*p.asked);
    if (p.consent) j["consent"] = toJson(*p.consent);
    return j;
}

} // namespace deft
