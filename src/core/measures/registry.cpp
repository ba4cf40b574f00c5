// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/measure.h"

#include <algorithm>

namespace deft {
namespace {

struct EventMeasure {
    const char *id, *name, *unit;
};
/// Measures that need events first; computed in events/ and judgement/.
constexpr EventMeasure kEventMeasures[] = {
    {"level_loss", "height lost in the hold", "%"},
    {"roll_order", "back rolls up out of order", "%"},
    {"roll_evenness", "evenness of the roll", "%"},
    {"hold", "hold", "s"},
    {"clean_hold", "clean hold", "s"},
    {"pace_out", "tempo out", "s"},
    {"pace_back", "tempo back", "s"},
    {"control_range", "control range", "%"},
    {"reach", "reach", "%"},
    {"tilt_range", "own range of the pelvis", "deg"},
    {"sway", "sway of the pelvis", "%"},
    {"tremor_share", "shaking of the pelvis", "%"},
    {"shoulders_lead", "shoulders before the pelvis", "s"},
};

} // namespace

const std::vector<Measure>& measures() {
    static const auto all = [] {
        std::vector<Measure> m;
        for (const auto& family : {pelvisMeasures(), spineMeasures(), trunkMeasures(), lineMeasures(), stackMeasures(),
                                   levelMeasures(), turnMeasures(), limbMeasures(), excursionMeasures()})
            m.insert(m.end(), family.begin(), family.end());
        return m;
    }();
    return all;
}

const Measure* findMeasure(const std::string& id) {
    const auto it = std::find_if(measures().begin(), measures().end(), [&](const Measure& m) { return m.id == id; });
    return it == measures().end() ? nullptr : &*it;
}

std::string measureName(const std::string& id) {
    if (const Measure* m = findMeasure(id)) return m->name;
    for (const auto& m : kEventMeasures)
        if (id == m.id) return m.name;
    return {};
}

std::vector<std::string> measureNames() {
    std::vector<std::string> names;
    for (const Measure& m : measures()) names.push_back(m.name);
    for (const auto& m : kEventMeasures) names.emplace_back(m.name);
    return names;
}

std::string measureUnit(const std::string& id) {
    if (const Measure* m = findMeasure(id)) return m->unit;
    for (const auto& m : kEventMeasures)
        if (id == m.id) return m.unit;
    return {};
}

std::string unitSign(const std::string& unit) { return unit == "deg" ? "°" : unit; }

} // namespace deft
