// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/sheet.h"
#include "base/progress.h"
#include "exercises/catalogue.h"

#include <string>
#include <vector>

namespace deft::cli {

// What goes to a client, written to a file in one of the forms html, pdf, text, eml. Each returns the exit code.
/// @param folders analysed ones of one client; of several the letter on their visit
/// @param language of the letter; empty = the client's
/// @param form also "ics"; of one folder "mp4" (the reply clip), "zip" (to be passed on), "sheet" (the rep sheet, by
/// the ending of `out` as pdf, svg or png)
int writeAnswer(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const std::string& form,
                const std::string& language, const std::string& out, StopToken stop, int& argc, char** argv);
/// How to film these exercises.
int writeFilmingPage(const Catalogue& catalogue, const std::vector<std::string>& exercises, const std::string& language,
                     const std::string& form, const std::string& out, int& argc, char** argv);
/// @param version empty = where a new client begins
int writeSheet(const Catalogue& catalogue, const std::string& exercise, const std::string& version,
               const SheetReader& reader, const std::string& form, const std::string& out, int& argc, char** argv);

} // namespace deft::cli
