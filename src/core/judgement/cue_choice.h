// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "judgement/decision.h"

namespace deft {

/// Change in a fault since it was last cued.
struct CueEffect {
    int times = 0;     ///< how often the last level was said running
    std::string level; ///< the last level; empty = never cued
    double change = 0; ///< + the fault has shrunk since the first of those times
    double mdc = 0;    ///< minimal detectable change
    bool helped() const { return change > mdc; }
};

/// @param id a fault or a set-up check
CueEffect cueEffect(const Exercise& exercise, const std::string& id, const Case& now);

/// The cue for one fault, from what was said before and whether it helped.
///
/// A cue that helped, or was said once, is said again; one that was said in two reviews running without a real change
/// gives way to the next level. Among the rungs that are only words the coach's own record decides: mean of a beta
/// distribution with the weak prior Beta(1, 1), that is (helped + 1) / (tried + 2).
ChosenCue chooseCue(const Exercise& exercise, const std::string& id, const Case& now);

/// A prop was given for this fault and it is still there, not really smaller.
bool outlivedProp(const Exercise& exercise, const std::string& id, const Case& now);

} // namespace deft
