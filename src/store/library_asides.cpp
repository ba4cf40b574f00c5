// SPDX-License-Identifier: GPL-3.0-or-later
// Work of the library that failed, or that the program did not live to end.
#include "base/json.h"
#include "base/message_json.h"
#include "store/cache_names.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <fstream>

namespace deft {
using namespace sql;
namespace fs = std::filesystem;

Result<void> Library::begin(const std::string& kind, const std::string& subject) {
    return transaction([&] {
        return run(
            QStringLiteral("INSERT INTO aside (kind, subject, begun, why, at) VALUES (?, ?, 1, '', ?) ON CONFLICT "
                           "(kind, subject) DO UPDATE SET begun = begun + 1, at = excluded.at"),
            {q(kind), q(subject), now()});
    });
}

Result<void> Library::end(const std::string& kind, const std::string& subject) {
    return transaction([&] {
        return run(QStringLiteral("DELETE FROM aside WHERE kind = ? AND subject = ?"), {q(kind), q(subject)});
    });
}

Result<void> Library::putAside(const Aside& a) {
    return transaction([&] {
        return run(
            QStringLiteral("INSERT OR REPLACE INTO aside (kind, subject, begun, why, at) VALUES (?, ?, 1, ?, ?)"),
            {q(a.kind), q(a.subject), q(toLine(toJson(a.why))), now()});
    });
}

void Library::lookingAt(int64_t clip) const {
    const fs::path file = folder_ / kLookingAt;
    std::error_code ec;
    if (clip == 0)
        fs::remove(file, ec);
    else
        std::ofstream(file) << clip; // not synced: it must outlive the program, not the machine
}

std::vector<Aside> Library::asides(const std::string& kind) const {
    std::vector<Aside> out;
    each(QStringLiteral("SELECT kind, subject, why FROM aside WHERE kind = ? AND why <> '' ORDER BY at"), {q(kind)},
         [&](const QSqlQuery& row) {
             const auto why = Json::parse(s(row.value(2)), nullptr, false); // of before: a sentence in English
             out.push_back(
                 {s(row.value(0)), s(row.value(1)), why.is_discarded() ? Message(s(row.value(2))) : messageFrom(why)});
         });
    return out;
}

} // namespace deft
