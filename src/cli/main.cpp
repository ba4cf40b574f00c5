#include "app/window/main_window.h"
#include "cli/commands.h"

int main(int argc, char** argv) {
    const auto outcome = deft::cli::run(argc, argv);
    if (outcome.exit) return *outcome.exit;
    return deft::ui::runWindow(argc, argv, outcome.window.library, outcome.window.demo);
}
