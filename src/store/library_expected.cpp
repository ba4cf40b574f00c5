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
    // Few of the reviews' long texts are read: only those of the last review of a client and exercise. Of the rows of a
    // group SQLite takes the other columns from the one that max() is of.
    QSqlQuery query(
        QStringLiteral("WITH last AS (SELECT id, client, exercise, max(date || printf('/%012d', id)) FROM review GROUP "
                       "BY client, exercise), waiting AS (SELECT client, json_extract(draft, '$.exercise') AS exercise "
                       "FROM clip WHERE id NOT IN (SELECT clip FROM review)) "
                       "SELECT review.id, review.client, client.name, review.exercise, review.date, "
                       "json_extract(result, '$.decision'), json_extract(result, '$.inputs.coach') FROM last JOIN "
                       "review ON review.id = last.id JOIN client ON client.id = review.client WHERE review.id NOT IN "
                       "(SELECT review FROM not_expected) AND NOT EXISTS (SELECT 1 FROM waiting WHERE waiting.client = "
                       "last.client AND waiting.exercise = last.exercise)"),
        QSqlDatabase::database(connection_));
    while (query.next()) {
        ExpectedClip e;
        e.review = query.value(0).toLongLong(), e.client = query.value(1).toLongLong();
        e.name = s(query.value(2)), e.exercise = s(query.value(3)), e.coach = s(query.value(6));
        const Json decision = parse(query.value(5));
        const auto due = nextClipDay(s(query.value(4)));
        if (!due || !decision.is_object() || decision.value("step", "") == "stop") continue;
        e.due = isoDate(*due);
        if (auto target = parseTarget(decision.value("target", Json()), "library")) e.target = std::move(*target);
        out.push_back(std::move(e));
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const ExpectedClip& a, const ExpectedClip& b) { return a.due < b.due; });
    return out;
}

Result<void> Library::expectNoMore(int64_t review) {
    return run(QStringLiteral("INSERT OR IGNORE INTO not_expected (review) VALUES (?)"), {qlonglong(review)});
}

} // namespace deft
