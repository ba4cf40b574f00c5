// Clips that clients were asked for and that have not come.
#include "answer/calendar.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <QSqlQuery>
#include <algorithm>

namespace deft {
using namespace sql;

std::vector<ExpectedClip> Library::expected() const {
    std::vector<ExpectedClip> out;
    // Of the rows of a group SQLite takes the other columns from the one that max() is of.
    QSqlQuery query(QStringLiteral("SELECT max(review.date || printf('/%012d', review.id)), review.id, review.client, "
                                   "client.name, review.exercise, review.date, json_extract(result, '$.decision'), "
                                   "json_extract(result, '$.inputs.coach') FROM review JOIN client ON client.id = "
                                   "review.client WHERE NOT EXISTS (SELECT 1 FROM clip WHERE clip.client = "
                                   "review.client AND json_extract(draft, '$.exercise') = review.exercise AND NOT "
                                   "EXISTS (SELECT 1 FROM review AS own WHERE own.clip = clip.id)) GROUP BY "
                                   "review.client, review.exercise"),
                    QSqlDatabase::database(connection_));
    while (query.next()) {
        ExpectedClip e;
        e.review = query.value(1).toLongLong(), e.client = query.value(2).toLongLong();
        e.name = s(query.value(3)), e.exercise = s(query.value(4)), e.coach = s(query.value(7));
        const Json decision = parse(query.value(6));
        const auto due = nextClipDay(s(query.value(5)));
        if (!due || !decision.is_object() || decision.value("step", "") == "stop") continue;
        e.due = isoDate(*due);
        if (auto target = parseTarget(decision.value("target", Json()), "library")) e.target = std::move(*target);
        out.push_back(std::move(e));
    }
    QSqlQuery waived(QStringLiteral("SELECT review FROM not_expected"), QSqlDatabase::database(connection_));
    while (waived.next())
        out.erase(std::remove_if(out.begin(), out.end(),
                                 [id = waived.value(0).toLongLong()](const ExpectedClip& e) { return e.review == id; }),
                  out.end());
    std::stable_sort(out.begin(), out.end(),
                     [](const ExpectedClip& a, const ExpectedClip& b) { return a.due < b.due; });
    return out;
}

Result<void> Library::expectNoMore(int64_t review) {
    return run(QStringLiteral("INSERT OR IGNORE INTO not_expected (review) VALUES (?)"), {qlonglong(review)});
}

} // namespace deft
