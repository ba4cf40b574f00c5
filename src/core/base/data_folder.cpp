// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/data_folder.h"

#include <cstdlib>

namespace deft {
namespace fs = std::filesystem;

fs::path dataFolder() {
    std::error_code ec;
    auto holds = [&](const fs::path& p) { return fs::is_directory(p / "exercises", ec); };
    if (const char* named = std::getenv("DEFT_MIRROR_DATA"); named && holds(named)) return named;
    // From the program upwards: a build folder inside the source tree, or PREFIX/bin with PREFIX/share beside it.
    fs::path here = fs::read_symlink("/proc/self/exe", ec).parent_path();
    for (int up = 0; up < 8 && !here.empty(); ++up, here = here.parent_path()) {
        if (holds(here / "data")) return here / "data";
        if (holds(here / "share/deft-mirror")) return here / "share/deft-mirror";
        if (here == here.parent_path()) break;
    }
    return "/usr/share/deft-mirror";
}

} // namespace deft
