// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/console.h"
#include "exercises/catalogue.h"

#include <string>

namespace deft::cli {

/// What the languages lack. @param code empty = of all @return 1 when a sentence to clients is missing or wrong
int checkTranslations(const Catalogue& catalogue, const std::string& code, const Console& console);

} // namespace deft::cli
