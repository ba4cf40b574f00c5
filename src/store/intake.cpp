// SPDX-License-Identifier: GPL-3.0-or-later
#include "store/intake.h"

#include <algorithm>

namespace deft {

ReviewInputs newDraft(const Library& library, int64_t client, const std::string& exercise, const Schools& usual) {
    ReviewInputs in;
    in.exercise = exercise;
    const CataloguePtr known = library.catalogue();
    if (const auto e = known->exercise(exercise)) {
        in.asked = firstTarget(*known, *e);
        for (const auto& [question, choice] : usual)
            if (known->inSchools(*e, {{question, choice}})) in.schools[question] = choice;
    }
    if (const auto c = library.client(client)) in.client = c->name, in.clientRole = c->role, in.flags = c->flags;
    in.coach = library.coach().name;
    if (const auto last = library.newestClip(); last && in.coach.empty()) in.coach = last->draft.coach;
    int64_t newest = 0;
    for (const Clip& c : library.clipsOf(client)) {
        if (c.draft.exercise != exercise || c.id < newest) continue;
        newest = c.id;
        in.schools = c.draft.schools;
    }
    if (const auto earlier = library.filed(client, exercise); !earlier.empty()) in.asked = earlier.back().past.target;
    return in;
}

namespace {

/// @returns the client's id, 0 = a new one @errors Ambiguous
Result<int64_t> clientOf(const Library& library, const Parcel& parcel, const std::string& sha256,
                         const Sender& sender) {
    if (sender.chosen) return sender.client;
    if (const auto known = library.clientOf(parcel.clientUid)) return known->id;
    const auto alike = library.clientsLike(parcel.client);
    if (alike.empty()) return 0;
    for (const Client& c : alike) // the very same once more needs no question
        for (const Clip& clip : library.clipsOf(c.id))
            if (clip.draft.clipSha256 == sha256 && clip.draft.exercise == parcel.exercise &&
                toJson(clip.draft.note) == toJson(parcel.note))
                return c.id;
    return fail(Errc::Ambiguous, "a clip of " + parcel.client + " has come, and " + alike.front().name +
                                     " is on record already; say whether it is the same person");
}

} // namespace

Result<int64_t> takeIn(Library& library, const Parcel& parcel, const std::filesystem::path& clip,
                       const std::string& sha256, const std::string& today, const Schools& usual,
                       const Sender& sender) {
    const auto whose = clientOf(library, parcel, sha256, sender);
    if (!whose) return whose;
    int64_t client = *whose;
    for (const Clip& c : library.clipsOf(client))
        if (c.draft.clipSha256 == sha256 && c.draft.exercise == parcel.exercise) {
            if (toJson(c.draft.note) == toJson(parcel.note))
                return fail(Errc::Conflict, "this clip of " + parcel.client + " is in the library already");
            // What a client writes later may be the pain that was not there before: a person has to look at it.
            return fail(Errc::Unsupported, "this clip of " + parcel.client +
                                               " is in the library already, but with another note; read both");
        }
    if (client == 0) {
        auto added = library.addClient(parcel.client, parcel.role, parcel.flags, parcel.clientUid);
        if (!added) return added;
        client = *added;
    } else if (sender.chosen && !parcel.clientUid.empty()) {
        if (auto ok = library.alsoKnownAs(client, parcel.clientUid); !ok) return tl::unexpected(ok.error());
    }
    ReviewInputs in = newDraft(library, client, parcel.exercise, usual);
    in.clipPath = clip.string(), in.clipSha256 = sha256;
    in.side = parcel.side;
    in.date = parcel.sent.empty() ? today : parcel.sent;
    in.answerBy = parcel.answerBy;
    in.note = parcel.note;
    // Flags add up: none that is known is lost because a parcel does not repeat it.
    for (const std::string& flag : parcel.flags)
        if (std::find(in.flags.begin(), in.flags.end(), flag) == in.flags.end()) in.flags.push_back(flag);
    if (auto ok = library.setFlags(client, in.flags); !ok) return tl::unexpected(ok.error());
    if (parcel.consent)
        if (auto ok = library.recordConsent(client, *parcel.consent); !ok) return tl::unexpected(ok.error());
    if (parcel.asked) {
        const std::string rung = in.asked.rung;
        in.asked = *parcel.asked;
        if (in.asked.rung.empty()) in.asked.rung = rung;
    }
    return library.addClip(client, in.date, in);
}

} // namespace deft
