// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>
#include <vector>

namespace deft::ui {

/// How the window is started.
struct WindowStart {
    std::string library;            ///< its folder; empty = the coach's own
    bool demo = false;              ///< a copy of the demo's library
    bool takeOver = false;          ///< open it although it seems to be open elsewhere
    std::vector<std::string> files; ///< to be opened at once
};

/// Runs the window until it is closed. Where one is open over the coach's own library already, that one comes forward
/// with the files, and this start is over. @return exit code
int runWindow(int argc, char** argv, const WindowStart& start);

} // namespace deft::ui
