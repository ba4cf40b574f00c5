// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <csignal>
#include <sys/resource.h>

namespace deft::test {

/// While it lives, no file of this process can grow beyond so many bytes: writes fail as on a full disk.
class NoRoom {
public:
    explicit NoRoom(rlim_t bytes) {
        std::signal(SIGXFSZ, SIG_IGN);
        getrlimit(RLIMIT_FSIZE, &before_);
        const rlimit limit{bytes, before_.rlim_max};
        setrlimit(RLIMIT_FSIZE, &limit);
    }
    ~NoRoom() { setrlimit(RLIMIT_FSIZE, &before_); }

private:
    rlimit before_{};
};

} // namespace deft::test
