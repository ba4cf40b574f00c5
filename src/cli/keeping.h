// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "cli/options.h"
#include "store/library.h"

#include <string>

namespace deft::cli {

/// A library that is there; it is not made by asking for it. @param library its folder; empty = the usual one
/// @errors NotFound; those of Library::open
Result<std::unique_ptr<Library>> openLibrary(const std::string& library);

/// library backup, restore and check. @return exit code
int backup(const Options& options, StopToken stop, const ProgressFn& progress);
int restore(const Options& options, StopToken stop, const ProgressFn& progress);
int checkLibrary(const Options& options);
/// season: three members of the demo's company over eight weeks. @return exit code
int makeSeason(const Options& options);

} // namespace deft::cli
