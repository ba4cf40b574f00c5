#pragma once
#include "base/json.h"

namespace deft {

/// An exercise document with everything that it takes from elsewhere written out in full.
///
/// {"use": "family/id", …} becomes the entry of that name in data/shared.json with the object's own members over it;
/// null takes a member away, and a shared text becomes a string. One fault, set-up check or caution so has one wording
/// everywhere. {"extends": ID, "limits": {…}} becomes the shipped exercise with the document's own members and limits
/// over it. @errors BadFormat naming the path and the entry
Result<Json> writtenOut(const Json& document, const std::string& where);

/// An exercise with changes put over it: members as in a JSON merge patch (RFC 7396: objects into each other, null takes
/// away), and "limits": {fault or check: members}, "without": [faults or checks], "also": {"faults" or "setup": […]}.
/// @errors BadFormat naming what is not there
Result<Json> overlaid(Json base, const Json& changes, const std::string& where);

} // namespace deft
