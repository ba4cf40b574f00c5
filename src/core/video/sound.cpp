// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/sound.h"

#include "base/files.h"
#include "video/clip_file.h"

#include <algorithm>
#include <cmath>

extern "C" {
#include <libavfilter/avfilter.h>
#include <libavfilter/buffersink.h>
#include <libavfilter/buffersrc.h>
#include <libavutil/channel_layout.h>
}

namespace deft {
namespace {

constexpr double kLongestSound_s = 600; // of a file without pictures

struct FreeGraph {
    void operator()(AVFilterGraph* g) const { avfilter_graph_free(&g); }
};

/// Sound goes in as it is decoded and comes out as one channel of the rate that everything here has.
class SoundFilter {
public:
    /// @param source arguments of libav's abuffer @param filters between it and the form that comes out
    static std::optional<SoundFilter> create(const std::string& source, const std::string& filters) {
        SoundFilter f;
        f.graph_.reset(avfilter_graph_alloc());
        f.graph_->nb_threads = 1;
        if (avfilter_graph_create_filter(&f.in_, avfilter_get_by_name("abuffer"), "in", source.c_str(), nullptr,
                                         f.graph_.get()) < 0 ||
            avfilter_graph_create_filter(&f.out_, avfilter_get_by_name("abuffersink"), "out", nullptr, nullptr,
                                         f.graph_.get()) < 0)
            return std::nullopt;
        AVFilterInOut *outputs = avfilter_inout_alloc(), *inputs = avfilter_inout_alloc();
        *outputs = {av_strdup("in"), f.in_, 0, nullptr};
        *inputs = {av_strdup("out"), f.out_, 0, nullptr};
        const std::string chain = filters + ",aformat=sample_fmts=flt:channel_layouts=mono:sample_rates=" +
                                  std::to_string(kSoundRate_Hz);
        const int code = avfilter_graph_parse_ptr(f.graph_.get(), chain.c_str(), &inputs, &outputs, nullptr);
        avfilter_inout_free(&inputs), avfilter_inout_free(&outputs);
        if (code < 0 || avfilter_graph_config(f.graph_.get(), nullptr) < 0) return std::nullopt;
        return f;
    }
    /// @param frame null = the end; it is taken over
    void put(AVFrame* frame, Sound& to) {
        if (av_buffersrc_add_frame(in_, frame) < 0) return; // one damaged frame: the next ones fill its place
        while (av_buffersink_get_frame(out_, ready_.get()) >= 0) {
            const auto* samples = reinterpret_cast<const float*>(ready_->data[0]);
            to.insert(to.end(), samples, samples + ready_->nb_samples);
            av_frame_unref(ready_.get());
        }
    }

private:
    std::unique_ptr<AVFilterGraph, FreeGraph> graph_;
    AVFilterContext *in_ = nullptr, *out_ = nullptr;
    av::Frame ready_{av_frame_alloc()};
};

std::string rational(AVRational r) { return std::to_string(r.num) + "/" + std::to_string(r.den); }

/// When the first picture is shown and the last one begins, s of the file's own clock.
std::optional<std::pair<double, double>> pictureTimes(AVFormatContext* file, int video) {
    std::optional<std::pair<int64_t, int64_t>> times;
    av::Packet packet{av_packet_alloc()};
    while (av_read_frame(file, packet.get()) >= 0) {
        const int64_t at = packet->pts != AV_NOPTS_VALUE ? packet->pts : packet->dts;
        if (packet->stream_index == video && at != AV_NOPTS_VALUE && !(packet->flags & AV_PKT_FLAG_DISCARD))
            times = times ? std::pair{std::min(times->first, at), std::max(times->second, at)} : std::pair{at, at};
        av_packet_unref(packet.get());
    }
    if (!times) return std::nullopt;
    const double base = av_q2d(file->streams[video]->time_base);
    return std::pair{double(times->first) * base, double(times->second) * base};
}

} // namespace

Result<Sound> readSound(const std::filesystem::path& path, const std::optional<FilmPart>& part, StopToken stop) {
    auto file = ClipFile::open(path);
    if (!file) return tl::unexpected(file.error());
    AVFormatContext* input = file->context();
    const std::string name = path.string();
    const AVCodec* decoder = nullptr;
    const int video = av_find_best_stream(input, AVMEDIA_TYPE_VIDEO, -1, -1, nullptr, 0),
              audio = av_find_best_stream(input, AVMEDIA_TYPE_AUDIO, -1, -1, &decoder, 0);
    if (audio < 0) return Sound{};
    const auto pictures = video < 0 ? std::pair{0.0, kLongestSound_s} : pictureTimes(input, video);
    if (!pictures) return Sound{};
    for (unsigned i = 0; i < input->nb_streams; ++i)
        if (int(i) != audio) input->streams[i]->discard = AVDISCARD_ALL;

    const auto refused = [&](const std::string& why) {
        return fail(Errc::Unsupported, {"{name}: its sound cannot be decoded ({why})", {{"name", name}, {"why", why}}});
    };
    AVStream* stream = input->streams[audio];
    av::Codec codec{avcodec_alloc_context3(decoder)};
    avcodec_parameters_to_context(codec.get(), stream->codecpar);
    codec->pkt_timebase = stream->time_base;
    if (const int code = decoder ? avcodec_open2(codec.get(), decoder, nullptr) : AVERROR_DECODER_NOT_FOUND; code < 0)
        return refused(av::words(code));
    (void)avformat_seek_file(input, -1, INT64_MIN, INT64_MIN, INT64_MAX, 0);

    std::optional<SoundFilter> filter; // made from the first frame: only that says what form it has
    Sound sound;
    const auto most = size_t(std::ceil((pictures->second - pictures->first + 1) * kSoundRate_Hz));
    av::Packet packet{av_packet_alloc()};
    av::Frame frame{av_frame_alloc()};
    const auto zero = int64_t(std::llround(pictures->first / av_q2d(stream->time_base)));
    const auto take = [&]() -> Result<void> {
        while (avcodec_receive_frame(codec.get(), frame.get()) >= 0) {
            if (!filter) {
                char layout[64] = {};
                if (frame->ch_layout.order == AV_CHANNEL_ORDER_UNSPEC)
                    av_channel_layout_default(&frame->ch_layout, frame->ch_layout.nb_channels);
                av_channel_layout_describe(&frame->ch_layout, layout, sizeof layout);
                filter = SoundFilter::create(
                    "time_base=" + rational(stream->time_base) + ":sample_rate=" + std::to_string(frame->sample_rate) +
                        ":sample_fmt=" + av_get_sample_fmt_name(AVSampleFormat(frame->format)) +
                        ":channel_layout=" + layout,
                    // Gaps become silence, and what lies before the first picture goes.
                    "aresample=" + std::to_string(kSoundRate_Hz) + ":async=1:first_pts=0");
                if (!filter) return refused("no filter takes it");
            }
            frame->pts = frame->best_effort_timestamp - zero;
            filter->put(frame.get(), sound);
        }
        return {};
    };
    while (sound.size() < most && av_read_frame(input, packet.get()) >= 0) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "stopped");
        if (packet->stream_index == audio) avcodec_send_packet(codec.get(), packet.get());
        av_packet_unref(packet.get());
        if (auto ok = take(); !ok) return tl::unexpected(ok.error());
    }
    avcodec_send_packet(codec.get(), nullptr);
    if (auto ok = take(); !ok) return tl::unexpected(ok.error());
    if (filter) filter->put(nullptr, sound);
    sound.resize(std::min(sound.size(), most));
    if (part) {
        const auto at = [&](double s) { return std::min(sound.size(), size_t(std::llround(s * kSoundRate_Hz))); };
        sound = Sound(sound.begin() + std::ptrdiff_t(at(part->from_s)), sound.begin() + std::ptrdiff_t(at(part->to_s)));
    }
    return sound;
}

