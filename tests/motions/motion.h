// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/tracks.h"
#include "motions/poses.h"

namespace deft::test {

/// A movement as a client films it: from position to position, each reached with a smooth start and stop.
class Motion {
public:
    Motion(Person person, Pose pose, Params at) : person_(person) {
        keys_.push_back({0, std::move(pose), std::move(at)});
    }
    /// Stays where it is.
    Motion& stay(double seconds);
    /// Goes to other params, or to another position.
    Motion& to(Params at, double seconds);
    Motion& into(Pose pose, Params at, double seconds);
    /// Something goes wrong by `amount`, from a time to a time, within `ramp_s` each way.
    Motion& wrong(const std::string& what, double amount, double from_s, double to_s, double ramp_s = 0.4);
    /// What took from a time to a time takes that share of it.
    Motion& hurry(double from_s, double to_s, double share);
    /// Filmed from above: no line of the floor is seen.
    Motion& fromAbove() { return seesFloor_ = false, *this; }
    double end_s() const { return keys_.back().t; }

    Points at(double t) const;

    struct Film {
        double rateHz = 30, pxPerCm = 4.5;
        bool mirrored = false;
        double tremor_cm = 0.08; ///< of every mark, slow and of its own
        double breath_cm = 0.3;  ///< of the ribs
        double slower = 1;       ///< times as long
        double rollDeg = 0;      ///< of the camera
        bool floorMarked = true;
        Point2 origin{640, 620};
    };
    /// As marks that were followed in such a film, each known within half a pixel.
    Tracks tracks(const Film& film) const;
    Tracks tracks() const { return tracks(Film()); }

private:
    struct Key {
        double t;
        Pose pose;
        Params params;
    };
    struct Wrong {
        std::string what;
        double amount, from_s, to_s, ramp_s;
    };
    Points posed(const Key& key, Params params, double t) const;

    Person person_;
    bool seesFloor_ = true;
    std::vector<Key> keys_;
    std::vector<size_t> changes_; ///< keys that are another position than the one before
    std::vector<Wrong> wrongs_;
};

} // namespace deft::test
