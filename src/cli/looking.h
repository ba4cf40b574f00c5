// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
// Commands that look at a clip before anything is measured.

#include "base/progress.h"

#include <string>

namespace deft::cli {

/// `marks CLIP --exercise ID --out M.json`: places offered for the landmarks. @return exit code
int proposeMarksFor(const Catalogue& catalogue, const std::string& clip, const std::string& exercise, bool mirrored,
                    const std::string& last, const std::string& out, bool quiet, StopToken stop,
                    const ProgressFn& progress);

/// `check CLIP [--exercise ID] [--marks M] [--json]`: is the clip usable, and what to ask for. @return exit code
int checkClip(const Catalogue& catalogue, const std::string& clip, const std::string& exercise,
              const std::string& marks, bool json, StopToken stop);

} // namespace deft::cli
