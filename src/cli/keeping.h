// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "store/library.h"

#include <string>

namespace deft::cli {

/// A library that is there; it is not made by asking for it. @param library its folder; empty = the usual one
/// @errors NotFound; those of Library::open
Result<std::unique_ptr<Library>> openLibrary(const std::string& library);

/// library backup, restore and check. @param library its folder; empty = the usual one @return exit code
int backup(const std::string& library, const std::string& to, bool quiet, StopToken stop, const ProgressFn& progress);
int restore(const std::string& from, const std::string& library, bool quiet, StopToken stop,
            const ProgressFn& progress);
int checkLibrary(const std::string& library);
/// season: three members of the demo's company over eight weeks. @return exit code
int makeSeason(const std::string& library);

} // namespace deft::cli
