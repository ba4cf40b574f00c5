// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/series.h"

#include "base/numbers.h"
#include "base/parallel.h"
#include "geometry/propagate.h"
#include "signal/filter.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Shoulder to hip over the distance of the hip points, of a grown-up: 500 mm over 250 mm (common practice, no
/// published source).
constexpr double kTrunkInPelves = 2;

/// The frame in which the most pelvis marks were set by hand: there the rigid pelvis is known best.
size_t layoutFrame(const Tracks& tracks) {
    std::vector<int> count(tracks.frames() + 1, 0);
    for (const std::string& name : kPelvisMarks)
        if (const auto it = tracks.landmark.find(name); it != tracks.landmark.end())
            for (size_t i = 0; i < tracks.frames(); ++i) count[i] += it->second[i].state == PointState::ByHand;
    return size_t(std::max_element(count.begin(), count.end()) - count.begin());
}

/// Median distance of two landmarks in the still time at the start, px; 0 = never both seen.
double startDistancePx(const Tracks& tracks, const std::string& a, const std::string& b, const SeriesOptions& options) {
    const auto p = tracks.landmark.find(a), q = tracks.landmark.find(b);
    if (p == tracks.landmark.end() || q == tracks.landmark.end()) return 0;
    std::vector<double> all;
    for (size_t i = 0; i < tracks.frames(); ++i)
        if (const TrackPoint& one = p->second[i], &other = q->second[i];
            options.inSetup(tracks.time_s[i]) && one.usable() && other.usable())
            all.push_back((other.at - one.at).norm());
    return all.empty() ? 0 : medianOf(all);
}

Result<MeasureContext> contextOf(const Tracks& tracks, const SeriesOptions& options) {
    MeasureContext c;
    c.mat = matView(tracks, options.mat, options.lens);
    auto axes = bodyAxes(tracks, options.position, options.view, c.mat ? &*c.mat : nullptr);
    if (!axes) return tl::unexpected(axes.error());
    c.axes = *axes;
    c.markingSd_px = options.markingSd_px;
    c.position = options.position;
    c.view = options.view;
    c.lineEnd = options.lineEnd;
    c.side = options.side;
    c.stance = options.stance;
    const size_t reference = layoutFrame(tracks);
    for (size_t i = 0; i < kPelvisMarks.size(); ++i)
        if (const TrackPoint* p = tracks.find(kPelvisMarks[i], reference); p && p->usable()) c.layout[i] = p->at;
    c.layoutRaw_deg = rawTiltOfPair(c.layout, c.axes);

    auto between = [&](const std::string& a, const std::string& b) { return startDistancePx(tracks, a, b, options); };
    if (options.view == View::Side) {
        c.startTrunkPx = between("shoulder", "hip");
    } else {
        if (const auto hips = hipPair(tracks, options.view)) {
            c.hipLeft = hips->first;
            c.startPelvisPx = between(hips->first, hips->second);
        }
        c.startShouldersPx = between("shoulder_l", "shoulder_r");
        c.startTrunkPx = std::max(between("shoulder_l", "hip_l"), between("shoulder_r", "hip_r"));
        // Along the line of sight the trunk has hardly any length: the pelvis is the length that can be relied on.
        if (isEnd(options.view) && c.startPelvisPx > 0) c.startTrunkPx = kTrunkInPelves * c.startPelvisPx;
        for (const char* name : {"sacrum", "back_mid", "t12", "c7"})
            if (c.midline.empty() && medianPlace(tracks, name)) c.midline = name;
        if (c.midline.empty() && medianPlace(tracks, "hip_l") && medianPlace(tracks, "hip_r")) c.midline = "hips";
    }
    if (const auto a = medianPlace(tracks, "scale_a"), b = medianPlace(tracks, "scale_b");
        a && b && options.scaleLength_cm > 0)
        c.pxPerCm = (*b - *a).norm() / options.scaleLength_cm;
    if (c.mat && c.pxPerCm == 0) c.pxPerCm = c.mat->pxPerCm;
    if (options.markingSd_cm > 0 && c.pxPerCm > 0) c.markingSd_px = options.markingSd_cm * c.pxPerCm;
    return c;
}

/// Independent spreads together. Quicker than std::hypot, which guards against numbers that no spread has.
double together(double a, double b) { return std::sqrt(a * a + b * b); }

