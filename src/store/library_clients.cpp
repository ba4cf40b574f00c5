// SPDX-License-Identifier: GPL-3.0-or-later
// Who the clients are, and what they have agreed to.
#include "base/json.h"
#include "review/review_json.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <QUuid>
#include <algorithm>

namespace deft {
using namespace sql;

std::string nameKey(const std::string& name) {
    return q(name).normalized(QString::NormalizationForm_KC).simplified().toCaseFolded().toStdString();
}

Result<int64_t> Library::addClient(const std::string& name, const std::string& role,
                                   const std::vector<std::string>& flags, const std::string& uid) {
    int64_t id = 0;
    const QString own = uid.empty() ? QUuid::createUuid().toString(QUuid::WithoutBraces) : q(uid);
    const QString tidy = q(name).normalized(QString::NormalizationForm_C).simplified();
    auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO client (name, role, flags, uid) VALUES (?, ?, ?, ?)"),
                         {tidy, q(role), text(Json(flags)), own}, &id);
            !r)
            return r;
        if (auto r = seal("client", id); !r) return r;
        return audit("client added", id);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

Result<void> Library::setFlags(int64_t client, const std::vector<std::string>& flags) {
    if (const auto now = this->client(client); now && now->flags == flags) return {}; // the audit tells of changes only
    return transaction([&]() -> Result<void> {
        if (auto r =
                run(QStringLiteral("UPDATE client SET flags = ? WHERE id = ?"), {text(Json(flags)), qlonglong(client)});
            !r)
            return r;
        if (auto r = seal("client", client); !r) return r;
        return audit("intake flags changed", client);
    });
}

std::vector<Client> Library::readClients(const QString& which, const QVariantList& values) const {
    std::vector<Client> out;
    each(QStringLiteral("SELECT id, uid, name, role, flags, wants, address, (SELECT consent FROM consent WHERE "
                        "consent.client = client.id ORDER BY consent.id DESC LIMIT 1), language FROM client ") +
             which,
         values, [&](const QSqlQuery& row) {
             Client c{row.value(0).toLongLong(), s(row.value(1)), s(row.value(2)), s(row.value(3)), {},
                      s(row.value(5)),           s(row.value(6)), s(row.value(8)), std::nullopt};
             const std::string place = "the intake flags of " + c.name;
             const auto flags = parseJson(s(row.value(4)), place).and_then([&](const Json& j) {
                 return readMembers(
                     place, [&]() -> Result<std::vector<std::string>> { return j.get<std::vector<std::string>>(); });
             });
             if (flags) {
                 c.flags = *flags;
             } else { // without them nothing would be locked that should be
                 trouble({"{what}; until they are written down again every flag counts for this client",
                          {{"what", flags.error().message}}});
                 for (const auto& [id, flag] : catalogue()->safety().flags) c.flags.push_back(id);
             }
             if (!row.value(7).isNull()) c.consent = readConsent(s(row.value(7)));
             out.push_back(std::move(c));
         });
    return out;
}

std::vector<Client> Library::clients() const { return readClients(QStringLiteral("ORDER BY name"), {}); }

