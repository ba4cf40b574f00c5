// SPDX-License-Identifier: GPL-3.0-or-later
// Loaded before the C library (LD_PRELOAD): lets the n-th call that changes a file fail, or kills the program there.
// DEFT_SHIM=fail:ERRNO:N or kill:N counts calls below the folder DEFT_SHIM_FOLDER; DEFT_SHIM=count:FILE writes how many
// there were.
#ifndef _GNU_SOURCE
#define _GNU_SOURCE
#endif
#include <atomic>
#include <cerrno>
#include <csignal>
#include <cstdarg>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <dlfcn.h>
#include <fcntl.h>
#include <sys/types.h>
#include <unistd.h>

namespace {

std::atomic<long> calls{0};

template <class F> F real(const char* name) { return reinterpret_cast<F>(::dlsym(RTLD_NEXT, name)); }

bool isMeant(const char* path) {
    static const char* folder = std::getenv("DEFT_SHIM_FOLDER");
    return folder && path && std::strncmp(path, folder, std::strlen(folder)) == 0;
}

bool isMeant(int fd) {
    char link[64], path[4096];
    std::snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
    const ssize_t n = ::readlink(link, path, sizeof path - 1);
    if (n <= 0) return false;
    path[n] = 0;
    return isMeant(path);
}

/// Does this call fail? Then errno says how.
template <class Where> bool fails(Where where) {
    static const char* plan = std::getenv("DEFT_SHIM");
    if (!plan || !isMeant(where)) return false;
    const long now = ++calls;
    int error = 0;
    long at = 0;
    if (std::sscanf(plan, "kill:%ld", &at) == 1 && now == at) ::raise(SIGKILL);
    if (std::sscanf(plan, "fail:%d:%ld", &error, &at) == 2 && now >= at) { // from then on: a disk stays full
        errno = error;
        return true;
    }
    return false;
}

struct Told {
    ~Told() {
        const char* plan = std::getenv("DEFT_SHIM");
        if (!plan || std::strncmp(plan, "count:", 6) != 0) return;
        if (FILE* out = std::fopen(plan + 6, "w")) std::fprintf(out, "%ld", calls.load()), std::fclose(out);
    }
} told;

} // namespace

extern "C" {
ssize_t write(int fd, const void* data, size_t size) {
    static const auto next = real<ssize_t (*)(int, const void*, size_t)>("write");
    return fails(fd) ? -1 : next(fd, data, size);
}
ssize_t pwrite64(int fd, const void* data, size_t size, off64_t at) {
    static const auto next = real<ssize_t (*)(int, const void*, size_t, off64_t)>("pwrite64");
    return fails(fd) ? -1 : next(fd, data, size, at);
}
ssize_t pwrite(int fd, const void* data, size_t size, off_t at) {
    static const auto next = real<ssize_t (*)(int, const void*, size_t, off_t)>("pwrite");
    return fails(fd) ? -1 : next(fd, data, size, at);
}
int fsync(int fd) {
    static const auto next = real<int (*)(int)>("fsync");
    return fails(fd) ? -1 : next(fd);
}
int fdatasync(int fd) {
    static const auto next = real<int (*)(int)>("fdatasync");
    return fails(fd) ? -1 : next(fd);
}
int ftruncate64(int fd, off64_t size) {
    static const auto next = real<int (*)(int, off64_t)>("ftruncate64");
    return fails(fd) ? -1 : next(fd, size);
}
int rename(const char* from, const char* to) {
    static const auto next = real<int (*)(const char*, const char*)>("rename");
    return fails(to) ? -1 : next(from, to);
}
int unlink(const char* path) {
    static const auto next = real<int (*)(const char*)>("unlink");
    return fails(path) ? -1 : next(path);
}
}
