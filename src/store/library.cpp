#include "store/library.h"

#include "base/files.h"
#include "judgement/cue_record.h"
#include "review/readings.h"
#include "review/review_json.h"
#include "store/sql_values.h"

#include <QDir>
#include <QSqlError>
#include <QSqlQuery>
#include <cmath>
#include <map>

namespace deft {
using namespace sql;
namespace {

constexpr const char* kSchema[] = {
    "CREATE TABLE client (id INTEGER PRIMARY KEY, name TEXT NOT NULL CHECK (name <> ''), role TEXT NOT NULL, flags "
    "TEXT NOT NULL)",
    "CREATE TABLE clip (id INTEGER PRIMARY KEY, client INTEGER NOT NULL REFERENCES client, received TEXT NOT NULL, "
    "draft TEXT NOT NULL, saved_at TEXT NOT NULL)",
    "CREATE TABLE review (id INTEGER PRIMARY KEY, clip INTEGER NOT NULL REFERENCES clip, client INTEGER NOT NULL "
    "REFERENCES client, exercise TEXT NOT NULL, "
    "date TEXT NOT NULL, past TEXT NOT NULL, result TEXT NOT NULL, filed_at TEXT NOT NULL)",
    "CREATE TABLE reading (review INTEGER NOT NULL REFERENCES review, measure TEXT NOT NULL, stat TEXT NOT NULL, value "
    "REAL NOT NULL, u95 REAL NOT NULL, "
    "unit TEXT NOT NULL, PRIMARY KEY (review, measure, stat))",
    "CREATE TABLE answer (review INTEGER PRIMARY KEY REFERENCES review, html TEXT NOT NULL, text TEXT NOT NULL)",
    "CREATE TABLE audit (id INTEGER PRIMARY KEY, at TEXT NOT NULL, what TEXT NOT NULL, subject INTEGER NOT NULL)",
    // What was filed stays as it was filed.
    "CREATE TRIGGER review_stays BEFORE UPDATE ON review BEGIN SELECT RAISE(ABORT, 'a filed review is never changed'); "
    "END",
    "CREATE TRIGGER reading_stays BEFORE UPDATE ON reading BEGIN SELECT RAISE(ABORT, 'a filed reading is never "
    "changed'); END",
};

/// Reviews whose mail has not been made yet: the program may be closed while it is.
constexpr const char* kUnsent = "CREATE TABLE unsent (review INTEGER PRIMARY KEY REFERENCES review)";

/// What a client agreed to is a record: a later one takes its place, none is changed. And the reviews after which no
/// clip is waited for any more.
constexpr const char* kClients[] = {
    "ALTER TABLE client ADD COLUMN wants TEXT NOT NULL DEFAULT ''",
    "ALTER TABLE client ADD COLUMN address TEXT NOT NULL DEFAULT ''",
    "CREATE TABLE coach (id INTEGER PRIMARY KEY CHECK (id = 1), name TEXT NOT NULL, address TEXT NOT NULL)",
    "CREATE TABLE consent (id INTEGER PRIMARY KEY, client INTEGER NOT NULL REFERENCES client, consent TEXT NOT NULL, "
    "recorded_at TEXT NOT NULL)",
    "CREATE INDEX review_of_clip ON review (clip)",
    "CREATE INDEX review_of_client ON review (client, exercise)",
    "CREATE INDEX clip_of_client ON clip (client)",
    "CREATE TABLE not_expected (review INTEGER PRIMARY KEY REFERENCES review)",
    "CREATE TRIGGER consent_stays BEFORE UPDATE ON consent BEGIN SELECT RAISE(ABORT, 'a recorded consent is never "
    "changed'); END",
};

} // namespace

Result<std::unique_ptr<Library>> Library::open(const std::filesystem::path& folder) {
    std::error_code ec;
    std::filesystem::create_directories(folder, ec);
    if (ec)
        return fail(Errc::WriteFailed,
                    folder.string() + ": the library's folder cannot be made (" + ec.message() + ")");
    std::unique_ptr<Library> lib(new Library);
    lib->folder_ = folder;
    lib->lock_ = std::make_unique<QLockFile>(q((folder / "in-use.lock").string()));
    lib->lock_->setStaleLockTime(0); // a dead program's lock is told by its process, not by its age
    if (!lib->lock_->tryLock(200)) {
        if (lib->lock_->error() == QLockFile::PermissionError)
            return fail(Errc::WriteFailed,
                        folder.string() + ": the library's folder is read-only; nothing could be saved there");
        return fail(Errc::Conflict,
                    folder.string() + ": the library is open in another window of this program; close that one first");
    }
    static int count = 0;
    lib->connection_ = QStringLiteral("library-%1").arg(++count);
    QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), lib->connection_);
    db.setDatabaseName(q((folder / "library.sqlite").string()));
    if (!db.open())
        return fail(Errc::WriteFailed, folder.string() + ": library.sqlite cannot be opened (" +
                                           db.lastError().text().toStdString() + ")");
    // Write-ahead log with full syncing: a killed program or a power cut leaves whole transactions only.
    // What is deleted is written over.
    for (const char* pragma : {"PRAGMA journal_mode = WAL", "PRAGMA synchronous = FULL", "PRAGMA foreign_keys = ON",
                               "PRAGMA secure_delete = ON"})
        if (auto ok = lib->run(QString::fromLatin1(pragma)); !ok)
            return fail(Errc::BadFormat, (folder / "library.sqlite").string() + ": is not a library of this program (" +
                                             ok.error().detail + ")");
    if (auto ok = lib->migrate(); !ok) return tl::unexpected(ok.error());
    std::filesystem::create_directories(folder / "answers", ec);
    std::filesystem::create_directories(folder / "cache", ec);
    return lib;
}

