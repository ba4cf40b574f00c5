// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "proposals/body_facts.h"

namespace deft {

/// Where points without a joint lie against the joints: hip and back points against hip and trunk, heel and toe against
/// the shank, hand against the forearm. In lengths of that segment, so that size and distance do not matter.
///
/// General proportions carry a wide band; each confirmed clip of a client narrows it to that client's own.
class BodyLayout {
public:
    struct Place {
        double along = 0;   ///< from the joint toward the head (trunk), the knee (shank), the elbow (forearm)
        double ahead = 0;   ///< across it: to the body's front from the side, away from the middle from elsewhere
        double sd = 0.1;    ///< of each, in segment lengths
        double flexDeg = 0; ///< bend of the hip when it was learned; pelvis points turn with the thigh a little
        int learned = 0;    ///< clips; 0 = general proportions
    };

    BodyLayout(); ///< general proportions
    /// A landmark's own layout without its side, for example "asis"; from views other than the side "front/asis".
    std::optional<Place> find(const std::string& landmark, const std::string& view) const;

    /// All that it can place in a view, with their sides.
    std::vector<std::string> landmarks(const std::string& view) const;

    /// Takes in the marks of one frame as the coach confirmed them. @param front +1 when the front lies clockwise of
    /// the direction hip → shoulder on the screen, −1 counter-clockwise; only for the side view
    void learn(const std::map<std::string, Point2>& marks, const std::string& view, int front);

    struct Ghost {
        Point2 at;
        double sd = 0;    ///< px, of each axis
        bool own = false; ///< from this client's earlier clips
    };
    /// Where the landmark should be, given joints that were found or marked. Nothing when its joints are not there.
    std::optional<Ghost> place(const std::string& landmark, const std::map<std::string, Point2>& joints,
                               const std::string& view, int front) const;

private:
    std::map<std::string, Place> places_;
};

/// See BodyLayout::learn: from the head's direction and what position the body is in.
int frontTurn(const BodyFacts& facts);
/// The same read off marks alone, nothing when it cannot be told. @param lying position of the exercise
std::optional<int> frontTurn(const std::map<std::string, Point2>& marks, Position position);

} // namespace deft
