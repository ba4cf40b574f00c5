// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/clip_reader.h"

#include "base/numbers.h"
#include "video/clip_file.h"
#include "video/padded.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <unistd.h>

namespace deft {
namespace {

/// VP8 keeps pictures that are never shown as packets of their own; bit 4 of the first byte says which.
bool isShown(AVCodecID codec, const AVPacket& packet) {
    if (packet.flags & (AV_PKT_FLAG_DISCARD | AV_PKT_FLAG_CORRUPT)) return false;
    if (codec == AV_CODEC_ID_VP8 && packet.size > 0) return (packet.data[0] >> 4) & 1;
    return packet.size > 0;
}

/// More pictures that fail in one go than any damage explains.
constexpr int kMostDamaged = 1000;

/// What one pixel of the clip may take while it is worked on, bytes: two pieces of eight grey pictures for going
/// backwards, some ahead, those of the tracker and the colour picture that is shown. Chosen here.
constexpr double kBytesOfAPixel = 64;

/// Is there a body's worth of picture, and can this machine hold it? @errors BadFormat, Unsupported
Result<void> hasPossibleSize(const ClipInfo& info) {
    const double width = info.codedWidth * info.pixelAspect, height = info.codedHeight;
    const std::string size = std::to_string(info.codedWidth) + " × " + std::to_string(info.codedHeight) + " pixels";
    if (!(width >= kLeastSide_px) || !(height >= kLeastSide_px))
        return fail(Errc::BadFormat, {"{file}: its picture of {size} is too small to show anybody",
                                      {{"file", info.path}, {"size", size}}});
    const double memory = double(sysconf(_SC_PHYS_PAGES)) * double(sysconf(_SC_PAGESIZE));
    if (width > kMostSide_px || height > kMostSide_px || width * height * kBytesOfAPixel > memory / 2)
        return fail(Errc::Unsupported,
                    {"{file}: its picture of {size} is too large; ask for the clip in the phone's usual quality",
                     {{"file", info.path}, {"size", size}}});
    return {};
}

int quarterTurns(const int32_t* matrix, bool& flipped) {
    // A mirrored matrix has a negative determinant; undo the mirror first, then read the turn.
    int32_t m[9];
    std::copy(matrix, matrix + 9, m);
    flipped = double(m[0]) * m[4] - double(m[1]) * m[3] < 0;
    if (flipped) av_display_matrix_flip(m, 1, 0);
    const double counterClockwise = av_display_rotation_get(m);
    if (std::isnan(counterClockwise)) return 0;
    return int(((std::lround(-counterClockwise / 90.0) % 4) + 4) % 4);
}

} // namespace

struct ClipReader::State {
    struct IndexEntry {
        int64_t pts;
        int64_t keyPts; ///< decode from this key frame
    };

    explicit State(ClipFile f) : file(std::move(f)), input(file.context()) {}
    ClipInfo info;
    ClipFile file;
    AVFormatContext* input;
    av::Codec codec;
    av::Packet packet{av_packet_alloc()};
    av::Frame frame{av_frame_alloc()}; ///< newest decoded picture
    av::Scaler toGrey, toBgra;
    AVStream* stream = nullptr;
    std::vector<IndexEntry> index; ///< of the whole film
    int64_t origin = 0;            ///< frame of the film with which the part begins; all frames below are the film's
    int64_t atFrame = -1;          ///< index of the picture in `frame`, −1 = none
    bool drained = false;

    int64_t indexOf(int64_t pts) const {
        const auto it = std::lower_bound(index.begin(), index.end(), pts,
                                         [](const auto& e, int64_t value) { return e.pts < value; });
        return it != index.end() && it->pts == pts ? it - index.begin() : -1;
    }

