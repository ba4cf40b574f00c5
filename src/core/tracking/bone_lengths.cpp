// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/bone_lengths.h"

#include "base/json.h"
#include "tracking/constants.h"

#include <algorithm>
#include <cmath>

namespace deft {

using namespace tracking;

namespace {

using Points = std::vector<TrackPoint>;

/// Landmarks of one bone each: thigh, shank, foot, and the pelvis with the head of the thigh in it. The trunk is no
/// bone, but one witness more of the hip, beside the others; of the shoulder it would be the only one, and a back that
/// curls would be taken for a sleeve that slides.
const std::vector<std::pair<std::string, std::string>>& bones() {
    static const std::vector<std::pair<std::string, std::string>> all = {
        {"hip", "shoulder"}, {"hip", "knee"},   {"knee", "ankle"}, {"ankle", "heel"},
        {"ankle", "toe"},    {"heel", "toe"},   {"hip", "asis"},   {"hip", "crest"},
        {"hip", "psis"},     {"asis", "crest"}, {"asis", "psis"},  {"crest", "psis"}};
    return all;
}

/// By how much their distance differs from that of the frames in which both are marked, the nearest of those, px; NaN
/// where one is not seen.
std::vector<double> changeOfLength(const Points& a, const Points& b) {
    std::vector<double> length(a.size(), kGap), marked, out(a.size(), kGap);
    for (size_t i = 0; i < a.size(); ++i)
        if (a[i].usable() && b[i].usable()) {
            length[i] = (a[i].at - b[i].at).norm();
            if (a[i].state == PointState::ByHand && b[i].state == PointState::ByHand) marked.push_back(length[i]);
        }
    for (size_t i = 0; i < out.size() && !marked.empty(); ++i)
        if (std::isfinite(length[i])) {
            out[i] = std::abs(length[i] - marked[0]);
            for (const double m : marked) out[i] = std::min(out[i], std::abs(length[i] - m));
        }
    return out;
}

/// The largest within kSlipWindow_s: marks that slide past each other agree for a moment.
std::vector<double> largestNearby(const std::vector<double>& values, const std::vector<double>& time_s) {
    std::vector<double> out(values.size(), kGap);
    size_t begin = 0;
    for (size_t i = 0; i < values.size(); ++i) {
        if (!std::isfinite(values[i])) continue;
        while (time_s[begin] < time_s[i] - kSlipWindow_s) ++begin;
        for (size_t k = begin; k < values.size() && time_s[k] <= time_s[i] + kSlipWindow_s; ++k)
            out[i] = std::fmax(out[i], values[k]);
    }
    return out;
}

} // namespace

void widenBySlip(Tracks& tracks, const std::set<std::string>& stickers) {
    std::map<std::string, std::vector<std::vector<double>>> changes;
    for (const auto& [a, b] : bones()) {
        const auto first = tracks.landmark.find(a), second = tracks.landmark.find(b);
        if (first == tracks.landmark.end() || second == tracks.landmark.end()) continue;
        const auto change = largestNearby(changeOfLength(first->second, second->second), tracks.time_s);
        changes[a].push_back(change);
        if (b != "shoulder") changes[b].push_back(change);
    }
    for (const auto& [name, all] : changes) {
        if (stickers.count(name)) continue;
        Points& points = tracks.landmark.at(name);
        for (size_t i = 0; i < points.size(); ++i) {
            if (points[i].state != PointState::Seen && points[i].state != PointState::Weak) continue;
            std::vector<double> told;
            for (const auto& change : all)
                if (std::isfinite(change[i])) told.push_back(change[i]);
            if (told.empty()) continue;
            const auto middle = told.begin() + std::ptrdiff_t(told.size() / 2); // of two, the larger
            std::nth_element(told.begin(), middle, told.end());
            points[i].sd = rounded(std::hypot(points[i].sd, *middle), 3);
            if (points[i].sd > kPatchLost) points[i].state = PointState::Weak;
        }
    }
}

} // namespace deft
