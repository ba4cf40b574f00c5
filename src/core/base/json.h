#pragma once
// Reading JSON so that every complaint names the file and the place in it.

#include "base/result.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <optional>

namespace deft {

using Json = nlohmann::ordered_json; // keeps the order of keys, so a file that is read and written stays readable

/// @errors NotFound, NotReadable, BadFormat (with line and column)
Result<Json> readJsonFile(const std::filesystem::path& path);

/// Checks `format` and `version`. @errors BadFormat (other format), NewerVersion
Result<void> expectFormat(const Json& document, const std::string& format, int version, const std::string& where);

/// Pretty text with one final line break. Numbers round-trip.
std::string toText(const Json& document);

/// A number, or null for a gap: JSON has no NaN.
Json numberOrNull(double value);
Json numberOrNull(const std::optional<double>& value);

/// Rounds to `places` decimals, so that files stay readable; far finer than any uncertainty here.
double rounded(double value, int places);

} // namespace deft
