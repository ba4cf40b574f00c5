#pragma once
#include "exercises/exercise.h"

namespace deft {

struct Target {
    std::string rung;
    int sets = 1;
    std::optional<int> reps;
    std::optional<double> hold_s, range;
    int daysPerWeek = 3;
};

struct PastCue {
    std::string fault, rung;
    double worst = 0, mdc = 0;
};

/// What an earlier review of the same client and exercise left behind.
struct PastReview {
    std::string date;
    std::string rung;
    Target target;
    bool met = false, clean = false;
    std::vector<std::string> faults;
    std::vector<PastCue> cues;
};

struct ClientNote {
    bool pain = false, shaking = false;
    std::vector<std::string> redFlags, felt;
    std::string words; ///< what the client wrote
};

/// Everything that a decision is made from.
struct Case {
    std::string rung, school;
    std::vector<std::string> flags;
    ClientNote note;
    Target target; ///< what was asked
    struct Hold {
        std::string side;
        double duration_s = 0, clean_s = 0;
        std::string brokenBy;
    };
    struct Rep {
        std::string side;
        double reach = 0, controlRange = 0, u95 = 0;
        std::string brokenBy;
    };
    struct Fault {
        std::string id, certainty;
        double worst = 0, u95 = 0;
    };
    bool usable = true;
    std::vector<std::pair<std::string, std::string>> setup; ///< id, verdict
    std::vector<Hold> holds;
    std::vector<Rep> reps;
    std::vector<Fault> faults;
    std::vector<std::string> toCorrect; ///< ids, most upstream first
    std::vector<PastReview> history;    ///< oldest first
};

struct ChosenCue {
    std::string fault, rung, text, because;
};

struct Decision {
    std::string step; ///< stop, ask-again, back, stay, up
    std::vector<std::string> because, arithmetic;
    Target target;
    std::vector<ChosenCue> cues;
    std::vector<std::string> cautions;
};

/// Hold lengths asked for, in seconds: common practice up to 60, the rest chosen here; no published source.
extern const std::vector<double> kHoldRungs;

/// A hold within this of the length that was asked for has met it (chosen here).
constexpr double kHoldSlack_s = 0.5;

/// Next step and target with their sums. Order: stop rules, ask again, back, up, else stay (docs/decisions.md).
Decision decide(const Exercise& exercise, const Case& now);

} // namespace deft
