// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
#include "judgement/case.h"

namespace deft {

/// What is known of a client and what was asked of them before a clip is measured: file format `deft-mirror-asked` 1.
struct Asked {
    Target target; ///< with its version; empty = where a new client begins
    std::vector<std::string> flags, cleared;
    ClientNote note;
    std::vector<PastReview> history; ///< oldest first
    std::optional<Practice> practice{};
};

/// Members that are not known are refused, too: one that is misspelt would be passed over in silence.
/// @errors BadFormat naming file, path, what was expected and what was found; NewerVersion; NotFound for flags, red
/// flags, signs, places and versions that the rules or the exercise do not have
Result<Asked> parseAsked(const Catalogue& catalogue, const Json& json, const std::string& where,
                         const Exercise& exercise);

} // namespace deft
