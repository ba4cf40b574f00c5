// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "exercises/schools.h"

#include <optional>
#include <string>
#include <vector>

namespace deft {

class Catalogue;

struct Target {
    std::string version;
    int sets = 1;
    std::optional<int> reps;
    std::optional<double> hold_s, range;
    int daysPerWeek = 3;
    std::string firstSide{}; ///< the weaker side, which begins; empty = no difference
    bool operator==(const Target&) const = default;
};

struct PastCue {
    std::string fault, level;
    double worst = 0, mdc = 0; ///< reading when it was said, and the change that counts
    bool operator==(const PastCue&) const = default;
};

/// What an earlier review of the same client and exercise left behind.
struct PastReview {
    std::string date;
    std::string version;
    Target target;
    bool met = false, clean = false;
    std::vector<std::string> faults;
    std::vector<PastCue> cues;
    std::vector<std::string> sides{}; ///< "left", "right": those that were shown; empty = that is not known
    bool operator==(const PastReview&) const = default;
};

struct ClientNote {
    bool pain = false, shaking = false;
    std::vector<std::string> redFlags, felt;
    std::vector<std::string> signs; ///< breath-held, doming, not-regained: seen by the coach, not corrected when asked
    std::string words;              ///< what the client wrote
    bool operator==(const ClientNote&) const = default;
    /// Is there anything in it that is answered before form is?
    bool isAlarming() const { return pain || !redFlags.empty() || !signs.empty(); }
};

/// On how many days the exercise was asked for and done before a clip, in the two weeks that count (kPracticeDays).
struct Practice {
    int asked = 0, done = 0;
    bool operator==(const Practice&) const = default;
    /// Done on less than half of the days asked for (chosen here).
    bool isTooLittle() const { return 2 * done < asked; }
    /// Done on more days than were asked for.
    bool isTooMuch() const { return done > asked; }
};
constexpr int kPracticeDays = 14; ///< before a clip; chosen here

/// How often a cue of one version has been given for a fault and was followed by a fault that had really shrunk at the
/// next review, over all clients of this coach.
struct CueRecord {
    std::string fault, level;
    int tried = 0, helped = 0;
    bool operator==(const CueRecord&) const = default;
};

/// Everything that a decision is made from: file format `deft-mirror-case` 1 (docs/formats.md).
struct Case {
    std::string exercise, version;
    Schools schools;
    std::vector<std::string> flags;   ///< from intake
    std::vector<std::string> cleared; ///< flags whose readiness list is confirmed, or whose lock the coach overruled
    ClientNote note;
    Target target; ///< what was asked
    struct Hold {
        std::string side = "both"; ///< "" = nobody can tell
        double duration_s = 0, clean_s = 0;
        std::string brokenBy;
        std::optional<double> tremorShare{}; ///< per cent, see tremorOf()
        double tremorU95 = 0;
        bool isTold = true; ///< false: the clip cannot tell whether it was broken
    };
    struct Rep {
        std::string side = "both"; ///< "" = nobody can tell
        double reach = 0, controlRange = 0, u95 = 0;
        std::string brokenBy;
        bool onTheWayBack = false; ///< broken only there
        bool isTold = true;        ///< false: the clip cannot tell whether it was broken
    };
    struct Fault {
        std::string id, measure, certainty;
        double worst = 0, u95 = 0;
        int rep = 0; ///< from 0; causes hold within one rep
        bool clear() const { return certainty == "clear"; }
    };
    bool usable = true;
    std::vector<std::pair<std::string, std::string>> setup; ///< id, verdict
    std::vector<Hold> holds;
    std::vector<Rep> reps; ///< when there are as many as holds, the two tell of the same movements
    std::vector<Fault> faults;
    std::vector<std::string> between; ///< faults outside of the reps, see Findings::between
    std::vector<PastReview> history;  ///< oldest first
    std::vector<CueRecord> cueRecord;
    std::optional<Practice> practice{}; ///< nothing = the client has not told
};

/// @errors BadFormat naming file, path, what was expected and what was found; NewerVersion; NotFound for unknown
/// flags, red flags, signs, schools and exercises
Result<Case> parseCase(const Catalogue& catalogue, const Json& json, const std::string& where);

Json toJson(const ClientNote& note);
Json toJson(const Practice& practice);
/// @errors BadFormat
Result<Practice> parsePractice(const Json& json, const std::string& where);
Json toJson(const Target& target);
/// @errors BadFormat
Result<Target> parseTarget(const Json& json, const std::string& where);
/// A history file: {"format":"deft-mirror-history","version":1,"history":[…as in a case…]}, or a bare list.
/// @errors BadFormat
Result<std::vector<PastReview>> parseHistory(const Json& json, const std::string& where);
Json toJson(const std::vector<PastReview>& history);

} // namespace deft
