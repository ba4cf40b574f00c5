#include "base/files.h"

#include <array>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <memory>
#include <sys/stat.h>
#include <unistd.h>

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/sha.h>
}

namespace deft {
namespace fs = std::filesystem;

namespace {

Result<std::ifstream> openForReading(const fs::path& path) {
    std::error_code ec;
    if (!fs::exists(path, ec)) return fail(Errc::NotFound, path.string() + ": there is no such file");
    if (fs::is_directory(path, ec))
        return fail(Errc::NotReadable, path.string() + ": is a folder, a file was expected");
    std::ifstream in(path, std::ios::binary);
    if (!in) return fail(Errc::NotReadable, path.string() + ": cannot be read (" + std::strerror(errno) + ")");
    return in;
}

} // namespace

Result<std::string> readFile(const fs::path& path) {
    auto in = openForReading(path);
    if (!in) return tl::unexpected(in.error());
    return std::string(std::istreambuf_iterator<char>(*in), {});
}

Result<void> writeFileAtomically(const fs::path& path, std::string_view content) {
    std::string temporary = path.string() + ".partXXXXXX";
    const int fd = ::mkstemp(temporary.data());
    auto failed = [&](const char* step) {
        const int reason = errno;
        if (fd >= 0) {
            ::close(fd);
            ::unlink(temporary.c_str());
        }
        return fail(Errc::WriteFailed,
                    path.string() + ": could not be " + step + " (" + std::strerror(reason) + "); nothing was changed");
    };
    if (fd < 0) return failed("created");
    for (size_t done = 0; done < content.size();) {
        const ssize_t n = ::write(fd, content.data() + done, content.size() - done);
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) return failed("written");
        done += size_t(n);
    }
    ::fchmod(fd, 0644);
    if (::fsync(fd) != 0) return failed("written");
    if (::rename(temporary.c_str(), path.c_str()) != 0) return failed("put in place");
    ::close(fd);
    return {};
}

Result<std::string> sha256OfFile(const fs::path& path) {
    auto in = openForReading(path);
    if (!in) return tl::unexpected(in.error());
    const std::unique_ptr<AVSHA, void (*)(AVSHA*)> sha(av_sha_alloc(), [](AVSHA* p) { av_free(p); });
    av_sha_init(sha.get(), 256);
    std::array<char, 1 << 16> block;
    while (in->read(block.data(), block.size()), in->gcount() > 0)
        av_sha_update(sha.get(), reinterpret_cast<const uint8_t*>(block.data()), size_t(in->gcount()));
    std::array<uint8_t, 32> digest;
    av_sha_final(sha.get(), digest.data());
    std::string hex;
    for (const uint8_t byte : digest) {
        constexpr char digits[] = "0123456789abcdef";
        hex += digits[byte >> 4];
        hex += digits[byte & 15];
    }
    return hex;
}

} // namespace deft
