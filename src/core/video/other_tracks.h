// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// What a clip carries beside its pictures: sound and captions, written as the pictures come. For ClipWriter only.
#include "video/av.h"
#include "video/clip_writer.h"

namespace deft {

/// One channel of AAC.
class SoundTrack {
public:
    /// Before the file's header is written. @return libav's code, negative = failed
    int begin(AVFormatContext* file, const Sound& sound);
    /// All that is heard up to a time of the clip, infinity = to its end. @return libav's code
    int writeTo(double time_s);

private:
    int encode(const AVFrame* frame);

    AVFormatContext* file_ = nullptr;
    AVStream* stream_ = nullptr;
    av::Codec codec_;
    Sound sound_;
    size_t at_ = 0;
};

/// Timed text (ETSI TS 126 245), shown by players that are asked for captions.
class CaptionTrack {
public:
    int begin(AVFormatContext* file, std::vector<Caption> captions);
    int writeTo(double time_s);

private:
    AVFormatContext* file_ = nullptr;
    AVStream* stream_ = nullptr;
    std::vector<Caption> captions_;
    size_t at_ = 0;
};

} // namespace deft