    /// Next picture in display order, or end of stream. @param wanted pictures shown before this time that no other
    /// picture refers to need not be decoded
    int decodeNext(int64_t wanted) {
        atFrame = -1; // the picture there is gone, whatever comes of it
        for (int damaged = 0;;) {
            int code = avcodec_receive_frame(codec.get(), frame.get());
            if (code >= 0) {
                atFrame = indexOf(frame->best_effort_timestamp);
                return 0;
            }
            if (code == AVERROR_EOF) return code;
            if (code != AVERROR(EAGAIN) && ++damaged < kMostDamaged) continue; // one damaged packet: on with the next
            if (code != AVERROR(EAGAIN)) return code;
            do {
                code = av_read_frame(input, packet.get());
                if (code >= 0 && packet->stream_index != stream->index)
                    av_packet_unref(packet.get());
                else
                    break;
            } while (true);
            if (code < 0) {
                if (drained) return AVERROR_EOF;
                drained = true;
                avcodec_send_packet(codec.get(), nullptr);
                continue;
            }
            if (packet->pts == AV_NOPTS_VALUE) packet->pts = packet->dts;
            codec->skip_frame = packet->pts < wanted ? AVDISCARD_NONREF : AVDISCARD_DEFAULT;
            avcodec_send_packet(codec.get(), packet.get()); // errors concern one packet and show as a missing picture
            av_packet_unref(packet.get());
        }
    }

    int seekTo(int64_t pts) {
        drained = false;
        atFrame = -1;
        const int code = av_seek_frame(input, stream->index, pts, AVSEEK_FLAG_BACKWARD);
        avcodec_flush_buffers(codec.get());
        return code;
    }

    /// Can decoding simply go on to the wanted frame?
    bool goesOn(int64_t wanted) const {
        return atFrame >= 0 && atFrame < wanted && !drained &&
               index[size_t(wanted)].keyPts <= index[size_t(atFrame)].pts;
    }

    Result<void> bring(int64_t wanted) {
        if (wanted < origin || wanted >= origin + info.frames())
            return fail(Errc::OutOfRange, {"there is no frame {frame}; the clip has {frames}",
                                           {{"frame", int(wanted - origin)}, {"frames", int(info.frames())}}});
        if (atFrame == wanted) return {};
        const IndexEntry& target = index[size_t(wanted)];
        const bool goOn = goesOn(wanted);
        const bool next = atFrame >= 0 && wanted == atFrame + 1;
        int64_t from = target.keyPts;
        for (int attempt = 0; attempt < 3; ++attempt) {
            if (!(attempt == 0 && (goOn || next))) {
                if (seekTo(from) < 0) seekTo(index.front().pts - 1);
            }
            bool first = true;
            while (decodeNext(target.pts) >= 0) {
                if (atFrame == wanted) return {};
                const int64_t pts = frame->best_effort_timestamp;
                if (pts > target.pts) {
                    if (first && attempt < 2) break; // the demuxer landed too late: begin earlier
                    return fail(Errc::DamagedFrame, {"frame {frame} cannot be decoded", {{"frame", int(wanted)}}});
                }
                first = false;
            }
            if (attempt == 0)
                from = target.keyPts - 1;
            else
                from = index.front().pts - 1;
        }
        return fail(Errc::DamagedFrame, {"frame {frame} cannot be decoded", {{"frame", int(wanted)}}});
    }

    /// From now on only a part of the film is there. @errors OutOfRange
    Result<void> cut(const FilmPart& part) {
        constexpr double kSlack_s = 1e-4; // times are written with four decimals
        auto& times = info.time_s;
        const auto from = std::lower_bound(times.begin(), times.end(), part.from_s - kSlack_s),
                   to = std::upper_bound(from, times.end(), part.to_s + kSlack_s);
        if (to - from < 2)
            return fail(Errc::OutOfRange, {"{file}: has no part from {from} to {to}; it lasts {length}",
                                           {{"file", info.path},
                                            {"from", Amount{part.from_s, 1, "s"}},
                                            {"to", Amount{part.to_s, 1, "s"}},
                                            {"length", Amount{info.duration_s, 1, "s"}}}});
        const double step = info.duration_s - times.back();
        info.part = FilmPart{*from, *(to - 1)};
        origin = from - times.begin();
        times = std::vector<double>(from, to);
        for (double& t : times) t -= info.part->from_s;
        info.duration_s = times.back() + step;
        return {};
    }

