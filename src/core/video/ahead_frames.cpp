// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/ahead_frames.h"

namespace deft {
namespace {
constexpr size_t kAhead = 6; // bounds the memory

/// Nothing may be thrown out of the thread that decodes.
Result<cv::Mat> grey(ClipReader& reader, int64_t frame) {
    try {
        return reader.grey(frame);
    } catch (const std::exception& e) { // no memory
        return fail(Errc::DamagedFrame,
                    {"frame {frame} cannot be decoded ({why})", {{"frame", int(frame)}, {"why", e.what()}}});
    }
}
} // namespace

AheadFrames::AheadFrames(ClipReader& reader, int64_t first, int64_t end)
    : thread_([this, &reader, first, end](std::stop_token stop) { decode(stop, reader, first, end); }) {}

AheadFrames::~AheadFrames() {
    thread_.request_stop();
    changed_.notify_all();
}

void AheadFrames::decode(std::stop_token stop, ClipReader& reader, int64_t first, int64_t end) {
    for (int64_t i = first; i < end; ++i) {
        auto frame = grey(reader, i);
        std::unique_lock hold(lock_);
        if (!changed_.wait(hold, stop, [this] { return ready_.size() < kAhead; })) return;
        ready_.push_back(std::move(frame));
        changed_.notify_all();
    }
}

Result<cv::Mat> AheadFrames::nextGrey() {
    std::unique_lock hold(lock_);
    changed_.wait(hold, [this] { return !ready_.empty(); });
    auto frame = std::move(ready_.front());
    ready_.pop_front();
    changed_.notify_all();
    return frame;
}

} // namespace deft