std::optional<Client> Library::client(int64_t id) const {
    auto found = readClients(QStringLiteral("WHERE id = ?"), {qlonglong(id)});
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

std::optional<Client> Library::clientOf(const std::string& uid) const {
    int64_t id = 0;
    if (!uid.empty())
        each(QStringLiteral("SELECT id FROM client WHERE uid = ? UNION SELECT client FROM known_as WHERE uid = ?"),
             {q(uid), q(uid)}, [&](const QSqlQuery& row) { id = row.value(0).toLongLong(); });
    return id ? client(id) : std::nullopt;
}

Result<void> Library::alsoKnownAs(int64_t client, const std::string& uid) {
    return transaction([&] {
        return run(QStringLiteral("INSERT OR REPLACE INTO known_as (uid, client) VALUES (?, ?)"),
                   {q(uid), qlonglong(client)});
    });
}

std::vector<Client> Library::clientsLike(const std::string& name) const {
    std::vector<Client> out = clients();
    std::erase_if(out, [key = nameKey(name)](const Client& c) { return nameKey(c.name) != key; });
    return out;
}

Result<void> Library::rename(int64_t client, const std::string& name) {
    const QString tidy = q(name).normalized(QString::NormalizationForm_C).simplified();
    if (tidy.isEmpty()) return fail(Errc::BadFormat, "a client needs a name");
    return transaction([&]() -> Result<void> {
        std::vector<Clip> waiting = clipsOf(client);
        std::erase_if(waiting, [](const Clip& c) { return c.filed; });
        if (auto r = run(QStringLiteral("UPDATE client SET name = ? WHERE id = ?"), {tidy, qlonglong(client)}); !r)
            return r;
        if (auto r = seal("client", client); !r) return r;
        for (Clip& c : waiting) {
            c.draft.client = tidy.toStdString();
            if (auto r = writeDraft(c.id, c.draft); !r) return r;
        }
        return audit("client renamed", client);
    });
}

Result<void> Library::merge(int64_t from, int64_t into) {
    return transaction([&]() -> Result<void> {
        const auto gone = client(from), kept = client(into);
        if (!gone || !kept || from == into) return fail(Errc::NotFound, "merging takes two clients of this library");
        std::vector<std::string> flags = kept->flags; // none that is known is lost
        for (const std::string& flag : gone->flags)
            if (std::find(flags.begin(), flags.end(), flag) == flags.end()) flags.push_back(flag);
        const auto either = [](const std::string& first, const std::string& second) {
            return first.empty() ? second : first;
        };
        std::vector<Clip> waiting = clipsOf(from);
        for (Clip& c : clipsOf(into)) waiting.push_back(std::move(c));
        std::erase_if(waiting, [](const Clip& c) { return c.filed; });
        if (auto r = run(
                QStringLiteral("UPDATE client SET flags = ?, role = ?, wants = ?, address = ?, language = ? WHERE id "
                               "= ?"),
                {text(Json(flags)), q(either(kept->role, gone->role)), q(either(kept->wants, gone->wants)),
                 q(either(kept->address, gone->address)), q(either(kept->language, gone->language)), qlonglong(into)});
            !r)
            return r;
        // Of a day that both tell of, and of two programmes that are being made, the kept one's stays.
        for (const char* sql : {"DELETE FROM practised WHERE client = ?1 AND day IN (SELECT day FROM practised WHERE "
                                "client = ?2)",
                                "DELETE FROM programme WHERE client = ?1 AND given_at = '' AND EXISTS (SELECT 1 FROM "
                                "programme WHERE client = ?2 AND given_at = '')"})
            if (auto r = run(QString::fromLatin1(sql), {qlonglong(from), qlonglong(into)}); !r) return r;
        for (const char* table : {"clip", "review", "consent", "programme", "practised"}) {
            std::vector<int64_t> rows;
            each(QStringLiteral("SELECT id FROM %1 WHERE client = ?").arg(QString::fromLatin1(table)),
                 {qlonglong(from)}, [&](const QSqlQuery& row) { rows.push_back(row.value(0).toLongLong()); });
            for (const int64_t row : rows) {
                if (auto r =
                        run(QStringLiteral("UPDATE %1 SET client = ? WHERE id = ?").arg(QString::fromLatin1(table)),
                            {qlonglong(into), qlonglong(row)});
                    !r)
                    return r;
                if (auto r = seal(table, row); !r) return r;
            }
        }
        for (Clip& c : waiting) { // what waits is judged with every flag of the person
            c.draft.client = kept->name;
            for (const std::string& flag : flags)
                if (std::find(c.draft.flags.begin(), c.draft.flags.end(), flag) == c.draft.flags.end())
                    c.draft.flags.push_back(flag);
            if (auto r = writeDraft(c.id, c.draft); !r) return r;
        }
        if (auto r = run(QStringLiteral("UPDATE known_as SET client = ? WHERE client = ?"),
                         {qlonglong(into), qlonglong(from)});
            !r)
            return r;
        if (auto r = run(QStringLiteral("INSERT OR REPLACE INTO known_as (uid, client) VALUES (?, ?)"),
                         {q(gone->uid), qlonglong(into)});
            !r)
            return r;
        if (auto r = run(QStringLiteral("DELETE FROM client WHERE id = ?"), {qlonglong(from)}); !r) return r;
        if (auto r = seal("client", into); !r) return r;
        return audit("clients merged", into);
    });
}

Result<void> Library::setAbout(int64_t client, const std::string& wants, const std::string& address) {
    return transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("UPDATE client SET wants = ?, address = ? WHERE id = ?"),
                         {q(wants), q(address), qlonglong(client)});
            !r)
            return r;
        return seal("client", client);
    });
}

