// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Ownership of libav's objects, and its messages as words. Included by the video sources only.

#include <memory>
#include <string>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/avstring.h>
#include <libavutil/display.h>
#include <libavutil/imgutils.h>
#include <libavutil/opt.h>
#include <libavutil/pixdesc.h>
#include <libswscale/swscale.h>
}

namespace deft::av {

struct CloseInput {
    void operator()(AVFormatContext* p) const { avformat_close_input(&p); }
};
struct FreeFormat {
    void operator()(AVFormatContext* p) const { avformat_free_context(p); }
};
struct FreeCodec {
    void operator()(AVCodecContext* p) const { avcodec_free_context(&p); }
};
struct FreeFrame {
    void operator()(AVFrame* p) const { av_frame_free(&p); }
};
struct FreePacket {
    void operator()(AVPacket* p) const { av_packet_free(&p); }
};
struct FreeScaler {
    void operator()(SwsContext* p) const { sws_freeContext(p); }
};

using Input = std::unique_ptr<AVFormatContext, CloseInput>;
using Codec = std::unique_ptr<AVCodecContext, FreeCodec>;
using Frame = std::unique_ptr<AVFrame, FreeFrame>;
using Packet = std::unique_ptr<AVPacket, FreePacket>;
using Scaler = std::unique_ptr<SwsContext, FreeScaler>;

inline std::string words(int code) {
    char text[AV_ERROR_MAX_STRING_SIZE] = {};
    av_strerror(code, text, sizeof text);
    return text;
}

} // namespace deft::av
