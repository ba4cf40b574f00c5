// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"

#include <string>

namespace deft::cli {

/// library backup, restore and check. @param library its folder; empty = the usual one @return exit code
int backup(const std::string& library, const std::string& to, bool quiet, StopToken stop, const ProgressFn& progress);
int restore(const std::string& from, const std::string& library, bool quiet, StopToken stop,
            const ProgressFn& progress);
int checkLibrary(const std::string& library);

} // namespace deft::cli
