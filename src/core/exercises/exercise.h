// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "exercises/schools.h"
#include "measures/limit.h"
#include "measures/measure.h"

#include <memory>

namespace deft {

struct Cue {
    std::string level; ///< set-up, internal, image, touch, prop, easier
    std::string text;  ///< to the client
    Schools onlyIn{};  ///< said in these schools only; empty = always
};

struct SetupCheck {
    std::string id, name;
    Limit limit;
    std::string at = "set-up";         ///< "start": as the first movement begins; "top": when the first hold begins
    std::string good, tooLow, tooHigh; ///< what to say
    std::vector<Cue> cues;
    Schools onlyIn{}; ///< counts in these schools only; empty = always
};

struct FaultPlan {
    std::string id, name;
    Limit limit;
    Phases counts;
    bool isAnchor = true;                  ///< does it end the clean part of a hold?
    std::vector<std::string> causedBy;     ///< ids of faults or set-up checks upstream
    std::string told;                      ///< to the client: what was seen
    std::vector<Cue> cues;                 ///< in the order of the ladder
    Schools onlyIn{};                      ///< counts in these schools only; empty = always
    std::vector<std::string> answeredBy{}; ///< ids of exercises that work on it
};

/// What the version before must have shown, so that a program can read it. What is not set is not asked for.
struct Criterion {
    std::optional<double> hold_s;
    std::optional<int> reps; ///< clean ones, on each side where sides are done one after the other
    int reviews = 1;         ///< running
};

/// A version of the exercise. What its file says under "changes" is put over the exercise, see Catalogue::inVersion().
struct Version {
    std::string id, name;
    std::string criterion; ///< when to step onto it
    std::optional<Criterion> needs{};
    std::string exercise; ///< the exercise that this version is, when it has a file of its own
    std::string as{};     ///< and the version of that; empty = as its file says it first
    std::optional<std::vector<std::string>> loads{}; ///< where they are not those of the exercise
};

struct FeltPlace {
    std::string id, name, means;
    bool asIntended = false;
};

/// The part that goes out, holds and comes back; or, with a window, that stays still inside it.
struct Mover {
    std::string measure, words;
    double minExcursion = 5;
    bool falls = false;              ///< the movement goes toward smaller values
    std::optional<double> low, high; ///< a hold is any still stretch inside this window
    bool isWindow() const { return low || high; }
};

/// Words of this exercise's movement for the answer.
struct MovementWords {
    std::string one = "lift", many = "lifts";
    std::string anchor = "a quiet pelvis"; ///< what stays while it works
    std::string range;                     ///< to the client: how to keep inside the range
    std::string start = "How you started"; ///< caption of the set-up's picture
    bool isRep = false;                    ///< told as "rep", so that a held one is called a hold
};

struct Dose {
    int sets = 1, setsMax = 5, daysPerWeek = 3;
    std::optional<int> reps, repsMax;
    std::optional<double> hold_s;
    double holdCap_s = 120;
    /// What grows when the hold or the reps do not, in this order: "round", "days", "version".
    std::vector<std::string> instead{"round", "days", "version"};
};

/// What this exercise answers to a question on which practitioners differ.
struct SchoolsAnswer {
    struct Choice {
        std::string id;
        std::map<std::string, Limit> limits; ///< by id of the fault or set-up check
        std::string startVersion;            ///< where a new client begins; empty = the ladder's first
    };
    std::string question, defaultChoice;
    std::vector<Choice> choices;
};

/// The parts of a series of exercises, in the order in which they are done (common practice, no published source).
enum class SeriesPart { Position, Front, Back, Side, Whole, Stretch };

/// The place of an exercise in a series.
struct SeriesPlace {
    SeriesPart part = SeriesPart::Front;
    bool begins = false;            ///< the one of its part that somebody new begins with
    std::string purpose;            ///< to the client: what it is for, as the end of "It …"
    std::vector<std::string> goals; ///< of Catalogue::goals(), which it serves
};

/// A body drawn from points: x to the right, y up, floor at 0, in hundredths of the body's length.
using Sketch = std::map<std::string, Point2>;

/// One exercise as data: file format `deft-mirror-exercise` 1, schema data/schemas/exercise.schema.json.
struct Exercise {
    std::string id, name, position;
    std::vector<std::string> views, otherNames;
    std::string view; ///< the one that this exercise is read for
    std::vector<std::string> landmarksNeeded;
    std::vector<std::pair<std::string, std::string>> landmarksOptional; ///< name, what it adds
    std::string lineEnd = "knee";
    bool eachSide = false;          ///< left and right are done one after the other
    bool sideIsStance = false;      ///< a side names the leg that stands, not the one that works
    std::vector<std::string> loads; ///< what intake flags look at, see safety.h
    Mover mover;
    /// The client is in the position where all of these that can be measured keep their limits: getting in, resting and
    /// getting out are neither hold nor set-up nor rep.
    std::vector<Limit> inPosition;
    MovementWords words;
    std::string phaseOut, phaseHold, phaseBack;
    double tempoBack_s = 2;
    std::optional<double> tempoOut_s; ///< asked for only where it matters
    std::vector<SchoolsAnswer> schools;
    std::vector<SetupCheck> setup;
    std::vector<FaultPlan> faults;
    std::vector<std::string> readings; ///< measures in the order of inspection
    Dose dose;
    std::vector<Version> ladder;
    std::vector<FeltPlace> felt;
    std::vector<std::string> cautions, props, filming;
    std::vector<std::string> notes;  ///< to the coach: what no measure tells
    std::vector<std::string> unseen; ///< to the client: what no camera shows
    std::string stopRule;
    std::optional<SeriesPlace> series;   ///< none = it is filmed to look at, not practised
    Sketch start, end;                   ///< the drawn position before the movement and at its far end
    std::map<std::string, Sketch> wrong; ///< fault id → how far its marks stray from `end`
    std::shared_ptr<const Json> raw;     ///< as resolved, with the shared entries in it; shared by all copies
    std::shared_ptr<const Json> base;    ///< the same before any version or other view was put over it; may be null

    /// Does this measure hang on landmarks that are only optional here?
    bool isOptional(const std::string& measure) const;
    const SchoolsAnswer* answerTo(const std::string& question) const;
    /// The choices that hold for this exercise: the defaults with `wanted` over them.
    Schools schoolsFor(const Schools& wanted) const;

    const FaultPlan* fault(const std::string& id) const;
    const FaultPlan* anchor() const; ///< the fault whose measure is watched first; null when none is an anchor
    const SetupCheck* check(const std::string& id) const;
    const Limit* limitOf(const std::string& id) const; ///< of the fault or set-up check of that id; null for another
    std::string nameOf(const std::string& id) const; ///< of the fault or set-up check of that id; the id of another
    const FeltPlace* feltPlace(const std::string& id) const;
    /// Place on the ladder, −1 for an unknown version.
    int versionIndex(const std::string& id) const;
    std::string startVersion; ///< where a new client begins
    Schools inForce;          ///< the schools whose limits and words it has; empty = of all of them
    std::string version;      ///< the version whose changes are in it; empty = as the file says it first
    /// The version that the file describes first: the first version, from the start on, that changes nothing. Empty =
    /// none.
    std::string plainVersion() const;
    bool tremorIsTheEnd = false;    ///< of the school of when to stop
    std::optional<double> breath_s; ///< of the school of how long to hold
    Position bodyPosition() const;
};

} // namespace deft
