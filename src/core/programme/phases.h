// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/programme.h"

namespace deft {

/// What a client does for some seconds while an item of a programme is practised.
struct Phase {
    enum class Kind { Ready, Out, Hold, Back, Rest, OtherSide };
    Kind kind = Kind::Ready;
    double seconds = 0;
    int set = 1, rep = 1; ///< from 1
    std::string side{};   ///< "left", "right"; empty = both together
};

/// The whole of one item, second by second, as the practice page counts it and as its minutes are reckoned. Times that
/// no exercise file tells are chosen here.
/// @param exercise of the item, in its version
std::vector<Phase> phasesOf(const Exercise& exercise, const ProgrammeItem& item);

/// Of one item, getting ready included.
double secondsOf(const Exercise& exercise, const ProgrammeItem& item);
/// Of these items one after the other; those whose exercise cannot be read count nothing.
double secondsOf(const Catalogue& catalogue, const Programme& programme, const std::vector<size_t>& items);
/// Of the longest day.
double secondsOf(const Catalogue& catalogue, const Programme& programme);

/// Between sets: as long as was held (common practice, no published source), else the usual half minute (chosen here).
double usualRest_s(const Target& target);

} // namespace deft
