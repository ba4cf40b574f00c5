// SPDX-License-Identifier: GPL-3.0-or-later
// Filed reviews, their readings and answers.
#include "base/files.h"
#include "base/json.h"
#include "base/message_json.h"
#include "judgement/cue_record.h"
#include "review/review_json.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <cmath>
#include <map>

namespace deft {
using namespace sql;

Result<int64_t> Library::file(int64_t clip, const Review& review, const std::string& html, const std::string& answer) {
    const auto ids = file({{clip, &review}}, html, answer);
    return ids ? Result<int64_t>(ids->front()) : tl::unexpected(ids.error());
}

Result<std::vector<int64_t>> Library::file(const std::vector<Answered>& visit, const std::string& html,
                                           const std::string& answer) {
    std::vector<int64_t> ids;
    auto ok = transaction([&]() -> Result<void> {
        for (const Answered& one : visit) {
            auto id = fileOne(one, ids.empty() ? html : std::string(), answer);
            if (!id) return tl::unexpected(id.error());
            ids.push_back(*id);
            if (ids.size() == 1) continue;
            if (auto r = run(QStringLiteral("INSERT INTO visit (review, letter) VALUES (?, ?)"),
                             {qlonglong(*id), qlonglong(ids.front())});
                !r)
                return r;
        }
        if (auto r = run(QStringLiteral("INSERT INTO unsent (review) VALUES (?)"), {qlonglong(ids.front())}); !r)
            return r;
        // The page that is handed to mail, inside the transaction: without it nothing counts as sent.
        return writeFileAtomically(folder_ / "answers" / ("answer-" + std::to_string(ids.front()) + ".html"), html);
    });
    return ok ? Result<std::vector<int64_t>>(std::move(ids)) : tl::unexpected(ok.error());
}

/// Within a transaction: review, readings, answer and audit entry.
Result<int64_t> Library::fileOne(const Answered& one, const std::string& html, const std::string& answer) {
    const auto of = clip(one.clip);
    if (!of) return fail(Errc::NotFound, "the clip is not in this library any more");
    int64_t id = 0;
    Review kept = *one.review;
    kept.inputs = stored(kept.inputs);
    const auto done = [&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO review (clip, client, exercise, date, past, result, filed_at) "
                                        "VALUES (?, ?, ?, ?, ?, ?, ?)"),
                         {qlonglong(one.clip), qlonglong(of->client), q(kept.inputs.exercise), q(kept.inputs.date),
                          text(toJson(std::vector{asPast(*one.review)})), text(toJson(kept)), now()},
                         &id);
            !r)
            return r;
        if (auto r = seal("review", id); !r) return r;
        for (const Reading& m : filedReadings(*one.review)) {
            int64_t row = 0;
            if (auto r =
                    run(QStringLiteral(
                            "INSERT INTO reading (review, measure, stat, value, u95, unit) VALUES (?, ?, ?, ?, ?, ?)"),
                        {qlonglong(id), q(m.measure), q(m.stat), m.value, m.u95, q(m.unit)}, &row);
                !r)
                return r;
            if (auto r = seal("reading", row); !r) return r;
        }
        if (auto r = run(QStringLiteral("INSERT INTO answer (review, html, text) VALUES (?, ?, ?)"),
                         {qlonglong(id), q(html), q(answer)});
            !r)
            return r;
        if (auto r = seal("answer", id); !r) return r;
        if (auto r = writeDraft(one.clip, kept.inputs); !r) return r;
        return audit("review filed", id);
    }();
    return done ? Result<int64_t>(id) : tl::unexpected(done.error());
}

int64_t Library::letterOf(int64_t review) const {
    int64_t letter = review;
    each(QStringLiteral("SELECT letter FROM visit WHERE review = ?"), {qlonglong(review)},
         [&](const QSqlQuery& row) { letter = row.value(0).toLongLong(); });
    return letter;
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
                     const Json& said = d.contains("messages") ? d["messages"] : d; // of before: sentences in English
                     r.because = messagesFrom(said.value("because", Json::array()));
                     r.arithmetic = messagesFrom(said.value("arithmetic", Json::array()));
                     return parseTarget(d.value("target", Json()), place).map([&](Target t) { r.next = std::move(t); });
                 });
             });
             if (!past || past->empty() || !decision)
                 return trouble({"A review cannot be shown: {what}. Its record is kept.",
                                 {{"what", !past       ? past.error().message
                                           : !decision ? decision.error().message
                                                       : Message("{where} is empty", {{"where", place}})}}});
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
    std::vector<std::pair<int64_t, int64_t>> ids; // letter, clip; the letter's own review comes first
    each(QStringLiteral("SELECT unsent.review, review.clip FROM unsent JOIN review ON review.id = unsent.review OR "
                        "review.id IN (SELECT review FROM visit WHERE letter = unsent.review) ORDER BY unsent.review, "
                        "review.id"),
         {}, [&](const QSqlQuery& row) { ids.emplace_back(row.value(0).toLongLong(), row.value(1).toLongLong()); });
    std::vector<UnsentReview> out;
    for (const auto& [letter, of] : ids) {
        const auto found = clip(of);
        if (!found) continue;
        if (out.empty() || out.back().review != letter)
            out.push_back({letter, found->draft, {}});
        else
            out.back().with.push_back(found->draft);
    }
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
    each(QStringLiteral("SELECT file, made_at, sent_at FROM mail WHERE review = ?"), {qlonglong(letterOf(review))},
         [&](const QSqlQuery& row) {
             mail = {folder_ / s(row.value(0)), s(row.value(1)), s(row.value(2))};
         });
    return mail;
}

std::vector<MadeLetter> Library::letters(int most) const {
    std::vector<MadeLetter> out;
    each(QStringLiteral("SELECT mail.review, client.name, file, made_at, sent_at FROM mail JOIN review ON review.id = "
                        "mail.review JOIN client ON client.id = review.client ORDER BY made_at DESC, mail.review DESC "
                        "LIMIT ?"),
         {most}, [&](const QSqlQuery& row) {
             out.push_back({row.value(0).toLongLong(),
                            s(row.value(1)),
                            {},
                            {folder_ / s(row.value(2)), s(row.value(3)), s(row.value(4))}});
         });
    for (MadeLetter& letter : out)
        each(
            QStringLiteral("SELECT exercise FROM review WHERE id = ? OR id IN (SELECT review FROM visit WHERE letter = "
                           "?) ORDER BY id"),
            {qlonglong(letter.review), qlonglong(letter.review)},
            [&](const QSqlQuery& row) { letter.exercises.push_back(s(row.value(0))); });
    return out;
}

Result<void> Library::setMailSent(int64_t review, bool sent) {
    return transaction([&] {
        return run(QStringLiteral("UPDATE mail SET sent_at = ? WHERE review = ?"),
                   {sent ? now() : QStringLiteral(""), qlonglong(letterOf(review))});
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
