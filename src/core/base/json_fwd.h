// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// For headers that only name documents; who reads or makes one includes base/json.h.

#include <nlohmann/json_fwd.hpp>

namespace deft {

using Json = nlohmann::ordered_json; // keeps the order of keys, so a file that is read and written stays readable

} // namespace deft