    cv::Mat upright(cv::Mat picture) const {
        // Square pixels are made from the stored width, so before turning.
        if (std::abs(info.pixelAspect - 1) > 1e-6) {
            cv::Mat wide;
            cv::resize(picture, wide, {int(std::lround(picture.cols * info.pixelAspect)), picture.rows}, 0, 0,
                       cv::INTER_LINEAR);
            picture = wide;
        }
        cv::Mat turned;
        switch (info.rotationDeg) {
        case 90:
            cv::rotate(picture, turned, cv::ROTATE_90_CLOCKWISE);
            break;
        case 180:
            cv::rotate(picture, turned, cv::ROTATE_180);
            break;
        case 270:
            cv::rotate(picture, turned, cv::ROTATE_90_COUNTERCLOCKWISE);
            break;
        default:
            turned = picture;
        }
        if (info.flipped) cv::flip(turned, turned, 1);
        return turned;
    }

    Result<cv::Mat> convert(av::Scaler& scaler, AVPixelFormat to, int type) {
        const auto from = AVPixelFormat(frame->format);
        // Measured on grey; pictures to look at may be off by one level for a third of the time.
        const int flags = to == AV_PIX_FMT_BGRA ? SWS_BILINEAR : SWS_BILINEAR | SWS_ACCURATE_RND;
        scaler.reset(sws_getCachedContext(scaler.release(), frame->width, frame->height, from, info.codedWidth,
                                          info.codedHeight, to, flags, nullptr, nullptr, nullptr));
        if (!scaler) return fail(Errc::Unsupported, "the clip's pixel format cannot be read");
        const int* table = sws_getCoefficients(frame->colorspace == AVCOL_SPC_BT709 ? SWS_CS_ITU709 : SWS_CS_DEFAULT);
        sws_setColorspaceDetails(scaler.get(), table, frame->color_range == AVCOL_RANGE_JPEG,
                                 sws_getCoefficients(SWS_CS_DEFAULT), 1, 0, 1 << 16, 1 << 16);
        cv::Mat picture = paddedPicture(info.codedWidth, info.codedHeight, type);
        uint8_t* planes[4] = {picture.data, nullptr, nullptr, nullptr};
        const int strides[4] = {int(picture.step), 0, 0, 0};
        sws_scale(scaler.get(), frame->data, frame->linesize, 0, frame->height, planes, strides);
        return picture;
    }

