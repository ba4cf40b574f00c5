// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/track_pass.h"

#include "tracking/constants.h"
#include "video/ahead_frames.h"
#include "video/backward_frames.h"

#include <algorithm>
#include <memory>

namespace deft {
using namespace tracking;
namespace {

/// Frames in the order of the pass, one after the other.
class FramesOfPass {
public:
    FramesOfPass(ClipReader& clip, int64_t begin, int64_t end) {
        if (begin <= end)
            ahead_ = std::make_unique<AheadFrames>(clip, begin, end + 1);
        else
            backward_.emplace(clip);
    }
    Result<cv::Mat> grey(int64_t frame) { return ahead_ ? ahead_->nextGrey() : backward_->grey(frame); }

private:
    std::unique_ptr<AheadFrames> ahead_;
    std::optional<BackwardFrames> backward_;
};

template <class Value> const Value* at(const std::map<int64_t, Value>& map, int64_t frame) {
    const auto it = map.find(frame);
    return it == map.end() ? nullptr : &it->second;
}

template <class Value> bool same(const Value* a, const Value* b) { return a && b ? *a == *b : a == b; }

bool sameHere(const PassInput& a, const PassInput& b, int64_t frame) {
    return same(at(a.marked, frame), at(b.marked, frame)) && same(at(a.seeds, frame), at(b.seeds, frame)) &&
           same(at(a.told, frame), at(b.told, frame)) && same(at(a.joinedOnward, frame), at(b.joinedOnward, frame)) &&
           same(at(a.joinedBack, frame), at(b.joinedBack, frame));
}

/// Both follow the same landmarks, and all of them are set by hand here, so that what was before no longer counts.
using Row = std::map<std::string, TrackPoint>;
bool bothStartAfresh(const Row& a, const Row& b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end(), [](const auto& p, const auto& q) {
        return p.first == q.first && p.second.state == PointState::ByHand && q.second.state == PointState::ByHand;
    });
}

template <class Which> void takeOver(TrackPass& to, const TrackPass& from, Which which) {
    for (const auto& [frame, row] : from.rows)
        if (which(frame)) to.rows[frame] = row;
    for (const int64_t frame : from.damaged)
        if (which(frame)) to.damaged.push_back(frame);
    for (const auto& [frame, names] : from.stickers)
        if (which(frame)) to.stickers[frame] = names;
    for (const auto& [frame, tracker] : from.places)
        if (which(frame)) to.places.insert_or_assign(frame, tracker);
}

} // namespace

Result<TrackPass> runPass(ClipReader& clip, PassInput input, int64_t begin, int64_t end, const TrackPass* earlier,
                          bool keepPlaces, StopToken stop, const std::function<void(int64_t)>& report) {
    const int64_t onward = end >= begin ? 1 : -1;
    const auto isBefore = [&](int64_t a, int64_t b) { return (b - a) * onward > 0; };
    TrackPass pass{std::move(input), begin, end, {}, {}, {}, {}};
    if (earlier && (earlier->begin != begin || isBefore(earlier->end, begin))) earlier = nullptr;

    // From where on the two differ, from where on they have the same marks again, and where to set out from.
    int64_t differs = begin, alike = end + onward, setsOut = begin;
    const int64_t every = std::max<int64_t>(30, clip.info().frames() / kPlaces);
    LandmarkTracker tracker;
    if (earlier) {
        const int64_t common = isBefore(earlier->end, end) ? earlier->end : end;
        while (!isBefore(common, differs) && sameHere(pass.input, earlier->input, differs)) differs += onward;
        if (isBefore(end, differs)) setsOut = end;
        if (earlier->end == end)
            while (alike != differs && sameHere(pass.input, earlier->input, alike - onward)) alike -= onward;
        for (const auto& [frame, there] : earlier->places)
            if (isBefore(frame, differs) && !isBefore(frame, setsOut)) setsOut = frame, tracker = there;
        if (setsOut != begin) takeOver(pass, *earlier, [&](int64_t frame) { return !isBefore(setsOut, frame); });
        if (isBefore(end, differs)) return pass;
        std::erase_if(pass.places, [&](const auto& p) { return p.first % every != 0 && p.first != setsOut; });
    }

    FramesOfPass frames(clip, setsOut, end);
    double before = clip.info().time_s[size_t(setsOut)];
    for (int64_t i = setsOut; !isBefore(end, i); i += onward) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "tracking was stopped");
        const auto image = frames.grey(i);
        const bool goesOn = i == setsOut && i != begin; // this frame has been followed the last time
        if (image && goesOn) {
            tracker.wake(*image);
            continue;
        }
        if (!image) {
            if (goesOn || image.error().code != Errc::DamagedFrame) return tl::unexpected(image.error());
            pass.damaged.push_back(i);
            pass.rows[i] = tracker.now();
            for (auto& [name, p] : pass.rows[i])
                if (p.state != PointState::Absent) p = {p.at, kUnseenSd, PointState::Lost};
            continue;
        }
        const double now = clip.info().time_s[size_t(i)];
        const auto* seeds = at(pass.input.seeds, i);
        if (i != begin) tracker.step(*image, std::abs(now - before), seeds ? *seeds : std::map<std::string, Point2>{});
        before = now;
        if (const auto* told = at(pass.input.told, i)) tracker.tell(*told);
        if (const auto* marked = at(pass.input.marked, i)) {
            const auto* joined = at(onward > 0 ? pass.input.joinedOnward : pass.input.joinedBack, i);
            tracker.mark(*image, *marked, joined ? *joined : std::set<std::string>{});
            pass.stickers[i] = tracker.stickers();
        }
        pass.rows[i] = tracker.now();
        report(std::abs(end - i));
        const Row* then = earlier && !isBefore(i, alike) ? at(earlier->rows, i) : nullptr;
        if (then && bothStartAfresh(tracker.now(), *then)) {
            takeOver(pass, *earlier, [&](int64_t frame) { return isBefore(i, frame); });
            break;
        }
        // The same place again is the likeliest one to be touched next: a mark that is being moved.
        if (keepPlaces && (i % every == 0 || i + onward == differs)) pass.places.insert_or_assign(i, tracker.asleep());
    }
    return pass;
}

} // namespace deft
