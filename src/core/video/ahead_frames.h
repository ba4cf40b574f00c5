// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "video/clip_reader.h"

#include <condition_variable>
#include <deque>
#include <mutex>
#include <thread>

namespace deft {

/// Frames [first, end) in order, decoded on a thread of its own a few frames ahead of the caller. The reader belongs to
/// that thread as long as this lives.
class AheadFrames {
public:
    AheadFrames(ClipReader& reader, int64_t first, int64_t end);
    ~AheadFrames();
    Result<cv::Mat> nextGrey(); ///< blocks until it is there; not to be called more often than there are frames

private:
    void decode(std::stop_token stop, ClipReader& reader, int64_t first, int64_t end);
    std::mutex lock_;
    std::condition_variable_any changed_;
    std::deque<Result<cv::Mat>> ready_;
    std::jthread thread_; // last: ends before what it uses
};

} // namespace deft
