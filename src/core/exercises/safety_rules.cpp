// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/safety_rules.h"

#include "base/json.h"

namespace deft {

Result<SafetyRules> parseSafetyRules(const Json& j, const std::string& where) {
    if (auto ok = expectFormat(j, "deft-mirror-safety", 1, where); !ok) return tl::unexpected(ok.error());
    return readMembers(where, [&]() -> Result<SafetyRules> {
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
    });
}

} // namespace deft
