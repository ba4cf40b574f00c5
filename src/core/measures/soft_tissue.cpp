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

/// Angle at a joint of marked landmarks in every frame, rad; where it is not seen, as it was last seen.
std::vector<double> anglesOf(const Tracks& tracks, const std::array<std::string, 3>& joint) {
    const auto &a = tracks.landmark.at(joint[0]), &b = tracks.landmark.at(joint[1]), &c = tracks.landmark.at(joint[2]);
    std::vector<double> angle(tracks.frames(), kGap);
    for (size_t i = 0; i < angle.size(); ++i) {
        if (a[i].usable() && b[i].usable() && c[i].usable())
            if (const auto deg = includedAngleDeg(a[i].at, b[i].at, c[i].at)) angle[i] = radians(*deg);
        if (!std::isfinite(angle[i]) && i > 0) angle[i] = angle[i - 1];
    }
    return angle;
}

using References = std::function<std::vector<double>(const SoftTissue&, const std::vector<double>& angle)>;

SlideSd slides(const Tracks& tracks, const std::vector<SoftTissue>& tissue, double trunk_px,
               const References& references) {
    SlideSd out;
    std::map<std::array<std::string, 3>, std::vector<double>> angles;
    for (const SoftTissue& t : tissue) {
        const auto marked = [&](const std::string& name) { return tracks.landmark.count(name) > 0; };
        if (!marked(t.landmark) || !std::all_of(t.joint.begin(), t.joint.end(), marked)) continue;
        auto known = angles.find(t.joint);
        if (known == angles.end()) known = angles.emplace(t.joint, anglesOf(tracks, t.joint)).first;
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

const std::vector<SoftTissue>& usualSoftTissue() {
    // Chosen here, within what is remembered: 5 mm a radian on a trunk of 50 cm.
    constexpr double kShare = 0.01;
    static const std::vector<SoftTissue> all = [] {
        std::vector<SoftTissue> t;
        for (const char* name : {"hip", "asis", "crest", "psis", "pubis", "sacrum"})
            t.push_back({name, {"shoulder", "hip", "knee"}, kShare});
        t.push_back({"shoulder", {"hip", "shoulder", "elbow"}, kShare});
        t.push_back({"elbow", {"shoulder", "elbow", "wrist"}, kShare});
        t.push_back({"knee", {"hip", "knee", "ankle"}, kShare});
        t.push_back({"ankle", {"knee", "ankle", "toe"}, kShare});
        return t;
    }();
    return all;
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
