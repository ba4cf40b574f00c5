// SPDX-License-Identifier: GPL-3.0-or-later
// What is called `deft-mirror`. Loading the libraries of films and windows takes longer than judging a movement, so
// what needs none of them is done here, and the whole program takes over where it does not suffice.

#include "cli/judging.h"

#include <cerrno>
#include <cstring>
#include <filesystem>
#include <iostream>
#include <sys/stat.h>
#include <unistd.h>

int main(int argc, char** argv) {
    ::umask(0077); // what is written here is about people's health: for this user alone
    try {
        const auto options = deft::cli::parse(argc, argv);
        if (options.exit) return *options.exit;
        if (const auto exit = deft::cli::runWithoutPictures(options)) return *exit;
        const auto here = std::filesystem::read_symlink("/proc/self/exe").parent_path();
        const auto whole = here.parent_path() / "libexec/deft-mirror/deft-mirror-full";
        ::execv(whole.c_str(), argv);
        std::cerr << "deft-mirror: " << whole.string() << " could not be started (" << std::strerror(errno)
                  << "); is everything installed?\n";
    } catch (const std::exception& e) {
        std::cerr << "deft-mirror: it could not be done (" << e.what() << ").\n";
    }
    return 1;
}
