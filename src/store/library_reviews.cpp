// SPDX-License-Identifier: GPL-3.0-or-later
// Filed reviews, their readings and answers.
#include "base/files.h"
#include "base/json.h"
#include "judgement/cue_record.h"
#include "readings/readings.h"
#include "review/review_json.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <cmath>
#include <map>

namespace deft {
using namespace sql;

Result<int64_t> Library::file(int64_t clip, const Review& review, const std::string& html, const std::string& answer) {
    const auto of = this->clip(clip);
    if (!of) return fail(Errc::NotFound, "the clip is not in this library any more");
    int64_t id = 0;
    Review kept = review;
    kept.inputs = stored(kept.inputs);
    auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO review (clip, client, exercise, date, past, result, filed_at) "
                                        "VALUES (?, ?, ?, ?, ?, ?, ?)"),
                         {qlonglong(clip), qlonglong(of->client), q(review.inputs.exercise), q(review.inputs.date),
                          text(toJson(std::vector{asPast(review)})), text(toJson(kept)), now()},
                         &id);
            !r)
            return r;
        if (auto r = seal("review", id); !r) return r;
        for (const ReadingRow& m : readingRows(review)) {
            if (!std::isfinite(m.value)) continue;
            // A reading is filed to be compared with later ones of the same client.
            const double u95 = changeU95(m.u95, m.slideU95);
            int64_t row = 0;
            if (auto r =
                    run(QStringLiteral(
                            "INSERT INTO reading (review, measure, stat, value, u95, unit) VALUES (?, ?, ?, ?, ?, ?)"),
                        {qlonglong(id), q(m.measure), q(m.stat), m.value, u95, q(m.unit)}, &row);
                !r)
                return r;
            if (auto r = seal("reading", row); !r) return r;
        }
        if (auto r = run(QStringLiteral("INSERT INTO answer (review, html, text) VALUES (?, ?, ?)"),
                         {qlonglong(id), q(html), q(answer)});
            !r)
            return r;
        if (auto r = seal("answer", id); !r) return r;
        if (auto r = run(QStringLiteral("INSERT INTO unsent (review) VALUES (?)"), {qlonglong(id)}); !r) return r;
        if (auto r = writeDraft(clip, kept.inputs); !r) return r;
        if (auto r = audit("review filed", id); !r) return r;
        // The page that is handed to mail, inside the transaction: without it nothing counts as sent.
        return writeFileAtomically(folder_ / "answers" / ("answer-" + std::to_string(id) + ".html"), html);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

std::vector<FiledReview> Library::filed(int64_t client, const std::string& exercise) const {
    std::vector<FiledReview> out;
    each(QStringLiteral("SELECT review.id, clip, date, exercise, past, answer.text, json_extract(result, "
                        "'$.decision') FROM review JOIN answer ON answer.review = review.id WHERE client = ? AND "
                        "exercise = ? ORDER BY date, review.id"),
         {qlonglong(client), q(exercise)}, [&](const QSqlQuery& row) {
             FiledReview r;
             r.id = row.value(0).toLongLong(), r.clip = row.value(1).toLongLong();
             r.date = s(row.value(2)), r.exercise = s(row.value(3)), r.answerText = s(row.value(5));
             const std::string place = "review " + std::to_string(r.id) + " of the library";
             auto past =
                 parseJson(s(row.value(4)), place).and_then([&](const Json& j) { return parseHistory(j, place); });
             auto decision = parseJson(s(row.value(6)), place).and_then([&](const Json& d) {
                 return readMembers(place, [&]() -> Result<void> {
                     r.step = d.value("step", "");
                     r.because = d.value("because", r.because), r.arithmetic = d.value("arithmetic", r.arithmetic);
                     return parseTarget(d.value("target", Json()), place).map([&](Target t) { r.next = std::move(t); });
                 });
             });
             if (!past || past->empty() || !decision)
                 return trouble(
                     "A review cannot be shown: " +
                     (past ? decision ? place + " is empty" : decision.error().detail : past.error().detail) +
                     ". Its record is kept.");
             r.past = std::move(past->front());
             out.push_back(std::move(r));
         });
    for (FiledReview& r : out)
        each(QStringLiteral("SELECT measure, stat, value, u95, unit FROM reading WHERE review = ? ORDER BY rowid"),
             {qlonglong(r.id)}, [&](const QSqlQuery& row) {
                 r.readings.push_back({s(row.value(0)), s(row.value(1)), row.value(2).toDouble(),
                                       row.value(3).toDouble(), s(row.value(4))});
             });
    return out;
}

