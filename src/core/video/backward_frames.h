// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "video/clip_reader.h"

#include <future>

namespace deft {

/// Frames in falling order, decoded in pieces so that memory stays bounded; while one is used, the piece before it is
/// decoded. The reader belongs to this, and to a thread of its own, as long as it lives.
class BackwardFrames {
public:
    /// @param piece frames; 0 = as many as 32 MiB hold, 8 to 48
    explicit BackwardFrames(ClipReader& reader, int64_t piece = 0);
    BackwardFrames(const BackwardFrames&) = delete; // its thread knows where it lives
    BackwardFrames& operator=(const BackwardFrames&) = delete;
    Result<cv::Mat> grey(int64_t frame);

private:
    struct Piece {
        int64_t first = 0;
        std::vector<Result<cv::Mat>> frames;
        bool holds(int64_t frame) const { return frame >= first && frame < first + int64_t(frames.size()); }
    };
    Piece decodeUpTo(int64_t last);

    ClipReader& reader_;
    int64_t length_;
    Piece held_;
    std::future<Piece> before_; // last: ends before what it uses
};

} // namespace deft
