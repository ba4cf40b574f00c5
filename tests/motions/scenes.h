// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "motions/motion.h"

#include <optional>
#include <vector>

namespace deft::test {

/// One way out and back, or one hold, as it was made.
struct MadeRep {
    double out_s, top_s, back_s, end_s;
};

/// Something that can go wrong in a movement, and the fault that it is.
struct Wrong {
    std::string what;
    double amount;
    std::string fault;
    std::vector<std::string>
        with{}; ///< what may be found beside it, because one body cannot do the one without the other
    bool onTheWay = true, inTheHold = true, back = true;
    bool throughout = false; ///< from the first picture to the last
};

/// One version of one exercise as it should be done, from rest to rest, and what can go wrong in it.
struct Scene {
    std::string exercise, version;
    Motion motion;
    std::vector<MadeRep> reps;
    std::vector<Wrong> wrongs;
    bool rest = true;   ///< begins and ends at rest; else in position
    std::string view{}; ///< empty = the exercise's first

    std::string name() const { return exercise + "/" + version + (view.empty() ? "" : "/" + view); }
};

/// Every version that the made person can do. @param rest from rest to rest, or from position to position
std::vector<Scene> scenes(const Person& person, bool rest);

} // namespace deft::test
