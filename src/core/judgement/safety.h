// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
#include "judgement/case.h"

namespace deft {

/// An intake flag that keeps a client from an exercise until its readiness list is confirmed.
struct Lock {
    std::string flag, name, reason;
    std::vector<std::string> readiness; ///< statements to confirm
};

/// What keeps this client from this version of an exercise (an unknown version counts as the whole exercise). A version
/// may load less than the exercise: one leg where the others lift both. Flags that were cleared lock nothing.
std::vector<Lock> locksOf(const Catalogue& catalogue, const Exercise& exercise, const std::string& version,
                          const std::vector<std::string>& flags, const std::vector<std::string>& cleared);

/// The hardest version below this one that nothing locks: what is done while it is locked. Empty = none.
std::string openVersion(const Catalogue& catalogue, const Exercise& exercise, const std::string& version,
                        const std::vector<std::string>& flags, const std::vector<std::string>& cleared);

/// The cautions of an answer: those of the stop rule that applies, of every flag, and of the exercise.
Messages cautionsFor(const SafetyRules& rules, const Exercise& exercise, const Case& now,
                     const std::vector<Lock>& locks);

} // namespace deft
