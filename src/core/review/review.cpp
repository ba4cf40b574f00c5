// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/review.h"

#include "judgement/shown.h"
#include "judgement/targets.h"
#include "review/clip_facts.h"
#include "review/seen_faults.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// The first view of an exercise whose landmarks are all marked, else its best one.
std::string viewFor(const Catalogue& catalogue, const Exercise& e, const std::string& version, const Marks& marks) {
    for (const std::string& view : e.views) {
        const auto other = catalogue.form({e.id, version, view});
        if (other && isMarked(*other, marks)) return view;
    }
    return e.view;
}

/// The coach's own step and target in place of the proposed ones; the proposal stays among the reasons. Stop rules
/// cannot be overruled.
void overrule(Review& r) {
    const ReviewInputs& in = r.inputs;
    Decision& d = r.decision;
    if (d.step == "stop" || (in.overruledStep.empty() && !in.overruled)) return;
    d.because.insert(d.because.begin(), Message("why.overruled", {{"step", Message("step." + d.step)},
                                                                  {"told", !in.overruledWhy.empty()},
                                                                  {"why", in.overruledWhy}}));
    if (!in.overruledStep.empty()) d.step = in.overruledStep;
    if (in.overruled) d.target = *in.overruled;
}

} // namespace

bool isMarked(const Exercise& e, const Marks& marks) {
    const auto marked = marks.landmarks();
    return std::all_of(e.landmarksNeeded.begin(), e.landmarksNeeded.end(),
                       [&](const std::string& name) { return std::binary_search(marked.begin(), marked.end(), name); });
}

bool Review::metTarget() const { return summarisePerformance(exercise, caseOf(*this)).met && !anyUnsure(); }

bool Review::allClean() const {
    const Shown shown = summarisePerformance(exercise, caseOf(*this));
    return shown.total > 0 && shown.clean == shown.total && !anyUnsure();
}

bool Review::anyUnsure() const {
    return std::any_of(events.reps.begin(), events.reps.end(), [](const Rep& r) { return r.unsure(); });
}

std::vector<const Fault*> Review::standing() const {
    std::vector<const Fault*> out;
    for (const Fault& f : findings.faults)
        if (!f.rejected) out.push_back(&f);
    return out;
}

int64_t worstFrame(const Review& r, const Span& span, const Series& s, const Limit& limit) {
    int64_t worst = -1;
    for (int64_t i = r.clip().frameAt(span.start_s); i < r.clip().frames() && r.clip().time_s[size_t(i)] <= span.end_s;
         ++i)
        if (limit.isWorse(s.value[size_t(i)], worst < 0 ? kGap : s.value[size_t(worst)])) worst = i;
    return worst;
}

std::optional<Review::RepFrames> Review::framesOfRep(const std::string& id, int number) const {
    if (number < 0 || number >= int(events.reps.size())) return std::nullopt;
    const FaultPlan* fault = exercise.fault(id);
    const Limit* limit = exercise.limitOf(id);
    const Series* s = limit ? series().find(limit->measure) : nullptr;
    if (!s) return std::nullopt;
    const Rep& rep = events.reps[size_t(number)];
    const Span span = countedIn(rep, fault ? fault->counts : Phases{false, true, false});
    RepFrames out{-1, worstFrame(*this, span, *s, *limit), 0};
    if (out.worst < 0) return std::nullopt;
    out.excess = limit->excess(s->value[size_t(out.worst)]);
    // The end of the hold while it was still clean, so that it looks like the same moment.
    const double clean = rep.hold.clean_s > 0.4 ? rep.hold.start_s + 0.8 * rep.hold.clean_s
                         : rep.break_s          ? *rep.break_s - 0.1
                                                : rep.hold.start_s;
    out.clean = clip().frameAt(std::max(0.0, clean));
    return out;
}

std::optional<Review::Pair> Review::framePair(const std::string& id) const {
    std::optional<Pair> pair;
    double worst = -1e300, mildest = 1e300;
    for (int i = 0; i < int(events.reps.size()); ++i) {
        const auto rep = framesOfRep(id, i);
        if (!rep) continue;
        if (!pair) pair = Pair{};
        if (rep->excess > worst) worst = rep->excess, pair->worst = rep->worst, pair->worstRep = i;
        if (rep->excess < mildest) mildest = rep->excess, pair->best = rep->clean, pair->bestRep = i;
    }
    return pair;
}

