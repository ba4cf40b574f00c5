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
    ReadingRow row;
    row.name = measureName(limit.measure), row.measure = limit.measure, row.stat = "worst", row.unit = limit.unit,
    row.low = limit.low, row.high = limit.high, row.sign = toldWithSign(limit);
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

ReadingRow ofReps(const Review& r, const std::vector<Rep>& reps, const std::string& title, const char* id,
                  const std::string& unit, bool median, double (*value)(const Rep&), double (*u95)(const Rep&)) {
    ReadingRow row;
    row.name = title, row.measure = id, row.unit = unit;
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
ReadingRow ofWhole(const Review& r, const std::vector<Rep>& reps, const std::string& title, const char* id,
                   const std::function<std::optional<std::pair<double, double>>(const Rep&)>& valueAndBand) {
    ReadingRow row;
    row.name = title, row.measure = id, row.stat = "worst", row.unit = measureUnit(id);
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

ReadingRow ofSway(const Review& r, const std::vector<Rep>& reps) {
    ReadingRow row = ofWhole(r, reps, "Sway of the pelvis", "sway", [](const Rep& rep) {
        const Hold& h = rep.hold;
        return h.sway ? Found({h.sway->rms, h.swayU95}) : std::nullopt;
    });
    row.decimals = 2;
    return row;
}

ReadingRow ofShaking(const Review& r, const std::vector<Rep>& reps) {
    ReadingRow row = ofWhole(r, reps, "Shaking, share of sway", "tremor_share", [](const Rep& rep) {
        const Hold& h = rep.hold;
        return h.tremor ? Found({h.tremor->share, h.tremor->u95}) : std::nullopt;
    });
    row.decimals = 0;
    return row;
}

ReadingRow ofLead(const Review& r, const std::vector<Rep>& reps) {
    ReadingRow row = ofWhole(r, reps, "Shoulders before the pelvis", "shoulders_lead", [](const Rep& rep) {
        const auto& lead = rep.shouldersLead;
        return lead ? Found({lead->s, lead->u95}) : std::nullopt;
    });
    row.decimals = 2, row.sign = true;
    return row;
}

} // namespace

bool toldWithSign(const Limit& limit) { return !limit.low || *limit.low <= 0; }

std::optional<Limit> limitOf(const Review& r, const std::string& measure) {
    std::optional<Limit> found;
    auto take = [&](const Limit& l) {
        if (l.measure != measure) return;
        if (!found) found = l;
        if (l.low) found->low = l.low; // two faults may hold one end each
        if (l.high) found->high = l.high;
    };
    for (const FaultPlan& f : r.exercise.faults) take(f.limit);
    for (const SetupCheck& c : r.exercise.setup) take(c.limit);
    return found;
}

std::vector<ReadingRow> readingRows(const Review& r) { return readingRows(r, r.events.reps); }

std::vector<ReadingRow> readingRows(const Review& r, const std::vector<Rep>& reps) {
    std::vector<ReadingRow> rows;
    for (const SetupVerdict& v : r.findings.setup) {
        const SetupCheck* check = r.exercise.check(v.id);
        const Limit& limit = check->limit;
        ReadingRow row;
        row.name = measureName(limit.measure) + ", set-up";
        row.measure = limit.measure, row.stat = "set-up", row.unit = limit.unit, row.value = v.value, row.u95 = v.u95,
        row.low = limit.low, row.high = limit.high, row.decimals = 0;
        row.worstFrame = row.bestFrame = r.clip.frameAt(r.events.setupEnd_s / 2);
        if (!std::isfinite(v.value)) row.why = "cannot tell: not marked";
        rows.push_back(std::move(row));
    }
    if (const Neutral& n = r.series.neutral; n.range) {
        ReadingRow row;
        row.name = "Own range, arch to flat", row.measure = "tilt_range", row.stat = "set-up", row.unit = "deg";
        row.value = *n.range, row.u95 = n.rangeU95, row.decimals = 0;
        rows.push_back(std::move(row));
    }
    std::set<std::string> done;
    for (const FaultPlan& f : r.exercise.faults) {
        const auto limit = limitOf(r, f.limit.measure);
        if (!limit || !done.insert(f.limit.measure).second) continue;
        rows.push_back(ofTolerance(r, reps, *limit, f.onTheWay));
    }
    auto add = [&](ReadingRow row, const char* stat, std::optional<double> low, int decimals) {
        row.stat = stat, row.low = low, row.decimals = decimals;
        rows.push_back(std::move(row));
    };
    if (!r.exercise.mover.isWindow())
        add(ofReps(
                r, reps, "Control range, least", "control_range", measureUnit(r.exercise.mover.measure), false,
                [](const Rep& rep) { return rep.controlRange; }, [](const Rep& rep) { return rep.controlRangeU95; }),
            "least", r.inputs.asked.range, 0);
    add(ofReps(
            r, reps, "Clean hold, median", "clean_hold", "s", true, [](const Rep& rep) { return rep.hold.clean_s; },
            [](const Rep& rep) { return rep.hold.cleanU95_s(); }),
        "median", r.inputs.asked.hold_s, 1);
    if (r.exercise.mover.isWindow()) {
        rows.push_back(ofSway(r, reps));
        rows.push_back(ofShaking(r, reps));
        return rows;
    }
    const auto hasLead = [](const Rep& rep) { return rep.shouldersLead.has_value(); };
    if (std::any_of(reps.begin(), reps.end(), hasLead)) rows.push_back(ofLead(r, reps));
    if (const auto fit = breathFit(r.inputs.breaths, {r.events.setupStart_s, r.events.setupEnd_s, reps})) {
        ReadingRow row;
        row.name = "Breath fit", row.measure = "breath_fit", row.unit = "%", row.value = fit->share(),
        row.u95 = fit->u95();
        add(std::move(row), "share", std::nullopt, 0);
    }
    if (r.exercise.paceOut_s)
        add(ofReps(
                r, reps, "Pace, " + r.exercise.phaseOut, "pace_out", "s", true,
                [](const Rep& rep) { return rep.out_s(); }, [](const Rep& rep) { return rep.outU95_s(); }),
            "median", r.exercise.paceOut_s, 1);
    add(ofReps(
            r, reps, "Pace, " + r.exercise.phaseBack, "pace_back", "s", true,
            [](const Rep& rep) { return rep.back_s(); }, [](const Rep& rep) { return rep.backU95_s(); }),
        "median", r.exercise.paceBack_s, 1);
    return rows;
}

} // namespace deft
