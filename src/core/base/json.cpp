// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/json.h"

#include "base/files.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

std::string lineAt(std::string_view text, size_t at) {
    const auto end = text.begin() + std::ptrdiff_t(std::min(at, text.size()));
    return std::to_string(1 + std::count(text.begin(), end, '\n'));
}

/// Where a document becomes too deep, before anything is built from it. npos = nowhere.
size_t tooDeepAt(std::string_view text) {
    int depth = 0;
    bool inString = false;
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (inString) {
            if (c == '\\')
                ++i;
            else if (c == '"')
                inString = false;
        } else if (c == '"') {
            inString = true;
        } else if (c == '[' || c == '{') {
            if (++depth > kMostJsonDepth) return i;
        } else if (c == ']' || c == '}') {
            --depth;
        }
    }
    return std::string_view::npos;
}

/// Path of the first number beyond its limits.
std::optional<std::string> numberOutOfRange(const Json& j) {
    if (j.is_structured()) {
        for (const auto& [key, value] : j.items())
            if (const auto found = numberOutOfRange(value)) return "/" + key + *found;
        return std::nullopt;
    }
    bool fits = true;
    if (j.is_number_unsigned())
        fits = j.get<uint64_t>() <= uint64_t(kMostJsonWholeNumber);
    else if (j.is_number_integer())
        fits = j.get<int64_t>() >= -kMostJsonWholeNumber;
    else if (j.is_number())
        fits = std::abs(j.get<double>()) <= kMostJsonNumber;
    return fits ? std::nullopt : std::optional<std::string>("");
}

} // namespace

Result<Json> parseJson(std::string_view text, const std::string& where) {
    if (text.size() > kMostJsonBytes)
        return fail(Errc::BadFormat, {"{where}: is too large to be read", {{"where", where}}});
    if (const size_t at = tooDeepAt(text); at != std::string_view::npos)
        return fail(Errc::BadFormat, {"{where}:{line}: is nested deeper than {most} levels",
                                      {{"where", where}, {"line", lineAt(text, at)}, {"most", kMostJsonDepth}}});
    try {
        Json document = Json::parse(text);
        if (const auto path = numberOutOfRange(document))
            return fail(Errc::BadFormat, {"{where}: {path}: the number is too large",
                                          {{"where", where}, {"path", path->empty() ? "/" : *path}}});
        return document;
    } catch (const nlohmann::json::parse_error& e) {
        // Turn the byte offset into a line, which is what an editor shows.
        return fail(Errc::BadFormat,
                    {"{where}:{line}: is not valid JSON", {{"where", where}, {"line", lineAt(text, e.byte)}}});
    } catch (const std::exception&) { // a number that no double can hold, no memory
        return fail(Errc::BadFormat, {"{where}: holds a number or text that is too large", {{"where", where}}});
    }
}

Result<Json> readJsonFile(const std::filesystem::path& path) {
    auto text = readFile(path, kMostJsonBytes);
    if (!text) return tl::unexpected(text.error());
    return parseJson(*text, path.string());
}

Result<void> expectFormat(const Json& document, const std::string& format, int version, const std::string& where) {
    if (!document.is_object()) return fail(Errc::BadFormat, {"{where}: expected a JSON object", {{"where", where}}});
    const auto found = document.find("format");
    if (found == document.end() || !found->is_string() || found->get<std::string>() != format)
        return fail(Errc::BadFormat,
                    {"{where}: /format should be \"{format}\", found {found}",
                     {{"where", where},
                      {"format", format},
                      {"found", found == document.end() ? Message("nothing") : Message(excerpt(*found))}}});
    const auto number = document.find("version");
    if (number == document.end() || !number->is_number_integer() || number->get<int64_t>() < 1)
        return fail(Errc::BadFormat, {"{where}: /version should be a whole number from 1", {{"where", where}}});
    if (number->get<int64_t>() > version)
        return fail(
            Errc::NewerVersion,
            {"{where}: was made by a newer version of the program ({format} {number}, this one reads up to {version})",
             {{"where", where}, {"format", format}, {"number", number->dump()}, {"version", version}}});
    return {};
}

std::string toText(const Json& document) { return document.dump(1, ' ', false, Json::error_handler_t::replace) + "\n"; }
std::string toLine(const Json& document) { return document.dump(-1, ' ', false, Json::error_handler_t::replace); }

std::string excerpt(const Json& found) {
    constexpr size_t kLongest = 120;
    std::string text = toLine(found);
    if (text.size() <= kLongest) return text;
    size_t end = kLongest;
    while (end > 0 && (static_cast<unsigned char>(text[end]) & 0xC0) == 0x80) --end; // not inside of a character
    return text.substr(0, end) + " …";
}

Json numberOrNull(double value) { return std::isfinite(value) ? Json(value) : Json(nullptr); }
Json numberOrNull(const std::optional<double>& value) { return value ? numberOrNull(*value) : Json(nullptr); }

double rounded(double value, int places) {
    const double scale = std::pow(10.0, places);
    const double r = std::round(value * scale) / scale;
    return r == 0 ? 0.0 : r; // no "-0" in a file
}

} // namespace deft
