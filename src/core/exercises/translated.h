// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"

#include <set>

namespace deft {

/// An exercise with all that people read in this language; what the language lacks stays in English.
Exercise inLanguage(const Exercise& exercise, const Language& language);

/// What people read of everything that the files of a catalogue say, in English. A text that stands for another thing
/// elsewhere bears its context: "noun|lift".
struct Texts {
    std::set<std::string> client; ///< what a letter, a sheet or the practice page may say
    std::set<std::string> coach;  ///< what only the window says
};
/// @errors those of Catalogue::form
Result<Texts> textsOf(const Catalogue& catalogue);

/// What to see to before the first movement: the first cue of every set-up check, and what no camera shows.
std::vector<std::string> setUpWords(const Exercise& exercise);

/// Is felt, but is no place of the body.
constexpr const char* kShaking = "shaking";

} // namespace deft
