// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/joined_marks.h"

#include "signal/spline.h"
#include "tracking/constants.h"

#include <cmath>

namespace deft {
using namespace tracking;
namespace {

struct MarkedRun {
    std::vector<int64_t> frames;
    std::vector<double> time_s, x, y;
};

void tell(PassInput& input, const std::string& name, const MarkedRun& run, const std::vector<double>& time_s) {
    if (run.frames.size() < 2) return;
    const NaturalSpline x(run.time_s, run.x), y(run.time_s, run.y);
    for (size_t k = 1; k < run.frames.size(); ++k) {
        input.joinedOnward[run.frames[k - 1]].insert(name);
        input.joinedBack[run.frames[k]].insert(name);
        for (int64_t i = run.frames[k - 1] + 1; i < run.frames[k]; ++i) {
            const double t = time_s[size_t(i)], w = (t - run.time_s[k - 1]) / (run.time_s[k] - run.time_s[k - 1]);
            const Point2 at(x(t), y(t)),
                straight((1 - w) * run.x[k - 1] + w * run.x[k], (1 - w) * run.y[k - 1] + w * run.y[k]);
            input.told[i][name] = {at, std::hypot(kLeastSd, kOffCurve * (at - straight).norm()), PointState::Seen};
        }
    }
}

} // namespace

void joinMarks(PassInput& input, const std::vector<double>& time_s) {
    std::map<std::string, MarkedRun> runs; // the one that each landmark is in
    for (const auto& [frame, points] : input.marked)
        for (const auto& [name, point] : points) {
            MarkedRun& run = runs[name];
            const double t = time_s[size_t(frame)];
            if (!point || (!run.frames.empty() && t - run.time_s.back() > kJoined_s)) {
                tell(input, name, run, time_s);
                run = {};
            }
            if (!point || (!run.frames.empty() && t <= run.time_s.back())) continue; // two frames at one time
            run.frames.push_back(frame), run.time_s.push_back(t);
            run.x.push_back(point->x()), run.y.push_back(point->y());
        }
    for (const auto& [name, run] : runs) tell(input, name, run, time_s);
}

} // namespace deft
