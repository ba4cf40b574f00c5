// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"
#include "exercises/catalogue.h"

#include <string>

namespace deft::cli {

// Commands about what the program knows, without any clip. Each returns the exit code.
int listExercises(const Catalogue& catalogue);
int showExercise(const Catalogue& catalogue, const std::string& id, bool json);
int validateExercise(const Catalogue& catalogue, const std::string& file);
int decideCase(const Catalogue& catalogue, const std::string& file, bool json);

/// Is there such a language? Empty is English. @errors NotFound naming those there are
Result<void> knowsLanguage(const Catalogue& catalogue, const std::string& code);

/// Says what went wrong on standard error; 1.
int failed(const Error& error);

/// Everything that may be said to a client of one exercise (empty = of all), to be read side by side.
int printCues(const Catalogue& catalogue, const std::string& id);

} // namespace deft::cli
