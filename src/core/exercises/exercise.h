#pragma once
#include "base/json.h"
#include "measures/measure.h"

namespace deft {

/// Where a number comes from.
enum class Origin { CommonPractice, ChosenHere, Published };
const char* originWords(Origin origin);

struct Limit {
    std::string measure;
    std::optional<double> low, high;
    std::string unit;
    Origin origin = Origin::ChosenHere;
    std::string source; ///< for Published
};

struct Cue {
    std::string rung; ///< set-up, internal, image, touch, prop, easier
    std::string text; ///< to the client
};

struct SetupCheck {
    std::string id, name;
    Limit limit;
    std::string at = "set-up";         ///< or "top": read when the hold begins
    std::string good, tooLow, tooHigh; ///< what to say
    std::vector<Cue> cues;
};

struct FaultPlan {
    std::string id, name;
    Limit limit;
    bool onTheWay = true, inTheHold = true;
    bool isAnchor = true;              ///< does it end the clean part of a hold?
    std::vector<std::string> causedBy; ///< ids of faults or set-up checks upstream
    std::string told;                  ///< to the client: what was seen
    std::vector<Cue> cues;             ///< in the order of the ladder
};

struct Rung {
    std::string id, name;
    std::string criterion; ///< when to step onto it
};

struct FeltPlace {
    std::string id, name, means;
    bool asIntended = false;
};

struct School {
    std::string id, name, aim;
    std::vector<Limit> limits; ///< replace those of set-up checks and faults with the same measure
};

/// One exercise as data: file format `deft-mirror-exercise` 1, schema data/schemas/exercise.schema.json.
struct Exercise {
    std::string id, name, position;
    std::vector<std::string> views, otherNames;
    std::vector<std::string> landmarksNeeded;
    std::vector<std::pair<std::string, std::string>> landmarksOptional; ///< name, what it adds
    std::string lineEnd = "knee";
    std::string moverMeasure, moverWords;
    double minExcursion = 5;
    std::string phaseOut, phaseHold, phaseBack;
    double paceBack_s = 2;
    std::string schoolQuestion, defaultSchool;
    std::vector<School> schools;
    std::vector<SetupCheck> setup;
    std::vector<FaultPlan> faults;
    std::vector<std::string> readings; ///< measures in the order of inspection
    int sets = 1, reps = 3, daysPerWeek = 3;
    double hold_s = 5;
    double holdCap_s = 120;
    std::vector<Rung> ladder;
    std::vector<FeltPlace> felt;
    std::vector<std::string> cautions, props, filming;
    std::string stopRule;
    Json raw;

    const School* school(const std::string& id) const;
    /// Limits after the school has had its say. `measure` may name several checks.
    Limit withSchool(Limit limit, const std::string& schoolId) const;
    const FaultPlan* fault(const std::string& id) const;
    const FaultPlan* anchor() const; ///< the fault whose measure is watched first; null when none is an anchor
    const SetupCheck* check(const std::string& id) const;
};

/// Where the program's data lie: DEFT_MIRROR_DATA, beside the program, the source tree or the installed place.
std::filesystem::path dataFolder();

/// Ids of the exercise files that ship, in order.
std::vector<std::string> exerciseIds();
/// @errors NotFound (naming those that exist), BadFormat
Result<Exercise> loadExercise(const std::string& id);
/// Reads and validates a file: JSON, schema, then what a schema cannot say (units, landmarks for the measures, causes
/// without a circle). @errors BadFormat naming file, path and reason; NewerVersion
Result<Exercise> readExercise(const std::filesystem::path& path);
Result<Exercise> parseExercise(const Json& json, const std::string& where);

} // namespace deft
