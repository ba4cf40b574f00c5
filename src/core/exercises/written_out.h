// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

namespace deft {

/// A document with everything that it takes from the shared entries written out in full: {"use": "family/id", …}
/// becomes the entry of that name with the object's own members over it; null takes a member away, and a shared text
/// becomes a string. One fault, set-up check or caution so has one wording everywhere.
/// @param shared the document of data/shared.json
/// @errors BadFormat naming the path and the entry
Result<Json> withSharedEntries(const Json& document, const Json& shared, const std::string& where);

/// A document with "extends" and "limits": the exercise that it extends, with the document's own members and limits
/// over it. @param base with its shared entries @errors BadFormat naming the path and the entry
Result<Json> extended(Json base, const Json& own, const std::string& where);

/// An exercise with changes put over it: members as in a JSON merge patch (RFC 7396: objects into each other, null
/// takes away), and "limits": {fault or check: members}, "without": [faults or checks], "also": {"faults" or "setup":
/// […]}.
/// @errors BadFormat naming what is not there
Result<Json> overlaid(Json base, const Json& changes, const std::string& where);

} // namespace deft