bool isClearIn(const Review& r, const std::string& measure, int rep) {
    return std::any_of(r.findings.faults.begin(), r.findings.faults.end(), [&](const Fault& f) {
        return f.measure == measure && f.rep == rep && !f.rejected && (f.byCoach || f.certainty == Certainty::Clear);
    });
}

Case caseOf(const Review& r) {
    Case c;
    c.exercise = r.inputs.exercise;
    c.version = r.inputs.asked.version;
    c.schools = r.inputs.schools;
    c.flags = r.inputs.flags, c.cleared = r.inputs.cleared;
    c.cueRecord = r.inputs.cueRecord;
    c.note = r.inputs.note, c.practice = r.inputs.practice;
    c.target = r.inputs.asked;
    c.history = r.inputs.history;
    c.usable = verdictOf(r.check) != "unusable";
    for (const SetupVerdict& v : r.findings.setup) c.setup.emplace_back(v.id, v.rejected ? "good" : v.verdict);
    const auto standing = r.standing();
    // What the clip cannot tell is neither clean nor broken.
    const auto isTold = [&](const std::string& measure, int rep) {
        return isClearIn(r, measure, rep) || std::none_of(standing.begin(), standing.end(), [&](const Fault* f) {
                   return f->measure == measure && f->rep == rep;
               });
    };
    for (size_t i = 0; i < r.events.reps.size(); ++i) {
        const Rep& rep = r.events.reps[i];
        if (rep.unsure()) continue; // what was not seen decides nothing
        // Done on each side, and nobody can tell on which: that shows neither.
        const std::string side = r.exercise.eachSide && rep.side == "both" ? "" : rep.side;
        Case::Rep cr{side, rep.reach, rep.controlRange, rep.controlRangeU95, rep.brokenBy};
        if (rep.breakBack_s) cr.brokenBy = rep.brokenBackBy, cr.onTheWayBack = true;
        cr.isTold = isTold(cr.brokenBy, int(i));
        Case::Hold ch{side, rep.hold.duration_s(), rep.hold.clean_s, rep.hold.brokenBy};
        ch.isTold = isTold(ch.brokenBy, int(i));
        if (const auto& tremor = rep.hold.tremor) ch.tremorShare = tremor->share, ch.tremorU95 = tremor->u95;
        if (!r.exercise.mover.isWindow()) c.reps.push_back(cr);
        c.holds.push_back(ch);
    }
    for (const Fault& f : r.findings.between)
        if (std::find(c.between.begin(), c.between.end(), f.id) == c.between.end()) c.between.push_back(f.id);
    for (const Fault* f : standing)
        c.faults.push_back({f->id, f->measure, f->certainty == Certainty::Clear ? "clear" : "cannot-tell", f->worst,
                            f->u95OfChange(), f->rep});
    return c;
}

Result<Exercise> exerciseOf(const Catalogue& catalogue, const ReviewInputs& in) {
    ExerciseForm form{in.exercise, in.asked.version, in.view, in.schools};
    if (form.view.empty()) {
        const auto plain = catalogue.form({form.id, form.version});
        if (!plain) return plain;
        form.view = viewFor(catalogue, *plain, form.version, in.marks);
    }
    return catalogue.form(form);
}

