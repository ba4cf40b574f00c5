// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/console.h"

#include <optional>
#include <string>
#include <vector>

namespace deft::cli {

/// What the arguments say.
struct Options {
    std::string command; ///< "analyse", "exercises list", …; empty = the window
    std::string clip, marks, exercise = "bridge", out, side = "both", neutral, history, format, folder, scene, name,
                             caseFile, last, checkedFor, version, library, asked, tracks, from, date, client, coach,
                             language;
    std::vector<double> part;       ///< from and to, s; empty = the whole film
    std::vector<std::string> goals; ///< of a programme; empty = as before
    int minutes = 0, weeks = 0;     ///< of a programme; 0 = as before, or as usual
    std::vector<std::string> schools, folders, flags, cleared, names;
    bool json = false, quiet = false, mirrored = false;
    bool demo = false, takeOver = false; ///< of the window
    std::vector<std::string> files;      ///< that it opens

    Console console() const { return {json, quiet, command}; }

    /// Set when nothing is left to do: 0 after help, 2 after wrong use.
    std::optional<int> exit;
};

Options parse(int argc, char** argv);

} // namespace deft::cli
