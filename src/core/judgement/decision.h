// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
#include "judgement/case.h"
#include "judgement/causes.h"

namespace deft {

struct ChosenCue {
    std::string fault, level, text;
    Message because;
};

struct Decision {
    std::string step; ///< stop, ask-again, back, stay, up
    Messages because, arithmetic;
    Target target;
    std::vector<ChosenCue> cues;
    std::vector<std::pair<std::string, Message>> waiting; ///< id of a fault that is not cued now, why
    Messages cautions;
    std::string openFor; ///< why an easier version is asked for in place of one that is locked; else empty
};

/// Hold lengths asked for, in seconds: common practice up to 60, the rest chosen here; no published source.
extern const std::vector<double> kHoldSteps;

/// A hold within this of the length that was asked for has met it (chosen here).
constexpr double kHoldSlack_s = 0.5;

/// Next step and target with their sums. Order: stop rules, ask again, back, up, else stay (docs/decisions.md).
/// @param exercise in the schools of this client, see Catalogue::inSchools
Decision decide(const Catalogue& catalogue, const Exercise& exercise, const Case& now);

/// The same from a case alone, which names the exercise and the schools. @errors NotFound, BadFormat
Result<Decision> decide(const Catalogue& catalogue, const Case& now);

/// The target that a new client begins with.
Target firstTarget(const Catalogue& catalogue, const Exercise& exercise);

/// step, because, target, arithmetic, cues, waiting, cautions, in files in English; messages: because and arithmetic
/// to be said in any language.
Json toJson(const Decision& decision, const Language& language);

} // namespace deft
