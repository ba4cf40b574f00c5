#pragma once
#include "base/json.h"

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

Json toJson(const Consent& consent);
/// {"given": DAY, "until": DAY or "", "scopes": [ID…]} @errors BadFormat, NotFound (unknown scope)
Result<Consent> parseConsent(const Json& json, const std::string& where);

} // namespace deft
