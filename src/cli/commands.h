#pragma once
#include "base/progress.h"

#include <optional>
#include <string>
#include <vector>

namespace deft::cli {

/// Runs a subcommand. Nothing when the arguments name none: then the window opens.
/// @return 0 done, 1 the job could not be done (one sentence on standard error), 2 wrong use
struct WindowRequest {
    std::string library;
    bool demo = false, takeOver = false;
};
struct Outcome {
    std::optional<int> exit;
    WindowRequest window;
};
Outcome run(int argc, char** argv);

} // namespace deft::cli