/// Median of a series in the still time at the start; NaN when it was not measured there.
double startOf(const std::vector<double>& x, const std::vector<double>& time_s, const SeriesOptions& options) {
    std::vector<double> start;
    for (size_t i = 0; i < x.size(); ++i)
        if (options.inSetup(time_s[i])) start.push_back(x[i]);
    return medianOf(start);
}

/// Tells a series against its still time at the start. False: it was not measurable there.
bool againstStart(Series& s, Zero zero, const std::vector<double>& time_s, const SeriesOptions& options) {
    if (zero != Zero::Start && zero != Zero::StartRatio) return true;
    const double from = startOf(s.value, time_s, options), band = startOf(s.u95, time_s, options);
    if (!std::isfinite(from)) return false;
    if (zero == Zero::StartRatio && !(from > 0)) return false;
    const double unit = zero == Zero::StartRatio ? 100 / from : 1;
    for (size_t i = 0; i < s.value.size(); ++i) {
        s.value[i] = unit * (s.value[i] - from);
        s.u95[i] = unit * together(s.u95[i], band);
    }
    for (double& u : s.slideU95) u *= unit;
    return true;
}

/// @param slide of its landmarks over the bone; none: no band is computed
Series computeOne(const Measure& m, const Tracks& tracks, const MeasureContext& context, const SlideSd* slide) {
    const size_t n = tracks.frames(), k = m.landmarks.size();
    Series s{m.id, m.unit, std::vector<double>(n, kGap), std::vector<double>(n, kGap)};
    std::vector<const std::vector<TrackPoint>*> points(k, nullptr);
    for (size_t j = 0; j < k; ++j)
        if (const auto it = tracks.landmark.find(m.landmarks[j]); it != tracks.landmark.end()) points[j] = &it->second;
    if (std::any_of(points.begin(), points.begin() + std::ptrdiff_t(m.needed), [](auto* one) { return !one; }))
        return s;
    std::vector<const std::vector<double>*> slides(k, nullptr);
    for (size_t j = 0; slide && j < k; ++j)
        if (const auto it = slide->find(m.landmarks[j]); it != slide->end()) slides[j] = &it->second;
    const bool slidesAtAll = std::any_of(slides.begin(), slides.end(), [](const auto* one) { return one; });
    if (slidesAtAll) s.slideU95.assign(n, 0);
    std::vector<Point2> at(k);
    std::vector<double> sd(k), spreads(2 * k), slideShare(2 * k); // of x and y of each point
    const std::span<double> coordinates(k > 0 ? at.front().data() : nullptr, 2 * k);
    const MeasureInput input{at, sd};
    const auto stateAt = [&](size_t j, size_t i) {
        return points[j] && i < points[j]->size() ? (*points[j])[i].state : PointState::Absent;
    };
    for (size_t i = 0; i < n; ++i) {
        bool complete = true, anyWeak = false;
        for (size_t j = 0; j < k; ++j) {
            const TrackPoint* p = points[j] && i < points[j]->size() ? &(*points[j])[i] : nullptr;
            const bool there = p && p->usable();
            if (!there && j < m.needed) complete = false;
            at[j] = there ? p->at : Point2(kGap, kGap);
            sd[j] = there ? p->sd : 0;
            anyWeak = anyWeak || (there && p->state == PointState::Weak);
        }
        if (!complete) continue;
        s.value[i] = m.value(input, context);
        s.u95[i] = 0;
        if (!slide) continue;
        if (!std::isfinite(s.value[i])) {
            s.u95[i] = kGap;
            continue;
        }
        for (size_t j = 0; j < k; ++j) {
            const double seen = m.zero != Zero::None ? sd[j] : together(sd[j], context.markingSd_px);
            const double slid = slides[j] ? (*slides[j])[i] : 0, total = slid > 0 ? together(seen, slid) : seen;
            slideShare[2 * j] = slideShare[2 * j + 1] = total > 0 ? slid * slid / (total * total) : 0;
            spreads[2 * j] = spreads[2 * j + 1] = std::isfinite(at[j].x()) ? total : 0;
        }
        if (anyWeak) { // is there anything to tell without them?
            const std::vector<Point2> all = at;
            bool enough = true;
            for (size_t j = 0; j < k; ++j)
                if (stateAt(j, i) == PointState::Weak) {
                    at[j] = Point2(kGap, kGap);
                    if (j < m.needed) enough = false;
                }
            if (!enough || !std::isfinite(m.value(input, context))) {
                if (s.weak.empty()) s.weak.assign(n, false);
                s.weak[i] = true;
            }
            std::copy(all.begin(), all.end(), at.begin()); // `input` and `coordinates` look at these
        }
        // An angle may jump by 360 between one end of its band and the other.
        const bool isAngle = m.unit == "deg";
        const auto nearby = [&] {
            const double v = m.value(input, context);
            return isAngle ? s.value[i] + wrapDeg(v - s.value[i]) : v;
        };
        double slid = 0, spread = propagatedSd(nearby, coordinates, spreads, slideShare, slid);
        if (slidesAtAll && std::isfinite(slid)) s.slideU95[i] = kU95 * slid;
        if (m.misfitSd) spread = std::max(spread, m.misfitSd(input, context));
        if (m.againstMat) {
            // An angle against the mat is off by the roll itself, a height by the roll over the distance walked on the
            // mat.
            spread = isAngle ? together(spread, context.axes.rollSd_deg)
                             : together(spread, 100 * radians(context.axes.rollSd_deg));
        }
        s.u95[i] = kU95 * spread;
    }
    if (m.unit == "deg") {
        // Or smoothing would lead from 179 to -179 by way of 0. Most of the clip stays on the turn on which it was
        // read, wherever the client lay or sat before.
        const double before = medianOf(s.value);
        unwrapDeg(s.value);
        const double turns = std::round((before - medianOf(s.value)) / 360);
        if (turns != 0)
            for (double& v : s.value) v += 360 * turns;
    }
    return s;
}

