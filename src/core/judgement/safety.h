#pragma once
#include "exercises/exercise.h"
#include "judgement/case.h"

namespace deft {

/// An intake flag that keeps a client from an exercise until its readiness list is confirmed.
struct Lock {
    std::string flag, name, reason;
    std::vector<std::string> readiness; ///< statements to confirm
};

/// data/safety.json: all wording and gates as data. It gives cautions and refers; it never names a condition.
struct SafetyRules {
    struct Gate {
        std::vector<std::string> loads, readiness;
        std::string reason;
    };
    struct Flag {
        std::string name, care, untilCleared; ///< said always, and as long as the readiness list is not confirmed
        std::vector<Gate> gates;
    };
    std::string pain, urgent, sign, locked;
    std::map<std::string, std::string> redFlags, signs; ///< id → what the client or the clip shows
    std::map<std::string, Flag> flags;
    std::vector<std::pair<std::string, std::string>> consent; ///< id and words of what a client may agree to
};

/// @errors those of readJsonFile, BadFormat
Result<SafetyRules> readSafetyRules(const std::filesystem::path& file);
/// The rules that ship, read once. @errors as readSafetyRules
const Result<SafetyRules>& safetyRules();

/// What keeps this client from this version of an exercise (an unknown rung counts as the whole exercise). A version
/// may load less than the exercise: one leg where the others lift both. Flags that were cleared lock nothing.
std::vector<Lock> locksOf(const Exercise& exercise, const std::string& rung, const std::vector<std::string>& flags,
                          const std::vector<std::string>& cleared);

/// The hardest version below this one that nothing locks: what is done while it is locked. Empty = none.
std::string openVersion(const Exercise& exercise, const std::string& rung, const std::vector<std::string>& flags,
                        const std::vector<std::string>& cleared);

/// The cautions of an answer: those of the stop rule that applies, of every flag, and of the exercise.
std::vector<std::string> cautionsFor(const Exercise& exercise, const Case& now, const std::vector<Lock>& locks);

} // namespace deft
