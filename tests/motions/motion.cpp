// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/motion.h"

#include <Eigen/Geometry>
#include <algorithm>
#include <cmath>

namespace deft::test {
namespace {

double smooth(double x) { return 0.5 - 0.5 * std::cos(M_PI * std::clamp(x, 0.0, 1.0)); }

/// Slow wandering between about −1 and 1, another one for every mark.
double wander(double t, size_t mark, int axis) {
    const double phase = double(mark * 7 + size_t(axis) * 3);
    return 0.6 * std::sin(2 * M_PI * 0.7 * t + phase) + 0.4 * std::sin(2 * M_PI * 1.9 * t + 2.3 * phase);
}

} // namespace

Motion& Motion::stay(double seconds) {
    Key key = keys_.back();
    key.t += seconds;
    keys_.push_back(std::move(key));
    return *this;
}

Motion& Motion::to(Params at, double seconds) {
    Key key = keys_.back();
    key.t += seconds;
    for (const auto& [name, value] : at) key.params[name] = value;
    keys_.push_back(std::move(key));
    return *this;
}

Motion& Motion::into(Pose pose, Params at, double seconds) {
    keys_.push_back({keys_.back().t + seconds, std::move(pose), std::move(at)});
    changes_.push_back(keys_.size() - 1);
    return *this;
}

Motion& Motion::wrong(const std::string& what, double amount, double from_s, double to_s, double ramp_s) {
    wrongs_.push_back({what, amount, from_s, to_s, ramp_s});
    return *this;
}

Motion& Motion::hurry(double from_s, double to_s, double share) {
    for (Key& key : keys_) key.t -= (1 - share) * std::clamp(key.t - from_s, 0.0, to_s - from_s);
    return *this;
}

Points Motion::posed(const Key& key, Params params, double t) const {
    for (const Wrong& w : wrongs_)
        if (const double share = std::min(smooth((t - w.from_s) / w.ramp_s), smooth((w.to_s - t) / w.ramp_s));
            share > 0)
            params[w.what] += share * w.amount;
    return key.pose(person_, params);
}

Points Motion::at(double t) const {
    size_t next = 0;
    while (next < keys_.size() && keys_[next].t <= t) ++next;
    if (next == 0) return posed(keys_.front(), keys_.front().params, t);
    if (next == keys_.size()) return posed(keys_.back(), keys_.back().params, t);
    const Key &a = keys_[next - 1], &b = keys_[next];
    const double share = smooth((t - a.t) / (b.t - a.t));
    if (std::find(changes_.begin(), changes_.end(), next) != changes_.end()) { // on the way between two positions
        const Points from = posed(a, a.params, t), to = posed(b, b.params, t);
        Points out;
        for (const auto& [name, p] : from)
            if (const auto it = to.find(name); it != to.end()) out[name] = (1 - share) * p + share * it->second;
        return out;
    }
    Params now;
    for (const Params* side : {&a.params, &b.params})
        for (const auto& [name, any] : *side) now[name] = (1 - share) * a.params(name) + share * b.params(name);
    return posed(b, now, t);
}

Tracks Motion::tracks(const Film& film) const {
    Tracks tracks;
    const auto frames = size_t(std::lround(end_s() * film.slower * film.rateHz)) + 1;
    for (size_t i = 0; i < frames; ++i) {
        const double t = double(i) / film.rateHz;
        tracks.time_s.push_back(t);
        Points points = at(t / film.slower);
        if (const auto rib = points.find("rib"); rib != points.end())
            rib->second.y() += film.breath_cm * std::sin(2 * M_PI * t / 4);
        if (seesFloor_ && film.floorMarked) points["floor_a"] = {-110, 0}, points["floor_b"] = {130, 0};
        size_t mark = 0;
        for (const auto& [name, p] : points) {
            ++mark;
            const bool scene = name.rfind("floor", 0) == 0;
            const Point2 moved = p + (scene ? 0 : film.tremor_cm) * Point2(wander(t, mark, 0), wander(t, mark, 1));
            const Vector2 square((film.mirrored ? -1 : 1) * film.pxPerCm * moved.x(), -film.pxPerCm * moved.y());
            const Point2 px = film.origin + Eigen::Rotation2D<double>(radians(film.rollDeg)) * square;
            auto& list = tracks.landmark[name];
            list.resize(frames);
            list[i] = {px, 0.5, PointState::Seen};
        }
    }
    return tracks;
}

} // namespace deft::test
