// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "cli/options.h"
#include "review/review.h"

namespace deft::cli {

/// What `analyse` was given, read and checked. @errors of the files
Result<ReviewInputs> inputsFor(const Catalogue& catalogue, const Options& options);

/// The file of `--tracks`. @errors of the file
Result<Tracks> readTracks(const std::string& file);
/// Measured from tracks. @param file they come from @param clip what is known of the clip; nothing = what the tracks
/// tell of it
Result<Review> fromTracks(CataloguePtr catalogue, ReviewInputs inputs, const std::string& file, Result<Tracks> tracks,
                          const std::optional<ClipInfo>& clip);

/// Marks that nobody has confirmed are told of.
void warnOfUnconfirmed(const Marks& marks, const Options& options);

/// Says what needs saying of a review and writes its folder. @return exit code
int written(const Result<Review>& review, const Options& options);

/// The commands that need neither pictures nor a window, so that they begin at once. Nothing = another one.
std::optional<int> runWithoutPictures(const Options& options);

} // namespace deft::cli
