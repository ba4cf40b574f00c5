// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "judgement/shown.h"

namespace deft {

/// Fills the target of a decision whose step is back, stay or up, and says every sum. `easier` asks for the version
/// below even where a shorter hold would do.
void setTarget(Decision& decision, const Catalogue& catalogue, const Exercise& exercise, const Case& now,
               const Shown& shown, bool easier);

/// The dose in which this version is begun.
Target usualTarget(const Exercise& version);
/// Another version, in the dose in which somebody who is new to it begins; where it gets easier, what has been shown of
/// the same kind of dose stays.
void changeVersion(Target& target, const Catalogue& catalogue, const Exercise& exercise, const std::string& version,
                   bool easier);

} // namespace deft
