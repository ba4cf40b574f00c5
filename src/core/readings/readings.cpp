// SPDX-License-Identifier: GPL-3.0-or-later
#include "readings/readings.h"

#include "review/seen_faults.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <set>

namespace deft {
namespace {

/// The worst of a measure in a rep by the faults that watch it, each while it counts. -1 = not measured
int64_t worstWhileCounted(const Review& r, const Rep& rep, const Series& s, const Limit& limit) {
    int64_t worst = -1;
    for (const FaultPlan& f : r.exercise.faults) {
        if (f.limit.measure != limit.measure) continue;
        const int64_t at = worstFrame(r, countedIn(rep, f.counts), s, f.limit);
        if (at >= 0 && limit.isWorse(s.value[size_t(at)], worst < 0 ? kGap : s.value[size_t(worst)])) worst = at;
    }
    return worst;
}

/// Worst of each rep; the row's value is the worst of all, its best that of the mildest rep.
ReadingRow ofTolerance(const Review& r, const std::vector<Rep>& reps, const Limit& limit) {
    ReadingRow row = toldReading(r.exercise, limit.measure, "worst");
    const Series* s = r.series().find(limit.measure);
    bool clear = false;
    for (size_t k = 0; s && k < reps.size(); ++k) {
        const int64_t at = worstWhileCounted(r, reps[k], *s, limit);
        if (at < 0) continue;
        const double value = s->value[size_t(at)];
        row.reps.push_back(value);
        if (limit.isWorse(value, row.value))
            row.value = value, row.u95 = s->u95[size_t(at)], row.slideU95 = s->slideAt(size_t(at)), row.worstFrame = at,
            row.worstRep = int(k);
        if (row.bestRep < 0 || limit.isWorse(row.best, value))
            row.best = value, row.bestFrame = at, row.bestRep = int(k);
        clear = clear || isClearIn(r, limit.measure, repOfSpan(r.events, reps[k].start_s, reps[k].end_s));
    }
    if (row.worstFrame < 0) row.why = s ? "reading.lost" : "reading.not-marked";
    row.verdict = asFound(limit.verdict(row.value, row.u95), clear);
    return row;
}

ReadingRow ofReps(const Review& r, const std::vector<Rep>& reps, const char* id, const char* stat,
                  double (*value)(const Rep&), double (*u95)(const Rep&)) {
    ReadingRow row = toldReading(r.exercise, id, stat);
    const Limit& aim = row.aim.isSet() ? row.aim : row.limit;
    double worst = kGap;
    for (size_t k = 0; k < reps.size(); ++k) {
        const Rep& rep = reps[k];
        if (rep.unsure()) continue;
        const double v = value(rep);
        row.reps.push_back(v);
        if (aim.isWorse(v, worst))
            worst = v, row.worstRep = int(k), row.worstFrame = r.clip().frameAt(rep.hold.start_s);
        if (row.bestRep < 0 || aim.isWorse(row.best, v))
            row.bestRep = int(k), row.best = v, row.bestFrame = r.clip().frameAt(rep.hold.start_s);
        row.u95 = std::isfinite(row.u95) ? std::max(row.u95, u95(rep)) : u95(rep);
    }
    if (!row.reps.empty())
        row.value = row.stat == "median" ? medianOf(row.reps) : worst;
    else
        row.why = reps.empty() ? "reading.no-rep" : "reading.lost";
    row.verdict = row.limit.verdict(row.value, row.u95);
    return row;
}

/// Of something that is told of whole reps or holds: the one in which there was most of it, either way.
ReadingRow ofWhole(const Review& r, const std::vector<Rep>& reps, const char* id,
                   const std::function<std::optional<std::pair<double, double>>(const Rep&)>& valueAndBand) {
    ReadingRow row = toldReading(r.exercise, id, "worst");
    Limit none; // none of it would be best
    none.low = none.high = 0;
    for (size_t k = 0; k < reps.size(); ++k) {
        const Hold& hold = reps[k].hold;
        const auto found = reps[k].unsure() ? std::nullopt : valueAndBand(reps[k]);
        if (!found) continue;
        row.reps.push_back(found->first);
        const int64_t frame = r.clip().frameAt((hold.start_s + hold.end_s) / 2);
        if (none.isWorse(found->first, row.value))
            row.value = found->first, row.u95 = found->second, row.worstRep = int(k), row.worstFrame = frame;
        if (row.bestRep < 0 || none.isWorse(row.best, found->first))
            row.best = found->first, row.bestRep = int(k), row.bestFrame = frame;
    }
    if (row.worstRep < 0) row.why = reps.empty() ? "reading.no-hold" : "reading.unknown";
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
enum class Aim { None, More, Less };
struct Told {
    const char *measure, *name, *unit; ///< no unit: the measure's own
    int decimals;
    Aim aim = Aim::None; ///< what is better: common practice, no published source
    bool sign = false;
};
constexpr Told kTold[] = {{"tilt_range", "reading.own-range", "deg", 0},
                          {"control_range", "reading.control-range", nullptr, 0, Aim::More},
                          {"clean_hold", "reading.clean-hold", "s", 1, Aim::More},
                          {"sway", "reading.sway", nullptr, 2, Aim::Less},
                          {"tremor_share", "reading.shaking", nullptr, 0},
                          {"shoulders_lead", "reading.shoulders-first", nullptr, 2, Aim::None, true},
                          {"breath_fit", "reading.breath-fit", "%", 0},
                          {"pace_out", "reading.tempo", "s", 1},
                          {"pace_back", "reading.tempo", "s", 1}};

} // namespace

ReadingRow toldReading(const Exercise& e, const std::string& measure, const std::string& stat) {
    ReadingRow row;
    row.measure = measure, row.stat = stat;
    for (const Told& told : kTold) {
        if (measure != told.measure) continue;
        row.name = told.name, row.decimals = told.decimals, row.sign = told.sign;
        row.unit = told.unit ? told.unit : measureUnit(measure == "control_range" ? e.mover.measure : measure);
        if (told.aim == Aim::More) row.aim.low = 0;
        if (told.aim == Aim::Less) row.aim.high = 0;
        if (measure == "pace_out") row.name.with = {{"phase", Message(e.phaseOut)}};
        if (measure == "pace_back") row.name.with = {{"phase", Message(e.phaseBack)}};
        if (const auto limit = limitOf(e, measure)) row.limit = *limit;
        return row;
    }
    row.name = measureName(measure), row.unit = measureUnit(measure);
    const auto limit = limitOf(e, measure);
    if (limit) row.unit = limit->unit, row.limit = *limit;
    if (stat == "set-up")
        row.name = {"reading.set-up", {{"measure", row.name}}}, row.decimals = 0;
    else
        row.sign = limit && toldWithSign(*limit);
    return row;
}

bool toldWithSign(const Limit& limit) { return !limit.low || *limit.low <= 0; }

std::optional<Limit> limitOf(const Exercise& e, const std::string& measure) {
    std::optional<Limit> found;
    for (const FaultPlan& f : e.faults) {
        if (f.limit.measure != measure) continue;
        if (!found) found = f.limit;
        if (const auto& low = f.limit.low) found->low = std::max(*low, found->low.value_or(*low));
        if (const auto& high = f.limit.high) found->high = std::min(*high, found->high.value_or(*high));
    }
    for (const SetupCheck& c : e.setup)
        if (!found && c.limit.measure == measure) found = c.limit;
    return found;
}

Verdict asFound(Verdict ofReading, bool clear) {
    if (clear) return Verdict::Out;
    return ofReading == Verdict::Out ? Verdict::CannotTell : ofReading;
}

std::vector<ReadingRow> readingRows(const Review& r) { return readingRows(r, r.events.reps); }

std::vector<ReadingRow> readingRows(const Review& r, const std::vector<Rep>& reps) {
    std::vector<ReadingRow> rows;
    for (const SetupVerdict& v : r.findings.setup) {
        const Limit& limit = r.exercise.check(v.id)->limit;
        ReadingRow row = toldReading(r.exercise, limit.measure, "set-up");
        row.value = v.value, row.u95 = v.u95, row.limit = limit;
        row.verdict = asFound(limit.verdict(v.value, v.u95), v.isPoor());
        row.worstFrame = row.bestFrame = r.clip().frameAt(r.events.setupEnd_s / 2);
        if (!std::isfinite(v.value)) row.why = r.events.reps.empty() ? "reading.no-movement" : "reading.not-marked";
        rows.push_back(std::move(row));
    }
    if (const Neutral& n = r.series().neutral; n.range) {
        ReadingRow row = toldReading(r.exercise, "tilt_range", "set-up");
        row.value = *n.range, row.u95 = n.rangeU95;
        rows.push_back(std::move(row));
    }
    std::set<std::string> done{"pace_out", "pace_back"}; // last of all
    for (const FaultPlan& f : r.exercise.faults) {
        const auto limit = limitOf(r.exercise, f.limit.measure);
        if (!limit || !done.insert(f.limit.measure).second) continue;
        rows.push_back(ofTolerance(r, reps, *limit));
    }
    const auto addAsked = [&](ReadingRow row, std::optional<double> asked) {
        row.limit.low = asked;
        row.verdict = row.limit.verdict(row.value, row.u95);
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
    if (!done.count("shoulders_lead") && std::any_of(reps.begin(), reps.end(), hasLead))
        rows.push_back(ofWhole(r, reps, "shoulders_lead", leadTold));
    if (const auto fit = breathFit(r.inputs.breaths, {r.events.setupStart_s, r.events.setupEnd_s, reps})) {
        ReadingRow row = toldReading(r.exercise, "breath_fit", "share");
        row.value = fit->share(), row.u95 = fit->u95();
        rows.push_back(std::move(row));
    }
    const auto addTempo = [&](ReadingRow row) {
        bool clear = false;
        for (const Rep& rep : reps)
            clear = clear || isClearIn(r, row.measure, repOfSpan(r.events, rep.start_s, rep.end_s));
        if (row.limit.isSet()) row.verdict = asFound(row.verdict, clear);
        rows.push_back(std::move(row));
    };
    if (r.exercise.tempoOut_s)
        addTempo(ofReps(
            r, reps, "pace_out", "median", [](const Rep& rep) { return rep.out_s(); },
            [](const Rep& rep) { return rep.outU95_s(); }));
    addTempo(ofReps(
        r, reps, "pace_back", "median", [](const Rep& rep) { return rep.back_s(); },
        [](const Rep& rep) { return rep.backU95_s(); }));
    return rows;
}

} // namespace deft