/// The picture as it would be if the camera were off square one way or the other by what is possible.
struct TurnedPicture {
    Tracks tracks;
    MeasureContext context;
};
std::vector<TurnedPicture> turnedPictures(const Tracks& tracks, const SeriesOptions& options,
                                          const MeasureContext& context) {
    std::vector<TurnedPicture> out;
    const bool alongMat = options.position != Position::Upright;
    Lens lens = options.lens;
    if (context.mat) lens.focalPx = context.mat->focalPx;
    const auto turn = possibleTurn(tracks, options.view, context.axes, alongMat ? context.mat : std::nullopt);
    for (const double sign : {-1.0, 1.0}) {
        Tracks other = asIfSquare(tracks, turn, sign, options.view, context.axes, lens);
        if (auto c = contextOf(other, options)) out.push_back({std::move(other), std::move(*c)});
    }
    return out;
}

/// What such a turn would change goes into the band. What it changes at the start already cancels where a measure is
/// told against that.
/// @param here as it was read, not smoothed
void widenByTurn(Series& s, Series here, const Measure& m, const std::vector<TurnedPicture>& pictures,
                 const SeriesOptions& options) {
    if (m.isTurn || pictures.empty()) return;
    const size_t n = s.value.size();
    std::vector<double> most(n, 0);
    const auto& t = pictures.front().tracks.time_s;
    if (!againstStart(here, m.zero, t, options)) return;
    for (const TurnedPicture& picture : pictures) {
        Series other = computeOne(m, picture.tracks, picture.context, nullptr);
        if (!againstStart(other, m.zero, t, options)) continue;
        std::vector<double> change(n);
        for (size_t i = 0; i < n; ++i) {
            change[i] = other.value[i] - here.value[i];
            if (m.unit == "deg") change[i] = wrapDeg(change[i]);
        }
        const double atStart = m.zero == Zero::Neutral ? startOf(change, t, options) : 0;
        for (size_t i = 0; i < n; ++i)
            if (const double c = std::abs(change[i] - atStart); c > most[i]) most[i] = c;
    }
    for (size_t i = 0; i < n; ++i) s.u95[i] = together(s.u95[i], most[i]);
}

} // namespace

const Series* SeriesSet::find(const std::string& id) const {
    for (const Series& s : series)
        if (s.id == id) return &s;
    return nullptr;
}

Series* SeriesSet::find(const std::string& id) { return const_cast<Series*>(std::as_const(*this).find(id)); }

