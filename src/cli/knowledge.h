// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/console.h"
#include "exercises/catalogue.h"

#include <string>

namespace deft::cli {

// Commands about what the program knows, without any clip. Each returns the exit code.
int listExercises(const Catalogue& catalogue, const Console& console);
int showExercise(const Catalogue& catalogue, const std::string& id, const Console& console);
int validateExercise(const Catalogue& catalogue, const std::string& file, const Console& console);
int decideCase(const Catalogue& catalogue, const std::string& file, const Console& console);

/// Is there such a language? Empty is English. @errors NotFound naming those there are
Result<void> knowsLanguage(const Catalogue& catalogue, const std::string& code);

/// Everything that may be said to a client of one exercise (empty = of all), to be read side by side.
int printCues(const Catalogue& catalogue, const std::string& id, const Console& console);

} // namespace deft::cli
