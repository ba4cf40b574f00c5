// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/shown.h"

#include "judgement/sides.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace deft {
namespace {

using BySide = std::map<std::string, std::vector<double>>;

/// The anchor went in the first third of the hold that was asked for, or of the hold itself when none was.
bool earlyInHold(const Case::Hold& h, const Case& c) {
    return h.isTold && !h.brokenBy.empty() && h.clean_s < c.target.hold_s.value_or(h.duration_s) / 3;
}
bool earlyInRange(const Case::Rep& r) {
    return r.isTold && !r.brokenBy.empty() && !r.onTheWayBack && r.controlRange < r.reach / 3;
}

int earlyBreaks(const Case& c) {
    int holds = 0, reps = 0, together = 0;
    const bool same = c.holds.size() == c.reps.size();
    for (size_t i = 0; i < c.holds.size(); ++i) {
        holds += earlyInHold(c.holds[i], c);
        // Broken on the way out: whether that was early is read from the range, not from a hold that was never clean.
        const bool neverClean = same && !c.reps[i].brokenBy.empty() && c.holds[i].clean_s == 0;
        if (same) together += earlyInRange(c.reps[i]) || (!neverClean && earlyInHold(c.holds[i], c));
    }
    for (const Case::Rep& r : c.reps) reps += earlyInRange(r);
    return same ? together : std::max(holds, reps);
}

void compareSides(Shown& s, const BySide& values, const std::string& unit) {
    if (!values.count("left") || !values.count("right")) return;
    const double l = medianOf(values.at("left")), r = medianOf(values.at("right"));
    if (!(l + r > 0)) return;
    const double difference = std::abs(r - l) / ((r + l) / 2);
    if (difference <= s.sideDifference) return;
    s.sideDifference = difference;
    s.weakSide = l < r ? "left" : "right";
    s.weak = std::min(l, r), s.strong = std::max(l, r), s.weakUnit = unit;
}

} // namespace

Shown summarisePerformance(const Exercise& e, const Case& c) {
    Shown s;
    const bool byHold = !c.holds.empty() && (c.target.hold_s || c.reps.empty());
    const double need = c.target.hold_s.value_or(0) - kHoldSlack_s;
    std::map<std::string, int> count;
    BySide cleanTimes, ranges;
    std::vector<double> allClean;
    bool reached = true;
    for (const Case::Hold& h : c.holds) {
        cleanTimes[h.side].push_back(h.clean_s);
        allClean.push_back(h.clean_s);
        if (!byHold) continue;
        ++count[h.side];
        // A last hold that goes on until it breaks has still met what was asked.
        const bool clean = h.brokenBy.empty() || (c.target.hold_s && h.clean_s >= need);
        s.clean += clean;
        reached = reached && h.duration_s >= need;
    }
    for (const Case::Rep& r : c.reps) {
        ranges[r.side].push_back(r.controlRange);
        s.brokenOnTheWay += !r.brokenBy.empty();
        if (byHold) continue;
        ++count[r.side];
        s.clean += r.brokenBy.empty();
    }
    for (const Case::Rep& r : c.reps)
        if (c.target.range && !r.onTheWayBack && r.controlRange + r.u95 < *c.target.range) reached = false;
    for (const auto& [side, n] : count) {
        s.total += n;
        if (c.target.reps && n < *c.target.reps) reached = false;
    }
    s.met = s.total > 0 && reached;
    s.early = earlyBreaks(c);
    s.medianClean_s = allClean.empty() ? 0 : medianOf(allClean);
    s.bothSides = sidesShown(e, c).size() == sidesOf(e).size();
    compareSides(s, cleanTimes, "s");
    compareSides(s, ranges, "of range");
    return s;
}

} // namespace deft