Result<SeriesSet> computeSeries(const Tracks& tracks, const SeriesOptions& options) {
    auto context = contextOf(tracks, options);
    if (!context) return tl::unexpected(context.error());
    SeriesSet set;
    set.time_s = tracks.time_s;
    set.context = std::move(*context);
    const MeasureContext& c = set.context;

    std::vector<const Measure*> wanted;
    for (const Measure& m : measures())
        if (options.only.empty() || std::find(options.only.begin(), options.only.end(), m.id) != options.only.end())
            wanted.push_back(&m);
    const auto turned = turnedPictures(tracks, options, c);
    const auto& tissue = usualSoftTissue(options.view == View::Side);
    const SlideSd sinceMarked = slideSinceMarked(tracks, tissue, c.startTrunkPx),
                  sinceStart =
                      slideSinceStart(tracks, tissue, c.startTrunkPx, [&](double t) { return options.inSetup(t); });
    std::vector<std::optional<Series>> made(wanted.size());
    inParallel(wanted.size(), [&](size_t k) {
        const Measure& m = *wanted[k];
        Series s = computeOne(m, tracks, c, m.zero == Zero::None ? &sinceMarked : &sinceStart);
        if (runsWithoutGaps(s.value).empty()) return;
        Series unsmoothed = s;
        s.value = smoothed(set.time_s, s.value, options.cutoffHz);
        if (!againstStart(s, m.zero, set.time_s, options)) return;
        widenByTurn(s, std::move(unsmoothed), m, turned, options);
        made[k] = std::move(s);
    });
    for (auto& s : made)
        if (s) set.series.push_back(std::move(*s));

    auto setupMedian = [&](const char* id, double& u95) {
        const Series* one = set.find(id);
        u95 = one ? startOf(one->u95, set.time_s, options) : kGap;
        if (!std::isfinite(u95)) u95 = 0;
        return one ? startOf(one->value, set.time_s, options) : kGap;
    };
    set.ofSetup.tilt_raw = setupMedian("tilt", set.ofSetup.u95);
    set.ofSetup.pelvis_on_trunk_raw = setupMedian("pelvis_on_trunk", set.ofSetupTrunk_u95);
    for (const char* id : {"tilt", "pelvis_on_trunk"})
        if (const Series* one = set.find(id)) set.beforeNeutral.push_back(*one);
    applyNeutral(set, options.neutral);
    return set;
}

void applyNeutral(SeriesSet& set, const std::optional<Neutral>& neutral) {
    set.neutral = neutral.value_or(set.ofSetup);
    // The neutral of another clip is an angle against its mat; against the trunk it is moved by the same amount.
    if (neutral && (!std::isfinite(neutral->pelvis_on_trunk_raw) || neutral->pelvis_on_trunk_raw == 0))
        set.neutral.pelvis_on_trunk_raw = set.ofSetup.pelvis_on_trunk_raw + (neutral->tilt_raw - set.ofSetup.tilt_raw);
    for (const Series& before : set.beforeNeutral) {
        const bool tilt = before.id == "tilt";
        const double zero = tilt ? set.neutral.tilt_raw : set.neutral.pelvis_on_trunk_raw;
        const double band = tilt || neutral ? set.neutral.u95 : set.ofSetupTrunk_u95;
        Series& s = *set.find(before.id);
        s = before;
        if (!std::isfinite(zero)) continue;
        for (size_t i = 0; i < s.value.size(); ++i) s.value[i] -= zero, s.u95[i] = together(s.u95[i], band);
    }
}

std::string toCsv(const SeriesSet& set) {
    std::string text = "frame,time_s";
    for (const Series& s : set.series) text += "," + s.id + "," + s.id + "_u95";
    text += "\n";
    text.reserve(text.size() + set.time_s.size() * (20 + 18 * set.series.size()));
    for (size_t i = 0; i < set.time_s.size(); ++i) {
        text += std::to_string(i) + ",";
        appendFixed(text, set.time_s[i], 6);
        for (const Series& s : set.series) {
            const bool measured = std::isfinite(s.value[i]);
            for (const double number : {s.value[i], s.u95[i]}) {
                text += ',';
                if (measured) appendFixed(text, number, 4);
            }
        }
        text += '\n';
    }
    return text;
}

} // namespace deft
