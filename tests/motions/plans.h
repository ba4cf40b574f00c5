// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "motions/scenes.h"

namespace deft::test {

/// How a movement goes: from rest into position, out and back some times, to rest again.
struct Plan {
    Pose rest;
    Params atRest;
    Pose pose;
    Params start, end;
    double out_s = 1.5, hold_s = 3, back_s = 1.5, still_s = 3, between_s = 1.5;
    int reps = 2;
};

/// Out and back some times, from rest to rest or from position to position.
Scene outAndBack(const std::string& exercise, const std::string& version, const Person& person, const Plan& p,
                 bool rest, std::vector<Wrong> wrongs);
/// A position that is held: from rest into it, and again after a rest.
Scene held(const std::string& exercise, const std::string& version, const Person& person, const Plan& p, bool rest,
           std::vector<Wrong> wrongs);

void onTheSideAndUp(std::vector<Scene>& all, const Person& who, bool rest);

} // namespace deft::test
