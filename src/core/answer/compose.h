// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

#include <set>

namespace deft {

/// What a letter on several reviews changes in the words of one of them.
struct Telling {
    std::vector<ChosenCue> cues;      ///< those of the decision's that are told now; the others wait
    std::set<std::string> sidesShown; ///< "left", "right": in other clips of the same exercise
};

/// What stands under what went well where there is nothing else to praise.
extern const char* const kThanks;

Answer composeTelling(const Review& review, const Telling& telling);

} // namespace deft
