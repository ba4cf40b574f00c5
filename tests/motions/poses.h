// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "motions/person.h"

#include <functional>

namespace deft::test {

/// What moves and what goes wrong, by name; what is not named is 0.
struct Params : std::map<std::string, double> {
    using map::map;
    double operator()(const std::string& name, double otherwise = 0) const {
        const auto it = find(name);
        return it == end() ? otherwise : it->second;
    }
};
using Pose = std::function<Points(const Person&, const Params&)>;

// From the side. Faults that several know: "tilt" (+ arching), "neck", "back_up" (cm), "ribs", "hunch" (cm).
Points flatOnTheBack(const Person&, const Params&);  ///< at rest, legs long
Points flatOnTheFront(const Person&, const Params&); ///< at rest
Points onTheBack(const Person&, const Params&);      ///< "thigh", "shank", "arm", "curl", "leg_down"
Points kneesBent(const Person&, const Params&);      ///< feet on the mat; "curl", "hips_up" (cm), "arm_off"
Points bridging(const Person&, const Params&);       ///< "lift", "bend" (pelvis against trunk), "heels" (cm farther)
Points onAllFours(const Person&,
                  const Params&); ///< "leg", "arm", "hand_out", "foot_out", "chest_down", "sit", "elbow_bent", "hover"
Points onForearms(const Person&, const Params&);      ///< a plank; "hips" (deg: + sagging), "on_knees", "ahead" (cm)
Points onHands(const Person&, const Params&);         ///< the same on straight arms, "bent" (cm shorter), "bench" (cm)
Points onHandsFacingUp(const Person&, const Params&); ///< reverse plank; "hips", "up" 0 = sitting, "leg" (deg lifted)
Points rolling(const Person&,
               const Params&); ///< kneeling behind a wheel; "out" (cm), "hips_back" (cm), "bent" arms (cm)
Points halfKneeling(const Person&, const Params&);   ///< "forward" (cm), "lean"
Points facingDown(const Person&, const Params&);     ///< "chest", "leg"
Points kneelingTable(const Person&, const Params&);  ///< on hands and feet facing up, knees bent; "down" (cm)
Points leaningOnAWall(const Person&, const Params&); ///< "lean" (deg), "hips" (deg, + toward the wall)
Points standing(const Person&, const Params&); ///< "lean" (deg, + forward), "head", "sway" (cm forward), "locked" (deg)
Points sweepingOnTheSide(const Person&, const Params&); ///< from above; "sweep", "knee" (deg), "off" the wall (cm), "far_straight" (deg)
Points overABench(const Person&, const Params&);        ///< "leg" (deg above the line), "knee" (deg bent)
// From the foot end; _l and _r.
Points bridgeFromTheFeet(const Person&,
                         const Params&); ///< "lift" (cm), "foot" (cm, the right one), "drop" (deg, right lower)
Points kneesFromTheFeet(const Person&, const Params&); ///< "turn" (deg), "shoulder" (cm)
// From the head end; _l and _r.
Points kneesFromTheHead(const Person&, const Params&); ///< lying on the left side; "open", "roll" (deg, top goes back)
// From the front; _l and _r.
Points
onTheSide(const Person&,
          const Params&); ///< side plank on the left; "lift" 0…1, "sag" (cm), "straight", "roll", "prop" 0 = lying flat
Points onOneLeg(const Person&, const Params&);       ///< the left stands; "foot" (cm), "drop" (deg), "lean"
Points withBand(const Person&, const Params&);       ///< the right arm works; "turn" (deg), "elbow" (cm), "hike" (cm),
                                                     ///< "lean"; "raised" 1, "elbow_down" (cm)
Points lyingOnTheSide(const Person&, const Params&); ///< "feet", "foot" (cm), "roll"; "bent" 1: "open", "hike" (cm)
// From behind.
Points proneFromBehind(const Person&, const Params&); ///< "foot" (cm), "twist" (deg), "shift" (cm)
Points atAWall(const Person&, const Params&);         ///< "hips", "shoulders" (deg turned)

} // namespace deft::test
