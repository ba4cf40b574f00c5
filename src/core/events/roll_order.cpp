// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/roll_order.h"

#include "signal/filter.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Neighbours that go within this of each other go as one piece (chosen here).
constexpr double kApart_s = 0.06;

/// Moment at which a height passes a level between two times, upward or downward; the last such moment on the way down.
std::optional<double> passes(const std::vector<double>& t, const std::vector<double>& height, double level,
                             double from_s, double to_s, bool upward) {
    std::optional<double> found;
    for (size_t i = 1; i < t.size(); ++i) {
        if (t[i] < from_s || t[i] > to_s || !std::isfinite(height[i - 1]) || !std::isfinite(height[i])) continue;
        const bool crossed =
            upward ? height[i - 1] < level && height[i] >= level : height[i - 1] > level && height[i] <= level;
        if (!crossed) continue;
        found = t[i - 1] + (level - height[i - 1]) / (height[i] - height[i - 1]) * (t[i] - t[i - 1]);
        if (upward) return found;
    }
    return found;
}

std::vector<double> heightOf(const Tracks& tracks, const BodyAxes& axes, const std::string& mark) {
    std::vector<double> h(tracks.frames(), kGap);
    for (size_t i = 0; i < h.size(); ++i)
        if (const TrackPoint* p = tracks.find(mark, i); p && p->usable()) h[i] = axes.aboveMatPx(p->at);
    return smoothed(tracks.time_s, h, 0);
}

double medianBetween(const std::vector<double>& t, const std::vector<double>& x, double from_s, double to_s) {
    std::vector<double> v;
    for (size_t i = 0; i < t.size(); ++i)
        if (t[i] >= from_s && t[i] <= to_s && std::isfinite(x[i])) v.push_back(x[i]);
    return v.empty() ? kGap : medianOf(v);
}

} // namespace

RollOrder rollOrder(const Tracks& tracks, const BodyAxes& axes, const Rep& rep) {
    RollOrder order;
    const auto& t = tracks.time_s;
    for (const std::string& mark : kRollMarks) {
        if (!tracks.landmark.count(mark)) continue;
        const auto height = heightOf(tracks, axes, mark);
        const double low = medianBetween(t, height, rep.start_s - 0.5, rep.start_s),
                     high = medianBetween(t, height, rep.hold.start_s, rep.hold.end_s), half = 0.5 * (low + high);
        const auto up = passes(t, height, half, rep.start_s - 0.5, rep.hold.end_s, true),
                   down = passes(t, height, half, rep.hold.end_s - 0.5, rep.end_s + 1, false);
        if (!(high > low) || !up || !down) continue;
        order.marks.push_back(mark), order.leaves_s.push_back(*up), order.meets_s.push_back(*down);
    }
    if (order.marks.size() < 3) return order;
    const size_t pairs = order.marks.size() - 1;
    // Moments are interpolated, so half a frame is their band.
    const double halfFrame = 0.5 * medianStep(t, {0, t.size()});
    double wrong = 0, unsure = 0, shortest = 1e300;
    for (size_t k = 0; k < pairs; ++k) {
        const double up = order.leaves_s[k + 1] - order.leaves_s[k], down = order.meets_s[k] - order.meets_s[k + 1];
        for (const double step : {up, down}) wrong += step < kApart_s, unsure += std::abs(step - kApart_s) < halfFrame;
        shortest = std::min(shortest, up);
    }
    const double mean = (order.leaves_s.back() - order.leaves_s.front()) / double(pairs);
    order.outOfOrder = 100 * wrong / double(2 * pairs);
    order.u95 = 100 * unsure / double(2 * pairs);
    order.evenness = mean > 0 ? 100 * std::max(0.0, shortest) / mean : 0;
    return order;
}

void addRollOrder(SeriesSet& set, const Tracks& tracks, const Events& events) {
    const size_t n = set.time_s.size();
    Series order{"roll_order", "%", std::vector<double>(n, kGap), std::vector<double>(n, kGap)};
    Series evenness{"roll_evenness", "%", std::vector<double>(n, kGap), std::vector<double>(n, kGap)};
    bool any = false;
    for (const Rep& rep : events.reps) {
        const RollOrder roll = rollOrder(tracks, set.context.axes, rep);
        if (!std::isfinite(roll.outOfOrder)) continue;
        any = true;
        for (size_t i = 0; i < n; ++i) {
            if (set.time_s[i] < rep.hold.start_s || set.time_s[i] > rep.hold.end_s) continue;
            order.value[i] = roll.outOfOrder, order.u95[i] = roll.u95;
            evenness.value[i] = roll.evenness, evenness.u95[i] = 0;
        }
    }
    if (!any) return;
    set.series.push_back(std::move(order));
    set.series.push_back(std::move(evenness));
}

} // namespace deft
