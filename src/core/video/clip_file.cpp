// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/clip_file.h"

#include "base/files.h"

#include <cerrno>
#include <sys/stat.h>
#include <unistd.h>

namespace deft {
namespace {

constexpr const char* kContainers = "mov,mp4,matroska,webm,avi,wav";
constexpr const char* kPictureDecoders =
    "h264,hevc,vp8,libvpx,vp9,libvpx-vp9,av1,libdav1d,libaom-av1,mpeg4,mjpeg,prores,h263,mpeg2video,dvvideo";
// Sound is listened to where a clip is played and for breath (sound.h).
constexpr const char* kSoundDecoders = ",aac,mp3,mp3float,opus,libopus,vorbis,libvorbis,ac3,alac,flac,amrnb,"
                                       "libopencore_amrnb,pcm_s16le,pcm_s16be,pcm_s24le,pcm_u8,pcm_f32le";
constexpr int kBlock = 1 << 16;

int refuseToOpen(AVFormatContext*, AVIOContext**, const char*, int, AVDictionary**) { return AVERROR(EPERM); }

} // namespace

struct ClipFile::Bytes {
    int fd = -1;
    AVIOContext* io = nullptr;

    ~Bytes() {
        if (io) av_freep(&io->buffer);
        avio_context_free(&io);
        if (fd >= 0) ::close(fd);
    }
    static int read(void* self, uint8_t* to, int size) {
        for (;;) {
            const ssize_t n = ::read(static_cast<Bytes*>(self)->fd, to, size_t(size));
            if (n > 0) return int(n);
            if (n == 0) return AVERROR_EOF;
            if (errno != EINTR) return AVERROR(errno);
        }
    }
    static int64_t seek(void* self, int64_t offset, int whence) {
        const int fd = static_cast<Bytes*>(self)->fd;
        struct stat facts {};
        if (whence & AVSEEK_SIZE) return ::fstat(fd, &facts) == 0 ? int64_t(facts.st_size) : AVERROR(errno);
        const off_t at = ::lseek(fd, offset, whence & ~AVSEEK_FORCE);
        return at >= 0 ? int64_t(at) : AVERROR(errno);
    }
};

ClipFile::ClipFile() = default;
ClipFile::ClipFile(ClipFile&&) noexcept = default;
ClipFile::~ClipFile() = default;
ClipFile& ClipFile::operator=(ClipFile&& other) noexcept {
    input_ = std::move(other.input_); // before the bytes that it reads from
    bytes_ = std::move(other.bytes_);
    return *this;
}

bool isKnownDecoder(const char* name) { return av_match_list(name, kPictureDecoders, ',') > 0; }

Result<ClipFile> ClipFile::open(const std::filesystem::path& path) {
    const std::string name = path.string();
    av_log_set_level(AV_LOG_QUIET); // its messages are for programmers; ours name the file and say what to do
    const auto fd = openOrdinaryFile(path, false);
    if (!fd) return tl::unexpected(fd.error());
    ClipFile file;
    file.bytes_ = std::make_unique<Bytes>();
    Bytes& bytes = *file.bytes_;
    bytes.fd = *fd;
    bytes.io = avio_alloc_context(static_cast<uint8_t*>(av_malloc(kBlock)), kBlock, 0, &bytes, Bytes::read, nullptr,
                                  Bytes::seek);

    AVFormatContext* raw = avformat_alloc_context();
    raw->pb = bytes.io;
    raw->flags |= AVFMT_FLAG_CUSTOM_IO;
    raw->io_open = refuseToOpen;
    AVDictionary* options = nullptr;
    av_dict_set(&options, "format_whitelist", kContainers, 0);
    for (const char* names : {kPictureDecoders, kSoundDecoders})
        av_dict_set(&options, "codec_whitelist", names, AV_DICT_APPEND);
    const int code = avformat_open_input(&raw, nullptr, nullptr, &options); // frees what it was given when it fails
    av_dict_free(&options);
    if (code < 0)
        return fail(Errc::BadFormat, {"{name}: is not a video that can be read, or it is cut off before its index "
                                      "({why}); ask the client to send the original file again",
                                      {{"name", name}, {"why", av::words(code)}}});
    file.input_.reset(raw);
    // Not even to find out what is in it may a decoder make pictures that are too large.
    std::vector<AVDictionary*> each(raw->nb_streams, nullptr);
    for (AVDictionary*& stream : each) av_dict_set_int(&stream, "max_pixels", int64_t(kMostSide_px) * kMostSide_px, 0);
    const unsigned given = raw->nb_streams; // more may be found on the way
    const int found = avformat_find_stream_info(raw, each.empty() ? nullptr : each.data());
    for (unsigned i = 0; i < given; ++i) av_dict_free(&each[i]);
    if (found < 0) return fail(Errc::BadFormat, {"{name}: its streams cannot be read", {{"name", name}}});
    return file;
}

} // namespace deft
