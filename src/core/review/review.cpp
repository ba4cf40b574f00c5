#include "review/review.h"

#include "landmarks/track_clip.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

Position positionOf(const Exercise& e) {
    if (e.position == "bridge" || e.position == "supine") return Position::Supine;
    if (e.position == "standing" || e.position == "half-kneeling") return Position::Upright;
    return Position::Prone;
}

/// Facts about the clip that bear on the measures. Limits chosen here.
std::vector<ClipCheck> checkClip(const Review& r) {
    std::vector<ClipCheck> out;
    const BodyAxes& axes = r.series.context.axes;
    const double roll = std::abs(axes.rollDeg);
    if (axes.matMarked)
        out.push_back(
            {"level",
             roll <= 5    ? "good"
             : roll <= 15 ? "poor"
                          : "unusable",
             axes.rollDeg, "deg",
             roll <= 5 ? "" : "Please level the phone: the edge of the mat should run straight across the picture."});
    else
        out.push_back(
            {"level", "unknown", 0, "deg", "Mark the mat line, or ask for a clip that shows the edge of the mat."});
    out.push_back({"frame-rate",
                   r.clip.medianRateHz >= 24   ? "good"
                   : r.clip.medianRateHz >= 12 ? "poor"
                                               : "unusable",
                   r.clip.medianRateHz, "1/s",
                   r.clip.medianRateHz >= 24 ? "" : "Please record with 30 frames a second or more."});
    out.push_back({"still-start", r.events.setupEnd_s >= 1 ? "good" : "poor", r.events.setupEnd_s, "s",
                   r.events.setupEnd_s >= 1 ? "" : "Please lie still for three seconds before the first lift."});
    double moving = 0, lost = 0;
    for (const Rep& rep : r.events.reps) moving += rep.hold.end_s - rep.start_s, lost += rep.lost_s;
    if (moving > 0) {
        const double kept = 100 * (1 - lost / moving);
        out.push_back(
            {"marks-kept",
             kept >= 90   ? "good"
             : kept >= 60 ? "poor"
                          : "unusable",
             kept, "%",
             kept >= 90 ? ""
                        : "Tight, patterned clothes or a few stickers on the landmarks, would let me see much more."});
    }
    double margin = 1e9;
    for (const auto& [name, points] : r.tracks.landmark)
        for (const TrackPoint& p : points)
            if (p.usable())
                margin =
                    std::min({margin, p.at.x(), p.at.y(), r.clip.width - 1 - p.at.x(), r.clip.height - 1 - p.at.y()});
    out.push_back(
        {"in-frame", margin > 10 ? "good" : "poor", margin, "px",
         margin > 10 ? "" : "Please move the phone back until your whole body fits with a hand's width to spare."});
    return out;
}

} // namespace

bool Review::metTarget() const {
    if (!inputs.asked.hold_s || int(events.reps.size()) < inputs.asked.sets) return false;
    return std::all_of(events.reps.begin(), events.reps.end(), [&](const Rep& rep) {
        return !rep.unsure() && rep.hold.duration_s() >= *inputs.asked.hold_s - kHoldSlack_s;
    });
}

bool Review::allClean() const {
    return !events.reps.empty() && std::all_of(events.reps.begin(), events.reps.end(),
                                               [](const Rep& r) { return r.hold.brokenBy.empty() && !r.unsure(); });
}

std::vector<const Fault*> Review::standing() const {
    std::vector<const Fault*> out;
    for (const Fault& f : findings.faults) {
        const auto it = inputs.agreed.find(ReviewInputs::momentKey(f.id, f.rep));
        if (it == inputs.agreed.end() || it->second) out.push_back(&f);
    }
    return out;
}

std::optional<Review::Pair> Review::framePair(const std::string& id) const {
    std::string measure;
    Tolerance t;
    bool hold = true;
    if (const FaultPlan* f = exercise.fault(id)) {
        const Limit l = exercise.withSchool(f->limit, inputs.school);
        t = {l.measure, l.low, l.high}, hold = !f->onTheWay;
    } else if (const SetupCheck* c = exercise.check(id)) {
        const Limit l = exercise.withSchool(c->limit, inputs.school);
        t = {l.measure, l.low, l.high};
    } else {
        return std::nullopt;
    }
    const Series* s = series.find(t.measure);
    if (!s || events.reps.empty()) return std::nullopt;
    // Worst: farthest outside. Best: the same phase of the rep in which the worst value was mildest.
    Pair pair{-1, -1, 0, 0};
    double worst = -1e300, mildest = 1e300;
    for (size_t r = 0; r < events.reps.size(); ++r) {
        const Rep& rep = events.reps[r];
        double own = -1e300;
        int64_t at = -1;
        for (int64_t i = clip.frameAt(hold ? rep.hold.start_s : rep.start_s);
             i < clip.frames() && clip.time_s[size_t(i)] <= rep.hold.end_s; ++i) {
            if (!std::isfinite(s->value[size_t(i)])) continue;
            const double e = t.excess(s->value[size_t(i)]);
            if (e > own) own = e, at = i;
        }
        if (at < 0) continue;
        if (own > worst) worst = own, pair.worst = at, pair.worstRep = int(r);
        // The best picture shows the end of the hold while it was still clean, so that it looks like the same moment.
        const double clean = rep.hold.clean_s > 0.4 ? rep.hold.start_s + 0.8 * rep.hold.clean_s
                             : rep.break_s          ? *rep.break_s - 0.1
                                                    : rep.hold.start_s;
        if (own < mildest) mildest = own, pair.best = clip.frameAt(std::max(0.0, clean)), pair.bestRep = int(r);
    }
    if (pair.worst < 0 || pair.best < 0) return std::nullopt;
    return pair;
}

