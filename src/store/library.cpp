#include "store/library.h"

#include "base/files.h"
#include "judgement/cue_record.h"
#include "review/readings.h"
#include "review/review_json.h"

#include <QCryptographicHash>
#include <QDateTime>
#include <QDir>
#include <QSqlError>
#include <QSqlQuery>
#include <QVariant>
#include <cmath>

namespace deft {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }
std::string s(const QVariant& v) { return v.toString().toStdString(); }
QString text(const Json& j) { return QString::fromStdString(j.dump()); }
Json parse(const QVariant& v) { return Json::parse(s(v), nullptr, false); }

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

QString now() { return QDateTime::currentDateTimeUtc().toString(Qt::ISODateWithMs); }

} // namespace

const Reading* FiledReview::find(const std::string& measure, const std::string& stat) const {
    for (const Reading& r : readings)
        if (r.measure == measure && r.stat == stat) return &r;
    return nullptr;
}

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
    for (const char* pragma : {"PRAGMA journal_mode = WAL", "PRAGMA synchronous = FULL", "PRAGMA foreign_keys = ON"})
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

template <class Work> Result<void> Library::transaction(Work work) {
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
    return transaction([&]() -> Result<void> {
        if (found < 1)
            for (const char* sql : kSchema)
                if (auto ok = run(QString::fromLatin1(sql)); !ok) return ok;
        if (auto ok = run(QString::fromLatin1(kUnsent)); !ok) return ok;
        return run(QStringLiteral("PRAGMA user_version = %1").arg(kLibraryVersion));
    });
}

Result<int64_t> Library::addClient(const std::string& name, const std::string& role,
                                   const std::vector<std::string>& flags) {
    int64_t id = 0;
    auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("INSERT INTO client (name, role, flags) VALUES (?, ?, ?)"),
                         {q(name), q(role), text(Json(flags))}, &id);
            !r)
            return r;
        return run(QStringLiteral("INSERT INTO audit (at, what, subject) VALUES (?, 'client added', ?)"),
                   {now(), qlonglong(id)});
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
        return run(QStringLiteral("INSERT INTO audit (at, what, subject) VALUES (?, 'intake flags changed', ?)"),
                   {now(), qlonglong(client)});
    });
}

std::vector<Client> Library::clients() const {
    std::vector<Client> out;
    QSqlQuery query(QStringLiteral("SELECT id, name, role, flags FROM client ORDER BY name"),
                    QSqlDatabase::database(connection_));
    while (query.next())
        out.push_back({query.value(0).toLongLong(), s(query.value(1)), s(query.value(2)),
                       parse(query.value(3)).get<std::vector<std::string>>()});
    return out;
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
        return run(QStringLiteral("INSERT INTO audit (at, what, subject) VALUES (?, 'clip added', ?)"),
                   {now(), qlonglong(id)});
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

std::vector<Clip> Library::clips() const {
    std::vector<Clip> out = readClips({});
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
        if (auto r = run(QStringLiteral("INSERT INTO audit (at, what, subject) VALUES (?, 'review filed', ?)"),
                         {now(), qlonglong(id)});
            !r)
            return r;
        // The page that is handed to mail, inside the transaction: without it nothing counts as sent.
        return writeFileAtomically(folder_ / "answers" / ("answer-" + std::to_string(id) + ".html"), html);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

std::vector<FiledReview> Library::filed(int64_t client, const std::string& exercise) const {
    std::vector<FiledReview> out;
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(QStringLiteral("SELECT review.id, clip, date, exercise, past, answer.text FROM review JOIN answer ON "
                                 "answer.review = review.id "
                                 "WHERE client = ? AND exercise = ? ORDER BY date, review.id"));
    query.addBindValue(qlonglong(client));
    query.addBindValue(q(exercise));
    query.exec();
    while (query.next()) {
        FiledReview r{query.value(0).toLongLong(),
                      query.value(1).toLongLong(),
                      s(query.value(2)),
                      s(query.value(3)),
                      {},
                      {},
                      s(query.value(5))};
        if (auto past = parseHistory(parse(query.value(4)), "library"); past && !past->empty()) r.past = past->front();
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
    std::vector<CueRecord> record;
    QSqlQuery query(QStringLiteral("SELECT DISTINCT client, exercise FROM review ORDER BY client, exercise"),
                    QSqlDatabase::database(connection_));
    while (query.next()) {
        const auto exercise = loadExercise(s(query.value(1)));
        if (!exercise) continue; // an exercise of the coach's own that is gone
        std::vector<PastReview> history;
        for (FiledReview& r : filed(query.value(0).toLongLong(), exercise->id)) history.push_back(std::move(r.past));
        addToCueRecord(record, *exercise, history);
    }
    return record;
}

int64_t Library::auditEntries() const {
    QSqlQuery query(QStringLiteral("SELECT count(*) FROM audit"), QSqlDatabase::database(connection_));
    return query.next() ? query.value(0).toLongLong() : 0;
}

namespace {
std::filesystem::path cacheFile(const std::filesystem::path& folder, const std::string& key, const char* ending) {
    const QByteArray hash =
        QCryptographicHash::hash(QByteArray::fromStdString(key), QCryptographicHash::Sha256).toHex().left(32);
    return folder / "cache" / (hash.toStdString() + ending);
}
// The numbers rise when tracking or proposing itself changes.
std::filesystem::path tracksFile(const std::filesystem::path& folder, const ReviewInputs& in) {
    return cacheFile(folder, "1" + in.clipSha256 + toJson(in.marks).dump(), ".tracks.csv");
}
std::filesystem::path proposalsFile(const std::filesystem::path& folder, const ReviewInputs& in) {
    return cacheFile(folder, "2" + in.clipSha256 + in.exercise + (in.marks.mirrored ? "m" : ""), ".proposals.json");
}
} // namespace

std::optional<Tracks> Library::cachedTracks(const ReviewInputs& inputs) const {
    const auto path = tracksFile(folder_, inputs);
    const auto csv = readFile(path);
    if (!csv) return std::nullopt;
    auto tracks = parseTracks(*csv, path.string());
    return tracks ? std::optional(std::move(*tracks)) : std::nullopt;
}

void Library::cacheTracks(const ReviewInputs& inputs, const Tracks& tracks) const {
    (void)writeFileAtomically(tracksFile(folder_, inputs), toCsv(tracks));
}

std::optional<Marks> Library::cachedProposals(const ReviewInputs& inputs) const {
    auto marks = readMarks(proposalsFile(folder_, inputs));
    return marks ? std::optional(std::move(*marks)) : std::nullopt;
}

void Library::cacheProposals(const ReviewInputs& inputs, const Marks& proposals) const {
    (void)writeFileAtomically(proposalsFile(folder_, inputs), toText(toJson(proposals)));
}

} // namespace deft
