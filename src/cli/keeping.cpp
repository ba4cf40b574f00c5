// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/keeping.h"

#include "app/window/demo.h"
#include "base/numbers.h"
#include "cli/knowledge.h"
#include "store/backup.h"

#include <QDate>
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

int told(const char* what, const Result<BackupSize>& size, const std::string& where, const Console& console) {
    if (!size) return console.failed(size.error());
    return console.done({where},
                        what + (" " + where) + ": " + std::to_string(size->files) + " files, " +
                            fixed(double(size->bytes) / 1e6, 1) + " MB, every sum checked\n",
                        {{"files", size->files}, {"bytes", size->bytes}});
}

} // namespace

Result<std::unique_ptr<Library>> openLibrary(const std::string& library) {
    const fs::path folder = folderOf(library);
    std::error_code ec;
    if (!fs::exists(folder / "library.sqlite", ec))
        return fail(Errc::NotFound,
                    {"{folder}: there is no library; name its folder with --library", {{"folder", folder.string()}}});
    return Library::open(folder);
}

int backup(const Options& o, StopToken stop, const ProgressFn& progress) {
    const auto open = openLibrary(o.library);
    if (!open) return o.console().failed(open.error());
    for (const Message& sentence : (*open)->damage())
        std::cerr << "deft-mirror: damaged: " << inEnglish(sentence) << "\n";
    return told("backed up to", backupLibrary(**open, o.folder, stop, progress), o.folder, o.console());
}

int restore(const Options& o, StopToken stop, const ProgressFn& progress) {
    const fs::path to = folderOf(o.library);
    return told("restored to", restoreLibrary(o.folder, to, stop, progress), to.string(), o.console());
}

namespace {

/// With a client's videos the pages that show them go, too.
bool wasErased(const Library& library, const Clip& clip) {
    for (const FiledReview& r : library.filed(clip.client, clip.draft.exercise)) {
        std::error_code ec;
        const std::string page = "answer-" + std::to_string(library.letterOf(r.id)) + ".html";
        if (r.clip == clip.id) return !fs::exists(library.folder() / "answers" / page, ec);
    }
    return false;
}

} // namespace

int makeSeason(const Options& o) {
    auto library = Library::open(o.library);
    if (!library) return o.console().failed(library.error());
    if (auto ok = ui::fillSeason(**library, QDate::currentDate()); !ok) return o.console().failed(ok.error());
    return o.console().done({o.library});
}

int checkLibrary(const Options& o) {
    const auto open = openLibrary(o.library);
    if (!open) return o.console().failed(open.error());
    std::vector<std::string> found;
    for (const Message& sentence : (*open)->damage()) found.push_back(inEnglish(sentence));
    (*open)->onTrouble([&](const Message& sentence) { found.push_back(inEnglish(sentence)); });
    int clips = 0;
    for (const Clip& c : (*open)->clips()) {
        std::error_code ec;
        ++clips;
        if (!fs::exists(c.draft.clipPath, ec) && !wasErased(**open, c))
            found.push_back("clip " + std::to_string(c.id) + ": " + c.draft.clipPath + " has gone");
    }
    for (const std::string& sentence : found) std::cerr << "deft-mirror: " << sentence << "\n";
    const std::string folder = (*open)->folder().string();
    o.console().tell({{"format", "deft-mirror-library-check"},
                      {"version", 1},
                      {"library", folder},
                      {"clips", clips},
                      {"found", found}},
                     found.empty() ? folder + ": in order, " + std::to_string(clips) + " clips\n" : std::string());
    return found.empty() ? 0 : 1;
}

} // namespace deft::cli
