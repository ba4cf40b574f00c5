// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files.h"

#include <array>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <nettle/sha2.h>
#include <sys/stat.h>
#include <unistd.h>

namespace deft {
namespace fs = std::filesystem;

namespace {

struct Descriptor {
    int fd;
    explicit Descriptor(int f) : fd(f) {}
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    ~Descriptor() { ::close(fd); }
};

/// Hands the file's content on in blocks. @errors NotReadable
template <class Use> Result<void> readBlocks(int fd, const fs::path& path, Use&& use) {
    std::array<char, 1 << 16> block;
    for (;;) {
        const ssize_t n = ::read(fd, block.data(), block.size());
        if (n < 0 && errno == EINTR) continue;
        if (n < 0)
            return fail(Errc::NotReadable,
                        {"{file}: cannot be read ({why})", {{"file", path.string()}, {"why", std::strerror(errno)}}});
        if (n == 0) return {};
        if (auto ok = use(std::string_view(block.data(), size_t(n))); !ok) return ok;
    }
}

} // namespace

Result<int> openOrdinaryFile(const fs::path& path, bool follow) {
    const int fd = ::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK | O_NOCTTY | (follow ? 0 : O_NOFOLLOW));
    if (fd < 0) {
        if (errno == ENOENT || errno == ENOTDIR)
            return fail(Errc::NotFound, {"{file}: there is no such file", {{"file", path.string()}}});
        if (errno == ELOOP)
            return fail(Errc::NotReadable,
                        {"{file}: is a link, an ordinary file was expected", {{"file", path.string()}}});
        return fail(Errc::NotReadable,
                    {"{file}: cannot be read ({why})", {{"file", path.string()}, {"why", std::strerror(errno)}}});
    }
    struct stat facts {};
    if (::fstat(fd, &facts) == 0 && S_ISREG(facts.st_mode)) return fd;
    ::close(fd);
    return fail(Errc::NotReadable,
                {S_ISDIR(facts.st_mode) ? "{file}: is a folder, an ordinary file was expected"
                                        : "{file}: is a pipe or device, an ordinary file was expected",
                 {{"file", path.string()}}});
}

Result<void> mayBeWritten(const fs::path& path) {
    std::error_code ec;
    const auto kind = fs::symlink_status(path, ec).type();
    if (kind == fs::file_type::not_found || kind == fs::file_type::none || kind == fs::file_type::regular) return {};
    return fail(Errc::WriteFailed,
                {kind == fs::file_type::directory
                     ? "{file}: could not be written: there is a folder of that name; choose another name"
                 : kind == fs::file_type::symlink
                     ? "{file}: could not be written: it is a link; choose another name"
                     : "{file}: could not be written: it is a pipe or device; choose another name",
                 {{"file", path.string()}}});
}

Result<std::string> readFile(const fs::path& path, size_t most) {
    const auto fd = openOrdinaryFile(path);
    if (!fd) return tl::unexpected(fd.error());
    const Descriptor file(*fd);
    std::string content;
    auto ok = readBlocks(file.fd, path, [&](std::string_view block) -> Result<void> {
        if (most > 0 && content.size() + block.size() > most)
            return fail(Errc::BadFormat, {"{file}: is larger than {most} MiB and is not read",
                                          {{"file", path.string()}, {"most", int(most >> 20)}}});
        content += block;
        return {};
    });
    if (!ok) return tl::unexpected(ok.error());
    return content;
}

Result<void> writeFileAtomically(const fs::path& path, std::string_view content, Sync sync) {
    if (auto ok = mayBeWritten(path); !ok) return ok;
    std::string temporary = path.string() + kHalfWritten + "XXXXXX";
    const int fd = ::mkstemp(temporary.data()); // mode 0600
    auto failed = [&] {
        const int reason = errno;
        if (fd >= 0) {
            ::close(fd);
            ::unlink(temporary.c_str());
        }
        return fail(Errc::WriteFailed, {"{file}: could not be written ({why}); nothing was changed",
                                        {{"file", path.string()}, {"why", std::strerror(reason)}}});
    };
    if (fd < 0) return failed();
    for (size_t done = 0; done < content.size();) {
        const ssize_t n = ::write(fd, content.data() + done, content.size() - done);
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) return failed();
        done += size_t(n);
    }
    if (sync == Sync::Yes && ::fsync(fd) != 0) return failed();
    if (::rename(temporary.c_str(), path.c_str()) != 0) return failed();
    ::close(fd);
    return {};
}

Result<std::string> sha256OfFile(const fs::path& path) {
    const auto fd = openOrdinaryFile(path);
    if (!fd) return tl::unexpected(fd.error());
    const Descriptor file(*fd);
    sha256_ctx sha;
    sha256_init(&sha);
    auto ok = readBlocks(file.fd, path, [&](std::string_view block) -> Result<void> {
        sha256_update(&sha, block.size(), reinterpret_cast<const uint8_t*>(block.data()));
        return {};
    });
    if (!ok) return tl::unexpected(ok.error());
    std::array<uint8_t, SHA256_DIGEST_SIZE> digest;
    sha256_digest(&sha, digest.size(), digest.data());
    std::string hex;
    for (const uint8_t byte : digest) {
        constexpr char digits[] = "0123456789abcdef";
        hex += digits[byte >> 4];
        hex += digits[byte & 15];
    }
    return hex;
}

} // namespace deft
