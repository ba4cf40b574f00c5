// SPDX-License-Identifier: GPL-3.0-or-later
// The coach's own programmes to begin with: files that can be copied from one library to another.
#include "base/files.h"
#include "base/json.h"
#include "store/library.h"

#include <algorithm>

namespace deft {
namespace fs = std::filesystem;
namespace {

constexpr const char* kEnding = ".json";
constexpr size_t kMostName = 60; // characters; chosen here

fs::path fileOf(const fs::path& folder, const std::string& name) { return folder / "programmes" / (name + kEnding); }

} // namespace

std::vector<std::string> Library::templates() const {
    std::vector<std::string> names;
    std::error_code ec;
    for (fs::directory_iterator it(folder_ / "programmes", ec), end; !ec && it != end; it.increment(ec))
        if (it->path().extension() == kEnding && !it->path().filename().string().starts_with('.'))
            names.push_back(it->path().stem().string());
    std::sort(names.begin(), names.end());
    return names;
}

Result<Programme> Library::programmeTemplate(const std::string& name) const {
    const fs::path file = fileOf(folder_, name);
    return readJsonFile(file).and_then(
        [&](const Json& json) { return parseProgramme(*catalogue(), json, file.filename().string()); });
}

Result<void> Library::saveTemplate(const std::string& name, Programme programme) {
    const bool plain = !name.empty() && name.size() <= kMostName && name.front() != '.' &&
                       std::none_of(name.begin(), name.end(),
                                    [](unsigned char c) { return c < 0x20 || c == 0x7f || c == '/' || c == '\\'; });
    if (!plain)
        return fail(
            Errc::BadFormat,
            {"\"{name}\" is no name for a file: up to {most} characters without a slash, the first no full stop",
             {{"name", name}, {"most", kMostName}}});
    programme.uid = name, programme.clientUid.clear(), programme.client.clear(), programme.coach.clear();
    programme.goals.clear(), programme.reminder.clear();
    for (ProgrammeItem& item : programme.items) item.because.clear(), item.watch.clear(); // they tell of a client
    std::error_code ec;
    fs::create_directories(folder_ / "programmes", ec);
    fs::permissions(folder_ / "programmes", fs::perms::owner_all, ec);
    return writeFileAtomically(fileOf(folder_, name), toText(toJson(programme)));
}

Result<void> Library::removeTemplate(const std::string& name) {
    std::error_code ec;
    fs::remove(fileOf(folder_, name), ec);
    if (ec)
        return fail(Errc::WriteFailed, {"{file} could not be removed ({why})",
                                        {{"file", fileOf(folder_, name).string()}, {"why", ec.message()}}});
    return {};
}

} // namespace deft
