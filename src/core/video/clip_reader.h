// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"
#include "marks/clip_info.h"

#include <filesystem>
#include <memory>
#include <opencv2/core.hpp>

namespace deft {

/// Opens anything libav reads and hands out upright frames by index, forwards cheaply and anywhere exactly.
///
/// How a frame is found: opening lists every packet, so all times are known before the first picture. A frame is
/// decoded from the last key frame that is not later in display order; on the way pictures that no other refers to are
/// left out. Reading the next frames in order never seeks.
/// Upright = the container's display matrix applied, pixels made square. One reader belongs to one thread.
class ClipReader {
public:
    /// @param part of the film that alone is read: its first frame is frame 0, at 0 s
    /// @errors NotFound, NotReadable, BadFormat (no video, no frames, damaged), Unsupported (codec), OutOfRange (a part
    /// that is not in it)
    static Result<ClipReader> open(const std::filesystem::path& path, const std::optional<FilmPart>& part = {});
    ClipReader(ClipReader&&) noexcept;
    ClipReader& operator=(ClipReader&&) noexcept;
    ~ClipReader();

    const ClipInfo& info() const;

    /// 8-bit luma, upright; a plane of the decoder's own wherever its format has one. @errors DamagedFrame, OutOfRange
    Result<cv::Mat> grey(int64_t frame);
    /// 8-bit BGRA, upright. @errors DamagedFrame, OutOfRange
    Result<cv::Mat> bgra(int64_t frame);

    /// The frame that decoding has to begin with to get at this one.
    int64_t keyFrame(int64_t frame) const;
    /// The nearest frame that decoding can begin with, where one lies so near; else the frame itself. For looking at a
    /// clip here and there, where it does not matter which frame exactly. @param within frames
    int64_t keyFrameNear(int64_t frame, int64_t within) const;
    /// How many pictures have to be decoded to get at this one; 0 = it is there.
    int64_t toDecode(int64_t frame) const;
    /// Decodes up to this frame and hands out nothing: a long way taken in pieces. @errors DamagedFrame, OutOfRange
    Result<void> decode(int64_t frame);

private:
    struct State;
    explicit ClipReader(std::unique_ptr<State> state);
    std::unique_ptr<State> s;
};

} // namespace deft
