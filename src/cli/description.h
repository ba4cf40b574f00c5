// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <filesystem>

namespace CLI {
class App;
}

namespace deft::cli {

/// Man pages (`man1/`: one of the whole, one for each command) and completion for bash (`deft-mirror.bash`), made from
/// what the parser itself knows, so that neither can say anything else. @return exit code
int writeDescription(const CLI::App& app, const std::filesystem::path& folder);

} // namespace deft::cli
