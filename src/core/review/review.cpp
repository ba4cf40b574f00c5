#include "review/review.h"

#include "events/hold_sway.h"
#include "events/lead.h"
#include "events/roll_order.h"
#include "judgement/safety.h"
#include "judgement/shown.h"
#include "judgement/targets.h"
#include "landmarks/names.h"
#include "measures/steadied.h"
#include "review/both_sides.h"
#include "review/clip_facts.h"
#include "review/seen_faults.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <mutex>

namespace deft {
namespace {

/// Whether an exercise is seen from the side of the body: from above, a body that lies on its side is.
View pictureView(const Exercise& e) {
    const View view = viewOf(e.view);
    return view == View::Above && e.bodyPosition() == Position::SideLying ? View::Side : view;
}

/// The first view of an exercise whose landmarks are all marked, else its best one.
std::string viewFor(const Exercise& e, const Marks& marks) {
    for (const std::string& view : e.views) {
        const auto other = e.inView(view);
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
    std::string said = "overruled by the coach: proposed was " + d.step;
    if (!in.overruledWhy.empty()) said += "; " + in.overruledWhy;
    d.because.insert(d.because.begin(), said);
    if (!in.overruledStep.empty()) d.step = in.overruledStep;
    if (in.overruled) d.target = *in.overruled;
}

} // namespace

bool isMarked(const Exercise& e, const Marks& marks) {
    const auto marked = marks.landmarks();
    return std::all_of(e.landmarksNeeded.begin(), e.landmarksNeeded.end(),
                       [&](const std::string& name) { return std::binary_search(marked.begin(), marked.end(), name); });
}

bool Review::metTarget() const { return whatIsShown(exercise, caseOf(*this)).met && !anyUnsure(); }

bool Review::allClean() const {
    const Shown shown = whatIsShown(exercise, caseOf(*this));
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
    for (int64_t i = r.clip.frameAt(span.start_s); i < r.clip.frames() && r.clip.time_s[size_t(i)] <= span.end_s; ++i)
        if (limit.isWorse(s.value[size_t(i)], worst < 0 ? kGap : s.value[size_t(worst)])) worst = i;
    return worst;
}

std::optional<Review::RepFrames> Review::framesOfRep(const std::string& id, int number) const {
    if (number < 0 || number >= int(events.reps.size())) return std::nullopt;
    const FaultPlan* fault = exercise.fault(id);
    const Limit* limit = exercise.limitOf(id);
    const Series* s = limit ? series.find(limit->measure) : nullptr;
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
    out.clean = clip.frameAt(std::max(0.0, clean));
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

Case caseOf(const Review& r) {
    Case c;
    c.exercise = r.inputs.exercise;
    c.rung = r.inputs.asked.rung;
    c.schools = r.inputs.schools;
    c.flags = r.inputs.flags, c.cleared = r.inputs.cleared;
    c.cueRecord = r.inputs.cueRecord;
    c.note = r.inputs.note;
    c.target = r.inputs.asked;
    c.history = r.inputs.history;
    c.usable = std::none_of(r.check.begin(), r.check.end(), [](const ClipCheck& k) { return k.verdict == "unusable"; });
    for (const SetupVerdict& v : r.findings.setup) c.setup.emplace_back(v.id, v.rejected ? "good" : v.verdict);
    for (const Rep& rep : r.events.reps) {
        if (rep.unsure()) continue; // what was not seen decides nothing
        // Done on each side, and nobody can tell on which: that shows neither.
        const std::string side = r.exercise.eachSide && rep.side == "both" ? "" : rep.side;
        Case::Rep cr{side, rep.reach, rep.controlRange, rep.controlRangeU95, rep.brokenBy};
        if (rep.breakBack_s) cr.brokenBy = rep.brokenBackBy, cr.onTheWayBack = true;
        Case::Hold ch{side, rep.hold.duration_s(), rep.hold.clean_s, rep.hold.brokenBy};
        if (const auto& tremor = rep.hold.tremor) ch.tremorShare = tremor->share, ch.tremorU95 = tremor->u95;
        if (!r.exercise.mover.isWindow()) c.reps.push_back(cr);
        c.holds.push_back(ch);
    }
    for (const Fault& f : r.findings.between)
        if (std::find(c.between.begin(), c.between.end(), f.id) == c.between.end()) c.between.push_back(f.id);
    for (const Fault* f : r.standing())
        c.faults.push_back({f->id, f->measure, f->certainty == Certainty::Clear ? "clear" : "cannot-tell", f->worst,
                            f->u95OfChange(), f->rep});
    return c;
}

namespace {

/// Does nothing that this exercise is made of lie among the coach's own files, which may change at any time?
bool ships(const std::string& id) { return exerciseFile(id).parent_path() == dataFolder() / "exercises"; }

Result<Exercise> readExerciseOf(const ReviewInputs& inputs) {
    return loadExercise(inputs.exercise)
        .and_then([&](const Exercise& e) { return e.inVersion(inputs.asked.rung); })
        .and_then(
            [&](const Exercise& e) { return e.inView(inputs.view.empty() ? viewFor(e, inputs.marks) : inputs.view); })
        .and_then([&](const Exercise& e) { return e.inSchools(inputs.schools); });
}

} // namespace

Result<Exercise> exerciseOf(const ReviewInputs& inputs) {
    // Reading and checking a file takes longer than judging: what ships is read once for each version, view and school.
    static std::mutex mutex;
    static std::map<std::string, std::shared_ptr<const Exercise>> known;
    if (inputs.view.empty()) return readExerciseOf(inputs); // it depends on the marks
    const std::string key =
        toLine(Json{dataFolder().string(), inputs.exercise, inputs.asked.rung, inputs.view, Json(inputs.schools)});
    const auto allShip = [](const Exercise& e) {
        return ships(e.id) && std::all_of(e.ladder.begin(), e.ladder.end(), [](const Rung& rung) {
                   return rung.exercise.empty() || ships(rung.exercise);
               });
    };
    const std::lock_guard lock(mutex);
    if (const auto it = known.find(key); it != known.end() && allShip(*it->second)) return *it->second;
    auto e = readExerciseOf(inputs);
    if (e && allShip(*e)) known[key] = std::make_shared<const Exercise>(*e);
    return e;
}

namespace {

SeriesOptions seriesOptions(const Review& r) {
    SeriesOptions options;
    options.position = r.exercise.bodyPosition();
    options.view = pictureView(r.exercise);
    options.lineEnd = r.exercise.lineEnd;
    options.lens = Lens::ofPhone(r.clip.width, r.clip.height);
    options.neutral = r.inputs.neutral;
    options.scaleLength_cm = r.inputs.marks.scaleLengthCm.value_or(0);
    options.mat = r.inputs.marks.mat.value_or(MatSize{});
    options.markingSd_px = r.inputs.marks.markingSd_px.value_or(kMarkingSdPx);
    return options;
}

bool needsRollOrder(const Exercise& e) {
    return std::any_of(e.faults.begin(), e.faults.end(),
                       [](const FaultPlan& f) { return f.limit.measure == "roll_order"; });
}

/// The side of the body that the camera sees in the side view: who stands upright and faces right shows the right one.
std::string nearSide(const BodyAxes& axes) { return axes.frontIsCounterClockwise() ? "left" : "right"; }

Json positionKey(const std::vector<Limit>& position) {
    Json key = Json::array();
    for (const Limit& l : position) key.push_back({l.measure, numberOrNull(l.low), numberOrNull(l.high)});
    return key;
}

/// Everything that measure() looks at besides the tracks and the neutral.
std::string measuredFrom(const Review& r) {
    const MoverPlan m = moverPlan(r.exercise);
    const MatSize mat = r.inputs.marks.mat.value_or(MatSize{});
    Json key = {r.exercise.id,
                r.exercise.view,
                r.exercise.position,
                r.exercise.eachSide,
                r.exercise.sideIsStance,
                r.exercise.lineEnd,
                r.inputs.side,
                m.measure,
                m.minExcursion,
                m.falls,
                numberOrNull(m.low),
                numberOrNull(m.high),
                positionKey(m.inPosition),
                needsRollOrder(r.exercise),
                r.inputs.marks.scaleLengthCm.value_or(0),
                mat.length_cm,
                mat.width_cm,
                r.inputs.marks.markingSd_px.value_or(kMarkingSdPx)};
    return toLine(key);
}

/// Marks that can hardly be right are trusted less, wherever they are followed.
Tracks withDoubts(Tracks tracks, const Marks& marks, const ClipInfo& clip) {
    constexpr double kDoubt = 4; // spreads of a mark set by hand (chosen here)
    const double doubt_px = kDoubt * marks.markingSd_px.value_or(kMarkingSdPx);
    for (const DoubtfulMark& d : doubtfulMarks(marks, clip.width, clip.height))
        for (TrackPoint& p : tracks.landmark[d.name]) p.sd = std::hypot(p.sd, doubt_px);
    return tracks;
}

/// What the pelvis does on one leg is told against how it stood on two, where the clip begins so: then neither the
/// camera's roll nor how this body is built reads as a drop.
void tellDropFromTwoFeet(SeriesSet& set, const Events& movement, const MoverPlan& mover) {
    const Series *foot = set.find("free_foot"), *change = set.find("twist");
    Series* drop = set.find("drop");
    if (mover.measure != "free_foot" || !mover.low || !foot || !change || !drop) return;
    std::vector<double> before;
    for (size_t i = 0; i < set.time_s.size(); ++i)
        if (set.time_s[i] >= movement.setupStart_s && set.time_s[i] <= movement.setupEnd_s &&
            std::isfinite(foot->value[i]))
            before.push_back(std::abs(foot->value[i]));
    if (before.empty() || medianOf(before) > *mover.low / 2) return;
    drop->value = change->value, drop->u95 = change->u95;
}

/// Series and movement from the tracks.
Result<void> measure(Review& r) {
    const MoverPlan mover = moverPlan(r.exercise);
    const Tracks still = withDoubts(steadied(r.tracks), r.inputs.marks, r.clip);
    SeriesOptions options = seriesOptions(r);
    const std::string& side = r.inputs.side;
    // From the front an exercise that is done on each side shows which one works; from the side the coach says it.
    const bool tellsSides = side == "both" && r.exercise.eachSide && options.view != View::Side;
    if (tellsSides) {
        auto both = seriesOfBothSides(still, options, mover, r.exercise.sideIsStance);
        if (!both) return tl::unexpected(both.error());
        r.series = std::move(both->set);
        r.movement = findMovement(r.series, mover);
        for (Rep& rep : r.movement.reps) {
            const std::string works = both->sideAt(0.5 * (rep.top_s + rep.holdEnd_s));
            rep.side = rep.hold.side = works.empty() ? side : works;
        }
    } else {
        if (side != "both") setSide(options, side, r.exercise.sideIsStance);
        auto series = seriesFor(still, options, mover);
        if (!series) return tl::unexpected(series.error());
        r.series = std::move(*series);
        r.movement = findMovement(r.series, mover);
        std::string shown = side;
        // One side of the body is nearer to the camera: it is the one that is marked, and that works.
        if (side == "both" && r.exercise.eachSide && options.view == View::Side)
            shown = nearSide(r.series.context.axes);
        for (Rep& rep : r.movement.reps) rep.side = rep.hold.side = shown;
    }
    addLevelLoss(r.series, r.movement, mover);
    tellDropFromTwoFeet(r.series, r.movement, mover);
    addSway(r.movement, still, r.series.context);
    addLead(r.movement, r.series);
    if (needsRollOrder(r.exercise)) addRollOrder(r.series, still, r.movement);
    return {};
}

/// Is it enough for another neutral to shift what is told against it? Not where the movement is found in that.
bool canTellAnew(const Review& r) {
    const Measure* mover = findMeasure(moverPlan(r.exercise).measure);
    return !r.series.beforeNeutral.empty() && !(mover && mover->zero == Zero::Neutral);
}

Result<Review> judged(Review r, ReviewInputs inputs) {
    // Without the safety rules nothing would be locked and no caution said: then there is no review at all.
    if (!safetyRules()) return tl::unexpected(safetyRules().error());
    auto exercise = exerciseOf(inputs);
    if (!exercise) return tl::unexpected(exercise.error());
    r.exercise = std::move(*exercise);
    inputs.view = r.exercise.view;
    inputs.schools = r.exercise.schoolsFor(inputs.schools);
    Target& asked = inputs.asked;
    if (!asked.reps && !asked.hold_s && !asked.range) { // the version's own dose
        const std::string rung = asked.rung;
        asked = usualTarget(r.exercise);
        if (!rung.empty()) asked.rung = rung;
    } else if (asked.rung.empty()) {
        const auto hold = asked.hold_s;
        asked = usualTarget(r.exercise);
        if (hold) asked.hold_s = hold;
    }
    r.missing.clear();
    for (const std::string& name : r.exercise.landmarksNeeded)
        if (!r.tracks.landmark.count(name)) r.missing.push_back(name);
    const bool otherNeutral = r.inputs.neutral != inputs.neutral;
    r.inputs = std::move(inputs);
    const std::string from = measuredFrom(r);
    if (from != r.measuredFrom || (otherNeutral && !canTellAnew(r))) {
        if (auto ok = measure(r); !ok) return tl::unexpected(ok.error());
        r.measuredFrom = from;
    } else if (otherNeutral) {
        tellAgainst(r.series, r.inputs.neutral);
    }
    r.events = r.movement;
    const MoverPlan mover = moverPlan(r.exercise);
    // What the coach does not agree with breaks nothing and causes nothing.
    findBreaks(r.events, r.series, mover, anchorTolerances(r.exercise, r.series),
               [&](const Tolerance& t, int rep) { return isPassedOver(r, t.fault, rep); });
    std::erase_if(r.series.series, [](const Series& s) { return s.id == "pace_out" || s.id == "pace_back"; });
    addPace(r.series, r.events, mover);
    r.findings = findFaults(r.exercise, r.series, r.events);
    for (SetupVerdict& v : r.findings.setup) v.rejected = v.verdict == "poor" && r.inputs.hasRejected(v.id, 0);
    for (Fault& f : r.findings.faults) f.rejected = isPassedOver(r, f.id, f.rep);
    breakWhereSeen(r.events, r, mover);
    addSeenFaults(r.findings, r);
    r.check = checkClip(r);
    r.decision = decide(r.exercise, caseOf(r));
    overrule(r);
    return r;
}

} // namespace

Result<Review> measureReview(ReviewInputs inputs, ClipInfo clip, Tracks tracks) {
    Review r;
    r.clip = std::move(clip);
    r.tracks = std::move(tracks);
    auto plain = judged(r, inputs);
    if (!plain || !inputs.asked.rung.empty() || !plain->events.reps.empty()) return plain;
    // Nobody said which version was asked for, and the usual one is not in the clip: its look may tell.
    for (const Rung& rung : plain->exercise.ladder) {
        inputs.asked.rung = rung.id;
        auto other = judged(r, inputs);
        if (other && !other->events.reps.empty()) return other;
    }
    return plain;
}

Result<Review> judgeAgain(Review before, ReviewInputs inputs) { return judged(std::move(before), std::move(inputs)); }

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
