// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/clip_writer.h"

#include "base/files.h"
#include "video/other_tracks.h"
#include "video/padded.h"

#include <algorithm>
#include <cerrno>
#include <cmath>
#include <cstdlib>
#include <cstring>
#include <limits>
#include <unistd.h>

namespace deft {

struct ClipWriter::State {
    std::filesystem::path path, temporary;
    WriterOptions options;
    AVFormatContext* output = nullptr;
    av::Codec codec;
    av::Frame frame{av_frame_alloc()};
    av::Packet packet{av_packet_alloc()};
    av::Scaler scaler;
    cv::Mat source; ///< the picture that is being added
    AVStream *stream = nullptr, *poster = nullptr;
    SoundTrack sound;
    CaptionTrack captions;
    bool finished = false;
    int64_t step = 0; ///< time from the frame before to the newest one: the last frame is shown as long

    ~State() {
        if (output) {
            avio_closep(&output->pb);
            avformat_free_context(output);
        }
        std::error_code ec;
        if (!finished) std::filesystem::remove(temporary, ec);
    }

    Result<void> failed(int code) const {
        return fail(Errc::WriteFailed,
                    {"{file}: could not be written ({why})", {{"file", path.string()}, {"why", av::words(code)}}});
    }

    Result<void> othersTo(double time_s) {
        if (const int code = sound.writeTo(time_s); code < 0) return failed(code);
        if (const int code = captions.writeTo(time_s); code < 0) return failed(code);
        return {};
    }

