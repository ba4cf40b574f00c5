// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "exercises/catalogue.h"

#include <string>
#include <vector>

namespace deft::cli {

// What goes to a client, written to a file in one of the forms html, pdf, text, eml. Each returns the exit code.
/// @param folders analysed ones of one client; of several the letter on their visit
/// @param form also "ics"; of one folder "mp4" (the reply clip), "zip" (to be passed on), "sheet" (the rep sheet, by
/// the ending of `out` as pdf, svg or png)
int writeAnswer(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const std::string& form,
                const std::string& out, StopToken stop, int& argc, char** argv);
/// Flags from intake, and those whose readiness list is confirmed.
struct KnownFlags {
    std::vector<std::string> flags, cleared;
};
/// @param version empty = where a new client begins
int writeSheet(const Catalogue& catalogue, const std::string& exercise, const std::string& version,
               const KnownFlags& known, const std::string& form, const std::string& out, int& argc, char** argv);

} // namespace deft::cli
