#include "judgement/safety.h"

#include <algorithm>

namespace deft {
namespace {

bool has(const std::vector<std::string>& list, const std::string& item) {
    return std::find(list.begin(), list.end(), item) != list.end();
}

std::vector<std::string> loadsOf(const Exercise& e, const std::string& rung) {
    const int at = e.rungIndex(rung);
    if (at < 0) return e.loads;
    const Rung& r = e.ladder[size_t(at)];
    if (r.loads) return *r.loads;
    if (!r.exercise.empty() && r.exercise != e.id)
        if (const auto other = loadExercise(r.exercise)) return other->loads;
    return e.loads;
}

} // namespace

Result<SafetyRules> readSafetyRules(const std::filesystem::path& file) {
    auto json = readJsonFile(file);
    if (!json) return tl::unexpected(json.error());
    if (auto ok = expectFormat(*json, "deft-mirror-safety", 1, file.string()); !ok) return tl::unexpected(ok.error());
    try {
        const Json& j = *json;
        SafetyRules rules;
        rules.pain = j.at("pain"), rules.urgent = j.at("urgent"), rules.sign = j.at("sign");
        rules.locked = j.at("locked");
        for (const auto& [id, words] : j.at("red_flags").items()) rules.redFlags[id] = words;
        for (const auto& [id, words] : j.at("signs").items()) rules.signs[id] = words;
        for (const Json& c : j.at("consent")) rules.consent.emplace_back(c.at("id"), c.at("name"));
        for (const auto& [id, f] : j.at("flags").items()) {
            SafetyRules::Flag flag{f.at("name"), f.at("care"), f.value("until_cleared", ""), {}};
            for (const Json& g : f.at("gates"))
                flag.gates.push_back({g.at("loads"), g.at("readiness"), g.at("reason")});
            rules.flags[id] = std::move(flag);
        }
        return rules;
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, file.string() + ": " + e.what());
    }
}

const Result<SafetyRules>& safetyRules() {
    static const auto rules = readSafetyRules(dataFolder() / "safety.json");
    return rules;
}

std::vector<Lock> locksOf(const Exercise& exercise, const std::string& rung, const std::vector<std::string>& flags,
                          const std::vector<std::string>& cleared) {
    std::vector<Lock> locks;
    if (!safetyRules() || flags.empty()) return locks;
    const std::vector<std::string> loads = loadsOf(exercise, rung);
    for (const std::string& id : flags) {
        const auto it = safetyRules()->flags.find(id);
        if (it == safetyRules()->flags.end() || has(cleared, id)) continue;
        for (const SafetyRules::Gate& gate : it->second.gates)
            if (std::any_of(gate.loads.begin(), gate.loads.end(),
                            [&](const std::string& load) { return has(loads, load); }))
                locks.push_back({id, it->second.name, gate.reason, gate.readiness});
    }
    return locks;
}

std::string openVersion(const Exercise& e, const std::string& rung, const std::vector<std::string>& flags,
                        const std::vector<std::string>& cleared) {
    for (int i = e.rungIndex(rung) - 1; i >= 0; --i)
        if (locksOf(e, e.ladder[size_t(i)].id, flags, cleared).empty()) return e.ladder[size_t(i)].id;
    return {};
}

std::vector<std::string> cautionsFor(const Exercise& exercise, const Case& now, const std::vector<Lock>& locks) {
    std::vector<std::string> out;
    auto say = [&](const std::string& words) {
        if (!words.empty() && !has(out, words)) out.push_back(words);
    };
    if (!safetyRules()) return exercise.cautions;
    const SafetyRules& rules = *safetyRules();
    if (!now.note.redFlags.empty()) say(rules.urgent);
    if (now.note.pain) say(rules.pain);
    if (!locks.empty()) say(rules.locked);
    for (const Lock& lock : locks)
        for (const std::string& point : lock.readiness) say("To settle first: " + point + ".");
    if (!now.note.signs.empty()) say(rules.sign);
    for (const std::string& id : now.flags)
        if (const auto it = rules.flags.find(id); it != rules.flags.end()) {
            if (!has(now.cleared, id)) say(it->second.untilCleared);
            say(it->second.care);
        }
    for (const std::string& c : exercise.cautions) say(c);
    return out;
}

} // namespace deft
