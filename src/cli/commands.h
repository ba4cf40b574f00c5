// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/options.h"

namespace deft::cli {

/// Runs the command of these options; `argc` and `argv` go to what draws. Nothing when there is none: then the window
/// opens.
/// @return 0 done, 1 the job could not be done (one sentence on standard error), 2 wrong use
std::optional<int> run(const Options& options, int argc, char** argv);

} // namespace deft::cli
