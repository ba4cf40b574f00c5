// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "records/parcel.h"
#include "store/library.h"

namespace deft {

/// Draft of a client's new clip of an exercise: schools as in that client's last clip of it, else as usual for this
/// coach; asked what the newest filed review asked for, else the exercise's first target.
/// @param usual the coach's own choices; those that the exercise does not know are passed over
ReviewInputs newDraft(const Library& library, int64_t client, const std::string& exercise, const Schools& usual);

/// Whose a parcel is, as a person has said.
struct Sender {
    bool chosen = false;
    int64_t client = 0; ///< 0 = nobody who is on record yet
};

/// Puts a clip that came with a parcel into the library. It is its client's by the id that it tells; without one, a
/// name that nobody on record has is a new client, and one that is written like a known one is a question.
/// @param clip where the file lies for good @param today ISO date, for parcels that do not say when they were sent
/// @returns the clip's id @errors Ambiguous (whose is it?), Conflict (the same file and note for the same client and
/// exercise are there already), Unsupported (the same file with another note), those of Library::addClip
Result<int64_t> takeIn(Library& library, const Parcel& parcel, const std::filesystem::path& clip,
                       const std::string& sha256, const std::string& today, const Schools& usual,
                       const Sender& sender = {});

} // namespace deft
