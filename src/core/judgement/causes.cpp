#include "judgement/causes.h"

namespace deft {

std::string causeFound(const FaultPlan& plan, const std::set<std::string>& found) {
    for (const std::string& cause : plan.causedBy)
        if (found.count(cause)) return cause;
    return {};
}

CorrectionOrder correctionOrder(const Exercise& exercise, const std::set<std::string>& found) {
    CorrectionOrder order;
    std::vector<std::string> fromSetup;
    for (const SetupCheck& check : exercise.setup)
        if (found.count(check.id)) order.act.push_back(check.id);
    for (const FaultPlan& plan : exercise.faults) {
        if (!found.count(plan.id)) continue;
        const std::string cause = causeFound(plan, found);
        if (cause.empty())
            order.act.push_back(plan.id);
        else if (exercise.check(cause)) // still cued when there is room
            fromSetup.push_back(plan.id);
        else
            order.wait.emplace_back(plan.id, "follows from " + cause);
    }
    order.act.insert(order.act.end(), fromSetup.begin(), fromSetup.end());
    for (size_t i = kMaxCorrections; i < order.act.size(); ++i)
        order.wait.emplace_back(order.act[i], "three corrections are enough for once");
    if (order.act.size() > kMaxCorrections) order.act.resize(kMaxCorrections);
    return order;
}

} // namespace deft
