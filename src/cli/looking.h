// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Commands that look at a clip before anything is measured.

#include "base/progress.h"
#include "cli/options.h"
#include "exercises/catalogue.h"

namespace deft::cli {

/// `marks CLIP --exercise ID --out M.json`: places offered for the landmarks. @return exit code
int proposeMarksFor(const Catalogue& catalogue, const Options& options, StopToken stop, const ProgressFn& progress);

/// `check CLIP [--exercise ID] [--marks M] [--json]`: is the clip usable, and what to ask for. @return exit code
int checkClip(const Catalogue& catalogue, const Options& options, StopToken stop);

} // namespace deft::cli