    Result<void> encode(const AVFrame* picture) {
        int code = avcodec_send_frame(codec.get(), picture);
        if (code < 0) return failed(code);
        while ((code = avcodec_receive_packet(codec.get(), packet.get())) >= 0) {
            av_packet_rescale_ts(packet.get(), codec->time_base, stream->time_base);
            packet->stream_index = stream->index;
            // Without it the clip would end where its last frame begins, and players would drop that frame.
            packet->duration = av_rescale_q(step, codec->time_base, stream->time_base);
            if ((code = av_interleaved_write_frame(output, packet.get())) < 0) return failed(code);
        }
        if (code != AVERROR(EAGAIN) && code != AVERROR_EOF) return failed(code);
        return {};
    }
};

Result<ClipWriter> ClipWriter::create(const std::filesystem::path& path, const WriterOptions& options) {
    av_log_set_level(AV_LOG_QUIET);
    auto s = std::make_unique<State>();
    s->path = path;
    s->options = options;
    if (auto ok = mayBeWritten(path); !ok) return tl::unexpected(ok.error());
    // A name that nobody else has, which keeps the ending that tells the container.
    const std::string ending = path.extension().string();
    std::string half = std::filesystem::path(path).replace_extension().string() + kHalfWritten + "XXXXXX" + ending;
    if (const int fd = ::mkstemps(half.data(), int(ending.size())); fd >= 0) // mode 0600
        ::close(fd);
    else
        return fail(Errc::WriteFailed,
                    {"{file}: could not be created ({why})", {{"file", path.string()}, {"why", std::strerror(errno)}}});
    s->temporary = half;
    const AVCodec* encoder = avcodec_find_encoder_by_name(options.codec.c_str());
    if (!encoder) return fail(Errc::Unsupported, {"there is no encoder named {codec}", {{"codec", options.codec}}});
    avformat_alloc_output_context2(&s->output, nullptr, nullptr, s->temporary.c_str());
    if (!s->output)
        return fail(Errc::Unsupported, {"{file}: end the name in one of {known}",
                                        {{"file", path.string()}, {"known", ".mp4, .mov, .mkv, .webm"}}});

    s->codec.reset(avcodec_alloc_context3(encoder));
    AVCodecContext& c = *s->codec;
    c.width = options.width;
    c.height = options.height;
    c.pix_fmt = av_get_pix_fmt(options.pixelFormat.c_str());
    c.time_base = {1, options.timeBaseHz};
    if (options.rateHz > 0) c.framerate = av_d2q(options.rateHz, 1000); // else x264 takes the ticks for frames
    c.gop_size = options.keyEvery;
    c.max_b_frames = options.bFrames;
    c.color_range = options.fullRange ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG;
    c.colorspace = AVCOL_SPC_BT709;
    c.color_primaries = AVCOL_PRI_BT709;
    c.color_trc = AVCOL_TRC_BT709;
    c.thread_count = 1; // several threads make other bytes
    c.sample_aspect_ratio = av_d2q(options.pixelAspect, 1000);
    if (s->output->oformat->flags & AVFMT_GLOBALHEADER) c.flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    c.flags |= AV_CODEC_FLAG_BITEXACT;
    av_opt_set(c.priv_data, "crf", std::to_string(options.crf).c_str(), 0);
    av_opt_set(c.priv_data, "preset", options.preset.c_str(), 0);
    for (const auto& [name, value] : options.codecOptions)
        av_opt_set(&c, name.c_str(), value.c_str(), AV_OPT_SEARCH_CHILDREN);
    int code = avcodec_open2(&c, encoder, nullptr);
    if (code < 0) return s->failed(code).map([] { return ClipWriter(nullptr); });

    s->stream = avformat_new_stream(s->output, nullptr);
    avcodec_parameters_from_context(s->stream->codecpar, &c);
    s->stream->time_base = c.time_base;
    s->stream->sample_aspect_ratio = c.sample_aspect_ratio;
    if (options.rateHz > 0) s->stream->avg_frame_rate = c.framerate;
    if (!options.poster.empty()) {
        s->poster = avformat_new_stream(s->output, nullptr);
        AVCodecParameters& p = *s->poster->codecpar;
        p.codec_type = AVMEDIA_TYPE_VIDEO, p.codec_id = AV_CODEC_ID_MJPEG;
        p.width = options.width, p.height = options.height;
        s->poster->disposition = AV_DISPOSITION_ATTACHED_PIC;
    }
    if (!options.sound.empty() && (code = s->sound.begin(s->output, options.sound)) < 0)
        return s->failed(code).map([] { return ClipWriter(nullptr); });
    if (!options.captions.empty() && (code = s->captions.begin(s->output, options.captions)) < 0)
        return s->failed(code).map([] { return ClipWriter(nullptr); });
    if (options.rotationDeg % 360) {
        auto* matrix = reinterpret_cast<int32_t*>(
            av_stream_new_side_data(s->stream, AV_PKT_DATA_DISPLAYMATRIX, 9 * sizeof(int32_t)));
        av_display_rotation_set(matrix, options.rotationDeg); // libav's own sign: clockwise here
    }
    s->output->flags |= AVFMT_FLAG_BITEXACT;
    if ((code = avio_open(&s->output->pb, s->temporary.c_str(), AVIO_FLAG_WRITE)) < 0)
        return s->failed(code).map([] { return ClipWriter(nullptr); });
    for (const auto& [name, value] : options.containerOptions)
        av_opt_set(s->output, name.c_str(), value.c_str(), AV_OPT_SEARCH_CHILDREN);
    if ((code = avformat_write_header(s->output, nullptr)) < 0)
        return s->failed(code).map([] { return ClipWriter(nullptr); });
    if (s->poster) {
        const av::Packet picture(av_packet_alloc());
        if (av_new_packet(picture.get(), int(options.poster.size())) < 0)
            return s->failed(AVERROR(ENOMEM)).map([] { return ClipWriter(nullptr); });
        std::copy(options.poster.begin(), options.poster.end(), picture->data);
        picture->stream_index = s->poster->index, picture->flags |= AV_PKT_FLAG_KEY;
        picture->pts = picture->dts = 0;
        if ((code = av_interleaved_write_frame(s->output, picture.get())) < 0)
            return s->failed(code).map([] { return ClipWriter(nullptr); });
    }

    AVFrame& f = *s->frame;
    f.format = c.pix_fmt;
    f.width = c.width;
    f.height = c.height;
    f.color_range = c.color_range;
    av_frame_get_buffer(&f, 0);
    s->scaler.reset(sws_getContext(c.width, c.height, AV_PIX_FMT_BGR24, c.width, c.height, c.pix_fmt,
                                   SWS_BILINEAR | SWS_ACCURATE_RND | SWS_FULL_CHR_H_INT, nullptr, nullptr, nullptr));
    sws_setColorspaceDetails(s->scaler.get(), sws_getCoefficients(SWS_CS_DEFAULT), 1,
                             sws_getCoefficients(SWS_CS_ITU709), options.fullRange, 0, 1 << 16, 1 << 16);
    return ClipWriter(std::move(s));
}

Result<void> ClipWriter::add(const cv::Mat& bgr, double time_s) {
    CV_Assert(bgr.type() == CV_8UC3 && bgr.cols == s->options.width && bgr.rows == s->options.height);
    av_frame_make_writable(s->frame.get());
    // Read in whole vectors, too.
    if (s->source.empty()) s->source = paddedPicture(bgr.cols, bgr.rows, bgr.type());
    bgr.copyTo(s->source);
    const uint8_t* planes[4] = {s->source.data, nullptr, nullptr, nullptr};
    const int strides[4] = {int(s->source.step), 0, 0, 0};
    sws_scale(s->scaler.get(), planes, strides, 0, bgr.rows, s->frame->data, s->frame->linesize);
    if (auto ok = s->othersTo(time_s); !ok) return ok;
    const int64_t pts = std::llround(time_s * s->options.timeBaseHz);
    s->step = time_s > 0 ? pts - s->frame->pts : int64_t(s->options.timeBaseHz) / 30;
    s->frame->pts = pts;
    return s->encode(s->frame.get());
}

Result<void> ClipWriter::finish() {
    if (auto ok = s->othersTo(std::numeric_limits<double>::infinity()); !ok) return ok;
    if (auto ok = s->encode(nullptr); !ok) return ok;
    if (int code = av_write_trailer(s->output); code < 0) return s->failed(code);
    if (int code = avio_closep(&s->output->pb); code < 0) return s->failed(code);
    std::error_code ec;
    std::filesystem::rename(s->temporary, s->path, ec);
    if (ec)
        return fail(Errc::WriteFailed,
                    {"{file}: could not be put in place ({why})", {{"file", s->path.string()}, {"why", ec.message()}}});
    s->finished = true;
    return {};
}

ClipWriter::ClipWriter(std::unique_ptr<State> state) : s(std::move(state)) {}
ClipWriter::ClipWriter(ClipWriter&&) noexcept = default;
ClipWriter& ClipWriter::operator=(ClipWriter&&) noexcept = default;
ClipWriter::~ClipWriter() = default;

} // namespace deft