Result<void> writeSound(const std::filesystem::path& path, const Sound& sound) {
    const auto failed = [&](int code) {
        return fail(Errc::WriteFailed,
                    {"{file}: could not be written ({why})", {{"file", path.string()}, {"why", av::words(code)}}});
    };
    AVFormatContext* raw = nullptr;
    avformat_alloc_output_context2(&raw, nullptr, "wav", nullptr);
    const std::unique_ptr<AVFormatContext, av::FreeFormat> file(raw);
    raw->flags |= AVFMT_FLAG_BITEXACT;
    AVStream* stream = avformat_new_stream(raw, nullptr);
    AVCodecParameters& form = *stream->codecpar;
    form.codec_type = AVMEDIA_TYPE_AUDIO, form.codec_id = AV_CODEC_ID_PCM_S16LE;
    form.sample_rate = kSoundRate_Hz, form.ch_layout = AV_CHANNEL_LAYOUT_MONO;
    form.bits_per_coded_sample = 16, form.block_align = 2;
    int code = avio_open_dyn_buf(&raw->pb);
    if (code >= 0) code = avformat_write_header(raw, nullptr);
    const av::Packet packet{av_packet_alloc()};
    if (code >= 0) code = av_new_packet(packet.get(), int(2 * sound.size()));
    if (code >= 0) {
        auto* to = packet->data;
        for (const float v : sound) {
            const int16_t sample = asInt16(v);
            *to++ = uint8_t(sample & 0xff), *to++ = uint8_t(sample >> 8);
        }
        packet->pts = packet->dts = 0;
        code = av_write_frame(raw, packet.get());
    }
    if (code >= 0) code = av_write_trailer(raw);
    uint8_t* bytes = nullptr;
    const int size = raw->pb ? avio_close_dyn_buf(raw->pb, &bytes) : 0;
    const std::string content(reinterpret_cast<const char*>(bytes), size_t(size));
    av_free(bytes);
    if (code < 0) return failed(code);
    return writeFileAtomically(path, content);
}

