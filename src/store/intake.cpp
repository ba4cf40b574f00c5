// SPDX-License-Identifier: GPL-3.0-or-later
#include "store/intake.h"

#include "base/json.h"

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
    if (const auto c = library.client(client))
        in.client = c->name, in.clientRole = c->role, in.flags = c->flags, in.language = c->language;
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

bool isSameClip(const ReviewInputs& in, const std::string& sha256, const Parcel& parcel) {
    return in.clipSha256 == sha256 && in.exercise == parcel.exercise && in.part == parcel.part;
}

/// @returns the client's id, 0 = a new one @errors Ambiguous
Result<int64_t> clientOf(const Library& library, const Parcel& parcel, const std::string& sha256,
                         const Sender& sender) {
    if (sender.chosen) return sender.client;
    if (const auto known = library.clientOf(parcel.clientUid)) return known->id;
    const auto alike = library.clientsLike(parcel.client);
    if (alike.empty()) return 0;
    for (const Client& c : alike) // the very same once more needs no question
        for (const Clip& clip : library.clipsOf(c.id))
            if (isSameClip(clip.draft, sha256, parcel) && toJson(clip.draft.note) == toJson(parcel.note)) return c.id;
    return fail(Errc::Ambiguous,
                {"a clip of {client} has come, and {name} is on record already; say whether it is the same person",
                 {{"client", parcel.client}, {"name", alike.front().name}}});
}

} // namespace

Result<int64_t> takePractice(Library& library, const PracticeNote& note, int64_t likely) {
    auto client = note.clientUid.empty() ? std::nullopt : library.clientOf(note.clientUid);
    if (!client) {
        const auto alike = library.clientsLike(note.client);
        const auto isLikely = [&](const Client& c) { return c.id == likely; };
        if (alike.empty())
            return fail(Errc::NotFound, {note.client.empty() ? "nobody on record has sent it"
                                                             : "nobody on record has sent it ({client})",
                                         {{"client", note.client}}});
        if (const auto it = std::find_if(alike.begin(), alike.end(), isLikely); it != alike.end())
            client = *it;
        else if (alike.size() == 1)
            client = alike.front();
        else
            return fail(
                Errc::Ambiguous,
                {"several clients are called {client}; open the programme of the one whose it is, and take it in there",
                 {{"client", note.client}}});
    }
    const auto ok = library.takePractice(client->id, note);
    return ok ? Result<int64_t>(client->id) : tl::unexpected(ok.error());
}

Result<int64_t> takeIn(Library& library, const Parcel& parcel, const std::filesystem::path& clip,
                       const std::string& sha256, const std::string& today, const Schools& usual,
                       const Sender& sender) {
    const auto whose = clientOf(library, parcel, sha256, sender);
    if (!whose) return whose;
    const int64_t client = *whose;
    for (const Clip& c : library.clipsOf(client))
        if (isSameClip(c.draft, sha256, parcel)) {
            if (toJson(c.draft.note) == toJson(parcel.note))
                return fail(Errc::Conflict,
                            {"this clip of {client} is in the library already", {{"client", parcel.client}}});
            // What a client writes later may be the pain that was not there before: a person has to look at it.
            return fail(Errc::Unsupported,
                        {"this clip of {client} is in the library already, but with another note; read both",
                         {{"client", parcel.client}}});
        }
    Arrival a;
    a.client = client, a.name = parcel.client, a.role = parcel.role;
    if (client == 0 || sender.chosen) a.uid = parcel.clientUid;
    a.exercise = parcel.exercise, a.clip = clip, a.sha256 = sha256;
    a.received = parcel.sent.empty() ? today : parcel.sent;
    a.flags = parcel.flags, a.consent = parcel.consent;
    a.fill = [&](ReviewInputs& in) {
        in.part = parcel.part, in.side = parcel.side, in.answerBy = parcel.answerBy, in.note = parcel.note;
        if (!parcel.asked) return;
        const std::string version = in.asked.version;
        in.asked = *parcel.asked;
        if (in.asked.version.empty()) in.asked.version = version;
    };
    return takeIn(library, a, usual);
}

namespace {

/// The client of an arrival, added or known by one more id; with what was told of their intake and consent.
/// @param flags those that are known, to which the told ones are added
Result<int64_t> clientOf(Library& library, const Arrival& a, std::vector<std::string>& flags) {
    int64_t client = a.client;
    if (client == 0) {
        const auto added = library.addClient(a.name, a.role, {}, a.uid);
        if (!added) return added;
        client = *added;
    } else if (!a.uid.empty()) {
        if (auto ok = library.alsoKnownAs(client, a.uid); !ok) return tl::unexpected(ok.error());
    }
    const auto known = library.client(client);
    if (!known) return fail(Errc::NotFound, "this client is not on record any more");
    flags = known->flags;
    for (const std::string& flag : a.flags)
        if (std::find(flags.begin(), flags.end(), flag) == flags.end()) flags.push_back(flag);
    if (auto ok = library.setFlags(client, flags); !ok) return tl::unexpected(ok.error());
    if (a.consent)
        if (auto ok = library.recordConsent(client, *a.consent); !ok) return tl::unexpected(ok.error());
    return client;
}

} // namespace

Result<int64_t> takeIn(Library& library, const Arrival& a, const Schools& usual) {
    int64_t clip = 0;
    const auto ok = library.asOne([&]() -> Result<void> {
        std::vector<std::string> flags;
        const auto client = clientOf(library, a, flags);
        if (!client) return tl::unexpected(client.error());
        ReviewInputs in = newDraft(library, *client, a.exercise, usual);
        in.clipPath = a.clip.string(), in.clipSha256 = a.sha256, in.date = a.received, in.flags = flags;
        if (a.fill) a.fill(in);
        const auto added = library.addClip(*client, a.received, in);
        if (!added) return tl::unexpected(added.error());
        clip = *added;
        return {};
    });
    return ok ? Result<int64_t>(clip) : tl::unexpected(ok.error());
}

Result<void> correct(Library& library, int64_t clip, const Arrival& a, const Schools& usual) {
    return library.asOne([&]() -> Result<void> {
        const auto before = library.clip(clip);
        if (!before) return fail(Errc::NotFound, "the clip is not in this library any more");
        ReviewInputs in = before->draft;
        const auto client = clientOf(library, a, in.flags);
        if (!client) return tl::unexpected(client.error());
        if (in.exercise != a.exercise || before->client != *client) {
            ReviewInputs fresh = newDraft(library, *client, a.exercise, usual);
            in.client = fresh.client, in.clientRole = fresh.clientRole;
            if (in.exercise != a.exercise) in.schools = fresh.schools, in.view.clear(), in.asked = fresh.asked;
            in.exercise = a.exercise;
        }
        if (a.fill) a.fill(in);
        return library.correct(clip, *client, std::move(in));
    });
}

} // namespace deft
