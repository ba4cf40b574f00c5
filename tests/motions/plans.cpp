// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/plans.h"

namespace deft::test {

Scene outAndBack(const std::string& exercise, const std::string& version, const Person& person, const Plan& p,
                 bool rest, std::vector<Wrong> wrongs) {
    Motion m = rest ? Motion(person, p.rest, p.atRest) : Motion(person, p.pose, p.start);
    if (rest) m.stay(2).into(p.pose, p.start, 1.5);
    m.stay(p.still_s);
    Params back = p.start; // all of what went out comes back
    for (const auto& [name, value] : p.end) back.insert({name, 0});
    std::vector<MadeRep> reps;
    for (int i = 0; i < p.reps; ++i) {
        const double from = m.end_s();
        m.to(p.end, p.out_s).stay(p.hold_s).to(back, p.back_s);
        reps.push_back({from, from + p.out_s, from + p.out_s + p.hold_s, m.end_s()});
        m.stay(p.between_s);
    }
    if (rest) m.into(p.rest, p.atRest, 1.5).stay(1.5);
    return {exercise, version, std::move(m), std::move(reps), std::move(wrongs), rest};
}

Scene held(const std::string& exercise, const std::string& version, const Person& person, const Plan& p, bool rest,
           std::vector<Wrong> wrongs) {
    Motion m = rest ? Motion(person, p.rest, p.atRest) : Motion(person, p.pose, p.start);
    if (rest) m.stay(2);
    std::vector<MadeRep> reps;
    for (const double hold : rest ? std::vector<double>{5, 6} : std::vector<double>{6}) {
        if (rest) m.into(p.pose, p.start, 1.5);
        const double from = m.end_s();
        m.stay(hold);
        reps.push_back({from, from, m.end_s(), m.end_s()});
        if (rest) m.into(p.rest, p.atRest, 1.5).stay(2);
    }
    for (Wrong& w : wrongs) w.onTheWay = w.back = false;
    return {exercise, version, std::move(m), std::move(reps), std::move(wrongs), rest};
}

} // namespace deft::test
