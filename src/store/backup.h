// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "store/library.h"

namespace deft {

/// What a backup holds, or a restored library has.
struct BackupSize {
    int files = 0;
    uint64_t bytes = 0;
};

/// A copy of the whole library in a new folder: the database as it is now, clips, answers, mails, exercises, what waits
/// in its own inbox, and backup.json with the sum of every file (docs/library.md). The cache is left out, as it is made
/// anew.
/// @param to is made; must not be there yet, or be empty @errors WriteFailed, Conflict (it holds something), Cancelled
Result<BackupSize> backupLibrary(const Library& library, const std::filesystem::path& to, StopToken stop = {},
                                 const ProgressFn& progress = {});

/// A backup as a library again, once every file has the sum that was written down. @param to is made; must not be there
/// yet, or be empty @errors BadFormat (damaged, or no backup), Conflict, WriteFailed, Cancelled
Result<BackupSize> restoreLibrary(const std::filesystem::path& from, const std::filesystem::path& to,
                                  StopToken stop = {}, const ProgressFn& progress = {});

} // namespace deft
