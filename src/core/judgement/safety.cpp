// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/safety.h"

#include <algorithm>

namespace deft {
namespace {

bool has(const std::vector<std::string>& list, const std::string& item) {
    return std::find(list.begin(), list.end(), item) != list.end();
}

std::vector<std::string> loadsOf(const Catalogue& catalogue, const Exercise& e, const std::string& version) {
    const int at = e.versionIndex(version);
    if (at < 0) return e.loads;
    const Version& r = e.ladder[size_t(at)];
    if (r.loads) return *r.loads;
    if (!r.exercise.empty() && r.exercise != e.id)
        if (const auto other = catalogue.exercise(r.exercise)) return other->loads;
    return e.loads;
}

} // namespace

std::vector<Lock> locksOf(const Catalogue& catalogue, const Exercise& exercise, const std::string& version,
                          const std::vector<std::string>& flags, const std::vector<std::string>& cleared) {
    std::vector<Lock> locks;
    if (flags.empty()) return locks;
    const auto& known = catalogue.safety().flags;
    const std::vector<std::string> loads = loadsOf(catalogue, exercise, version);
    for (const std::string& id : flags) {
        const auto it = known.find(id);
        if (it == known.end() || has(cleared, id)) continue;
        for (const SafetyRules::Gate& gate : it->second.gates)
            if (std::any_of(gate.loads.begin(), gate.loads.end(),
                            [&](const std::string& load) { return has(loads, load); }))
                locks.push_back({id, it->second.name, gate.reason, gate.readiness});
    }
    return locks;
}

std::string openVersion(const Catalogue& catalogue, const Exercise& e, const std::string& version,
                        const std::vector<std::string>& flags, const std::vector<std::string>& cleared) {
    for (int i = e.versionIndex(version) - 1; i >= 0; --i)
        if (locksOf(catalogue, e, e.ladder[size_t(i)].id, flags, cleared).empty()) return e.ladder[size_t(i)].id;
    return {};
}

Messages cautionsFor(const SafetyRules& rules, const Exercise& exercise, const Case& now,
                     const std::vector<Lock>& locks) {
    Messages out;
    auto say = [&](Message words) {
        if (!words.empty() && std::find(out.begin(), out.end(), words) == out.end()) out.push_back(std::move(words));
    };
    if (!now.note.redFlags.empty()) say(rules.urgent);
    if (now.note.pain) say(rules.pain);
    if (!locks.empty()) say(rules.locked);
    for (const Lock& lock : locks)
        for (const std::string& point : lock.readiness) say({"caution.settle", {{"point", Message(point)}}});
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
