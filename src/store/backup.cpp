// SPDX-License-Identifier: GPL-3.0-or-later
#include "store/backup.h"

#include "base/files.h"
#include "base/json.h"

namespace deft {
namespace fs = std::filesystem;
namespace {

constexpr const char* kList = "backup.json";

Result<void> emptyFolder(const fs::path& folder) {
    std::error_code ec;
    if (fs::exists(folder, ec) && (!fs::is_directory(folder, ec) || !fs::is_empty(folder, ec)))
        return fail(Errc::Conflict,
                    {"{folder}: holds something already; name a new folder", {{"folder", folder.string()}}});
    fs::create_directories(folder, ec);
    if (ec)
        return fail(Errc::WriteFailed,
                    {"{folder}: could not be made ({why})", {{"folder", folder.string()}, {"why", ec.message()}}});
    fs::permissions(folder, fs::perms::owner_all, ec);
    return {};
}

/// Copies one file and says what it is; the copy is read again, so that what is told is what lies there.
Result<Json> copied(const fs::path& from, const fs::path& to, const std::string& name) {
    std::error_code ec;
    fs::create_directories(to.parent_path(), ec);
    fs::permissions(to.parent_path(), fs::perms::owner_all, ec);
    fs::copy_file(from, to, ec);
    if (ec)
        return fail(Errc::WriteFailed,
                    {"{file}: could not be written ({why})", {{"file", to.string()}, {"why", ec.message()}}});
    fs::permissions(to, fs::perms::owner_read | fs::perms::owner_write, ec);
    const auto sum = sha256OfFile(from), there = sha256OfFile(to);
    if (!sum || !there || *sum != *there)
        return fail(Errc::WriteFailed,
                    {"{file}: is not what was copied; is the disk full or failing?", {{"file", to.string()}}});
    return Json{{"file", name}, {"bytes", fs::file_size(to, ec)}, {"sha256", *sum}};
}

std::vector<std::string> filesOf(const fs::path& folder) {
    std::vector<std::string> names;
    std::error_code ec;
    for (const char* part : {"clips", "answers", "outbox", "exercises", "programmes", "inbox"})
        for (fs::recursive_directory_iterator it(folder / part, ec), end; !ec && it != end; it.increment(ec))
            if (it->symlink_status(ec).type() == fs::file_type::regular)
                names.push_back(it->path().lexically_relative(folder).string());
    std::sort(names.begin(), names.end());
    return names;
}

} // namespace

Result<BackupSize> backupLibrary(const Library& library, const fs::path& to, StopToken stop,
                                 const ProgressFn& progress) {
    if (auto ok = emptyFolder(to); !ok) return tl::unexpected(ok.error());
    if (auto ok = library.copyDatabase(to / "library.sqlite"); !ok) return tl::unexpected(ok.error());
    const auto sum = sha256OfFile(to / "library.sqlite");
    if (!sum) return tl::unexpected(sum.error());
    std::error_code ec;
    fs::permissions(to / "library.sqlite", fs::perms::owner_read | fs::perms::owner_write, ec);
    Json files = Json::array();
    files.push_back(
        {{"file", "library.sqlite"}, {"bytes", fs::file_size(to / "library.sqlite", ec)}, {"sha256", *sum}});
    const auto names = filesOf(library.folder());
    for (size_t i = 0; i < names.size(); ++i) {
        if (stop.stop_requested())
            return fail(Errc::Cancelled, {"the backup was stopped; remove {file}", {{"file", to.string()}}});
        if (progress) progress({int64_t(i), int64_t(names.size()), "backing up"});
        auto one = copied(library.folder() / names[i], to / names[i], names[i]);
        if (!one) return tl::unexpected(one.error());
        files.push_back(std::move(*one));
    }
    BackupSize size{int(files.size()), 0};
    for (const Json& f : files) size.bytes += f["bytes"].get<uint64_t>();
    // Last: a folder without it is no backup.
    if (auto ok = writeFileAtomically(to / kList,
                                      toText({{"format", "deft-mirror-backup"}, {"version", 1}, {"files", files}}));
        !ok)
        return tl::unexpected(ok.error());
    return size;
}

Result<BackupSize> restoreLibrary(const fs::path& from, const fs::path& to, StopToken stop,
                                  const ProgressFn& progress) {
    auto list = readJsonFile(from / kList);
    if (!list)
        return fail(list.error().code,
                    {"{what}; a backup that was not ended has none", {{"what", list.error().message}}});
    if (auto ok = expectFormat(*list, "deft-mirror-backup", 1, (from / kList).string()); !ok)
        return tl::unexpected(ok.error());
    return readMembers((from / kList).string(), [&]() -> Result<BackupSize> {
        const Json& files = list->at("files");
        for (const Json& f : files) { // all of them, before anything is written
            const fs::path name = f.at("file").get<std::string>();
            if (name.is_absolute() || name.lexically_normal() != name || name.begin()->string() == "..")
                return fail(Errc::BadFormat,
                            {"{file}: names a file outside of the backup", {{"file", (from / kList).string()}}});
            const auto sum = sha256OfFile(from / name);
            if (!sum) return tl::unexpected(sum.error());
            if (*sum != f.at("sha256"))
                return fail(Errc::BadFormat,
                            {"{file}: is damaged; nothing was restored", {{"file", (from / name).string()}}});
        }
        if (auto ok = emptyFolder(to); !ok) return tl::unexpected(ok.error());
        BackupSize size;
        for (const Json& f : files) {
            if (stop.stop_requested())
                return fail(Errc::Cancelled, {"restoring was stopped; remove {file}", {{"file", to.string()}}});
            if (progress) progress({size.files, int64_t(files.size()), "restoring"});
            const std::string name = f.at("file");
            if (auto one = copied(from / name, to / name, name); !one) return tl::unexpected(one.error());
            ++size.files, size.bytes += f.at("bytes").get<uint64_t>();
        }
        return size;
    });
}

} // namespace deft
