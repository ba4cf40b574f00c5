// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/practice_note.h"
#include "records/parcel.h"
#include "store/library.h"

#include <functional>

namespace deft {

/// Draft of a client's new clip of an exercise: schools as in that client's last clip of it, else as usual for this
/// coach; asked what the newest filed review asked for, else the exercise's first target.
/// @param usual the coach's own choices; those that the exercise does not know are passed over
ReviewInputs newDraft(const Library& library, int64_t client, const std::string& exercise, const Schools& usual);

/// A clip as it comes to the library: with a parcel, or by the coach's own hand.
struct Arrival {
    int64_t client = 0;          ///< 0 = somebody who is not on record yet, of this name
    std::string name, role, uid; ///< with a client on record, the id is one more under which they send; may be empty
    std::string exercise;
    std::filesystem::path clip; ///< where the file lies for good
    std::string sha256;
    std::string received;             ///< ISO date
    std::vector<std::string> flags{}; ///< they add to those that are known; only the client's own page takes one away
    std::optional<Consent> consent{};
    std::function<void(ReviewInputs&)> fill{}; ///< what else is known of the clip, over its draft; may be empty
};

/// Client, id, flags, consent and clip together, or nothing of it. @param usual see newDraft()
/// @returns the clip's id @errors those of Library::addClient and addClip
Result<int64_t> takeIn(Library& library, const Arrival& arrival, const Schools& usual);

/// The same for a clip that waits already and was of somebody or something else; its file stays.
/// @errors those of takeIn; NotFound, Conflict when it has been answered
Result<void> correct(Library& library, int64_t clip, const Arrival& arrival, const Schools& usual);

/// Whose a parcel is, as a person has said.
struct Sender {
    bool chosen = false;
    int64_t client = 0; ///< 0 = nobody who is on record yet
};

/// What a client has practised comes to the library: theirs by the id that the note tells, else by a name that only one
/// has. @param likely whose it is when names do not tell; 0 = nobody @returns the client's id
/// @errors Ambiguous (whose is it?), NotFound (nobody of this name is on record), WriteFailed
Result<int64_t> takePractice(Library& library, const PracticeNote& note, int64_t likely = 0);

/// Puts a clip that came with a parcel into the library. It is its client's by the id that it tells; without one, a
/// name that nobody on record has is a new client, and one that is written like a known one is a question.
/// @param clip where the file lies for good @param today ISO date, for parcels that do not say when they were sent
/// @returns the clip's id @errors Ambiguous (whose is it?), Conflict (the same file and note for the same client and
/// exercise are there already), Unsupported (the same file with another note), those of the other takeIn
Result<int64_t> takeIn(Library& library, const Parcel& parcel, const std::filesystem::path& clip,
                       const std::string& sha256, const std::string& today, const Schools& usual,
                       const Sender& sender = {});

} // namespace deft