namespace {

/// What was asked for, in full: a version alone is asked for in its own dose, a dose alone in the usual version, of
/// which only the length of a hold is taken over.
Target askedInFull(const Target& asked, const Exercise& e) {
    if (!asked.version.empty() && (asked.reps || asked.hold_s || asked.range)) return asked;
    Target full = usualTarget(e);
    if (!asked.version.empty()) full.version = asked.version;
    if (asked.hold_s) full.hold_s = asked.hold_s;
    return full;
}

/// A clip that cannot carry a decision proves nothing, and neither do marks that nobody has looked at: what is found
/// there is worth a look. What the coach has seen stands.
void doubtAll(Findings& findings) {
    for (auto* faults : {&findings.faults, &findings.between})
        for (Fault& f : *faults)
            if (!f.byCoach) f.certainty = Certainty::CannotTell;
    for (SetupVerdict& v : findings.setup)
        if (v.verdict == "poor") v.verdict = "cannot-tell";
}

/// What a review is judged by and from.
struct Judged {
    CataloguePtr catalogue;
    ReviewInputs inputs;
    Exercise exercise;
};
Result<Judged> readFor(CataloguePtr catalogue, ReviewInputs inputs) {
    auto exercise = exerciseOf(*catalogue, inputs);
    if (!exercise) return tl::unexpected(exercise.error());
    inputs.view = exercise->view;
    inputs.schools = exercise->schoolsFor(inputs.schools);
    inputs.asked = askedInFull(inputs.asked, *exercise);
    return Judged{std::move(catalogue), std::move(inputs), std::move(*exercise)};
}

Review judge(Judged by, std::shared_ptr<const Measurement> measurement) {
    Review r;
    r.catalogue = std::move(by.catalogue), r.inputs = std::move(by.inputs), r.exercise = std::move(by.exercise);
    r.measurement = std::move(measurement);
    for (const std::string& name : r.exercise.landmarksNeeded)
        if (!r.tracks().landmark.count(name)) r.missing.push_back(name);
    r.events = r.measurement->movement;
    const MoverPlan& mover = r.measurement->plan.mover;
    // What the coach does not agree with breaks nothing and causes nothing.
    findBreaks(r.events, r.series(), mover, anchorTolerances(r.exercise, r.series()),
               [&](const Tolerance& t, int rep) { return isPassedOver(r, t.fault, rep); });
    r.findings = findFaults(r.exercise, r.series(), r.events);
    for (SetupVerdict& v : r.findings.setup) v.rejected = v.verdict == "poor" && r.inputs.hasRejected(v.id, 0);
    for (Fault& f : r.findings.faults) f.rejected = isPassedOver(r, f.id, f.rep);
    breakWhereSeen(r.events, r, mover);
    addSeenFaults(r.findings, r);
    r.check = checkClip(r);
    if (!caseOf(r).usable || areUnconfirmed(r.inputs.marks)) doubtAll(r.findings);
    r.decision = decide(*r.catalogue, r.exercise, caseOf(r));
    overrule(r);
    return r;
}

Result<Review> measuredAndJudged(const CataloguePtr& catalogue, const ReviewInputs& inputs,
                                 const std::shared_ptr<const Footage>& footage) {
    auto by = readFor(catalogue, inputs);
    if (!by) return tl::unexpected(by.error());
    auto measurement = measureFootage(footage, measuringPlan(by->exercise, by->inputs, footage->clip));
    if (!measurement) return tl::unexpected(measurement.error());
    return judge(std::move(*by), std::move(*measurement));
}

} // namespace

Result<Review> measureReview(CataloguePtr catalogue, ReviewInputs inputs, ClipInfo clip, Tracks tracks) {
    const auto footage = std::make_shared<const Footage>(Footage{std::move(clip), std::move(tracks)});
    auto plain = measuredAndJudged(catalogue, inputs, footage);
    if (!plain || !inputs.asked.version.empty() || !plain->events.reps.empty()) return plain;
    // Nobody said which version was asked for, and the usual one is not in the clip: its look may tell.
    for (const Version& version : plain->exercise.ladder) {
        inputs.asked.version = version.id;
        auto other = measuredAndJudged(catalogue, inputs, footage);
        if (other && !other->events.reps.empty()) return other;
    }
    return plain;
}

Result<Review> judgeAgain(const Review& before, ReviewInputs inputs, CataloguePtr catalogue) {
    auto by = readFor(catalogue ? catalogue : before.catalogue, std::move(inputs));
    if (!by) return tl::unexpected(by.error());
    auto measurement = measureAgain(before.measurement, measuringPlan(by->exercise, by->inputs, before.clip()));
    if (!measurement) return tl::unexpected(measurement.error());
    return judge(std::move(*by), std::move(*measurement));
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
