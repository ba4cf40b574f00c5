// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json.h"
#include "base/result.h"

#include <string>
#include <vector>

namespace deft::cli {

/// How a command tells how it went: sentences for people, trouble and remarks on standard error; with --json one
/// document on standard output, too, whether it could be done or not.
struct Console {
    bool json = false, quiet = false;
    std::string command; ///< as it was called: "library backup"

    /// What could not be done; with --json `deft-mirror-failed`. @return 1, the exit code
    int failed(const Error& error) const;
    /// Nothing with --quiet.
    void remark(const std::string& sentence) const;
    /// Done. For people `sentences` on standard output (nothing with --quiet); with --json `deft-mirror-done`.
    /// @param wrote the files and folders that are there now @param more members of that document @return 0
    int done(const std::vector<std::string>& wrote, const std::string& sentences = {}, const Json& more = {}) const;
    /// Something was looked up. @return 0
    int tell(const Json& document, const std::string& text) const;
};

} // namespace deft::cli
