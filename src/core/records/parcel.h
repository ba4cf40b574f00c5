// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "judgement/case.h"
#include "marks/clip_info.h"
#include "records/consent.h"

namespace deft {

/// What a client sends along with a clip: file format `deft-mirror-parcel` 1 (docs/formats.md).
struct Parcel {
    std::string clientUid; ///< `client_id`: the same in all that a client sends; empty = not told
    std::string client, role, exercise, side = "both";
    std::string clip;             ///< name of the clip's file, in the same folder; no path
    std::string sha256;           ///< of the clip as it was sent; empty = not told
    std::optional<FilmPart> part; ///< of the film that is meant; nothing = all of it
    std::string sent, answerBy;   ///< ISO dates; may be empty
    std::vector<std::string> flags;
    ClientNote note;
    std::optional<Target> asked;    ///< as the client remembers it
    std::optional<Consent> consent; ///< what the client agrees to from now on; nothing = as before
};

/// @errors BadFormat naming file, path, what was expected and found; NewerVersion; NotFound for unknown words of the
/// trade
Result<Parcel> parseParcel(const Catalogue& catalogue, const Json& json, const std::string& where);
/// One that may list several clips, or several parts of one, in `clips`, each with its own clip, exercise, side,
/// sha256, part and target: a parcel for each, with what else it says. At least one. @errors as above
Result<std::vector<Parcel>> parseParcels(const Catalogue& catalogue, const Json& json, const std::string& where);
Json toJson(const Parcel& parcel);

} // namespace deft
