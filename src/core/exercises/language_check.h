// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"

namespace deft {

/// What a language lacks against English and against what the files of a catalogue say.
struct LanguageCheck {
    std::vector<std::string> wrong;         ///< key and reason: syntax, a key that English has not
    std::vector<std::string> missingClient; ///< keys and texts that go to clients and are said in English
    std::vector<std::string> missingCoach;  ///< the same of what only the window says
    std::vector<std::string> unused;        ///< texts that no file says any more
};

/// @errors NotFound for a language that is not there; those of Language::load and textsOf()
Result<LanguageCheck> checkLanguage(const Catalogue& catalogue, const std::string& code);

} // namespace deft
