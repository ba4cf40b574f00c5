// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/options.h"
#include "exercises/catalogue.h"

namespace deft::cli {

/// programme propose, show and export, and practice take. @return exit code
int proposeOne(const Options& options);
int showProgramme(const Catalogue& catalogue, const Options& options);
int exportProgramme(const CataloguePtr& catalogue, const Options& options);
int takeNote(const Options& options);

} // namespace deft::cli
