// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/written_out.h"

#include "base/json.h"

#include <algorithm>

namespace deft {
namespace {

/// Words belong to what they were written for: an entry whose measure, side or name an exercise changes, or that is
/// used in another position than those that it names, must bring its own cues.
std::string needsOwnCues(const Json& own, const Json& entry, const std::string& position) {
    if (own.contains("cues") || !entry.contains("cues")) return {};
    for (const char* changed : {"measure", "name", "told"})
        if (own.contains(changed)) return std::string("changes \"") + changed + "\"";
    for (const char* end : {"low", "high"})
        if (own.contains(end) && !own[end].is_null() && !entry.contains(end))
            return std::string("adds the limit \"") + end + "\"";
    const Json positions = entry.value("positions", Json::array());
    if (!positions.empty() && std::find(positions.begin(), positions.end(), position) == positions.end())
        return "is written for other positions than \"" + position + "\"";
    return {};
}

Result<Json> resolved(const Json& part, const Json& shared, const std::string& where, const std::string& path,
                      std::string position) {
    if (part.is_array()) {
        Json out = Json::array();
        for (size_t i = 0; i < part.size(); ++i) {
            auto item = resolved(part[i], shared, where, path + "/" + std::to_string(i), position);
            if (!item) return item;
            out.push_back(std::move(*item));
        }
        return out;
    }
    if (!part.is_object()) return part;
    if (const auto own = part.find("position"); own != part.end() && own->is_string()) position = *own;
    Json out = Json::object();
    if (const auto use = part.find("use"); use != part.end()) {
        const std::string name = use->is_string() ? use->get<std::string>() : "";
        const size_t slash = name.find('/');
        const auto family = shared.find(name.substr(0, slash));
        const bool known = slash != std::string::npos && family != shared.end() && family->is_object() &&
                           family->contains(name.substr(slash + 1));
        if (!known)
            return fail(Errc::BadFormat, {"{where}: {path}/use names \"{name}\", which is not shared",
                                          {{"where", where}, {"path", path}, {"name", name}}});
        const Json& entry = (*family)[name.substr(slash + 1)];
        if (entry.is_string()) return entry;
        if (const std::string why = needsOwnCues(part, entry, position); !why.empty())
            return fail(Errc::BadFormat, {"{where}: {path} uses \"{name}\", but {why}: it needs cues of its own",
                                          {{"where", where}, {"path", path}, {"name", name}, {"why", why}}});
        out = entry;
        out.erase("positions");
        if (!out.contains("id")) out["id"] = name.substr(slash + 1);
    }
    for (const auto& [key, value] : part.items()) {
        if (key == "use") continue;
        if (value.is_null() && part.contains("use")) { // takes a member of the shared entry away
            out.erase(key);
            continue;
        }
        auto own = resolved(value, shared, where, path + "/" + key, position);
        if (!own) return own;
        out[key] = std::move(*own);
    }
    return out;
}

/// Entries of faults and set-up checks by their id.
std::vector<Json*> entriesOf(Json& exercise, const std::string& id) {
    std::vector<Json*> found;
    for (const char* list : {"setup", "faults"})
        if (exercise.contains(list))
            for (Json& item : exercise[list])
                if (item.is_object() && item.value("id", "") == id) found.push_back(&item);
    return found;
}

Result<void> unknownEntry(const std::string& where, const std::string& path) {
    return fail(Errc::BadFormat, {"{where}: {path} is neither a fault nor a set-up check here, or not an object",
                                  {{"where", where}, {"path", path}}});
}

} // namespace

Result<Json> withSharedEntries(const Json& document, const Json& shared, const std::string& where) {
    return resolved(document, shared, where, "", "");
}

Result<Json> extended(Json base, const Json& own, const std::string& where) {
    Json changes = own;
    changes.erase("extends");
    // The coach's file says lists and objects as a whole, and single limits.
    for (const auto& [key, value] : own.items())
        if (key != "extends" && key != "limits") base[key] = value, changes.erase(key);
    auto whole = overlaid(std::move(base), changes, where);
    if (!whole) return whole;
    const Json limits = changes.value("limits", Json::object());
    for (const auto& [id, limit] : limits.items())
        for (const char* list : {"setup", "faults"})
            for (Json& item : (*whole)[list])
                if (item.value("id", "") == id) item["origin"] = "coach";
    return whole;
}

Result<Json> overlaid(Json base, const Json& changes, const std::string& where) {
    if (!changes.is_object())
        return fail(Errc::BadFormat, {"{where}: changes should be an object", {{"where", where}}});
    Json rest = changes;
    for (const char* own : {"limits", "without", "also"}) rest.erase(own);
    base.merge_patch(rest);
    const Json without = changes.value("without", Json::array());
    for (const Json& id : without) {
        if (!id.is_string() || entriesOf(base, id).empty())
            return tl::unexpected(unknownEntry(where, "/without").error());
        for (const char* list : {"setup", "faults"}) {
            Json kept = Json::array();
            for (Json& item : base[list]) {
                if (item.value("id", "") == id) continue;
                if (auto causes = item.find("caused_by"); causes != item.end()) {
                    Json others = Json::array();
                    for (const Json& c : *causes)
                        if (c != id) others.push_back(c);
                    *causes = std::move(others);
                }
                kept.push_back(std::move(item));
            }
            base[list] = std::move(kept);
        }
        for (Json& answer : base["schools"])
            if (answer.contains("choices"))
                for (Json& choice : answer["choices"])
                    if (choice.contains("limits")) choice["limits"].erase(id.get<std::string>());
    }
    const Json limits = changes.value("limits", Json::object());
    if (!limits.is_object()) return fail(Errc::BadFormat, {"{where}: /limits should be an object", {{"where", where}}});
    for (const auto& [id, limit] : limits.items()) {
        const auto entries = entriesOf(base, id);
        if (entries.empty() || !limit.is_object()) return tl::unexpected(unknownEntry(where, "/limits/" + id).error());
        for (Json* item : entries) {
            if (limit.contains("low") || limit.contains("high")) item->erase("low"), item->erase("high");
            item->update(limit);
        }
    }
    const Json also = changes.value("also", Json::object());
    for (const auto& [list, items] : also.items())
        for (const Json& item : items) base[list].push_back(item);
    return base;
}

} // namespace deft
