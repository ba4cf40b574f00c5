#pragma once
#include "base/json.h"

namespace deft {

/// Replaces every object {"use": "family/id", …} by the entry of that name in data/shared.json with the object's own
/// members over it; a shared text becomes a string. One fault, set-up check or caution so has one wording everywhere.
/// @errors BadFormat naming the path and the entry
Result<Json> withSharedEntries(const Json& document, const std::string& where);

} // namespace deft
