// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/exercise.h"

#include "base/json.h"
#include "exercises/by_id.h"

#include <algorithm>

namespace deft {
bool Exercise::isOptional(const std::string& measure) const {
    const Measure* m = findMeasure(measure);
    if (!m) return false; // computed from the mover
    auto asked = [&](const std::string& landmark) {
        return std::find(landmarksNeeded.begin(), landmarksNeeded.end(), landmark) != landmarksNeeded.end();
    };
    const auto needed = m->landmarks.begin() + ptrdiff_t(m->needed);
    if (m->needed > 0) return !std::all_of(m->landmarks.begin(), needed, asked);
    return std::none_of(m->landmarks.begin(), m->landmarks.end(), asked);
}

const SchoolsAnswer* Exercise::answerTo(const std::string& question) const {
    const auto it =
        std::find_if(schools.begin(), schools.end(), [&](const SchoolsAnswer& a) { return a.question == question; });
    return it == schools.end() ? nullptr : &*it;
}

Schools Exercise::schoolsFor(const Schools& wanted) const {
    Schools out;
    for (const SchoolsAnswer& a : schools) {
        const auto it = wanted.find(a.question);
        out[a.question] = it == wanted.end() ? a.defaultChoice : it->second;
    }
    return out;
}

std::string Exercise::plainVersion() const {
    const Json& rungs = raw->at("ladder");
    const size_t n = ladder.size(), first = size_t(std::max(0, versionIndex(startVersion)));
    for (size_t k = 0; k < n; ++k) { // then what lies below
        const size_t i = (first + k) % n;
        if (!rungs[i].contains("changes") && (ladder[i].exercise.empty() || ladder[i].exercise == id))
            return ladder[i].id;
    }
    return {};
}

const FaultPlan* Exercise::fault(const std::string& wanted) const { return byId(faults, wanted); }
const SetupCheck* Exercise::check(const std::string& wanted) const { return byId(setup, wanted); }
const Limit* Exercise::limitOf(const std::string& finding) const {
    if (const FaultPlan* f = fault(finding)) return &f->limit;
    const SetupCheck* c = check(finding);
    return c ? &c->limit : nullptr;
}

std::string Exercise::nameOf(const std::string& finding) const {
    if (const FaultPlan* f = fault(finding)) return f->name;
    const SetupCheck* c = check(finding);
    return c ? c->name : finding;
}

const FeltPlace* Exercise::feltPlace(const std::string& wanted) const { return byId(felt, wanted); }

const FaultPlan* Exercise::anchor() const {
    const auto it = std::find_if(faults.begin(), faults.end(), [](const FaultPlan& f) { return f.isAnchor; });
    return it == faults.end() ? nullptr : &*it;
}

int Exercise::versionIndex(const std::string& wanted) const {
    const Version* found = byId(ladder, wanted);
    return found ? int(found - ladder.data()) : -1;
}

Position Exercise::bodyPosition() const {
    if (position == "bridge" || position == "supine") return Position::Supine;
    if (position == "side-lying") return Position::SideLying;
    if (position == "standing" || position == "half-kneeling") return Position::Upright;
    return Position::Prone;
}

} // namespace deft
