// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "programme/practice_note.h"
#include "records/parcel.h"

#include <filesystem>

namespace deft {

/// A folder into which clients' clips are put, by a phone's synchronisation, by the upload service or by hand: a clip
/// and, beside it, a parcel file that names it. The parcel file comes last; a clip that nothing names waits.
struct InboxContent {
    struct Item {
        std::filesystem::path note;
        std::vector<Parcel> parcels; ///< one for each clip; at least one
        size_t next = 0;             ///< which of them is to be taken in
        const Parcel& parcel() const { return parcels[next]; }
        bool isLast() const { return next + 1 == parcels.size(); }
    };
    struct Refusal {
        std::filesystem::path file;
        Message why; ///< one sentence without a full stop
    };
    struct Home {
        std::filesystem::path file;
        PracticeNote note;
    };
    std::vector<Item> ready;
    std::vector<Home> home;                   ///< notes of what was practised
    std::vector<Refusal> refused;             ///< cannot be taken in as they are
    std::vector<std::filesystem::path> loose; ///< clips without a parcel file
};

/// Reads the parcel files; clips are not opened. @errors NotReadable when the folder is not there (a device that was
/// unplugged)
Result<InboxContent> lookIntoInbox(const Catalogue& catalogue, const std::filesystem::path& folder);

struct KeptClip {
    std::filesystem::path path;
    std::string sha256;
};

/// Does the name end as a film's does?
bool isFilmName(const std::string& name);

/// Copies a film into `home` under a name that tells its content; what is there already is not copied again.
/// @param told the sum that it should have; empty = not told @errors those of keepClip
Result<KeptClip> keepFilm(const std::filesystem::path& from, const std::string& told, const std::filesystem::path& home,
                          StopToken stop = {}, const ProgressFn& progress = {});

/// Copies the clip of a parcel into `home`, under a name that tells its content, and checks that it can be opened. The
/// inbox is left as it is, so nothing is lost whenever this ends.
/// @errors NotFound, BadFormat (not the clip that was sent; not a clip), TooShort, WriteFailed (disk full), Cancelled
Result<KeptClip> keepClip(const InboxContent::Item& item, const std::filesystem::path& home, StopToken stop = {},
                          const ProgressFn& progress = {});

/// Copies the films and notes that lie in a folder (a phone's, a memory card's) into the inbox: films first, so that a
/// note finds its own; nothing is taken from the folder. What the inbox has already is passed over.
/// @returns how many files were copied @errors NotReadable, Conflict (another file of that name is there), WriteFailed
/// (disk full), Cancelled
Result<int> takeOver(const std::filesystem::path& folder, const std::filesystem::path& inbox, StopToken stop = {},
                     const ProgressFn& progress = {});

/// Takes note and clips out of the inbox, once all of them are safe in the library. What cannot be removed stays and is
/// known to be there already next time.
void clearFromInbox(const InboxContent::Item& item);

} // namespace deft
