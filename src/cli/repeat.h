// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/console.h"
#include "exercises/catalogue.h"
#include <string>
#include <vector>

namespace deft::cli {

/// How repeatable readings are: every folder holds the analysed folders of the same clips, marked anew.
/// @return exit code
int showRepeatability(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const Console& console);

} // namespace deft::cli