std::vector<UnsentReview> Library::unsent() const {
    std::vector<std::pair<int64_t, int64_t>> ids;
    each(QStringLiteral("SELECT review.id, review.clip FROM unsent JOIN review ON review.id = unsent.review ORDER BY "
                        "review.id"),
         {}, [&](const QSqlQuery& row) { ids.emplace_back(row.value(0).toLongLong(), row.value(1).toLongLong()); });
    std::vector<UnsentReview> out;
    for (const auto& [review, of] : ids)
        if (const auto found = clip(of)) out.push_back({review, found->draft});
    return out;
}

Result<void> Library::markMade(int64_t review, const std::filesystem::path& file) {
    return transaction([&]() -> Result<void> {
        if (!file.empty())
            if (auto r = run(QStringLiteral("INSERT OR REPLACE INTO mail (review, file, made_at) VALUES (?, ?, ?)"),
                             {qlonglong(review), q(file.lexically_relative(folder_).string()), now()});
                !r)
                return r;
        return run(QStringLiteral("DELETE FROM unsent WHERE review = ?"), {qlonglong(review)});
    });
}

std::optional<Mail> Library::mailOf(int64_t review) const {
    std::optional<Mail> mail;
    each(QStringLiteral("SELECT file, made_at, sent_at FROM mail WHERE review = ?"), {qlonglong(review)},
         [&](const QSqlQuery& row) {
             mail = {folder_ / s(row.value(0)), s(row.value(1)), s(row.value(2))};
         });
    return mail;
}

Result<void> Library::setMailSent(int64_t review, bool sent) {
    return transaction([&] {
        return run(QStringLiteral("UPDATE mail SET sent_at = ? WHERE review = ?"),
                   {sent ? now() : QString(), qlonglong(review)});
    });
}

std::vector<CueRecord> Library::cueRecord() const {
    std::map<std::string, std::map<int64_t, std::vector<PastReview>>> histories; // exercise, client
    each(QStringLiteral("SELECT exercise, client, past FROM review ORDER BY date, id"), {}, [&](const QSqlQuery& row) {
        auto past =
            parseJson(s(row.value(2)), "library").and_then([](const Json& j) { return parseHistory(j, "library"); });
        if (past && !past->empty())
            histories[s(row.value(0))][row.value(1).toLongLong()].push_back(std::move(past->front()));
    });
    std::vector<CueRecord> record;
    const CataloguePtr known = catalogue();
    for (const auto& [id, clients] : histories) {
        const auto exercise = known->exercise(id);
        if (!exercise) continue; // an exercise of the coach's own that is gone
        for (const auto& [client, history] : clients) addToCueRecord(record, *exercise, history);
    }
    return record;
}

std::vector<int64_t> Library::reviewsOf(int64_t client) const {
    std::vector<int64_t> ids;
    each(QStringLiteral("SELECT id FROM review WHERE client = ?"), {qlonglong(client)},
         [&](const QSqlQuery& row) { ids.push_back(row.value(0).toLongLong()); });
    return ids;
}

int64_t Library::clientOfReview(int64_t review) const {
    int64_t id = 0;
    each(QStringLiteral("SELECT client FROM review WHERE id = ?"), {qlonglong(review)},
         [&](const QSqlQuery& row) { id = row.value(0).toLongLong(); });
    return id;
}

} // namespace deft
