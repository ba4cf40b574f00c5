#include "review/readings.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <set>

namespace deft {
namespace {

/// Worst of each rep while the tolerance counts; the row's value is the worst of all, its best that of the mildest rep.
ReadingRow ofTolerance(const Review& r, const std::vector<Rep>& reps, const Limit& limit, bool onTheWay) {
    ReadingRow row = toldReading(r.exercise, limit.measure, "worst");
    const Series* s = r.series.find(limit.measure);
    const Tolerance t{limit.measure, limit.low, limit.high, true, true};
    double worst = -1e300, mildest = 1e300;
    for (size_t k = 0; s && k < reps.size(); ++k) {
        const Rep& rep = reps[k];
        const int64_t at = worstFrame(r, rep, onTheWay, *s, t);
        if (at < 0) continue;
        const double value = s->value[size_t(at)], u95 = s->u95[size_t(at)], own = t.excess(value);
        row.reps.push_back(value);
        if (own > worst) worst = own, row.value = value, row.u95 = u95, row.worstFrame = at, row.worstRep = int(k);
        if (own < mildest) mildest = own, row.best = value, row.bestFrame = at, row.bestRep = int(k);
    }
    if (row.worstFrame < 0) row.why = s ? "cannot tell: marks lost" : "cannot tell: not marked";
    return row;
}

ReadingRow ofReps(const Review& r, const std::vector<Rep>& reps, const char* id, const char* stat,
                  double (*value)(const Rep&), double (*u95)(const Rep&)) {
    ReadingRow row = toldReading(r.exercise, id, stat);
    const bool median = row.stat == "median";
    for (size_t k = 0; k < reps.size(); ++k) {
        const Rep& rep = reps[k];
        if (rep.unsure()) continue;
        const double v = value(rep);
        row.reps.push_back(v);
        if (row.worstRep < 0 || v < value(reps[size_t(row.worstRep)]))
            row.worstRep = int(k), row.worstFrame = r.clip.frameAt(rep.hold.start_s);
        if (row.bestRep < 0 || v > row.best)
            row.bestRep = int(k), row.best = v, row.bestFrame = r.clip.frameAt(rep.hold.start_s);
        row.u95 = std::isfinite(row.u95) ? std::max(row.u95, u95(rep)) : u95(rep);
    }
    if (!row.reps.empty())
        row.value = median ? medianOf(row.reps) : *std::min_element(row.reps.begin(), row.reps.end());
    else
        row.why = reps.empty() ? "no rep found" : "cannot tell: marks lost";
    return row;
}

/// Of something that is told of whole reps or holds: the one in which there was most of it, either way.
ReadingRow ofWhole(const Review& r, const std::vector<Rep>& reps, const char* id,
                   const std::function<std::optional<std::pair<double, double>>(const Rep&)>& valueAndBand) {
    ReadingRow row = toldReading(r.exercise, id, "worst");
    for (size_t k = 0; k < reps.size(); ++k) {
        const Hold& hold = reps[k].hold;
        const auto found = reps[k].unsure() ? std::nullopt : valueAndBand(reps[k]);
        if (!found) continue;
        row.reps.push_back(found->first);
        const int64_t frame = r.clip.frameAt((hold.start_s + hold.end_s) / 2);
        if (row.worstRep < 0 || std::abs(found->first) > std::abs(row.value))
            row.value = found->first, row.u95 = found->second, row.worstRep = int(k), row.worstFrame = frame;
        if (row.bestRep < 0 || std::abs(found->first) < std::abs(row.best))
            row.best = found->first, row.bestRep = int(k), row.bestFrame = frame;
    }
    if (row.worstRep < 0) row.why = reps.empty() ? "no hold found" : "cannot tell";
    return row;
}

using Found = std::optional<std::pair<double, double>>;

Found swayTold(const Rep& rep) {
    const Hold& h = rep.hold;
    return h.sway ? Found({h.sway->rms, h.swayU95}) : std::nullopt;
}

Found shakingTold(const Rep& rep) {
    const auto& tremor = rep.hold.tremor;
    return tremor ? Found({tremor->share, tremor->u95}) : std::nullopt;
}

Found leadTold(const Rep& rep) {
    const auto& lead = rep.shouldersLead;
    return lead ? Found({lead->s, lead->u95}) : std::nullopt;
}

/// Readings of reps and holds, which no tolerance of an exercise names.
struct Told {
    const char *measure, *name, *unit; ///< no unit: the measure's own
    int decimals;
    bool sign = false;
};
constexpr Told kTold[] = {{"tilt_range", "Own range, arch to flat", "deg", 0},
                          {"control_range", "Control range, least", nullptr, 0},
                          {"clean_hold", "Clean hold, median", "s", 1},
                          {"sway", "Sway of the pelvis", nullptr, 2},
                          {"tremor_share", "Shaking, share of sway", nullptr, 0},
                          {"shoulders_lead", "Shoulders before the pelvis", nullptr, 2, true},
                          {"breath_fit", "Breath fit", "%", 0},
                          {"pace_out", "Pace, ", "s", 1},
                          {"pace_back", "Pace, ", "s", 1}};

} // namespace

ReadingRow toldReading(const Exercise& e, const std::string& measure, const std::string& stat) {
    ReadingRow row;
    row.measure = measure, row.stat = stat;
    for (const Told& told : kTold) {
        if (measure != told.measure) continue;
        row.name = told.name, row.decimals = told.decimals, row.sign = told.sign;
        row.unit = told.unit ? told.unit : measureUnit(measure == "control_range" ? e.mover.measure : measure);
        if (measure == "pace_out") row.name += e.phaseOut, row.low = e.paceOut_s;
        if (measure == "pace_back") row.name += e.phaseBack, row.low = e.paceBack_s;
        return row;
    }
    row.name = measureName(measure), row.unit = measureUnit(measure);
    const auto limit = limitOf(e, measure);
    if (limit) row.unit = limit->unit, row.low = limit->low, row.high = limit->high;
    if (stat == "set-up")
        row.name += ", set-up", row.decimals = 0;
    else
        row.sign = limit && toldWithSign(*limit);
    return row;
}

bool toldWithSign(const Limit& limit) { return !limit.low || *limit.low <= 0; }

std::optional<Limit> limitOf(const Exercise& e, const std::string& measure) {
    std::optional<Limit> found;
    auto take = [&](const Limit& l) {
        if (l.measure != measure) return;
        if (!found) found = l;
        if (l.low) found->low = l.low; // two faults may hold one end each
        if (l.high) found->high = l.high;
    };
    for (const FaultPlan& f : e.faults) take(f.limit);
    for (const SetupCheck& c : e.setup) take(c.limit);
    return found;
}

std::vector<ReadingRow> readingRows(const Review& r) { return readingRows(r, r.events.reps); }

std::vector<ReadingRow> readingRows(const Review& r, const std::vector<Rep>& reps) {
    std::vector<ReadingRow> rows;
    for (const SetupVerdict& v : r.findings.setup) {
        const Limit& limit = r.exercise.check(v.id)->limit;
        ReadingRow row = toldReading(r.exercise, limit.measure, "set-up");
        row.value = v.value, row.u95 = v.u95, row.low = limit.low, row.high = limit.high;
        row.worstFrame = row.bestFrame = r.clip.frameAt(r.events.setupEnd_s / 2);
        if (!std::isfinite(v.value)) row.why = "cannot tell: not marked";
        rows.push_back(std::move(row));
    }
    if (const Neutral& n = r.series.neutral; n.range) {
        ReadingRow row = toldReading(r.exercise, "tilt_range", "set-up");
        row.value = *n.range, row.u95 = n.rangeU95;
        rows.push_back(std::move(row));
    }
    std::set<std::string> done;
    for (const FaultPlan& f : r.exercise.faults) {
        const auto limit = limitOf(r.exercise, f.limit.measure);
        if (!limit || !done.insert(f.limit.measure).second) continue;
        rows.push_back(ofTolerance(r, reps, *limit, f.onTheWay));
    }
    const auto addAsked = [&](ReadingRow row, std::optional<double> asked) {
        row.low = asked;
        rows.push_back(std::move(row));
    };
    if (!r.exercise.mover.isWindow())
        addAsked(ofReps(
                     r, reps, "control_range", "least", [](const Rep& rep) { return rep.controlRange; },
                     [](const Rep& rep) { return rep.controlRangeU95; }),
                 r.inputs.asked.range);
    addAsked(ofReps(
                 r, reps, "clean_hold", "median", [](const Rep& rep) { return rep.hold.clean_s; },
                 [](const Rep& rep) { return rep.hold.cleanU95_s(); }),
             r.inputs.asked.hold_s);
    if (r.exercise.mover.isWindow()) {
        rows.push_back(ofWhole(r, reps, "sway", swayTold));
        rows.push_back(ofWhole(r, reps, "tremor_share", shakingTold));
        return rows;
    }
    const auto hasLead = [](const Rep& rep) { return rep.shouldersLead.has_value(); };
    if (std::any_of(reps.begin(), reps.end(), hasLead)) rows.push_back(ofWhole(r, reps, "shoulders_lead", leadTold));
    if (const auto fit = breathFit(r.inputs.breaths, {r.events.setupStart_s, r.events.setupEnd_s, reps})) {
        ReadingRow row = toldReading(r.exercise, "breath_fit", "share");
        row.value = fit->share(), row.u95 = fit->u95();
        rows.push_back(std::move(row));
    }
    if (r.exercise.paceOut_s)
        rows.push_back(ofReps(
            r, reps, "pace_out", "median", [](const Rep& rep) { return rep.out_s(); },
            [](const Rep& rep) { return rep.outU95_s(); }));
    rows.push_back(ofReps(
        r, reps, "pace_back", "median", [](const Rep& rep) { return rep.back_s(); },
        [](const Rep& rep) { return rep.backU95_s(); }));
    return rows;
}

} // namespace deft
