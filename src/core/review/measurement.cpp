// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/measurement.h"

#include "events/hold_sway.h"
#include "events/lead.h"
#include "events/roll_order.h"
#include "judgement/findings.h"
#include "measures/steadied.h"
#include "review/both_sides.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Whether an exercise is seen from the side of the body: from above, a body that lies on its side is.
View pictureView(const Exercise& e) {
    const View view = viewOf(e.view);
    return view == View::Above && e.bodyPosition() == Position::SideLying ? View::Side : view;
}

SeriesOptions seriesOptions(const MeasuringPlan& plan, const ClipInfo& clip) {
    SeriesOptions options;
    options.position = plan.position, options.view = plan.view, options.lineEnd = plan.lineEnd;
    options.lens = Lens::ofPhone(clip.width, clip.height);
    options.neutral = plan.neutral;
    options.scaleLength_cm = plan.scaleLength_cm, options.mat = plan.mat, options.markingSd_px = plan.markingSd_px;
    options.markingSd_cm = plan.markingSd_cm;
    return options;
}

/// The side of the body that the camera sees in the side view: who stands upright and faces right shows the right one.
std::string nearSide(const BodyAxes& axes) { return axes.frontIsCounterClockwise() ? "left" : "right"; }

/// Marks that can hardly be right are trusted less, wherever they are followed.
Tracks withDoubts(Tracks tracks, const MeasuringPlan& plan) {
    constexpr double kDoubt = 4; // spreads of a mark set by hand (chosen here)
    for (const DoubtfulMark& d : plan.doubtful)
        for (TrackPoint& p : tracks.landmark[d.name]) p.sd = std::hypot(p.sd, kDoubt * plan.markingSd_px);
    return tracks;
}

/// What the pelvis does on one leg is told against how it stood on two, where the clip shows that before: then neither
/// the camera's roll, nor how this body is built, nor how its marks were set reads as a drop.
void tellDropFromTwoFeet(SeriesSet& set, const Events& movement, const MoverPlan& mover) {
    constexpr double kLeast_s = 0.5; // chosen here
    const Series *foot = set.find("free_foot"), *change = set.find("twist");
    Series* drop = set.find("drop");
    if (mover.measure != "free_foot" || !mover.low || !foot || !change || !drop || movement.reps.empty()) return;
    std::vector<double> onTwo, band, slide;
    double seen_s = 0;
    for (size_t i = 1; i < set.time_s.size() && set.time_s[i] < movement.reps.front().start_s; ++i) {
        if (!(std::abs(foot->value[i]) <= *mover.low / 2) || !std::isfinite(change->value[i])) continue;
        onTwo.push_back(change->value[i]), band.push_back(change->u95[i]), slide.push_back(change->slideAt(i));
        seen_s += set.time_s[i] - set.time_s[i - 1];
    }
    if (seen_s < kLeast_s) return;
    const double level = medianOf(onTwo), levelU95 = medianOf(band), levelSlide = medianOf(slide);
    drop->slideU95.assign(drop->value.size(), 0);
    for (size_t i = 0; i < drop->value.size(); ++i) {
        drop->value[i] = change->value[i] - level;
        drop->u95[i] = std::hypot(change->u95[i], levelU95);
        drop->slideU95[i] = std::hypot(change->slideAt(i), levelSlide);
    }
}

/// Is it enough for another neutral to shift what is told against it? Not where the movement is found in that.
bool canShiftNeutral(const Measurement& m) {
    const Measure* mover = findMeasure(m.plan.mover.measure);
    return !m.series.beforeNeutral.empty() && !(mover && mover->zero == Zero::Neutral);
}

} // namespace

MeasuringPlan measuringPlan(const Exercise& e, const ReviewInputs& in, const ClipInfo& clip) {
    MeasuringPlan plan;
    plan.position = e.bodyPosition(), plan.view = pictureView(e), plan.lineEnd = e.lineEnd;
    plan.eachSide = e.eachSide, plan.sideIsStance = e.sideIsStance;
    plan.needsRollOrder = std::any_of(e.faults.begin(), e.faults.end(),
                                      [](const FaultPlan& f) { return f.limit.measure == "roll_order"; });
    plan.side = in.side;
    plan.mover = moverPlan(e);
    plan.scaleLength_cm = in.marks.scaleLengthCm.value_or(0), plan.mat = in.marks.mat.value_or(MatSize{});
    plan.markingSd_px = in.marks.markingSd_px.value_or(usualMarkingSd_px(clip.width, clip.height));
    plan.markingSd_cm = in.marks.markingSd_px ? 0 : kMarkingSd_cm;
    plan.doubtful = doubtfulMarks(in.marks, clip.width, clip.height);
    plan.neutral = in.neutral;
    return plan;
}

Result<std::shared_ptr<const Measurement>> measureFootage(std::shared_ptr<const Footage> footage, MeasuringPlan plan) {
    auto m = std::make_shared<Measurement>();
    m->footage = std::move(footage), m->plan = std::move(plan);
    const MoverPlan& mover = m->plan.mover;
    const Tracks still = withDoubts(steadied(m->footage->tracks), m->plan);
    SeriesOptions options = seriesOptions(m->plan, m->footage->clip);
    const std::string& side = m->plan.side;
    // From the front an exercise that is done on each side shows which one works; from the side the coach says it.
    if (side == "both" && m->plan.eachSide && options.view != View::Side) {
        auto both = seriesOfBothSides(still, options, mover, m->plan.sideIsStance);
        if (!both) return tl::unexpected(both.error());
        m->series = std::move(both->set);
        m->movement = findMovement(m->series, mover);
        for (Rep& rep : m->movement.reps) {
            const std::string works = both->sideAt(0.5 * (rep.top_s + rep.holdEnd_s));
            rep.side = rep.hold.side = works.empty() ? side : works;
        }
    } else {
        if (side != "both") setSide(options, side, m->plan.sideIsStance);
        auto series = seriesFor(still, options, mover);
        if (!series) return tl::unexpected(series.error());
        m->series = std::move(*series);
        m->movement = findMovement(m->series, mover);
        std::string shown = side;
        // One side of the body is nearer to the camera: it is the one that is marked, and that works.
        if (side == "both" && m->plan.eachSide && options.view == View::Side) shown = nearSide(m->series.context.axes);
        for (Rep& rep : m->movement.reps) rep.side = rep.hold.side = shown;
    }
    addLevelLoss(m->series, m->movement, mover);
    tellDropFromTwoFeet(m->series, m->movement, mover);
    addSway(m->movement, still, m->series.context);
    addLead(m->movement, m->series);
    if (m->plan.needsRollOrder) addRollOrder(m->series, still, m->movement);
    addTempo(m->series, m->movement, mover);
    return m;
}

Result<std::shared_ptr<const Measurement>> measureAgain(std::shared_ptr<const Measurement> before, MeasuringPlan plan) {
    if (before->plan == plan) return before;
    MeasuringPlan otherNeutral = before->plan;
    otherNeutral.neutral = plan.neutral;
    if (otherNeutral != plan || !canShiftNeutral(*before)) return measureFootage(before->footage, std::move(plan));
    auto m = std::make_shared<Measurement>(*before);
    m->plan = std::move(plan);
    applyNeutral(m->series, m->plan.neutral);
    return m;
}

} // namespace deft
