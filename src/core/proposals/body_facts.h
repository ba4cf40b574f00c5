// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "detection/body_finder.h"
#include "exercises/catalogue.h"

namespace deft {

/// What the found bodies of a clip say about it, before anything is marked. To be confirmed, never a reading.
struct BodyFacts {
    double presence = 0; ///< the surest frame
    bool anotherPerson = false;
    bool headLeft = false;  ///< or, upright and seen from the side: the face looks left
    std::string position;   ///< supine, all-fours, plank, prone, side-lying, standing
    std::string view;       ///< side, front, rear
    bool leftNear = false;  ///< seen from the side: the body turns its left side to the camera
    bool exchanged = false; ///< seen from elsewhere: what the network calls left is the body's right
    /// Edges of the picture that the body comes nearer to than a hand's width in some frame: left, right, top, bottom.
    std::vector<std::string> cutAt;
    /// Exercises whose drawn positions fit best, nearest first; distance in torso lengths.
    std::vector<std::pair<std::string, double>> guesses;
};

/// A hand's width in torso lengths (shoulder to hip): what is to stay free around the body (common practice, no
/// published source for the number).
constexpr double kHandWidth = 0.18;

/// Joints of a found body under the names of the side view's landmarks, of one side of the body.
std::map<std::string, ScoredPoint> jointsOfSide(const FoundBody& body, bool left);
/// The same of both sides, with _l and _r. @param exchanged see BodyFacts
std::map<std::string, ScoredPoint> jointsOfBoth(const FoundBody& body, bool exchanged);
// Both leave joints out whose score is below kJointGate.

/// Joint score below which a joint is left empty rather than guessed (chosen on made clips; docs/accuracy.md).
constexpr double kJointGate = 0.3;

/// @param bodies found in frames spread over the clip, in order of time; at least one
/// @param asked the exercise that the client was asked to do, if known: it settles position and view
BodyFacts factsOf(const Catalogue& catalogue, const std::vector<FoundBody>& bodies, int width, int height,
                  const Exercise* asked);

} // namespace deft
