#include "landmarks/track_clip.h"

#include "landmarks/tracker.h"
#include "video/ahead_frames.h"

#include <algorithm>
#include <functional>

namespace deft {
namespace {

using PointRow = std::map<std::string, TrackPoint>;

/// Marked frames of one landmark, as frame numbers.
std::vector<int64_t> markedFrames(const Marks& marks, const ClipInfo& clip, const std::string& name) {
    std::vector<int64_t> frames;
    for (const MarkedFrame& f : marks.frames)
        if (f.points.count(name)) frames.push_back(clip.frameAt(f.time_s));
    return frames;
}

} // namespace

Result<Tracks> trackClip(ClipReader& reader, const Marks& marks, StopToken stop, const ProgressFn& progress) {
    const ClipInfo& clip = reader.info();
    if (clip.frames() < 2) return fail(Errc::TooShort, "the clip has a single frame; movement needs at least two");
    if (marks.frames.empty()) return fail(Errc::BadFormat, "there are no marks to follow");
    const int64_t last = clip.frames() - 1;
    std::map<int64_t, std::map<std::string, std::optional<Point2>>> byFrame;
    for (const MarkedFrame& f : marks.frames) byFrame[clip.frameAt(f.time_s)].insert(f.points.begin(), f.points.end());

    Tracks tracks;
    tracks.time_s = clip.time_s;
    std::map<std::string, std::vector<int64_t>> marked;
    for (const std::string& name : marks.landmarks()) {
        tracks.landmark[name].assign(size_t(clip.frames()), {});
        marked[name] = markedFrames(marks, clip, name);
    }
    // Backwards is needed from the last mark down wherever a landmark was marked later than at its first frame.
    const int64_t firstMarked = byFrame.begin()->first, lastMarked = byFrame.rbegin()->first;
    int64_t backTo = lastMarked;
    for (const auto& [name, frames] : marked)
        if (frames.front() > 0)
            backTo = 0;
        else if (frames.size() > 1)
            backTo = std::min(backTo, frames.front());
    const int64_t work = (last - firstMarked) + (lastMarked - backTo);
    int64_t done = 0;
    auto report = [&](const char* what) {
        ++done;
        if (progress && done % 4 == 0) progress({done, work, what});
    };

    std::map<int64_t, std::map<std::string, Point2>> seeds;
    for (const MarkedFrame& f : marks.seeds)
        for (const auto& [name, at] : f.points)
            if (at) seeds[clip.frameAt(f.time_s)][name] = *at;
    auto seedsAt = [&](int64_t frame) {
        const auto it = seeds.find(frame);
        return it == seeds.end() ? std::map<std::string, Point2>{} : it->second;
    };
    auto record = [&](int64_t frame, const LandmarkTracker& tracker) {
        for (const auto& [name, p] : tracker.now()) tracks.landmark[name][size_t(frame)] = p;
    };
    auto lostHere = [&](int64_t frame, const LandmarkTracker& tracker) {
        for (const auto& [name, p] : tracker.now())
            if (p.state != PointState::Absent) tracks.landmark[name][size_t(frame)] = {p.at, 30, PointState::Lost};
    };

    LandmarkTracker forward;
    double before = 0;
    auto ahead = std::make_unique<AheadFrames>(reader, firstMarked, last + 1);
    for (int64_t i = firstMarked; i <= last; ++i) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "tracking was stopped");
        auto image = ahead->nextGrey();
        if (!image) {
            if (image.error().code != Errc::DamagedFrame) return tl::unexpected(image.error());
            tracks.damagedFrames.push_back(i);
            lostHere(i, forward);
            continue;
        }
        const double now = clip.time_s[size_t(i)];
        if (i > firstMarked) forward.step(*image, now - before, seedsAt(i));
        before = now;
        if (const auto here = byFrame.find(i); here != byFrame.end()) forward.mark(*image, here->second);
        record(i, forward);
        report("following the marks");
    }

    ahead.reset(); // the reader is ours again

    if (backTo < lastMarked) {
        LandmarkTracker backward;
        BackwardFrames frames(reader);
        before = 0;
        for (int64_t i = lastMarked; i >= backTo; --i) {
            if (stop.stop_requested()) return fail(Errc::Cancelled, "tracking was stopped");
            auto image = frames.grey(i);
            if (!image) continue;
            const double now = clip.time_s[size_t(i)];
            if (i < lastMarked) backward.step(*image, before - now, seedsAt(i));
            before = now;
            if (const auto here = byFrame.find(i); here != byFrame.end()) backward.mark(*image, here->second);
            for (const auto& [name, b] : backward.now()) {
                const auto& at = marked[name];
                TrackPoint& f = tracks.landmark[name][size_t(i)];
                const auto next = std::upper_bound(at.begin(), at.end(), i); // first mark after this frame
                if (next == at.end() || b.state == PointState::Absent || f.state == PointState::ByHand) continue;
                if (b.state == PointState::ByHand) continue; // the forward pass has it too
                if (next == at.begin() || !f.usable()) {
                    if (next == at.begin() || b.usable()) f = b;
                    continue;
                }
                if (!b.usable()) continue;
                // Between two marks: near each, trust the pass that came from it.
                const auto from = double(*(next - 1)), to = double(*next);
                const double w = (double(i) - from) / (to - from);
                const double apart = (b.at - f.at).norm();
                f.at = (1 - w) * f.at + w * b.at;
                f.sd = std::hypot((1 - w) * f.sd, w * b.sd) + 0.25 * apart * std::min(w, 1 - w);
                if (b.state == PointState::Weak && f.state == PointState::Seen && w > 0.5) f.state = PointState::Weak;
            }
            report("following the marks backwards");
        }
    }
    // Kept as precisely as the file tells them, so that a review that is reopened shows the same numbers.
    for (auto& [name, points] : tracks.landmark)
        for (TrackPoint& p : points) p = {{rounded(p.at.x(), 3), rounded(p.at.y(), 3)}, rounded(p.sd, 3), p.state};
    if (progress) progress({work, work, "following the marks"});
    return tracks;
}

} // namespace deft
