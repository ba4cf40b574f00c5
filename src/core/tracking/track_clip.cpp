// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/track_clip.h"

#include "base/json.h"
#include "tracking/bone_lengths.h"
#include "tracking/joined_marks.h"

#include <algorithm>
#include <set>

namespace deft {
namespace {

/// The frames in which each landmark is marked.
std::map<std::string, std::vector<int64_t>> markedFrames(const PassInput& input) {
    std::map<std::string, std::vector<int64_t>> frames;
    for (const auto& [frame, points] : input.marked)
        for (const auto& [name, point] : points) frames[name].push_back(frame);
    return frames;
}

/// Landmarks of the segments of those that are marked later than at the first frame, and of the segments beside them,
/// which a lost one hangs on.
std::set<std::string> besides(const std::map<std::string, std::vector<int64_t>>& marked, int64_t first) {
    std::vector<std::string> names;
    std::set<std::string> out;
    for (const auto& [name, frames] : marked) {
        names.push_back(name);
        if (frames.back() > first) out.insert(name);
    }
    const auto segments = segmentsFor(names);
    for (int step = 0; step < 2; ++step) {
        const auto from = out;
        for (const SegmentPlan& plan : segments)
            if (std::any_of(plan.landmarks.begin(), plan.landmarks.end(),
                            [&](const std::string& name) { return from.count(name) > 0; }))
                out.insert(plan.landmarks.begin(), plan.landmarks.end());
    }
    return out;
}

/// Is there a way from one of its marks to the next that has to be followed?
bool hasWayBetween(const PassInput& input, const std::string& name, const std::vector<int64_t>& frames) {
    return std::any_of(frames.begin() + 1, frames.end(), [&](int64_t frame) {
        const auto joined = input.joinedBack.find(frame);
        return joined == input.joinedBack.end() || !joined->second.count(name);
    });
}

TrackPoint pointIn(const TrackPass& pass, int64_t frame, const std::string& name) {
    const auto row = pass.rows.find(frame);
    if (row == pass.rows.end()) return {};
    const auto p = row->second.find(name);
    return p == row->second.end() ? TrackPoint{} : p->second;
}

/// Between two marks of a landmark, near each of them, the pass that came from it is trusted; before the first mark,
/// the backward one alone.
TrackPoint blended(const TrackPoint& f, const TrackPoint& b, int64_t frame, const std::vector<int64_t>& marked) {
    const auto next = std::upper_bound(marked.begin(), marked.end(), frame); // first mark after this frame
    if (next == marked.end() || b.state == PointState::Absent || f.state == PointState::ByHand) return f;
    if (b.state == PointState::ByHand) return f; // the forward pass has it too
    if (next == marked.begin() || !f.usable()) return next == marked.begin() || b.usable() ? b : f;
    if (!b.usable()) return f;
    const auto from = double(*(next - 1)), to = double(*next);
    const double w = (double(frame) - from) / (to - from);
    TrackPoint out = f;
    out.at = (1 - w) * f.at + w * b.at;
    out.sd = std::hypot((1 - w) * f.sd, w * b.sd) + 0.25 * (b.at - f.at).norm() * std::min(w, 1 - w);
    if (b.state == PointState::Weak && f.state == PointState::Seen && w > 0.5) out.state = PointState::Weak;
    return out;
}

} // namespace

Result<Tracks> trackClip(ClipReader& reader, const Marks& marks, StopToken stop, const ProgressFn& progress,
                         TrackingMemory* memory) {
    const ClipInfo& clip = reader.info();
    if (clip.frames() < 2) return fail(Errc::TooShort, "the clip has a single frame; movement needs at least two");
    if (marks.frames.empty()) return fail(Errc::BadFormat, "there are no marks to follow");
    PassInput input;
    for (const MarkedFrame& f : marks.frames)
        input.marked[clip.frameAt(f.time_s)].insert(f.points.begin(), f.points.end());
    for (const MarkedFrame& f : marks.seeds)
        for (const auto& [name, at] : f.points)
            if (at) input.seeds[clip.frameAt(f.time_s)][name] = *at;

    joinMarks(input, clip.time_s);

    const auto marked = markedFrames(input);
    const int64_t last = clip.frames() - 1, firstMarked = input.marked.begin()->first,
                  lastMarked = input.marked.rbegin()->first;
    // Backwards is needed from the last mark down wherever a landmark was marked later than at its first frame.
    int64_t backTo = lastMarked;
    for (const auto& [name, frames] : marked)
        if (frames.front() > 0)
            backTo = 0;
        else if (hasWayBetween(input, name, frames))
            backTo = std::min(backTo, frames.front());

    int64_t done = 0;
    auto reporter = [&](const char* what, int64_t later) {
        return [&, what, later](int64_t left) {
            if (progress && ++done % 4 == 0) progress({done, done + left + later, what});
        };
    };
    const bool keep = memory != nullptr;
    TrackingMemory own, &kept = memory ? *memory : own;
    auto passOf = [](const std::optional<TrackPass>& pass) { return pass ? &*pass : nullptr; };
    auto forward = runPass(reader, input, firstMarked, last, passOf(kept.forward), keep, stop,
                           reporter("following the marks", lastMarked - backTo));
    if (!forward) return tl::unexpected(forward.error());

    std::optional<TrackPass> backward;
    if (backTo < lastMarked) {
        // What shares a segment with them helps on the way back; its own way back is not used.
        auto& start = input.marked[lastMarked];
        for (const std::string& name : besides(marked, firstMarked))
            if (const TrackPoint p = pointIn(*forward, lastMarked, name); p.usable()) start.try_emplace(name, p.at);
        auto pass = runPass(reader, input, lastMarked, backTo, passOf(kept.backward), keep, stop,
                            reporter("following the marks backwards", 0));
        if (!pass) return tl::unexpected(pass.error());
        backward = std::move(*pass);
    }

    Tracks tracks;
    tracks.time_s = clip.time_s;
    tracks.damagedFrames = forward->damaged;
    for (const auto& [name, frames] : marked) {
        auto& points = tracks.landmark[name];
        points.resize(size_t(clip.frames()));
        for (int64_t i = 0; i <= last; ++i) {
            TrackPoint p = pointIn(*forward, i, name);
            if (backward) p = blended(p, pointIn(*backward, i, name), i, frames);
            // Kept as precisely as the file tells them, so that a review that is reopened shows the same numbers.
            points[size_t(i)] = {{rounded(p.at.x(), 3), rounded(p.at.y(), 3)}, rounded(p.sd, 3), p.state};
        }
    }
    std::set<std::string> stickers;
    for (const TrackPass* pass : {&*forward, backward ? &*backward : nullptr})
        for (const auto& [frame, names] : pass ? pass->stickers : decltype(pass->stickers){})
            stickers.insert(names.begin(), names.end());
    widenBySlip(tracks, stickers);
    kept = {std::move(*forward), std::move(backward)};
    if (progress) progress({done, done, "following the marks"});
    return tracks;
}

} // namespace deft
