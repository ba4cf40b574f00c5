// SPDX-License-Identifier: GPL-3.0-or-later
// The whole program: every command, and the window.

#include "app/window/run.h"
#include "cli/commands.h"

#include <iostream>
#include <sys/stat.h>

int main(int argc, char** argv) {
    ::umask(0077); // what is written here is about people's health: for this user alone
    try {
        const auto options = deft::cli::parse(argc, argv);
        if (options.exit) return *options.exit;
        if (const auto exit = deft::cli::run(options, argc, argv)) return *exit;
        return deft::ui::runWindow(argc, argv, {options.library, options.demo, options.takeOver, options.files});
    } catch (const std::exception& e) {
        std::cerr << "deft-mirror: it could not be done (" << e.what() << ").\n";
        return 1;
    }
}
