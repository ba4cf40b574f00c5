#include "base/json.h"

#include "base/files.h"

#include <cmath>

namespace deft {

Result<Json> readJsonFile(const std::filesystem::path& path) {
    auto text = readFile(path);
    if (!text) return tl::unexpected(text.error());
    try {
        return Json::parse(*text);
    } catch (const nlohmann::json::parse_error& e) {
        // Turn the byte offset into a line, which is what an editor shows.
        const size_t at = std::min(e.byte, text->size());
        const auto line = 1 + std::count(text->begin(), text->begin() + std::ptrdiff_t(at), '\n');
        return fail(Errc::BadFormat, path.string() + ":" + std::to_string(line) + ": is not valid JSON");
    }
}

Result<void> expectFormat(const Json& document, const std::string& format, int version, const std::string& where) {
    if (!document.is_object()) return fail(Errc::BadFormat, where + ": expected a JSON object");
    const auto found = document.find("format");
    if (found == document.end() || !found->is_string() || found->get<std::string>() != format)
        return fail(Errc::BadFormat, where + ": /format should be \"" + format + "\", found " +
                                         (found == document.end() ? std::string("nothing") : found->dump()));
    const auto number = document.find("version");
    if (number == document.end() || !number->is_number_integer())
        return fail(Errc::BadFormat, where + ": /version should be a whole number");
    if (number->get<int>() > version)
        return fail(Errc::NewerVersion, where + ": was made by a newer version of the program (" + format + " " +
                                            number->dump() + ", this one reads up to " + std::to_string(version) + ")");
    return {};
}

std::string toText(const Json& document) { return document.dump(1, ' ') + "\n"; }

Json numberOrNull(double value) { return std::isfinite(value) ? Json(value) : Json(nullptr); }
Json numberOrNull(const std::optional<double>& value) { return value ? numberOrNull(*value) : Json(nullptr); }

double rounded(double value, int places) {
    const double scale = std::pow(10.0, places);
    const double r = std::round(value * scale) / scale;
    return r == 0 ? 0.0 : r; // no "-0" in a file
}

} // namespace deft