Case caseOf(const Review& r) {
    Case c;
    c.rung = r.inputs.asked.rung;
    c.school = r.inputs.school;
    c.flags = r.inputs.flags;
    c.note = r.inputs.note;
    c.target = r.inputs.asked;
    c.history = r.inputs.history;
    c.usable = std::none_of(r.check.begin(), r.check.end(), [](const ClipCheck& k) { return k.verdict == "unusable"; });
    for (const SetupVerdict& v : r.findings.setup) c.setup.emplace_back(v.id, v.verdict);
    // A fault that the coach turned down breaks nothing.
    const auto standing = r.standing();
    auto stands = [&](const std::string& measure, int rep) {
        return std::any_of(standing.begin(), standing.end(),
                           [&](const Fault* f) { return f->measure == measure && f->rep == rep; });
    };
    for (size_t i = 0; i < r.events.reps.size(); ++i) {
        const Rep& rep = r.events.reps[i];
        if (rep.unsure()) continue; // what was not seen decides nothing
        Case::Rep cr{rep.side, rep.reach, rep.controlRange, rep.controlRangeU95, rep.brokenBy};
        Case::Hold ch{rep.hold.side, rep.hold.duration_s(), rep.hold.clean_s, rep.hold.brokenBy};
        if (!cr.brokenBy.empty() && !stands(cr.brokenBy, int(i))) cr.brokenBy.clear(), cr.controlRange = cr.reach;
        if (!ch.brokenBy.empty() && !stands(ch.brokenBy, int(i))) ch.brokenBy.clear(), ch.clean_s = ch.duration_s;
        c.reps.push_back(cr);
        c.holds.push_back(ch);
    }
    for (const Fault* f : standing)
        c.faults.push_back({f->id, f->certainty == Certainty::Clear ? "clear" : "cannot-tell", f->worst, f->u95});
    for (const std::string& id : r.findings.toCorrect) {
        const bool isFault = r.exercise.fault(id) != nullptr;
        if (!isFault || std::any_of(standing.begin(), standing.end(), [&](const Fault* f) { return f->id == id; }))
            c.toCorrect.push_back(id);
    }
    return c;
}

Result<Review> measureReview(ReviewInputs inputs, ClipInfo clip, Tracks tracks) {
    auto exercise = loadExercise(inputs.exercise);
    if (!exercise) return tl::unexpected(exercise.error());
    Review r;
    r.exercise = std::move(*exercise);
    if (inputs.school.empty()) inputs.school = r.exercise.defaultSchool;
    if (!r.exercise.school(inputs.school))
        return fail(Errc::NotFound, "there is no school \"" + inputs.school + "\" for " + r.exercise.name);
    if (inputs.asked.rung.empty()) {
        inputs.asked.rung = r.exercise.ladder.size() > 1 ? r.exercise.ladder[1].id : r.exercise.ladder[0].id;
        inputs.asked.sets = r.exercise.sets;
        inputs.asked.daysPerWeek = r.exercise.daysPerWeek;
        if (!inputs.asked.hold_s) inputs.asked.hold_s = r.exercise.hold_s;
    }
    for (const std::string& name : r.exercise.landmarksNeeded)
        if (!tracks.landmark.count(name)) r.missing.push_back(name);
    r.inputs = std::move(inputs);
    r.clip = std::move(clip);
    r.tracks = std::move(tracks);

    const MoverPlan mover = moverPlan(r.exercise);
    SeriesOptions options;
    options.position = positionOf(r.exercise);
    options.lineEnd = r.exercise.lineEnd;
    options.neutral = r.inputs.neutral;
    // Where the set-up ends is known from the mover, and neutral from the set-up: look twice.
    auto first = computeSeries(r.tracks, options);
    if (!first) return tl::unexpected(first.error());
    options.setupEnd_s = findMovement(*first, mover).setupEnd_s;
    auto series = computeSeries(r.tracks, options);
    if (!series) return tl::unexpected(series.error());
    r.series = std::move(*series);
    r.events = findMovement(r.series, mover);
    addLevelLoss(r.series, r.events, mover);
    findBreaks(r.events, r.series, mover, anchorTolerances(r.exercise, r.inputs.school));
    r.findings = findFaults(r.exercise, r.inputs.school, r.series, r.events);
    r.check = checkClip(r);
    r.decision = decide(r.exercise, caseOf(r));
    return r;
}

Result<Review> analyse(ReviewInputs inputs, StopToken stop, const ProgressFn& progress) {
    auto reader = ClipReader::open(inputs.clipPath);
    if (!reader) return tl::unexpected(reader.error());
    auto marks = fitToClip(inputs.marks, reader->info(), inputs.clipSha256);
    if (!marks) return tl::unexpected(marks.error());
    inputs.marks = std::move(*marks);
    auto tracks = trackClip(*reader, inputs.marks, stop, progress);
    if (!tracks) return tl::unexpected(tracks.error());
    return measureReview(std::move(inputs), reader->info(), std::move(*tracks));
}

Summary summaryOf(const SeriesSet& set, const std::string& measure) {
    Summary out;
    const Series* s = set.find(measure);
    if (!s) return out;
    double sum = 0;
    int n = 0;
    std::vector<double> bands;
    for (size_t i = 0; i < s->value.size(); ++i) {
        const double v = s->value[i];
        if (!std::isfinite(v)) continue;
        if (!(v >= out.min)) out.min = v, out.minAt_s = set.time_s[i]; // also true at first, when there is none yet
        if (!(v <= out.max)) out.max = v, out.maxAt_s = set.time_s[i];
        sum += v, ++n;
        bands.push_back(s->u95[i]);
    }
    if (n) out.mean = sum / n, out.u95 = medianOf(bands);
    return out;
}

} // namespace deft
