#include "app/window/main_window.h"
#include "cli/commands.h"

#include <iostream>
#include <sys/stat.h>

int main(int argc, char** argv) {
    ::umask(0077); // what is written here is about people's health: for this user alone
    try {
        const auto outcome = deft::cli::run(argc, argv);
        if (outcome.exit) return *outcome.exit;
        return deft::ui::runWindow(argc, argv, outcome.window.library, outcome.window.demo, outcome.window.takeOver);
    } catch (const std::exception& e) {
        std::cerr << "deft-mirror: it could not be done (" << e.what() << ").\n";
        return 1;
    }
}
