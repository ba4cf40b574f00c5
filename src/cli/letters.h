// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "cli/options.h"
#include "exercises/catalogue.h"
#include "review/review.h"

#include <memory>

namespace deft::cli {

/// Analysed folders, all of one client. @param language in which the client is written to; empty = as they say @errors
/// Conflict naming the first that is another's; those of the files
Result<std::vector<std::shared_ptr<const Review>>>
reviewsIn(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const std::string& language = {});

// What goes to a client, written to a file in one of the forms html, pdf, text, eml. Each returns the exit code.
/// @param folders analysed ones of one client; of several the letter on their visit. The format may be "ics", too; of
/// one folder "mp4" (the reply clip), "zip" (to be passed on), "sheet" (the rep sheet, by the ending of the file as
/// pdf, svg or png), "trc", "fhir"
int writeAnswer(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const Options& options,
                StopToken stop, int& argc, char** argv);
/// What the analysed folders of one client and exercise tell over the weeks.
int writeReport(const CataloguePtr& catalogue, const Options& options, int& argc, char** argv);
/// How to film these exercises.
int writeFilmingPage(const Catalogue& catalogue, const Options& options, int& argc, char** argv);
/// What a client needs to begin with one exercise; without a version, with the one where a new client begins.
int writeSheet(const Catalogue& catalogue, const Options& options, int& argc, char** argv);

} // namespace deft::cli
