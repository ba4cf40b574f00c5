// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "language/language.h"

namespace deft {

/// An exercise with all that people read in this language; what the language lacks stays in English.
Exercise inLanguage(const Exercise& exercise, const Language& language);

/// Every sentence and name of an exercise that people read, in English.
std::vector<std::string> textsOf(const Exercise& exercise);

/// What to see to before the first movement: the first cue of every set-up check, and what no camera shows.
std::vector<std::string> setUpWords(const Exercise& exercise);

/// Is felt, but is no place of the body.
constexpr const char* kShaking = "shaking";

} // namespace deft
