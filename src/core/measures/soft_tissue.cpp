// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/soft_tissue.h"

#include "geometry/angle.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

/// Beyond this turn skin is taut and slides no farther (chosen here).
constexpr double kMostTurn_rad = 1.2;

/// In every frame; where it is not seen, as it was last seen.
std::vector<double> lastSeen(std::vector<double> values) {
    for (size_t i = 1; i < values.size(); ++i)
        if (!std::isfinite(values[i])) values[i] = values[i - 1];
    return values;
}

/// How far the line of two landmarks is turned out of the picture, rad: 0 where it is longest.
std::vector<double> turnedOutOf(const std::vector<TrackPoint>& a, const std::vector<TrackPoint>& b) {
    std::vector<double> length(a.size(), kGap), seen;
    for (size_t i = 0; i < a.size(); ++i)
        if (a[i].usable() && b[i].usable()) seen.push_back(length[i] = (b[i].at - a[i].at).norm());
    if (seen.empty()) return length;
    const auto longest = seen.begin() + std::ptrdiff_t(0.95 * double(seen.size() - 1)); // single frames may be wrong
    std::nth_element(seen.begin(), longest, seen.end());
    for (double& l : length)
        if (std::isfinite(l)) l = *longest > 0 ? std::acos(std::min(1.0, l / *longest)) : 0;
    return length;
}

/// Turn of what a landmark's skin hangs on, rad.
std::vector<double> turnOf(const Tracks& tracks, const std::array<std::string, 3>& joint) {
    const auto &a = tracks.landmark.at(joint[0]), &b = tracks.landmark.at(joint[1]);
    if (joint[2].empty()) return lastSeen(turnedOutOf(a, b));
    const auto& c = tracks.landmark.at(joint[2]);
    std::vector<double> angle(tracks.frames(), kGap);
    for (size_t i = 0; i < angle.size(); ++i)
        if (a[i].usable() && b[i].usable() && c[i].usable())
            if (const auto deg = includedAngleDeg(a[i].at, b[i].at, c[i].at)) angle[i] = radians(*deg);
    return lastSeen(std::move(angle));
}

using References = std::function<std::vector<double>(const SoftTissue&, const std::vector<double>& angle)>;

SlideSd slides(const Tracks& tracks, const std::vector<SoftTissue>& tissue, double trunk_px,
               const References& references) {
    SlideSd out;
    std::map<std::array<std::string, 3>, std::vector<double>> angles;
    for (const SoftTissue& t : tissue) {
        const auto marked = [&](const std::string& name) { return name.empty() || tracks.landmark.count(name) > 0; };
        if (!marked(t.landmark) || !std::all_of(t.joint.begin(), t.joint.end(), marked)) continue;
        auto known = angles.find(t.joint);
        if (known == angles.end()) known = angles.emplace(t.joint, turnOf(tracks, t.joint)).first;
        const std::vector<double> from = references(t, known->second);
        std::vector<double> sd(tracks.frames(), 0);
        for (size_t i = 0; i < sd.size(); ++i) {
            double turn = kMostTurn_rad;
            for (const double reference : from)
                if (const double d = std::abs(known->second[i] - reference); d < turn) turn = d;
            if (std::isfinite(known->second[i]) && !from.empty()) sd[i] = t.share * trunk_px * turn;
        }
        out[t.landmark] = std::move(sd);
    }
    return out;
}

} // namespace

const std::vector<SoftTissue>& usualSoftTissue(bool fromTheSide) {
    // Chosen here, within what is remembered: 5 mm a radian on a trunk of 50 cm.
    constexpr double kShare = 0.01;
    static const std::vector<SoftTissue> side = [] {
        std::vector<SoftTissue> t;
        for (const char* name : {"hip", "asis", "crest", "psis", "pubis", "sacrum"})
            t.push_back({name, {"shoulder", "hip", "knee"}, kShare});
        t.push_back({"shoulder", {"hip", "shoulder", "elbow"}, kShare});
        t.push_back({"elbow", {"shoulder", "elbow", "wrist"}, kShare});
        t.push_back({"knee", {"hip", "knee", "ankle"}, kShare});
        t.push_back({"ankle", {"knee", "ankle", "toe"}, kShare});
        return t;
    }();
    static const std::vector<SoftTissue> both = [] {
        std::vector<SoftTissue> t;
        for (const std::string end : {"_l", "_r"})
            for (const std::string name : {"hip", "asis", "crest", "psis"})
                t.push_back({name + end, {"hip" + end, "knee" + end, ""}, kShare});
        return t;
    }();
    return fromTheSide ? side : both;
}

SlideSd slideSinceMarked(const Tracks& tracks, const std::vector<SoftTissue>& tissue, double trunk_px) {
    return slides(tracks, tissue, trunk_px, [&](const SoftTissue& t, const std::vector<double>& angle) {
        const auto& points = tracks.landmark.at(t.landmark);
        std::vector<double> at;
        for (size_t i = 0; i < angle.size(); ++i)
            if (points[i].state == PointState::ByHand && std::isfinite(angle[i])) at.push_back(angle[i]);
        if (at.empty() && !angle.empty() && std::isfinite(angle[0])) at.push_back(angle[0]);
        return at;
    });
}

SlideSd slideSinceStart(const Tracks& tracks, const std::vector<SoftTissue>& tissue, double trunk_px,
                        const std::function<bool(double)>& inSetup) {
    return slides(tracks, tissue, trunk_px, [&](const SoftTissue&, const std::vector<double>& angle) {
        std::vector<double> start;
        for (size_t i = 0; i < angle.size(); ++i)
            if (inSetup(tracks.time_s[i]) && std::isfinite(angle[i])) start.push_back(angle[i]);
        return start.empty() ? start : std::vector<double>{medianOf(start)};
    });
}

} // namespace deft