Result<void> Library::setLanguage(int64_t client, const std::string& language) {
    if (const auto now = this->client(client); now && now->language == language) return {};
    return transaction([&]() -> Result<void> {
        std::vector<Clip> waiting = clipsOf(client);
        std::erase_if(waiting, [](const Clip& c) { return c.filed; });
        if (auto r =
                run(QStringLiteral("UPDATE client SET language = ? WHERE id = ?"), {q(language), qlonglong(client)});
            !r)
            return r;
        for (Clip& c : waiting) {
            c.draft.language = language;
            if (auto r = writeDraft(c.id, c.draft); !r) return r;
        }
        return audit("client's language changed", client);
    });
}

Coach Library::coach() const {
    Coach coach;
    each(QStringLiteral("SELECT name, address FROM coach"), {}, [&](const QSqlQuery& row) {
        coach = {s(row.value(0)), s(row.value(1))};
    });
    return coach;
}

Result<void> Library::setCoach(const Coach& coach) {
    return transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT OR REPLACE INTO coach (id, name, address) VALUES (1, ?, ?)"),
                         {q(coach.name), q(coach.address)});
            !r)
            return r;
        return seal("coach", 1);
    });
}

Correspondents Library::correspondents(int64_t client, const std::string& coach) const {
    const Coach own = this->coach();
    Correspondents who{coach.empty() ? own.name : coach, own.address, {}};
    if (const auto c = this->client(client)) {
        who.clientAddress = c->address;
        who.pictures = allowsPictures(c->consent, today());
    }
    return who;
}

Result<void> Library::recordConsent(int64_t client, const Consent& consent) {
    return transaction([&]() -> Result<void> {
        if (const auto before = consents(client); !before.empty() && before.back() == consent) return {};
        int64_t id = 0;
        if (auto r = run(QStringLiteral("INSERT INTO consent (client, consent, recorded_at) VALUES (?, ?, ?)"),
                         {qlonglong(client), text(toJson(consent)), now()}, &id);
            !r)
            return r;
        if (auto r = seal("consent", id); !r) return r;
        return audit(consent.scopes.empty() ? "consent withdrawn" : "consent recorded", client);
    });
}

std::optional<Consent> Library::readConsent(const std::string& json) const {
    auto consent = parseJson(json, "a recorded consent").and_then([&](const Json& j) {
        return parseConsent(catalogue()->safety(), j, "a recorded consent");
    });
    if (consent) return std::move(*consent);
    trouble({"A consent cannot be read: {what}. It is kept.", {{"what", consent.error().message}}});
    return std::nullopt;
}

std::vector<Consent> Library::consents(int64_t client) const {
    std::vector<Consent> out;
    each(QStringLiteral("SELECT consent FROM consent WHERE client = ? ORDER BY id"), {qlonglong(client)},
         [&](const QSqlQuery& row) {
             if (auto consent = readConsent(s(row.value(0)))) out.push_back(std::move(*consent));
         });
    return out;
}

} // namespace deft
