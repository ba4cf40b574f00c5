// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/keeping.h"

#include "base/numbers.h"
#include "cli/knowledge.h"
#include "store/backup.h"

#include <QStandardPaths>
#include <iostream>

namespace deft::cli {
namespace {

namespace fs = std::filesystem;

fs::path folderOf(const std::string& library) {
    if (!library.empty()) return library;
    return fs::path(QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation).toStdString()) /
           "deft-mirror" / "library";
}

int told(const char* what, const Result<BackupSize>& size, const std::string& where, bool quiet) {
    if (!size) return failed(size.error());
    if (!quiet)
        std::cout << what << " " << where << ": " << size->files << " files, " << fixed(double(size->bytes) / 1e6, 1)
                  << " MB, every sum checked\n";
    return 0;
}

} // namespace

Result<std::unique_ptr<Library>> openLibrary(const std::string& library) {
    const fs::path folder = folderOf(library);
    std::error_code ec;
    if (!fs::exists(folder / "library.sqlite", ec))
        return fail(Errc::NotFound, folder.string() + ": there is no library; name its folder with --library");
    return Library::open(folder);
}

int backup(const std::string& library, const std::string& to, bool quiet, StopToken stop, const ProgressFn& progress) {
    const auto open = openLibrary(library);
    if (!open) return failed(open.error());
    for (const std::string& sentence : (*open)->damage()) std::cerr << "deft-mirror: damaged: " << sentence << "\n";
    return told("backed up to", backupLibrary(**open, to, stop, progress), to, quiet);
}

int restore(const std::string& from, const std::string& library, bool quiet, StopToken stop,
            const ProgressFn& progress) {
    const fs::path to = folderOf(library);
    return told("restored to", restoreLibrary(from, to, stop, progress), to.string(), quiet);
}

int checkLibrary(const std::string& library) {
    const auto open = openLibrary(library);
    if (!open) return failed(open.error());
    std::vector<std::string> found = (*open)->damage();
    (*open)->onTrouble([&](const std::string& sentence) { found.push_back(sentence); });
    int clips = 0;
    for (const Clip& c : (*open)->clips()) {
        std::error_code ec;
        ++clips;
        if (!fs::exists(c.draft.clipPath, ec))
            found.push_back("clip " + std::to_string(c.id) + ": " + c.draft.clipPath + " has gone");
    }
    for (const std::string& sentence : found) std::cerr << "deft-mirror: " << sentence << "\n";
    if (found.empty()) std::cout << (*open)->folder().string() << ": in order, " << clips << " clips\n";
    return found.empty() ? 0 : 1;
}

} // namespace deft::cli
