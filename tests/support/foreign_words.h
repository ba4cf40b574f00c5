// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <map>
#include <string>

namespace deft::test {

/// Words that belong to another position than that of an exercise: what somebody who lies, kneels or holds a plank
/// cannot do, or must not be told. By position; regular expressions without case.
inline const std::map<std::string, const char*> kForeignWords = {
    {"supine", "stand tall|standing (leg|foot|hip)|kneel|all fours|hands and knees|plank|forearm|go back to the knees"},
    {"bridge", "stand tall|standing (leg|foot|hip)|kneel|all fours|plank of|forearm|go back to the knees|working leg"},
    {"all-fours", "stand tall|standing (leg|foot|hip)|lie on|under your (waist|low back)|pillow|go back to the knees"},
    {"plank", "stand tall|standing (leg|foot|hip)|lie on your (back|side)|under your waist|small book"},
    {"side-lying", "stand tall|standing (leg|foot)|kneel|all fours|hands and knees|tail|stick along your back"},
    {"standing", "on all fours|hands and knees|into the mat|under your waist|go back to the knees"},
    {"half-kneeling", "stand tall|standing leg|all fours|lie (on|with)|under your waist"},
    {"prone", "stand tall|standing (leg|foot|hip)|kneel|all fours|hands and knees|toes of the free foot"}};

} // namespace deft::test
