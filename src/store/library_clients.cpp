// Who the clients are, and what they have agreed to.
#include "store/library.h"
#include "store/sql_values.h"

#include <QSqlQuery>

namespace deft {
using namespace sql;

Result<int64_t> Library::addClient(const std::string& name, const std::string& role,
                                   const std::vector<std::string>& flags) {
    int64_t id = 0;
    auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO client (name, role, flags) VALUES (?, ?, ?)"),
                         {q(name), q(role), text(Json(flags))}, &id);
            !r)
            return r;
        return audit("client added", id);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

Result<void> Library::setFlags(int64_t client, const std::vector<std::string>& flags) {
    for (const Client& c : clients())
        if (c.id == client && c.flags == flags) return {}; // the audit tells of changes only
    return transaction([&]() -> Result<void> {
        if (auto r =
                run(QStringLiteral("UPDATE client SET flags = ? WHERE id = ?"), {text(Json(flags)), qlonglong(client)});
            !r)
            return r;
        return audit("intake flags changed", client);
    });
}

std::vector<Client> Library::clients() const {
    std::vector<Client> out;
    QSqlQuery query(QStringLiteral("SELECT id, name, role, flags, wants, address FROM client ORDER BY name"),
                    QSqlDatabase::database(connection_));
    while (query.next()) {
        Client c{query.value(0).toLongLong(),
                 s(query.value(1)),
                 s(query.value(2)),
                 parse(query.value(3)).get<std::vector<std::string>>(),
                 s(query.value(4)),
                 s(query.value(5)),
                 std::nullopt};
        if (auto given = consents(c.id); !given.empty()) c.consent = std::move(given.back());
        out.push_back(std::move(c));
    }
    return out;
}

Result<void> Library::setAbout(int64_t client, const std::string& wants, const std::string& address) {
    return run(QStringLiteral("UPDATE client SET wants = ?, address = ? WHERE id = ?"),
               {q(wants), q(address), qlonglong(client)});
}

Coach Library::coach() const {
    QSqlQuery query(QStringLiteral("SELECT name, address FROM coach"), QSqlDatabase::database(connection_));
    return query.next() ? Coach{s(query.value(0)), s(query.value(1))} : Coach();
}

Result<void> Library::setCoach(const Coach& coach) {
    return run(QStringLiteral("INSERT OR REPLACE INTO coach (id, name, address) VALUES (1, ?, ?)"),
               {q(coach.name), q(coach.address)});
}

int64_t Library::clientOfReview(int64_t review) const {
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(QStringLiteral("SELECT client FROM review WHERE id = ?"));
    query.addBindValue(qlonglong(review));
    query.exec();
    return query.next() ? query.value(0).toLongLong() : 0;
}

Correspondents Library::correspondents(int64_t client, const std::string& coach) const {
    const Coach own = this->coach();
    Correspondents who{coach.empty() ? own.name : coach, own.address, {}};
    for (const Client& c : clients())
        if (c.id == client) who.clientAddress = c.address;
    return who;
}

Result<void> Library::recordConsent(int64_t client, const Consent& consent) {
    if (const auto before = consents(client); !before.empty() && before.back() == consent) return {};
    return transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO consent (client, consent, recorded_at) VALUES (?, ?, ?)"),
                         {qlonglong(client), text(toJson(consent)), now()});
            !r)
            return r;
        return audit(consent.scopes.empty() ? "consent withdrawn" : "consent recorded", client);
    });
}

std::vector<Consent> Library::consents(int64_t client) const {
    std::vector<Consent> out;
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(QStringLiteral("SELECT consent FROM consent WHERE client = ? ORDER BY id"));
    query.addBindValue(qlonglong(client));
    query.exec();
    while (query.next())
        if (auto consent = parseConsent(parse(query.value(0)), "library")) out.push_back(std::move(*consent));
    return out;
}

} // namespace deft
