// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/causes.h"

namespace deft {

std::set<std::string> Found::all() const {
    std::set<std::string> ids = setup;
    for (const auto& [rep, faults] : inRep) ids.insert(faults.begin(), faults.end());
    return ids;
}

std::string causeFound(const FaultPlan& plan, const Found& found, int rep) {
    const auto here = found.inRep.find(rep);
    for (const std::string& cause : plan.causedBy)
        if (found.setup.count(cause) || (here != found.inRep.end() && here->second.count(cause))) return cause;
    return {};
}

CorrectionOrder correctionOrder(const Exercise& exercise, const Found& found) {
    CorrectionOrder order;
    std::vector<std::string> fromSetup;
    for (const SetupCheck& check : exercise.setup)
        if (found.setup.count(check.id)) order.act.push_back(check.id);
    for (const FaultPlan& plan : exercise.faults) {
        std::string cause;
        bool isThere = false, onItsOwn = false;
        for (const auto& [rep, faults] : found.inRep) {
            if (!faults.count(plan.id)) continue;
            isThere = true;
            const std::string here = causeFound(plan, found, rep);
            onItsOwn = onItsOwn || here.empty();
            if (!here.empty()) cause = here;
        }
        if (!isThere) continue;
        if (onItsOwn)
            order.act.push_back(plan.id);
        else if (exercise.check(cause)) // still cued when there is room
            fromSetup.push_back(plan.id);
        else
            order.wait.emplace_back(plan.id, Message("why.follows-from", {{"cause", Message(exercise.nameOf(cause))}}));
    }
    order.act.insert(order.act.end(), fromSetup.begin(), fromSetup.end());
    for (size_t i = kMaxCorrections; i < order.act.size(); ++i)
        order.wait.emplace_back(order.act[i], "why.three-are-enough");
    if (order.act.size() > kMaxCorrections) order.act.resize(kMaxCorrections);
    return order;
}

} // namespace deft