Library::~Library() {
    if (connection_.isEmpty()) return;
    QSqlDatabase::database(connection_).close();
    QSqlDatabase::removeDatabase(connection_);
}

Result<void> Library::run(const QString& sql, const QVariantList& values, int64_t* id) const {
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(sql);
    for (const QVariant& v : values) query.addBindValue(v);
    if (!query.exec())
        return fail(Errc::WriteFailed, "the library could not be written (" + query.lastError().text().toStdString() +
                                           "); nothing was changed");
    if (id) *id = query.lastInsertId().toLongLong();
    return {};
}

Result<void> Library::audit(const char* what, int64_t subject) {
    return run(QStringLiteral("INSERT INTO audit (at, what, subject) VALUES (?, ?, ?)"),
               {now(), QString::fromLatin1(what), qlonglong(subject)});
}

Result<void> Library::transaction(const std::function<Result<void>()>& work) {
    // IMMEDIATE takes the write lock first, so that a full disk or a lock shows before anything is half done.
    if (auto ok = run(QStringLiteral("BEGIN IMMEDIATE")); !ok) return ok;
    if (Result<void> ok = work(); !ok) {
        (void)run(QStringLiteral("ROLLBACK"));
        return ok;
    }
    if (auto ok = run(QStringLiteral("COMMIT")); !ok) {
        (void)run(QStringLiteral("ROLLBACK"));
        return ok;
    }
    return {};
}

Result<void> Library::migrate() {
    QSqlQuery version(QStringLiteral("PRAGMA user_version"), QSqlDatabase::database(connection_));
    const int found = version.next() ? version.value(0).toInt() : -1;
    version.finish();
    if (found > kLibraryVersion)
        return fail(Errc::NewerVersion, folder_.string() +
                                            ": this library was made by a newer version of the program (" +
                                            std::to_string(found) + ", this one knows " +
                                            std::to_string(kLibraryVersion) + "); nothing was changed");
    if (found == kLibraryVersion) return {};
    // What is kept to save time had names that do not tell the clip; it is made anew.
    std::error_code ec;
    if (found > 0) std::filesystem::remove_all(folder_ / "cache", ec);
    return transaction([&]() -> Result<void> {
        if (found < 1)
            for (const char* sql : kSchema)
                if (auto ok = run(QString::fromLatin1(sql)); !ok) return ok;
        if (found < 2)
            if (auto ok = run(QString::fromLatin1(kUnsent)); !ok) return ok;
        for (const char* sql : kClients)
            if (auto ok = run(QString::fromLatin1(sql)); !ok) return ok;
        return run(QStringLiteral("PRAGMA user_version = %1").arg(kLibraryVersion));
    });
}

