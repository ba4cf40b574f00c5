// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

#include <map>
#include <string>
#include <utility>
#include <vector>

namespace deft {

/// data/safety.json: all wording and gates as data. It gives cautions and refers; it never names a condition.
struct SafetyRules {
    struct Gate {
        std::vector<std::string> loads, readiness;
        std::string reason;
    };
    struct Flag {
        std::string name, care, untilCleared; ///< said always, and as long as the readiness list is not confirmed
        std::vector<Gate> gates;
    };
    std::string pain, urgent, sign, locked;
    std::map<std::string, std::string> redFlags, signs; ///< id → what the client or the clip shows
    std::map<std::string, Flag> flags;
    std::vector<std::pair<std::string, std::string>> consent; ///< id and words of what a client may agree to
};

/// File format `deft-mirror-safety` 1. @errors BadFormat naming file and member; NewerVersion
Result<SafetyRules> parseSafetyRules(const Json& json, const std::string& where);

} // namespace deft
