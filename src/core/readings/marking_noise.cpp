// SPDX-License-Identifier: GPL-3.0-or-later
#include "readings/marking_noise.h"

#include "marks/names.h"

#include <boost/math/distributions/chi_squared.hpp>
#include <cmath>

namespace deft {

Result<PlacedMark> placedMark(const std::string& landmark, const Point2& placed,
                              const std::map<std::string, Point2>& truth) {
    const std::string side = sideOf(landmark);
    const auto needed = side.empty() ? std::vector<std::string>{"shoulder", "hip", "asis", landmark}
                                     : std::vector<std::string>{"shoulder_l", "shoulder_r", "hip_l", "hip_r", landmark};
    for (const std::string& name : needed)
        if (!truth.count(name)) return fail(Errc::NotFound, {"the true place of {name} is missing", {{"name", name}}});
    const auto middle = [&](const std::string& name) -> Point2 {
        return side.empty() ? truth.at(name) : 0.5 * (truth.at(name + "_l") + truth.at(name + "_r"));
    };
    const Vector2 trunk = middle("shoulder") - middle("hip");
    const double length = trunk.norm();
    if (!(length > 0)) return fail(Errc::Degenerate, "shoulder and hip are in one place");
    const Vector2 cranial = trunk / length;
    Vector2 front(-cranial.y(), cranial.x()); // seen from the front: outward
    if ((truth.at(side.empty() ? "asis" : "hip" + side) - middle("hip")).dot(front) < 0) front = -front;
    const Vector2 off = (placed - truth.at(landmark)) / length;
    return PlacedMark{landmark, {off.dot(cranial), off.dot(front)}};
}

Result<MarkingNoise> markingNoise(const std::vector<PlacedMark>& placed) {
    MarkingNoise noise;
    noise.marks = int(placed.size());
    for (const PlacedMark& p : placed) {
        auto& own = noise.landmarks[p.landmark];
        ++own.marks, own.habit += p.off;
    }
    for (auto& [name, own] : noise.landmarks) own.habit /= own.marks;
    std::map<std::string, double> squares;
    for (const PlacedMark& p : placed) squares[p.landmark] += (p.off - noise.landmarks[p.landmark].habit).squaredNorm();
    double sum = 0;
    int freedom = 0; // two axes a mark
    for (auto& [name, own] : noise.landmarks) {
        sum += squares[name], freedom += 2 * (own.marks - 1);
        if (own.marks > 1) own.sd = std::sqrt(squares[name] / (2 * (own.marks - 1)));
    }
    if (freedom < kLeastFreedom) return fail(Errc::TooShort, "too few marks were set to tell how they scatter");
    const boost::math::chi_squared chi(freedom);
    noise.sd = std::sqrt(sum / freedom);
    noise.sdLow95 = std::sqrt(sum / boost::math::quantile(chi, 0.975));
    noise.sdHigh95 = std::sqrt(sum / boost::math::quantile(chi, 0.025));
    return noise;
}

double trunkPx(const MarkedFrame& frame) {
    double longest = 0;
    for (const char* side : {"", "_l", "_r"}) {
        const auto shoulder = frame.points.find(std::string("shoulder") + side),
                   hip = frame.points.find(std::string("hip") + side);
        if (shoulder != frame.points.end() && hip != frame.points.end() && shoulder->second && hip->second)
            longest = std::max(longest, (*shoulder->second - *hip->second).norm());
    }
    return longest;
}

} // namespace deft
