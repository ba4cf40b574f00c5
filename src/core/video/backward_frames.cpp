// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/backward_frames.h"

#include <algorithm>

namespace deft {

BackwardFrames::BackwardFrames(ClipReader& reader, int64_t piece) : reader_(reader), length_(piece) {
    const int64_t bytes = int64_t(reader.info().width) * reader.info().height;
    if (length_ <= 0) length_ = std::clamp<int64_t>((32 << 20) / std::max<int64_t>(1, bytes), 8, 48);
}

BackwardFrames::Piece BackwardFrames::decodeUpTo(int64_t last) {
    Piece piece{std::max<int64_t>(0, last - length_ + 1), {}};
    for (int64_t i = piece.first; i <= last; ++i) piece.frames.push_back(reader_.grey(i));
    return piece;
}

Result<cv::Mat> BackwardFrames::grey(int64_t frame) {
    if (!held_.holds(frame)) {
        if (before_.valid()) held_ = before_.get();
        if (!held_.holds(frame)) held_ = decodeUpTo(frame);
        if (held_.first > 0)
            before_ = std::async(std::launch::async, [this, last = held_.first - 1] { return decodeUpTo(last); });
    }
    return held_.frames[size_t(frame - held_.first)];
}

} // namespace deft
