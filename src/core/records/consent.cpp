// SPDX-License-Identifier: GPL-3.0-or-later
#include "records/consent.h"

#include "base/dates.h"
#include "base/json.h"
#include "judgement/safety.h"

#include <algorithm>

namespace deft {

bool Consent::covers(const std::string& scope) const {
    return std::find(scopes.begin(), scopes.end(), scope) != scopes.end();
}

bool allowsPictures(const std::optional<Consent>& c, const std::string& today) {
    return c && c->covers("coaching") && !c->isOver(today);
}

bool allowsPassingOn(const std::optional<Consent>& c, const std::string& today) {
    return c && c->covers("pass-on") && !c->isOver(today);
}

Json toJson(const Consent& c) { return {{"given", c.given}, {"until", c.until}, {"scopes", c.scopes}}; }

Result<Consent> parseConsent(const SafetyRules& rules, const Json& json, const std::string& where) {
    Consent c;
    try {
        c.given = json.at("given"), c.until = json.value("until", ""), c.scopes = json.at("scopes");
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, inPlace(where, e.what()));
    }
    for (const auto& [key, day] : {std::pair{"given", &c.given}, {"until", &c.until}})
        if (!(day == &c.until && day->empty()) && !parseDate(*day))
            return fail(Errc::BadFormat, {"{where}/{key}: expected a day as 2026-05-14, found {found}",
                                          {{"where", where}, {"key", key}, {"found", *day}}});
    const auto& known = rules.consent;
    for (const std::string& scope : c.scopes)
        if (std::none_of(known.begin(), known.end(), [&](const auto& k) { return k.first == scope; })) {
            std::string ids;
            for (const auto& [id, name] : known) ids += (ids.empty() ? "" : ", ") + id;
            return fail(Errc::NotFound, {"{where}/scopes: expected some of {known}, found {found}",
                                         {{"where", where}, {"known", ids}, {"found", scope}}});
        }
    return c;
}

} // namespace deft
