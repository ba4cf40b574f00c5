// SPDX-License-Identifier: GPL-3.0-or-later
// Taking a client's videos, or everything of a client, out of the library for good.
#include "base/files.h"
#include "base/json.h"
#include "records/parcel.h"
#include "store/cache_names.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <algorithm>
#include <regex>
#include <set>

namespace deft {
using namespace sql;
namespace {

namespace fs = std::filesystem;

bool liesIn(const fs::path& file, const fs::path& folder) {
    std::error_code ec;
    const auto from = fs::weakly_canonical(file, ec).lexically_relative(fs::weakly_canonical(folder, ec));
    return !from.empty() && *from.begin() != "..";
}

std::vector<fs::path> filesIn(const fs::path& folder) {
    std::vector<fs::path> files;
    std::error_code ec;
    for (fs::directory_iterator it(folder, ec), end; !ec && it != end; it.increment(ec))
        if (it->symlink_status(ec).type() == fs::file_type::regular) files.push_back(it->path());
    return files;
}

bool beginsWithOne(const std::string& name, const std::vector<std::string>& beginnings) {
    return std::any_of(beginnings.begin(), beginnings.end(), [&](const auto& b) { return name.starts_with(b); });
}

/// The clip that a note beside it names, or the upload that a note in .uploads describes.
fs::path filmOf(const fs::path& note, const Parcel& parcel) {
    return note.parent_path().filename() == ".uploads" ? fs::path(note).replace_extension(".part")
                                                       : note.parent_path() / parcel.clip;
}

/// What came for a client, or is a film of these, and has not been taken in: films, notes, uploads that are not whole.
/// Notes come last: one that is still there leads to its film, if the program is killed while these are removed.
/// @param onlyOne is nobody else of that name on record? Else a note without an id may be theirs.
std::vector<fs::path> arrived(const Catalogue& catalogue, const fs::path& inbox, const Client& client, bool onlyOne,
                              const std::set<std::string>& films) {
    std::set<fs::path> found;
    for (const fs::path& folder : {inbox, inbox / ".uploads"})
        for (const fs::path& file : filesIn(folder)) {
            if (file.extension() == ".json") {
                const auto json = readJsonFile(file);
                if (json && isPracticeNote(*json)) {
                    const auto home = parsePracticeNote(catalogue, *json, "note");
                    if (home && (home->clientUid.empty() ? onlyOne && nameKey(home->client) == nameKey(client.name)
                                                         : home->clientUid == client.uid))
                        found.insert(file);
                    continue;
                }
                const auto parcels = json.and_then([&](const Json& j) { return parseParcels(catalogue, j, "note"); });
                if (!parcels) continue;
                const Parcel& first = parcels->front();
                const bool theirs = first.clientUid.empty() ? onlyOne && nameKey(first.client) == nameKey(client.name)
                                                            : first.clientUid == client.uid;
                if (!theirs && std::none_of(parcels->begin(), parcels->end(),
                                            [&](const Parcel& p) { return films.count(p.sha256) > 0; }))
                    continue;
                found.insert(file);
                for (const Parcel& parcel : *parcels)
                    if (std::error_code ec; fs::exists(filmOf(file, parcel), ec)) found.insert(filmOf(file, parcel));
            } else if (const auto sum = sha256OfFile(file); sum && films.count(*sum)) {
                found.insert(file);
            }
        }
    std::vector<fs::path> files(found.begin(), found.end());
    std::stable_partition(files.begin(), files.end(), [](const fs::path& f) { return f.extension() != ".json"; });
    return files;
}

} // namespace

Result<Erasure> Library::whatErasingTakes(int64_t client, Erasing what) const {
    Erasure erasure;
    const auto ok = reading([&]() -> Result<void> {
        erasure = gatherErasure(client, what);
        return {};
    });
    return ok ? Result<Erasure>(erasure) : tl::unexpected(ok.error());
}

Erasure Library::gatherErasure(int64_t client, Erasing what) const {
    Erasure erasure;
    const auto isOfOthers = [&, all = clips()](auto same) {
        return std::any_of(all.begin(), all.end(), [&](const Clip& c) { return c.client != client && same(c.draft); });
    };
    const auto add = [](std::vector<fs::path>& list, const fs::path& file) {
        if (std::find(list.begin(), list.end(), file) == list.end()) list.push_back(file);
    };
    std::vector<std::string> kept, copies; // beginnings of names in cache/ and clips/
    std::set<std::string> films;
    for (const Clip& c : clipsOf(client)) {
        ++erasure.clips;
        const fs::path file = c.draft.clipPath;
        std::error_code ec;
        if (!isOfOthers([&](const ReviewInputs& other) { return other.clipSha256 == c.draft.clipSha256; })) {
            kept.push_back(cachePrefix(c.draft.clipSha256));
            copies.push_back(c.draft.clipSha256.substr(0, kClipNameLength));
            films.insert(c.draft.clipSha256);
        }
        if (!fs::exists(file, ec) ||
            isOfOthers([&](const ReviewInputs& other) { return other.clipPath == c.draft.clipPath; }))
            continue;
        add(liesIn(file, folder_) ? erasure.files : erasure.outside, file);
    }
    for (const auto& [folder, beginnings] : {std::pair{"cache", &kept}, std::pair{"clips", &copies}})
        for (const fs::path& file : filesIn(folder_ / folder))
            if (beginsWithOne(file.filename().string(), *beginnings)) add(erasure.files, file);
    const auto reviews = reviewsOf(client);
    std::vector<std::string> answers; // answer-7.html, answer-7.mp4, answer-7-2.eml
    for (const int64_t id : reviews)
        for (const char* after : {".", "-"}) answers.push_back("answer-" + std::to_string(id) + after);
    if (const fs::path shown = folder_ / "cache" / "practice-page.html"; fs::exists(shown))
        add(erasure.files, shown); // whoever it was made for last
    if (what == Erasing::Everything)
        for (const GivenProgramme& g : programmes(client)) answers.push_back("programme-" + std::to_string(g.id) + ".");
    for (const char* folder : {"answers", "outbox"})
        for (const fs::path& file : filesIn(folder_ / folder))
            if (beginsWithOne(file.filename().string(), answers)) add(erasure.files, file);
    if (const auto who = this->client(client))
        for (const fs::path& file : arrived(*catalogue(), inbox_, *who, clientsLike(who->name).size() == 1, films))
            add(erasure.files, file);
    if (what == Erasing::Everything) erasure.reviews = int(reviews.size());
    return erasure;
}

Result<Erasure> Library::erase(int64_t client, Erasing what) {
    // From here on it will be ended, by the next start if not by this one.
    auto begun = transaction([&] {
        return run(QStringLiteral("INSERT OR REPLACE INTO erasing (client, what, inbox) VALUES (?, ?, ?)"),
                   {qlonglong(client), int(what), q(inbox_.string())});
    });
    if (!begun) return tl::unexpected(begun.error());
    const auto giveUp = [&](Errc code, Message why) { // nothing is gone yet: it is to be asked for again
        (void)run(QStringLiteral("DELETE FROM erasing WHERE client = ?"), {qlonglong(client)});
        return fail(code, std::move(why));
    };
    Erasure erasure;
    std::string name;
    std::vector<int64_t> reviews;
    const auto known = reading([&]() -> Result<void> {
        erasure = gatherErasure(client, what);
        name = this->client(client).value_or(Client{}).name;
        reviews = reviewsOf(client);
        return {};
    });
    if (!known) return giveUp(known.error().code, known.error().message);
    for (const fs::path& file : erasure.files) {
        std::error_code ec;
        if (fs::remove(file, ec) || !ec) continue;
        const std::string why = ec.message();
        return giveUp(Errc::WriteFailed, {"{file} could not be removed ({why}); the records are still there",
                                          {{"file", file.string()}, {"why", why}}});
    }
    const QString of = QStringLiteral("IN (SELECT id FROM review WHERE client = ?)"),
                  waiting = QStringLiteral("DELETE FROM clip WHERE client = ? AND id NOT IN (SELECT clip FROM review)");
    const QStringList statements =
        what == Erasing::Videos ? QStringList{QStringLiteral("DELETE FROM unsent WHERE review ") + of,
                                              QStringLiteral("DELETE FROM mail WHERE review ") + of,
                                              QStringLiteral("UPDATE answer SET html = '' WHERE review ") + of, waiting}
                                : QStringList{QStringLiteral("DELETE FROM unsent WHERE review ") + of,
                                              QStringLiteral("DELETE FROM mail WHERE review ") + of,
                                              QStringLiteral("DELETE FROM not_expected WHERE review ") + of,
                                              QStringLiteral("DELETE FROM visit WHERE review ") + of,
                                              QStringLiteral("DELETE FROM answer WHERE review ") + of,
                                              QStringLiteral("DELETE FROM reading WHERE review ") + of,
                                              QStringLiteral("DELETE FROM review WHERE client = ?"),
                                              QStringLiteral("DELETE FROM clip WHERE client = ?"),
                                              QStringLiteral("DELETE FROM consent WHERE client = ?"),
                                              QStringLiteral("DELETE FROM programme WHERE client = ?"),
                                              QStringLiteral("DELETE FROM practised WHERE client = ?"),
                                              QStringLiteral("DELETE FROM known_as WHERE client = ?"),
                                              QStringLiteral("DELETE FROM client WHERE id = ?")};
    auto ok = transaction([&]() -> Result<void> {
        for (const QString& sql : statements)
            if (auto r = run(sql, {qlonglong(client)}); !r) return r;
        if (what == Erasing::Videos)
            for (const int64_t review : reviews)
                if (auto r = seal("answer", review); !r) return r;
        // What was put aside names clips that are gone, and perhaps the person.
        if (auto r = run(QStringLiteral("DELETE FROM aside WHERE (kind IN ('measuring', 'proposing', 'picture') AND "
                                        "CAST(subject AS INTEGER) NOT IN "
                                        "(SELECT id FROM clip)) OR (kind = 'mail' AND CAST(subject AS INTEGER) NOT IN "
                                        "(SELECT id FROM review))"));
            !r)
            return r;
        const std::string inJson = toLine(Json(name)); // in quotation marks, as it stands in a message
        if (!name.empty())
            if (auto r = run(QStringLiteral("DELETE FROM aside WHERE instr(why, ?) OR instr(subject, ?)"),
                             {q(inJson.substr(1, inJson.size() - 2)), q(name)});
                !r)
                return r;
        return audit(what == Erasing::Videos ? "videos erased" : "client erased", client);
    });
    if (!ok) return tl::unexpected(ok.error());
    if (auto folded = foldTraces(); !folded)
        erasure.traces = folded.error().message;
    else
        (void)run(QStringLiteral("DELETE FROM erasing WHERE client = ?"), {qlonglong(client)});
    return erasure;
}

/// What was written over still stands in pages that are free now, and in the log until it is folded into the database.
Result<void> Library::foldTraces() const {
    if (auto ok = run(QStringLiteral("VACUUM")); !ok) return ok;
    int busy = 1;
    each(QStringLiteral("PRAGMA wal_checkpoint(TRUNCATE)"), {},
         [&](const QSqlQuery& row) { busy = row.value(0).toInt(); });
    if (busy) return fail(Errc::WriteFailed, "the database's log could not be folded in");
    return {};
}

Result<void> Library::finishErasures() {
    struct Begun {
        int64_t client;
        Erasing what;
        fs::path inbox;
    };
    std::vector<Begun> begun;
    const auto known = reading([&]() -> Result<void> {
        each(QStringLiteral("SELECT client, what, inbox FROM erasing"), {}, [&](const QSqlQuery& row) {
            begun.push_back({row.value(0).toLongLong(), Erasing(row.value(1).toInt()), s(row.value(2))});
        });
        return {};
    });
    if (!known) return known;
    const fs::path own = inbox_;
    for (const Begun& b : begun) {
        inbox_ = b.inbox; // where clips came in then
        const auto done = erase(b.client, b.what);
        inbox_ = own;
        if (!done)
            return fail(done.error().code, {"An erasure that had been begun could not be ended: {what}",
                                            {{"what", done.error().message}}});
    }
    return {};
}

/// What a kill left: files half written, pages and mails of reviews that were never filed, what was kept of clips that
/// are gone, and what was spoken and not kept.
Result<void> Library::sweep() {
    static const std::regex half(R"(.*\.part[A-Za-z0-9]{6}(\.[a-z0-9]+)?)"), answer(R"(answer-(\d+)[.-].*)"),
        voice(R"([0-9a-f]+-voice-\d+\.wav)");
    std::set<std::string> films, reviews, voices;
    const auto known = reading([&]() -> Result<void> {
        each(QStringLiteral(
                 "SELECT json_extract(draft, '$.clip_sha256'), json_extract(draft, '$.spoken.voice') FROM clip"),
             {}, [&](const QSqlQuery& row) {
                 films.insert(cachePrefix(s(row.value(0))));
                 voices.insert(fs::path(s(row.value(1))).filename().string());
             });
        each(QStringLiteral("SELECT id FROM review"), {},
             [&](const QSqlQuery& row) { reviews.insert(s(row.value(0))); });
        return {};
    });
    if (!known) return known;
    std::error_code ec;
    for (const fs::path& folder : {folder_, folder_ / "answers", folder_ / "outbox", folder_ / "cache",
                                   folder_ / "clips", folder_ / "exercises", folder_ / "programmes", inbox_})
        for (const fs::path& file : filesIn(folder)) {
            const std::string name = file.filename().string();
            std::smatch found;
            const bool orphan = folder == folder_ / "clips" ? std::regex_match(name, voice) && !voices.count(name)
                                : (folder == folder_ / "answers" || folder == folder_ / "outbox")
                                    ? std::regex_match(name, found, answer) && !reviews.count(found[1].str())
                                    : folder == folder_ / "cache" &&
                                          !films.count(name.substr(0, cachePrefix(std::string(64, '0')).size()));
            if (orphan || std::regex_match(name, half)) fs::remove(file, ec);
        }
    return {};
}

Result<void> Library::removeClip(int64_t id) {
    const auto of = clip(id);
    if (!of) return fail(Errc::NotFound, "the clip is not in this library any more");
    if (of->filed)
        return fail(Errc::Conflict,
                    "this clip has been answered and stays on record; erase the client's videos instead");
    std::vector<Clip> all;
    const auto shared = [&](auto same) {
        return std::any_of(all.begin(), all.end(), [&](const Clip& c) { return c.id != id && same(c.draft); });
    };
    auto ok = transaction([&]() -> Result<void> {
        all = clips();
        if (auto r = run(QStringLiteral("DELETE FROM clip WHERE id = ?"), {qlonglong(id)}); !r) return r;
        if (auto r = run(QStringLiteral("DELETE FROM aside WHERE kind IN ('measuring', 'proposing', "
                                        "'picture') AND subject = ?"),
                         {QString::number(id)});
            !r)
            return r;
        return audit("clip removed", id);
    });
    if (!ok) return ok;
    std::error_code ec;
    if (!shared([&](const ReviewInputs& o) { return o.clipSha256 == of->draft.clipSha256; })) {
        for (const fs::path& file : filesIn(folder_ / "cache"))
            if (file.filename().string().starts_with(cachePrefix(of->draft.clipSha256))) fs::remove(file, ec);
        for (const fs::path& file : filesIn(folder_ / "clips"))
            if (file.filename().string().starts_with(voicePrefix(of->draft.clipSha256))) fs::remove(file, ec);
        if (liesIn(of->draft.clipPath, folder_)) fs::remove(of->draft.clipPath, ec);
    }
    return {};
}

} // namespace deft
