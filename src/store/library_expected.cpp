// SPDX-License-Identifier: GPL-3.0-or-later
// Clips that clients were asked for and that have not come.
#include "answer/calendar.h"
#include "base/json.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <algorithm>

namespace deft {
using namespace sql;

std::vector<ExpectedClip> Library::expected() const {
    std::vector<ExpectedClip> out;
    // Few of the reviews' long texts are read: only those of the last review of a client and exercise. Of the rows of a
    // group SQLite takes the other columns from the one that max() is of.
    each(
        QStringLiteral("WITH last AS (SELECT id, client, exercise, max(date || printf('/%012d', id)) FROM review GROUP "
                       "BY client, exercise), waiting AS (SELECT client, json_extract(draft, '$.exercise') AS exercise "
                       "FROM clip WHERE id NOT IN (SELECT clip FROM review)) "
                       "SELECT review.id, review.client, client.name, review.exercise, "
                       "coalesce(nullif(json_extract(result, '$.inputs.answered'), ''), review.date), "
                       "json_extract(result, '$.decision'), json_extract(result, '$.inputs.coach'), "
                       "json_extract(result, '$.inputs.next_clip') FROM last JOIN "
                       "review ON review.id = last.id JOIN client ON client.id = review.client WHERE review.id NOT IN "
                       "(SELECT review FROM not_expected) AND NOT EXISTS (SELECT 1 FROM waiting WHERE waiting.client = "
                       "last.client AND waiting.exercise = last.exercise)"),
        {}, [&](const QSqlQuery& row) {
            ExpectedClip e;
            e.review = row.value(0).toLongLong(), e.client = row.value(1).toLongLong();
            e.name = s(row.value(2)), e.exercise = s(row.value(3)), e.coach = s(row.value(6));
            const auto decision = parseJson(s(row.value(5)), "library");
            const auto due = nextClipDay(s(row.value(4)), s(row.value(7)));
            if (!due || !decision || !decision->is_object() || decision->value("step", Json()) == "stop") return;
            e.due = isoDate(*due);
            if (auto target = parseTarget(decision->value("target", Json()), "library")) e.target = std::move(*target);
            out.push_back(std::move(e));
        });
    expectAgain(out);
    std::stable_sort(out.begin(), out.end(),
                     [](const ExpectedClip& a, const ExpectedClip& b) { return a.due < b.due; });
    return out;
}

/// What programmes ask to be filmed again, from a week before its day on, while no clip of it has come since.
void Library::expectAgain(std::vector<ExpectedClip>& out) const {
    constexpr std::chrono::days kAhead{7};
    const auto today = parseDate(sql::today());
    for (const Client& client : clients()) {
        const auto given = programmes(client.id);
        const auto again = given.empty() ? std::nullopt : given.back().programme.lookAgain;
        const auto on = again ? parseDate(again->on) : std::nullopt;
        if (!on || *on - *today > kAhead) continue;
        const auto clips = clipsOf(client.id);
        std::vector<std::string> waived; // the coach does not wait for these any more
        each(QStringLiteral("SELECT exercise FROM review WHERE client = ? AND date >= ? AND id IN (SELECT review FROM "
                            "not_expected)"),
             {qlonglong(client.id), q(given.back().programme.from)},
             [&](const QSqlQuery& row) { waived.push_back(s(row.value(0))); });
        for (const std::string& exercise : again->exercises) {
            const bool came = std::any_of(clips.begin(), clips.end(), [&](const Clip& c) {
                const auto day = parseDate(c.received);
                return c.draft.exercise == exercise && day && *day + kAhead >= *on;
            });
            const bool isThere = std::any_of(out.begin(), out.end(), [&](const ExpectedClip& e) {
                return e.client == client.id && e.exercise == exercise;
            });
            const bool isWaived = std::find(waived.begin(), waived.end(), exercise) != waived.end();
            if (!came && !isThere && !isWaived) out.push_back({0, client.id, client.name, exercise, again->on, {}, {}});
        }
    }
}

Result<void> Library::expectNoMore(int64_t review) {
    return transaction([&] {
        return run(QStringLiteral("INSERT OR IGNORE INTO not_expected (review) VALUES (?)"), {qlonglong(review)});
    });
}

} // namespace deft
