// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "exercises/safety_rules.h"

#include <optional>
#include <string>
#include <vector>

namespace deft {

/// What a client has agreed to, as it was told to the coach. Withdrawn = no scopes.
struct Consent {
    std::string given;               ///< ISO date
    std::string until;               ///< ISO date up to which videos may be kept; empty = no such date
    std::vector<std::string> scopes; ///< ids of data/safety.json

    bool covers(const std::string& scope) const;
    /// Is the day on which the videos should go over?
    bool isOver(const std::string& today) const { return !until.empty() && until < today; }
    bool operator==(const Consent&) const = default;
};

/// May pictures of a client be sent to them on this day? Nothing on record = nobody has asked.
bool allowsPictures(const std::optional<Consent>& consent, const std::string& today);
/// May a review be passed on, with pictures?
bool allowsPassingOn(const std::optional<Consent>& consent, const std::string& today);

Json toJson(const Consent& consent);
/// {"given": DAY, "until": DAY or "", "scopes": [ID…]} @param rules name the scopes there are @errors BadFormat,
/// NotFound (unknown scope)
Result<Consent> parseConsent(const SafetyRules& rules, const Json& json, const std::string& where);

} // namespace deft
