// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "judgement/case.h"

namespace deft {

/// What was asked for: "three holds of ten seconds on each side".
std::string askedWords(const Exercise& exercise, const Target& target);
/// What is to be done and how often: "three lifts of five seconds, every other day, with a good rest between them."
/// @param version named in it; null = the one that the client knows
std::string doseWords(const Exercise& exercise, const Target& target, const Version* version);

} // namespace deft
