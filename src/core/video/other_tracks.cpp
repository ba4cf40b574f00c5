// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/other_tracks.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr int kBitRate = 48000, kTicks = 1000;

// How text is shown: in the middle of the foot, white, no box of its own (TS 126 245, 5.16, with one style and font).
constexpr uint8_t kTextForm[] = {0,   0,   0,    0,    1,    0xFF, 0,    0, 0, 0, 0,    0,   0,   0,   0,
                                 0,   0,   0,    0,    0,    0,    0,    0, 1, 0, 18,   255, 255, 255, 255,
                                 0,   0,   0,    0x12, 'f',  't',  'a',  'b', 0, 1, 0,    1,   5,   'S', 'e',
                                 'r', 'i', 'f'};

} // namespace

int SoundTrack::begin(AVFormatContext* file, const Sound& sound) {
    file_ = file;
    sound_ = sound;
    const AVCodec* encoder = avcodec_find_encoder(AV_CODEC_ID_AAC);
    if (!encoder) return AVERROR_ENCODER_NOT_FOUND;
    codec_.reset(avcodec_alloc_context3(encoder));
    AVCodecContext& c = *codec_;
    c.sample_rate = kSoundRate_Hz, c.sample_fmt = AV_SAMPLE_FMT_FLTP, c.ch_layout = AV_CHANNEL_LAYOUT_MONO;
    c.time_base = {1, kSoundRate_Hz}, c.bit_rate = kBitRate, c.thread_count = 1;
    c.flags |= AV_CODEC_FLAG_BITEXACT;
    if (file->oformat->flags & AVFMT_GLOBALHEADER) c.flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
    if (const int code = avcodec_open2(&c, encoder, nullptr); code < 0) return code;
    stream_ = avformat_new_stream(file, nullptr);
    stream_->time_base = c.time_base;
    return avcodec_parameters_from_context(stream_->codecpar, &c);
}

int SoundTrack::encode(const AVFrame* frame) {
    int code = avcodec_send_frame(codec_.get(), frame);
    const av::Packet packet{av_packet_alloc()};
    while (code >= 0 && (code = avcodec_receive_packet(codec_.get(), packet.get())) >= 0) {
        av_packet_rescale_ts(packet.get(), codec_->time_base, stream_->time_base);
        packet->stream_index = stream_->index;
        code = av_interleaved_write_frame(file_, packet.get());
    }
    return code == AVERROR(EAGAIN) || code == AVERROR_EOF ? 0 : code;
}

int SoundTrack::writeTo(double time_s) {
    if (!stream_) return 0;
    int code = 0;
    while (code >= 0 && at_ < sound_.size() && double(at_) / kSoundRate_Hz <= time_s) {
        const av::Frame frame{av_frame_alloc()};
        frame->nb_samples = int(std::min(size_t(codec_->frame_size), sound_.size() - at_));
        frame->format = codec_->sample_fmt, frame->sample_rate = kSoundRate_Hz, frame->ch_layout = codec_->ch_layout;
        frame->pts = int64_t(at_);
        if ((code = av_frame_get_buffer(frame.get(), 0)) < 0) return code;
        std::copy_n(sound_.begin() + std::ptrdiff_t(at_), frame->nb_samples, reinterpret_cast<float*>(frame->data[0]));
        at_ += size_t(frame->nb_samples);
        code = encode(frame.get());
    }
    return code >= 0 && std::isinf(time_s) ? encode(nullptr) : code;
}

int CaptionTrack::begin(AVFormatContext* file, std::vector<Caption> captions) {
    file_ = file;
    captions_ = std::move(captions);
    stream_ = avformat_new_stream(file, nullptr);
    stream_->time_base = {1, kTicks};
    AVCodecParameters& form = *stream_->codecpar;
    form.codec_type = AVMEDIA_TYPE_SUBTITLE, form.codec_id = AV_CODEC_ID_MOV_TEXT;
    form.extradata = static_cast<uint8_t*>(av_mallocz(sizeof kTextForm + AV_INPUT_BUFFER_PADDING_SIZE));
    if (!form.extradata) return AVERROR(ENOMEM);
    std::copy(std::begin(kTextForm), std::end(kTextForm), form.extradata);
    form.extradata_size = int(sizeof kTextForm);
    return 0;
}

int CaptionTrack::writeTo(double time_s) {
    for (; stream_ && at_ < captions_.size() && captions_[at_].from_s <= time_s; ++at_) {
        const Caption& c = captions_[at_];
        const size_t size = std::min<size_t>(c.text.size(), 0xFFFF);
        const av::Packet packet{av_packet_alloc()};
        if (const int code = av_new_packet(packet.get(), int(size) + 2); code < 0) return code;
        packet->data[0] = uint8_t(size >> 8), packet->data[1] = uint8_t(size & 0xFF);
        std::copy_n(c.text.begin(), size, packet->data + 2);
        packet->stream_index = stream_->index, packet->flags |= AV_PKT_FLAG_KEY;
        packet->pts = packet->dts = av_rescale_q(std::llround(c.from_s * kTicks), {1, kTicks}, stream_->time_base);
        packet->duration = av_rescale_q(std::llround((c.to_s - c.from_s) * kTicks), {1, kTicks}, stream_->time_base);
        if (const int code = av_interleaved_write_frame(file_, packet.get()); code < 0) return code;
    }
    return 0;
}

} // namespace deft
