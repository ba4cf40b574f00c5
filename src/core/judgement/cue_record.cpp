#include "judgement/cue_record.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Did the fault shrink by the next review? Nothing when that review does not say.
std::optional<bool> shrank(const Exercise& e, const PastCue& cue, const PastReview& next) {
    if (std::find(next.faults.begin(), next.faults.end(), cue.fault) == next.faults.end()) return true;
    const auto later =
        std::find_if(next.cues.begin(), next.cues.end(), [&](const PastCue& c) { return c.fault == cue.fault; });
    if (later == next.cues.end()) return std::nullopt;
    const FaultPlan* fault = e.fault(cue.fault);
    const SetupCheck* check = e.check(cue.fault);
    const Limit* limit = fault ? &fault->limit : check ? &check->limit : nullptr;
    const double before = limit ? limit->excess(cue.worst) : std::abs(cue.worst),
                 after = limit ? limit->excess(later->worst) : std::abs(later->worst);
    return before - after > std::max(cue.mdc, later->mdc);
}

} // namespace

void addToCueRecord(std::vector<CueRecord>& record, const Exercise& exercise, const std::vector<PastReview>& history) {
    for (size_t i = 0; i + 1 < history.size(); ++i)
        for (const PastCue& cue : history[i].cues) {
            const auto helped = shrank(exercise, cue, history[i + 1]);
            if (!helped) continue;
            auto it = std::find_if(record.begin(), record.end(),
                                   [&](const CueRecord& r) { return r.fault == cue.fault && r.rung == cue.rung; });
            if (it == record.end()) it = record.insert(record.end(), {cue.fault, cue.rung, 0, 0});
            ++it->tried;
            it->helped += *helped;
        }
}

} // namespace deft
