// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/neutral.h"

#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kAroundFrame_s = 1.0 / 6;
constexpr double kLeastRange_deg = 6; // less is no arching and flattening; chosen here

/// Median of a series and of its half-width around a frame; NaN where it is not measured.
std::pair<double, double> around(const Review& r, const Series* s, int64_t frame) {
    std::vector<double> values, bands;
    const double at = r.clip().time_s[size_t(frame)];
    for (int64_t i = r.clip().frameAt(at - kAroundFrame_s); s && i <= r.clip().frameAt(at + kAroundFrame_s); ++i)
        if (std::isfinite(s->value[size_t(i)]))
            values.push_back(s->value[size_t(i)]), bands.push_back(s->u95[size_t(i)]);
    return values.empty() ? std::pair(kGap, kGap) : std::pair(medianOf(values), medianOf(bands));
}

/// What is told against neutral, before it was. Nothing when it is not in the set.
const Series* beforeNeutral(const Review& r, const char* id) {
    const auto& all = r.series().beforeNeutral;
    const auto it = std::find_if(all.begin(), all.end(), [&](const Series& s) { return s.id == id; });
    return it == all.end() ? nullptr : &*it;
}

} // namespace

std::optional<Neutral> neutralAt(const Review& r, int64_t frame) {
    const auto [tilt, band] = around(r, beforeNeutral(r, "tilt"), frame);
    const double onTrunk = around(r, beforeNeutral(r, "pelvis_on_trunk"), frame).first;
    if (!std::isfinite(tilt) && !std::isfinite(onTrunk)) return std::nullopt;
    Neutral n;
    n.source = "coach";
    if (std::isfinite(tilt)) n.tilt_raw = tilt, n.u95 = band;
    if (std::isfinite(onTrunk)) n.pelvis_on_trunk_raw = onTrunk;
    return n;
}

Result<OwnRange> ownRange(const Review& r) {
    const Series *tilt = beforeNeutral(r, "tilt"), *onTrunk = beforeNeutral(r, "pelvis_on_trunk");
    if (!tilt) return fail(Errc::NotFound, "the pelvis was not measured in this clip");
    const Measure* mover = findMeasure(moverPlan(r.exercise).measure);
    const bool whole = r.events.reps.empty() || (mover && mover->zero == Zero::Neutral);
    const int64_t end = whole ? r.clip().frames() : r.clip().frameAt(r.events.reps.front().start_s);
    OwnRange out;
    double most = -1e300, least = 1e300;
    for (int64_t i = 0; i < end; ++i) {
        const double v = tilt->value[size_t(i)];
        if (!std::isfinite(v)) continue;
        if (v > most) most = v, out.arch = i;
        if (v < least) least = v, out.flat = i;
    }
    if (most < least) return fail(Errc::NotFound, "the pelvis was not measured before the first rep");
    const auto [arch, archBand] = around(r, tilt, out.arch);
    const auto [flat, flatBand] = around(r, tilt, out.flat);
    const double range = arch - flat, band = std::hypot(archBand, flatBand);
    if (range < kLeastRange_deg || range < 3 * band)
        return fail(Errc::NotFound,
                    {"no full arch and full flat was found before the first rep: the pelvis turned by {range}",
                     {{"range", Amount{range, 0, "deg", false, std::ceil(band)}}}});
    Neutral& n = out.neutral;
    n.source = "clip", n.tilt_raw = (arch + flat) / 2, n.u95 = band / 2, n.range = range, n.rangeU95 = band;
    if (onTrunk) n.pelvis_on_trunk_raw = (around(r, onTrunk, out.arch).first + around(r, onTrunk, out.flat).first) / 2;
    return out;
}

Result<Neutral> neutralOfOther(const Review& here, const ReviewInputs& other) {
    if (!other.neutral) return fail(Errc::Unsupported, "that clip has no neutral of its own");
    const auto exercise = here.catalogue->exercise(other.exercise);
    if (!exercise) return tl::unexpected(exercise.error());
    if (exercise->position != here.exercise.position)
        return fail(Errc::Unsupported, "a neutral belongs to the position in which it was shown");
    const auto pair = pelvisPair(here.inputs.marks.landmarks());
    if (!pair || pair != pelvisPair(other.marks.landmarks()))
        return fail(Errc::Unsupported, pair
                                           ? Message("the pelvis is told by other marks there; here by {from} and {to}",
                                                     {{"from", Message(pair->from)}, {"to", Message(pair->to)}})
                                           : Message("the pelvis is told by other marks there"));
    const auto [raw, band] =
        around(here, here.series().find("tilt_raw"), here.clip().frameAt(here.events.setupEnd_s / 2));
    if (!std::isfinite(raw)) return fail(Errc::NotFound, "the pelvis is not measured in the set-up of this clip");
    Neutral n = *other.neutral;
    n.range.reset(), n.rangeU95 = 0; // not seen in this clip
    n.pelvis_on_trunk_raw = 0;       // told from the tilt, so that shoulder and hip need not have been marked alike
    n.u95 = std::hypot(n.u95, std::sqrt(2.0) * band);
    return n;
}

} // namespace deft
