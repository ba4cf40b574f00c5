// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Reading JSON so that every complaint names the file and the place in it, and nothing that stands in a file can end
// the program.

#include "base/json_fwd.h"
#include "base/result.h"

#include <filesystem>
#include <nlohmann/json.hpp>
#include <optional>
#include <string_view>

namespace deft {

/// Nothing of this program comes near these; what does is damaged or meant to harm. Chosen here.
constexpr size_t kMostJsonBytes = size_t(64) << 20;
constexpr int kMostJsonDepth = 64;
constexpr double kMostJsonNumber = 1e9;                    ///< of numbers with a fraction or exponent
constexpr int64_t kMostJsonWholeNumber = int64_t(1) << 53; ///< beyond it a double is not exact

/// The one way from text to a document: at most kMostJsonBytes long and kMostJsonDepth deep, numbers within their
/// limits, strings in UTF-8. Never throws. @param where the file or place, for the complaint
/// @errors BadFormat (with the line)
Result<Json> parseJson(std::string_view text, const std::string& where);

/// @errors NotFound, NotReadable, BadFormat (with the line)
Result<Json> readJsonFile(const std::filesystem::path& path);

/// Checks `format` and `version`. @errors BadFormat (other format), NewerVersion
Result<void> expectFormat(const Json& document, const std::string& format, int version, const std::string& where);

/// Reads members of a document by what returns a Result; whatever a library throws on the way (a member that is not
/// there or of another kind) becomes BadFormat.
template <class Read> auto readMembers(const std::string& where, Read&& read) -> decltype(read()) {
    try {
        return read();
    } catch (const std::exception& e) {
        return fail(Errc::BadFormat, inPlace(where, e.what()));
    }
}

/// Pretty text with one final line break. Numbers round-trip; bytes that are no UTF-8 (of a file's name) become U+FFFD.
std::string toText(const Json& document);
/// The same on one line without a break, for the database and for keys.
std::string toLine(const Json& document);
/// For complaints: on one line, shortened.
std::string excerpt(const Json& found);

/// A number, or null for a gap: JSON has no NaN.
Json numberOrNull(double value);
Json numberOrNull(const std::optional<double>& value);

/// Rounds to `places` decimals, so that files stay readable; far finer than any uncertainty here.
double rounded(double value, int places);

} // namespace deft