Result<Sound> filtered(const Sound& sound, const std::string& filters, int rate_Hz) {
    const std::string rate = std::to_string(rate_Hz);
    auto filter = SoundFilter::create(
        "time_base=1/" + rate + ":sample_rate=" + rate + ":sample_fmt=flt:channel_layout=mono", filters);
    if (!filter) return fail(Errc::Internal, "the sound cannot be changed");
    Sound out;
    constexpr size_t kBlock = 4096;
    for (size_t from = 0; from < sound.size(); from += kBlock) {
        av::Frame frame{av_frame_alloc()};
        frame->nb_samples = int(std::min(kBlock, sound.size() - from));
        frame->format = AV_SAMPLE_FMT_FLT;
        frame->sample_rate = rate_Hz;
        frame->ch_layout = AV_CHANNEL_LAYOUT_MONO;
        frame->pts = int64_t(from);
        av_frame_get_buffer(frame.get(), 0);
        std::copy_n(sound.begin() + std::ptrdiff_t(from), frame->nb_samples, reinterpret_cast<float*>(frame->data[0]));
        filter->put(frame.get(), out);
    }
    filter->put(nullptr, out);
    return out;
}

Result<Sound> atSpeed(const Sound& sound, double rate) {
    if (rate == 1 || sound.empty()) return sound;
    constexpr double kLeast = 0.5; // of libav's filter: slower takes two of them
    const auto tempo = [](double r) { return "atempo=" + std::to_string(std::lround(r * 1000)) + "/1000"; };
    return filtered(sound, rate < kLeast ? tempo(kLeast) + "," + tempo(rate / kLeast) : tempo(rate));
}

} // namespace deft
