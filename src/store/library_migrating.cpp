// SPDX-License-Identifier: GPL-3.0-or-later
// A library of an earlier version of the program becomes one of this version: docs/library.md.
#include "base/json.h"
#include "store/library.h"
#include "store/schema.h"
#include "store/sql_values.h"

#include <QUuid>

namespace deft {
using namespace sql;

namespace fs = std::filesystem;

Result<void> Library::migrate() {
    int found = -1;
    each(QStringLiteral("PRAGMA user_version"), {}, [&](const QSqlQuery& row) { found = row.value(0).toInt(); });
    if (found < 0) return fail(Errc::BadFormat, "is not a library of this program, or damaged");
    if (found > kLibraryVersion)
        return fail(Errc::NewerVersion,
                    {"was made by a newer version of the program ({version})", {{"version", int(found)}}});
    if (found == kLibraryVersion) return {};
    // What is kept to save time had names that do not tell the clip; it is made anew.
    std::error_code ec;
    if (found > 0 && found < 3) fs::remove_all(folder_ / "cache", ec);
    return transaction([&]() -> Result<void> {
        for (int version = found; version < kLibraryVersion; ++version)
            for (const QString& sql : schema::steps()[size_t(version)])
                if (auto ok = run(sql); !ok) return ok;
        if (auto ok = fillNew(found); !ok) return ok;
        return run(QStringLiteral("PRAGMA user_version = %1").arg(kLibraryVersion));
    });
}

Result<void> Library::fillNew(int found) {
    if (found < 1 || found >= 4) return {};
    std::vector<int64_t> clients;
    each(QStringLiteral("SELECT id FROM client"), {},
         [&](const QSqlQuery& row) { clients.push_back(row.value(0).toLongLong()); });
    for (const int64_t id : clients)
        if (auto ok = run(QStringLiteral("UPDATE client SET uid = ? WHERE id = ?"),
                          {QUuid::createUuid().toString(QUuid::WithoutBraces), qlonglong(id)});
            !ok)
            return ok;
    // Paths were absolute: a library that is copied or moved finds its own clips from now on. A draft that cannot be
    // read stays as it is, and is told of when it is wanted.
    std::vector<std::pair<int64_t, Json>> drafts;
    each(QStringLiteral("SELECT id, draft FROM clip"), {}, [&](const QSqlQuery& row) {
        if (auto draft = parseJson(s(row.value(1)), "library"); draft && draft->is_object())
            drafts.emplace_back(row.value(0).toLongLong(), std::move(*draft));
    });
    for (auto& [id, draft] : drafts) {
        const fs::path path = draft.value("clip", "");
        if (path.parent_path().filename() != "clips") continue;
        std::error_code ec;
        if (!fs::exists(folder_ / "clips" / path.filename(), ec)) continue;
        draft["clip"] = (fs::path("clips") / path.filename()).string();
        if (auto ok = run(QStringLiteral("UPDATE clip SET draft = ? WHERE id = ?"), {text(draft), qlonglong(id)}); !ok)
            return ok;
    }
    for (const schema::Summed& t : schema::summed()) {
        std::vector<int64_t> rows;
        each(QStringLiteral("SELECT rowid FROM %1").arg(QString::fromLatin1(t.table)), {},
             [&](const QSqlQuery& row) { rows.push_back(row.value(0).toLongLong()); });
        for (const int64_t row : rows)
            if (auto ok = seal(t.table, row); !ok) return ok;
    }
    return {};
}

} // namespace deft
