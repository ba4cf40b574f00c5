// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/file_kind.h"

#include <algorithm>
#include <fstream>

namespace deft::ui {
namespace {

constexpr size_t kBeginning = 4096; // every file of ours names its format within it

bool isText(const std::string& bytes) {
    return std::none_of(bytes.begin(), bytes.end(),
                        [](char c) { return c >= 0 && c < 32 && c != '\n' && c != '\r' && c != '\t'; });
}

/// The name of a format of ours that stands in quotes, empty = none.
std::string formatIn(const std::string& text) {
    const size_t at = text.find("\"deft-mirror-");
    const size_t end = at == std::string::npos ? at : text.find('"', at + 1);
    return end == std::string::npos ? std::string() : text.substr(at + 1, end - at - 1);
}

} // namespace

Result<FileKind> kindOf(const std::filesystem::path& file) {
    std::error_code ec;
    if (std::filesystem::is_directory(file, ec)) return FileKind{FileKind::Folder, {}};
    if (!std::filesystem::exists(file, ec))
        return fail(Errc::NotFound, {"{file}: there is no such file", {{"file", file.string()}}});
    std::ifstream in(file, std::ios::binary);
    std::string bytes(kBeginning, '\0');
    in.read(bytes.data(), std::streamsize(bytes.size()));
    if (in.bad() || !in.is_open()) return fail(Errc::NotReadable, {"{file} cannot be read", {{"file", file.string()}}});
    bytes.resize(size_t(in.gcount()));
    if (bytes.starts_with("PK\3\4"))
        return FileKind{bytes.find("review.json") != std::string::npos ? FileKind::Bundle : FileKind::Other, {}};
    if (!isText(bytes)) return FileKind{FileKind::Film, {}};
    const std::string format = formatIn(bytes);
    using K = FileKind;
    for (const auto& [name, kind] : {std::pair{"deft-mirror-marks", K::Marks},
                                     {"deft-mirror-programme", K::Programme},
                                     {"deft-mirror-practice", K::PracticeNote},
                                     {"deft-mirror-exercise", K::Exercise},
                                     {"deft-mirror-review", K::Review}})
        if (format == name) return FileKind{kind, format};
    return FileKind{K::Other, format};
}

} // namespace deft::ui