Result<int64_t> Library::addClip(int64_t client, const std::string& received, ReviewInputs draft) {
    int64_t id = 0;
    for (const FiledReview& past : filed(client, draft.exercise)) draft.history.push_back(past.past);
    for (const Client& c : clients())
        if (c.id == client && draft.flags.empty()) draft.flags = c.flags;
    draft.cueRecord = cueRecord();
    auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO clip (client, received, draft, saved_at) VALUES (?, ?, ?, ?)"),
                         {qlonglong(client), q(received), text(toJson(draft)), now()}, &id);
            !r)
            return r;
        return audit("clip added", id);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

std::vector<Clip> Library::readClips(const QString& where, const QVariantList& values) const {
    std::vector<Clip> out;
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(QStringLiteral("SELECT id, client, received, draft, saved_at, EXISTS (SELECT 1 FROM review WHERE "
                                 "review.clip = clip.id) AS filed FROM clip %1 ORDER BY filed, CASE WHEN filed THEN "
                                 "-id ELSE id END")
                      .arg(where));
    for (const QVariant& v : values) query.addBindValue(v);
    query.exec();
    while (query.next()) {
        auto draft = parseInputs(parse(query.value(3)), "library");
        if (!draft) continue;
        out.push_back({query.value(0).toLongLong(), query.value(1).toLongLong(), s(query.value(2)),
                       query.value(5).toBool(), std::move(*draft), s(query.value(4))});
    }
    return out;
}

std::vector<Clip> Library::clips(int filed) const {
    std::vector<Clip> out = filed < 0
                                ? readClips({})
                                : readClips(QStringLiteral("WHERE id NOT IN (SELECT clip FROM review) OR id IN "
                                                           "(SELECT clip FROM review ORDER BY clip DESC LIMIT ?)"),
                                            {filed});
    // Pain and words that stop come first, whoever has waited longer; then what was promised soonest.
    std::stable_sort(out.begin(), out.end(), [](const Clip& a, const Clip& b) {
        auto key = [](const Clip& c) {
            const std::string& promised = c.draft.answerBy;
            return std::tuple(c.filed, c.filed || !c.draft.note.isAlarming(),
                              c.filed || promised.empty() ? std::string("~") : promised);
        };
        return key(a) < key(b);
    });
    return out;
}

std::vector<Clip> Library::clipsOf(int64_t client) const {
    return readClips(QStringLiteral("WHERE client = ?"), {qlonglong(client)});
}

std::optional<Clip> Library::clip(int64_t id) const {
    auto found = readClips(QStringLiteral("WHERE id = ?"), {qlonglong(id)});
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

std::optional<Clip> Library::newestClip() const {
    auto found = readClips(QStringLiteral("WHERE id = (SELECT max(id) FROM clip)"));
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

Result<void> Library::saveDraft(int64_t clip, const ReviewInputs& inputs) {
    return run(QStringLiteral("UPDATE clip SET draft = ?, saved_at = ? WHERE id = ?"),
               {text(toJson(inputs)), now(), qlonglong(clip)});
}

Result<int64_t> Library::file(int64_t clip, const Review& review, const std::string& html, const std::string& answer) {
    const auto of = this->clip(clip);
    if (!of) return fail(Errc::NotFound, "the clip is not in this library any more");
    int64_t id = 0;
    auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO review (clip, client, exercise, date, past, result, filed_at) "
                                        "VALUES (?, ?, ?, ?, ?, ?, ?)"),
                         {qlonglong(clip), qlonglong(of->client), q(review.inputs.exercise), q(review.inputs.date),
                          text(toJson(std::vector{asPast(review)})), text(toJson(review)), now()},
                         &id);
            !r)
            return r;
        for (const ReadingRow& m : readingRows(review)) {
            if (!std::isfinite(m.value)) continue;
            if (auto r =
                    run(QStringLiteral(
                            "INSERT INTO reading (review, measure, stat, value, u95, unit) VALUES (?, ?, ?, ?, ?, ?)"),
                        {qlonglong(id), q(m.measure), q(m.stat), m.value, m.u95, q(m.unit)});
                !r)
                return r;
        }
        if (auto r = run(QStringLiteral("INSERT INTO answer (review, html, text) VALUES (?, ?, ?)"),
                         {qlonglong(id), q(html), q(answer)});
            !r)
            return r;
        if (auto r = run(QStringLiteral("INSERT INTO unsent (review) VALUES (?)"), {qlonglong(id)}); !r) return r;
        if (auto r = run(QStringLiteral("UPDATE clip SET draft = ?, saved_at = ? WHERE id = ?"),
                         {text(toJson(review.inputs)), now(), qlonglong(clip)});
            !r)
            return r;
        if (auto r = audit("review filed", id); !r) return r;
        // The page that is handed to mail, inside the transaction: without it nothing counts as sent.
        return writeFileAtomically(folder_ / "answers" / ("answer-" + std::to_string(id) + ".html"), html);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