    bool hasPlainLuma() const {
        const AVPixFmtDescriptor* d = av_pix_fmt_desc_get(AVPixelFormat(frame->format));
        return d && !(d->flags & (AV_PIX_FMT_FLAG_RGB | AV_PIX_FMT_FLAG_HWACCEL | AV_PIX_FMT_FLAG_PAL)) &&
               d->comp[0].depth == 8 && d->comp[0].plane == 0 && d->comp[0].step == 1 &&
               frame->width == info.codedWidth && frame->height == info.codedHeight;
    }
};

Result<ClipReader> ClipReader::open(const std::filesystem::path& path, const std::optional<FilmPart>& part) {
    const std::string name = path.string();
    auto file = ClipFile::open(path);
    if (!file) return tl::unexpected(file.error());
    auto s = std::make_unique<State>(std::move(*file));
    AVFormatContext* raw = s->input;
    int code = 0;
    const AVCodec* decoder = nullptr;
    const int chosen = av_find_best_stream(raw, AVMEDIA_TYPE_VIDEO, -1, -1, &decoder, 0);
    if (chosen == AVERROR_DECODER_NOT_FOUND || (chosen >= 0 && decoder && !isKnownDecoder(decoder->name)))
        return fail(Errc::Unsupported, {"{name}: its video codec cannot be decoded here", {{"name", name}}});
    if (chosen < 0) {
        const bool audio = av_find_best_stream(raw, AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0) >= 0;
        return fail(Errc::BadFormat,
                    {audio ? "{name}: has sound but no video" : "{name}: has no video", {{"name", name}}});
    }
    AVStream* stream = s->stream = raw->streams[chosen];
    if (stream->disposition & AV_DISPOSITION_ATTACHED_PIC)
        return fail(Errc::BadFormat, {"{name}: has sound and a cover picture but no video", {{"name", name}}});
    for (unsigned i = 0; i < raw->nb_streams; ++i)
        if (int(i) != chosen) raw->streams[i]->discard = AVDISCARD_ALL;

    s->codec.reset(avcodec_alloc_context3(decoder));
    avcodec_parameters_to_context(s->codec.get(), stream->codecpar);
    s->codec->pkt_timebase = stream->time_base;
    s->codec->max_pixels = int64_t(kMostSide_px) * kMostSide_px; // also of pictures that grow on the way
    s->codec->thread_count = 0;
    code = avcodec_open2(s->codec.get(), decoder, nullptr);
    if (code < 0)
        return fail(Errc::Unsupported,
                    {"{name}: its video cannot be decoded ({why})", {{"name", name}, {"why", av::words(code)}}});

    // The list of all packets: display times and the key frame that each needs.
    ClipInfo& info = s->info;
    std::vector<int64_t> keys;
    while ((code = av_read_frame(raw, s->packet.get())) >= 0) {
        AVPacket& p = *s->packet;
        if (p.stream_index == chosen) {
            const int64_t pts = p.pts != AV_NOPTS_VALUE ? p.pts : p.dts;
            if (pts != AV_NOPTS_VALUE) {
                if (p.flags & AV_PKT_FLAG_KEY) keys.push_back(pts);
                if (isShown(stream->codecpar->codec_id, p)) s->index.push_back({pts, 0});
            }
            if (p.flags & AV_PKT_FLAG_CORRUPT) info.lengthUnsure = true;
        }
        av_packet_unref(&p);
    }
    if (code != AVERROR_EOF) info.lengthUnsure = true;
    std::sort(s->index.begin(), s->index.end(), [](auto& a, auto& b) { return a.pts < b.pts; });
    s->index.erase(std::unique(s->index.begin(), s->index.end(), [](auto& a, auto& b) { return a.pts == b.pts; }),
                   s->index.end());
    if (s->index.empty())
        return fail(Errc::BadFormat, {"{name}: has no frames; ask the client to record again", {{"name", name}}});
    std::sort(keys.begin(), keys.end());
    for (auto& e : s->index) {
        const auto after = std::upper_bound(keys.begin(), keys.end(), e.pts);
        e.keyPts = after == keys.begin() ? s->index.front().pts : *(after - 1);
    }

    info.container = raw->iformat->name;
    info.codec = avcodec_get_name(stream->codecpar->codec_id);
    info.codedWidth = stream->codecpar->width;
    info.codedHeight = stream->codecpar->height;
    const AVRational aspect = av_guess_sample_aspect_ratio(raw, stream, nullptr);
    if (aspect.num > 0 && aspect.den > 0) info.pixelAspect = av_q2d(aspect);
    if (const auto* matrix =
            reinterpret_cast<const int32_t*>(av_stream_get_side_data(stream, AV_PKT_DATA_DISPLAYMATRIX, nullptr)))
        info.rotationDeg = 90 * quarterTurns(matrix, info.flipped);
    info.path = name;
    if (auto ok = hasPossibleSize(info); !ok) return tl::unexpected(ok.error());
    info.width = int(std::lround(info.codedWidth * info.pixelAspect));
    info.height = info.codedHeight;
    if (info.rotationDeg % 180) std::swap(info.width, info.height);

    const double base = av_q2d(stream->time_base);
    for (const auto& e : s->index) info.time_s.push_back(double(e.pts - s->index.front().pts) * base);
    std::vector<double> steps;
    for (size_t i = 1; i < info.time_s.size(); ++i) steps.push_back(info.time_s[i] - info.time_s[i - 1]);
    if (!steps.empty()) {
        auto sorted = steps;
        std::nth_element(sorted.begin(), sorted.begin() + std::ptrdiff_t(sorted.size() / 2), sorted.end());
        const double median = sorted[sorted.size() / 2];
        info.medianRateHz = median > 0 ? 1 / median : 0;
        // Containers round times to milliseconds, so a jitter of one is not a variable rate.
        info.variableRate = std::any_of(steps.begin(), steps.end(), [&](double d) {
            return std::abs(d - median) > std::max(0.1 * median, 1.5e-3);
        });
        info.duration_s = info.time_s.back() + median;
    }

    if (part)
        if (auto ok = s->cut(*part); !ok) return tl::unexpected(ok.error());
    s->seekTo(s->index.front().pts);
    ClipReader reader(std::move(s));
    if (auto first = reader.grey(0); !first) {
        // Some clips lose their first pictures; only a clip without any is unusable.
        bool any = false;
        for (int64_t i = 1; i < reader.info().frames() && !any; i = i * 2) any = bool(reader.grey(i));
        if (!any)
            return fail(Errc::BadFormat,
                        {"{name}: none of its frames can be decoded; ask the client to send the original file again",
                         {{"name", name}}});
    }
    return reader;
}

ClipReader::ClipReader(std::unique_ptr<State> state) : s(std::move(state)) {}
ClipReader::ClipReader(ClipReader&&) noexcept = default;
ClipReader& ClipReader::operator=(ClipReader&&) noexcept = default;
ClipReader::~ClipReader() = default;
const ClipInfo& ClipReader::info() const { return s->info; }

int64_t ClipReader::keyFrame(int64_t frame) const {
    const auto& index = s->index;
    const int64_t key = index[size_t(s->origin + std::clamp<int64_t>(frame, 0, info().frames() - 1))].keyPts;
    const int64_t at =
        std::lower_bound(index.begin(), index.end(), key, [](const auto& e, int64_t value) { return e.pts < value; }) -
        index.begin();
    return std::max<int64_t>(0, at - s->origin);
}

int64_t ClipReader::keyFrameNear(int64_t frame, int64_t within) const {
    const int64_t before = keyFrame(frame);
    for (int64_t after = frame + 1; after <= std::min(frame + within, info().frames() - 1); ++after)
        if (after - frame < frame - before && keyFrame(after) == after) return after;
    return frame - before <= within ? before : frame;
}

int64_t ClipReader::toDecode(int64_t frame) const {
    const int64_t inFilm = s->origin + frame;
    if (inFilm == s->atFrame) return 0;
    return s->goesOn(inFilm) ? inFilm - s->atFrame : frame - keyFrame(frame) + 1;
}

Result<void> ClipReader::decode(int64_t frame) { return s->bring(s->origin + frame); }

Result<cv::Mat> ClipReader::grey(int64_t frame) {
    if (auto ok = s->bring(s->origin + frame); !ok) return tl::unexpected(ok.error());
    if (s->hasPlainLuma()) {
        const cv::Mat plane(s->frame->height, s->frame->width, CV_8UC1, s->frame->data[0],
                            size_t(s->frame->linesize[0]));
        const cv::Mat turned = s->upright(plane);
        return turned.data == plane.data ? plane.clone() : turned;
    }
    return s->convert(s->toGrey, AV_PIX_FMT_GRAY8, CV_8UC1).map([&](const cv::Mat& m) { return s->upright(m); });
}

Result<cv::Mat> ClipReader::bgra(int64_t frame) {
    if (auto ok = s->bring(s->origin + frame); !ok) return tl::unexpected(ok.error());
    return s->convert(s->toBgra, AV_PIX_FMT_BGRA, CV_8UC4).map([&](const cv::Mat& m) { return s->upright(m); });
}

} // namespace deft
