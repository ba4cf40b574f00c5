#include "exercises/written_out.h"

#include "exercises/data.h"

namespace deft {
namespace {

Result<Json> readShared() {
    const auto file = dataFolder() / "shared.json";
    auto json = readJsonFile(file);
    if (!json) return tl::unexpected(json.error());
    if (auto ok = expectFormat(*json, "deft-mirror-shared", 1, file.string()); !ok) return tl::unexpected(ok.error());
    return json;
}

Result<Json> resolved(const Json& part, const Json& shared, const std::string& where, const std::string& path) {
    if (part.is_array()) {
        Json out = Json::array();
        for (size_t i = 0; i < part.size(); ++i) {
            auto item = resolved(part[i], shared, where, path + "/" + std::to_string(i));
            if (!item) return item;
            out.push_back(std::move(*item));
        }
        return out;
    }
    if (!part.is_object()) return part;
    Json out = Json::object();
    if (const auto use = part.find("use"); use != part.end()) {
        const std::string name = use->is_string() ? use->get<std::string>() : "";
        const size_t slash = name.find('/');
        const auto family = shared.find(name.substr(0, slash));
        const bool known = slash != std::string::npos && family != shared.end() && family->is_object() &&
                           family->contains(name.substr(slash + 1));
        if (!known)
            return fail(Errc::BadFormat, where + ": " + path + "/use names \"" + name + "\", which is not shared");
        const Json& entry = (*family)[name.substr(slash + 1)];
        if (entry.is_string()) return entry;
        out = entry;
        if (!out.contains("id")) out["id"] = name.substr(slash + 1);
    }
    for (const auto& [key, value] : part.items()) {
        if (key == "use") continue;
        if (value.is_null()) { // takes a member of the shared entry away
            out.erase(key);
            continue;
        }
        auto own = resolved(value, shared, where, path + "/" + key);
        if (!own) return own;
        out[key] = std::move(*own);
    }
    return out;
}

Result<Json> withSharedEntries(const Json& document, const std::string& where) {
    static const auto shared = readShared();
    if (!shared) return tl::unexpected(shared.error());
    return resolved(document, *shared, where, "");
}

/// A file that extends a shipped exercise, written out in full.
Result<Json> extended(const Json& own, const std::string& where) {
    if (!own.contains("extends")) return own;
    const std::string base = own["extends"].is_string() ? own["extends"].get<std::string>() : "";
    const std::filesystem::path file = dataFolder() / "exercises" / (base + ".json");
    if (std::error_code ec; base.empty() || !std::filesystem::exists(file, ec))
        return fail(Errc::BadFormat, where + ": /extends names \"" + base + "\", which is not an exercise that ships");
    auto whole = readJsonFile(file).and_then([&](const Json& j) { return withSharedEntries(j, file.string()); });
    if (!whole) return whole;
    for (const auto& [key, value] : own.items())
        if (key != "extends" && key != "limits") (*whole)[key] = value;
    const Json limits = own.value("limits", Json::object());
    if (!limits.is_object()) return fail(Errc::BadFormat, where + ": /limits should be an object");
    for (const auto& [id, limit] : limits.items()) {
        bool known = false;
        for (const char* list : {"setup", "faults"})
            for (Json& item : (*whole)[list]) {
                if (!limit.is_object() || !item.is_object() || item.value("id", "") != id) continue;
                known = true;
                item.erase("low"), item.erase("high");
                item.update(limit);
                item["origin"] = "coach";
            }
        if (!known)
            return fail(Errc::BadFormat, where + ": /limits/" + id + " is neither a fault nor a set-up check of " +
                                             base + ", or not an object");
    }
    return whole;
}

} // namespace

Result<Json> writtenOut(const Json& document, const std::string& where) {
    return extended(document, where).and_then([&](const Json& j) { return withSharedEntries(j, where); });
}

} // namespace deft