std::vector<FiledReview> Library::filed(int64_t client, const std::string& exercise) const {
    std::vector<FiledReview> out;
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(QStringLiteral("SELECT review.id, clip, date, exercise, past, answer.text, "
                                 "json_extract(result, '$.decision') FROM review JOIN answer ON "
                                 "answer.review = review.id "
                                 "WHERE client = ? AND exercise = ? ORDER BY date, review.id"));
    query.addBindValue(qlonglong(client));
    query.addBindValue(q(exercise));
    query.exec();
    while (query.next()) {
        FiledReview r;
        r.id = query.value(0).toLongLong(), r.clip = query.value(1).toLongLong();
        r.date = s(query.value(2)), r.exercise = s(query.value(3)), r.answerText = s(query.value(5));
        if (auto past = parseHistory(parse(query.value(4)), "library"); past && !past->empty()) r.past = past->front();
        if (const Json decision = parse(query.value(6)); decision.is_object()) {
            r.step = decision.value("step", "");
            r.because = decision.value("because", r.because), r.arithmetic = decision.value("arithmetic", r.arithmetic);
            if (auto next = parseTarget(decision.value("target", Json()), "library")) r.next = std::move(*next);
        }
        QSqlQuery readings(QSqlDatabase::database(connection_));
        readings.prepare(
            QStringLiteral("SELECT measure, stat, value, u95, unit FROM reading WHERE review = ? ORDER BY rowid"));
        readings.addBindValue(qlonglong(r.id));
        readings.exec();
        while (readings.next())
            r.readings.push_back({s(readings.value(0)), s(readings.value(1)), readings.value(2).toDouble(),
                                  readings.value(3).toDouble(), s(readings.value(4))});
        out.push_back(std::move(r));
    }
    return out;
}

std::vector<UnsentReview> Library::unsent() const {
    std::vector<UnsentReview> out;
    QSqlQuery query(QStringLiteral("SELECT review.id, review.clip FROM unsent JOIN review ON review.id = unsent.review "
                                   "ORDER BY review.id"),
                    QSqlDatabase::database(connection_));
    while (query.next())
        if (const auto of = clip(query.value(1).toLongLong())) out.push_back({query.value(0).toLongLong(), of->draft});
    return out;
}

Result<void> Library::markSent(int64_t review) {
    return run(QStringLiteral("DELETE FROM unsent WHERE review = ?"), {qlonglong(review)});
}

std::vector<CueRecord> Library::cueRecord() const {
    std::map<std::string, std::map<int64_t, std::vector<PastReview>>> histories; // exercise, client
    QSqlQuery query(QStringLiteral("SELECT exercise, client, past FROM review ORDER BY date, id"),
                    QSqlDatabase::database(connection_));
    while (query.next())
        if (auto past = parseHistory(parse(query.value(2)), "library"); past && !past->empty())
            histories[s(query.value(0))][query.value(1).toLongLong()].push_back(std::move(past->front()));
    std::vector<CueRecord> record;
    for (const auto& [id, clients] : histories) {
        const auto exercise = loadExercise(id);
        if (!exercise) continue; // an exercise of the coach's own that is gone
        for (const auto& [client, history] : clients) addToCueRecord(record, *exercise, history);
    }
    return record;
}

int64_t Library::auditEntries() const {
    QSqlQuery query(QStringLiteral("SELECT count(*) FROM audit"), QSqlDatabase::database(connection_));
    return query.next() ? query.value(0).toLongLong() : 0;
}

} // namespace deft
