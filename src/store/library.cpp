// SPDX-License-Identifier: GPL-3.0-or-later
// The library's database: opening, checking, transactions, reading.
#include "store/library.h"

#include "base/data_folder.h"
#include "base/files.h"
#include "base/json.h"
#include "base/numbers.h"
#include "store/cache_names.h"
#include "store/schema.h"
#include "store/sql_values.h"

#include <QScopeGuard>
#include <QSqlError>
#include <fstream>
#include <sys/stat.h>
#include <utility>

namespace deft {
using namespace sql;
namespace fs = std::filesystem;
namespace {

// Result codes of SQLite (sqlite3.h) that have a plain meaning to people.
constexpr const char* kFull = "13";
constexpr const char* kCorrupt = "11";
constexpr const char* kNoDatabase = "26";

Error errorOf(const QSqlError& e) {
    const QString code = e.nativeErrorCode();
    if (code == QLatin1String(kFull))
        return {Errc::WriteFailed, "the disk is full; nothing was changed. Make room and try again"};
    if (code == QLatin1String(kCorrupt) || code == QLatin1String(kNoDatabase))
        return {Errc::BadFormat, "the database is damaged (" + e.text().toStdString() +
                                     "); put a backup back: deft-mirror library restore"};
    return {Errc::WriteFailed,
            "the library could not be written (" + e.text().toStdString() + "); nothing was changed"};
}

/// What the file itself says, before anything is opened that might change it. @returns the schema's version, 0 = new
Result<int> versionInFile(const fs::path& file) {
    std::error_code ec;
    if (!fs::exists(file, ec) || fs::file_size(file, ec) == 0) return 0;
    std::ifstream in(file, std::ios::binary);
    unsigned char head[100] = {}; // "Database File Format", sqlite.org: magic at 0, user version at 60
    in.read(reinterpret_cast<char*>(head), sizeof head);
    if (!in || std::string(reinterpret_cast<char*>(head), 16) != std::string("SQLite format 3\0", 16))
        return fail(Errc::BadFormat,
                    {"{file}: is not a library of this program, or damaged", {{"file", file.string()}}});
    return int(head[60]) << 24 | int(head[61]) << 16 | int(head[62]) << 8 | int(head[63]);
}

bool holdsFiles(const fs::path& folder) {
    std::error_code ec;
    return fs::directory_iterator(folder, ec) != fs::directory_iterator();
}

/// Holds the number of the clip that is being looked at.

uint64_t inodeOf(const fs::path& file) {
    struct stat facts {};
    return ::stat(file.c_str(), &facts) == 0 ? uint64_t(facts.st_ino) : 0;
}

Result<std::unique_ptr<QLockFile>> locked(const fs::path& folder, InUse how) {
    const fs::path file = folder / "in-use.lock";
    auto lock = std::make_unique<QLockFile>(q(file.string()));
    lock->setStaleLockTime(0); // a dead program's lock is told by its process, not by its age
    std::error_code ec;
    if (how == InUse::TakeOver) fs::remove(file, ec);
    if (lock->tryLock(200)) return lock;
    if (lock->error() == QLockFile::PermissionError)
        return fail(Errc::WriteFailed, {"{folder}: the library's folder is read-only; nothing could be saved there",
                                        {{"folder", folder.string()}}});
    if (lock->error() == QLockFile::UnknownError)
        return fail(Errc::WriteFailed,
                    {"{folder}: the library could not be locked; is the disk full? Nothing was changed",
                     {{"folder", folder.string()}}});
    qint64 pid = 0;
    QString host, program;
    const Message takeOver = "If no other window of it is open, start with --take-over";
    if (!lock->getLockInfo(&pid, &host, &program))
        return fail(Errc::Conflict, {"{folder}: in-use.lock is there, but does not say who has the library open; it "
                                     "may be left from a full disk. {takeOver}",
                                     {{"folder", folder.string()}, {"takeOver", takeOver}}});
    const bool elsewhere = host != QSysInfo::machineHostName();
    return fail(Errc::Conflict, {elsewhere ? "{folder}: the library is open in another window of this program (process "
                                             "{pid} on {host}); close that one first. {takeOver}"
                                           : "{folder}: the library is open in another window of this program (process "
                                             "{pid}); close that one first. {takeOver}",
                                 {{"folder", folder.string()},
                                  {"pid", std::to_string(pid)},
                                  {"host", host.toStdString()},
                                  {"takeOver", takeOver}}});
}

} // namespace

Result<std::unique_ptr<Library>> Library::open(const fs::path& given, InUse how) {
    std::error_code ec;
    const fs::path folder = fs::absolute(given, ec).lexically_normal();
    fs::create_directories(folder, ec);
    if (ec)
        return fail(Errc::WriteFailed, {"{folder}: the library's folder cannot be made ({why})",
                                        {{"folder", folder.string()}, {"why", ec.message()}}});
    const fs::path file = folder / "library.sqlite";
    if (auto version = versionInFile(file); !version)
        return tl::unexpected(version.error());
    else if (*version > kLibraryVersion)
        return fail(Errc::NewerVersion,
                    {"{folder}: this library was made by a newer version of the program ({version}, this one knows "
                     "{known}); nothing was changed",
                     {{"folder", folder.string()}, {"version", int(*version)}, {"known", kLibraryVersion}}});
    else if (*version == 0 && (holdsFiles(folder / "clips") || holdsFiles(folder / "answers")) &&
             !fs::exists(file.string() + "-wal", ec))
        return fail(Errc::BadFormat, {"{file}: is empty or gone, but there are clips and answers beside it. Put a "
                                      "backup back (deft-mirror library restore), or begin in another folder",
                                      {{"file", file.string()}}});
    std::unique_ptr<Library> lib(new Library);
    lib->folder_ = folder;
    lib->inbox_ = folder / "inbox";
    auto catalogue = Catalogue::load(dataFolder(), folder / "exercises");
    if (!catalogue) return tl::unexpected(catalogue.error());
    lib->catalogue_ = std::move(*catalogue);
    auto lock = locked(folder, how);
    if (!lock) return tl::unexpected(lock.error());
    lib->lock_ = std::move(*lock);
    if (auto ok = lib->openDatabase(); !ok) return tl::unexpected(ok.error());
    // Nobody else on this machine may look at people's videos.
    fs::permissions(folder, fs::perms::owner_all, ec);
    for (const char* name : {"answers", "cache", "clips", "outbox"}) {
        fs::create_directories(folder / name, ec);
        fs::permissions(folder / name, fs::perms::owner_all, ec);
    }
    for (const char* name : {"library.sqlite", "library.sqlite-wal", "library.sqlite-shm", "in-use.lock"})
        if (fs::exists(folder / name, ec))
            fs::permissions(folder / name, fs::perms::owner_read | fs::perms::owner_write, ec);
    lib->inode_ = inodeOf(file);
    if (const auto died = readFile(folder / kLookingAt)) {
        const int64_t clip = QString::fromStdString(*died).toLongLong();
        if (clip > 0)
            (void)lib->putAside({"picture", std::to_string(clip), "the program ended while it looked at this clip"});
        lib->lookingAt(0);
    }
    if (auto ok = lib->finishErasures(); !ok) lib->damage_.push_back(ok.error().message);
    // Work that the program did not live to end gets a second try, and no third.
    if (auto ok = lib->run(QStringLiteral("UPDATE aside SET why = 'the program ended twice while it worked on this' "
                                          "WHERE why = '' AND begun > 1"));
        !ok)
        return tl::unexpected(ok.error());
    if (lib->damage_.empty()) // where records are missing, no file is taken for nobody's
        if (auto ok = lib->sweep(); !ok) lib->damage_.push_back(ok.error().message);
    return lib;
}

CataloguePtr Library::catalogue() const {
    const std::lock_guard lock(catalogueLock_);
    if (!catalogue_->isCurrent())
        if (auto anew = Catalogue::load(dataFolder(), folder_ / "exercises")) catalogue_ = std::move(*anew);
    return catalogue_;
}

Result<void> Library::openDatabase() {
    static int count = 0;
    connection_ = QStringLiteral("library-%1").arg(++count);
    const fs::path file = folder_ / "library.sqlite";
    QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), connection_);
    db.setDatabaseName(q(file.string()));
    if (!db.open())
        return fail(Errc::WriteFailed, {"{folder}: library.sqlite cannot be opened ({why})",
                                        {{"folder", folder_.string()}, {"why", db.lastError().text().toStdString()}}});
    const auto named = [&](const Error& e) { return Error{e.code, inPlace(file.string(), e.message)}; };
    // Write-ahead log with full syncing: a killed program or a power cut leaves whole transactions only. The answer
    // says whether the file system allows it.
    {
        QSqlQuery mode(db);
        if (!mode.exec(QStringLiteral("PRAGMA journal_mode = WAL")) || !mode.next())
            return tl::unexpected(named(errorOf(mode.lastError())));
        if (mode.value(0).toString() != QLatin1String("wal"))
            return fail(Errc::WriteFailed, {"{file}: this folder's file system allows no write-ahead log, so records "
                                            "would not be safe there; choose a folder on a local disk",
                                            {{"file", file.string()}}});
    }
    // What is deleted is written over. Pages that point nowhere are an error, not rows that are missing.
    for (const char* pragma : {"PRAGMA synchronous = FULL", "PRAGMA foreign_keys = ON", "PRAGMA secure_delete = ON",
                               "PRAGMA cell_size_check = ON"})
        if (auto ok = run(QString::fromLatin1(pragma)); !ok) return tl::unexpected(named(ok.error()));
    if (auto ok = migrate(); !ok) return tl::unexpected(named(ok.error()));
    auto found = check();
    if (!found) // where the structure is gone, writing would make it worse
        return fail(Errc::BadFormat,
                    {"{file}: is damaged ({why}); nothing was changed. Put a backup back: deft-mirror library restore",
                     {{"file", file.string()}, {"why", found.error().message}}});
    damage_ = std::move(*found);
    return {};
}

Library::~Library() {
    if (connection_.isEmpty()) return;
    QSqlDatabase::database(connection_, false).close();
    QSqlDatabase::removeDatabase(connection_);
}

Result<Messages> Library::check() const {
    Messages found;
    const auto add = [&](Message sentence) {
        constexpr size_t kMost = 50;
        if (found.size() < kMost) found.push_back(std::move(sentence));
    };
    QSqlDatabase db = QSqlDatabase::database(connection_);
    QSqlQuery structure(db);
    if (!structure.exec(QStringLiteral("PRAGMA integrity_check(20)")))
        return tl::unexpected(errorOf(structure.lastError()));
    while (structure.next())
        if (const std::string line = s(structure.value(0)); line != "ok") return fail(Errc::BadFormat, line);
    if (structure.lastError().isValid()) return tl::unexpected(errorOf(structure.lastError()));
    QSqlQuery references(QStringLiteral("PRAGMA foreign_key_check"), db);
    while (references.next())
        add({"table {table}, row {row} belongs to a row of {other} that is not there",
             {{"table", s(references.value(0))}, {"row", s(references.value(1))}, {"other", s(references.value(2))}}});
    for (const schema::Summed& t : schema::summed()) {
        const int columns = int(QString::fromLatin1(t.columns).count(QLatin1Char(',')) + 1);
        QSqlQuery rows(db);
        rows.setForwardOnly(true);
        const bool begun = rows.exec(QStringLiteral("SELECT %1, sum, rowid FROM %2")
                                         .arg(QString::fromLatin1(t.columns), QString::fromLatin1(t.table)));
        while (begun && rows.next())
            if (schema::sumOf(rows, columns) != rows.value(columns).toString())
                add({"table {table}, row {row} is not as it was written",
                     {{"table", t.table}, {"row", s(rows.value(columns + 1))}}});
        if (!begun || rows.lastError().isValid())
            return fail(Errc::BadFormat, {"table {table} cannot be read ({why})",
                                          {{"table", t.table}, {"why", rows.lastError().text().toStdString()}}});
    }
    return found;
}

Result<void> Library::copyDatabase(const fs::path& to) const {
    return run(QStringLiteral("VACUUM INTO ?"), {q(to.string())});
}

void Library::trouble(const Message& sentence) const {
    if (told_) told_(sentence);
}

void Library::each(const QString& sql, const QVariantList& values,
                   const std::function<void(const QSqlQuery&)>& row) const {
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.setForwardOnly(true);
    query.prepare(sql);
    for (const QVariant& v : values) query.addBindValue(v);
    if (query.exec())
        while (query.next()) row(query);
    if (!query.lastError().isValid()) return;
    const std::string why = query.lastError().text().toStdString();
    if (!reading_)
        trouble({"The library could not be read: {why}. Close the program and run: deft-mirror library check",
                 {{"why", why}}});
    else if (!unread_)
        unread_ = {Errc::BadFormat,
                   {"the library could not be read ({why}); nothing was changed. Close the program and run: deft-mirror "
                    "library check",
                    {{"why", why}}}};
}

Result<void> Library::reading(const std::function<Result<void>()>& work) const {
    const bool outer = std::exchange(reading_, true);
    const auto end = qScopeGuard([&] {
        reading_ = outer;
        if (!outer) unread_.reset();
    });
    auto done = work();
    if (done && unread_) return tl::unexpected(*unread_);
    return done;
}

Result<void> Library::run(const QString& sql, const QVariantList& values, int64_t* id) const {
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(sql);
    for (const QVariant& v : values) query.addBindValue(v);
    if (!query.exec()) return tl::unexpected(errorOf(query.lastError()));
    if (id) *id = query.lastInsertId().toLongLong();
    return {};
}

Result<void> Library::seal(const char* table, int64_t row) const {
    for (const schema::Summed& t : schema::summed()) {
        if (std::string_view(t.table) != table) continue;
        const QString name = QString::fromLatin1(table);
        QSqlQuery query(QSqlDatabase::database(connection_));
        query.prepare(QStringLiteral("SELECT %1 FROM %2 WHERE rowid = ?").arg(QString::fromLatin1(t.columns), name));
        query.addBindValue(qlonglong(row));
        if (!query.exec() || !query.next()) return tl::unexpected(errorOf(query.lastError()));
        const int columns = int(QString::fromLatin1(t.columns).count(QLatin1Char(',')) + 1);
        const QString sum = schema::sumOf(query, columns);
        query.finish();
        return run(QStringLiteral("UPDATE %1 SET sum = ? WHERE rowid = ?").arg(name), {sum, qlonglong(row)});
    }
    return {};
}

Result<void> Library::audit(const char* what, int64_t subject) {
    return run(QStringLiteral("INSERT INTO audit (at, what, subject) VALUES (?, ?, ?)"),
               {now(), QString::fromLatin1(what), qlonglong(subject)});
}

/// A folder that was deleted or exchanged while it is open still takes writes, and keeps none of them.
Result<void> Library::isStillThere() const {
    if (inode_ == 0 || inodeOf(folder_ / "library.sqlite") == inode_) return {};
    return fail(Errc::WriteFailed, {"{folder}: the library's folder has gone or was exchanged while it was open; put "
                                    "it back and start the program again",
                                    {{"folder", folder_.string()}}});
}

Result<void> Library::transaction(const std::function<Result<void>()>& work) {
    if (inTransaction_) return work();
    if (auto ok = isStillThere(); !ok) return ok;
    // IMMEDIATE takes the write lock first, so that a full disk or a lock shows before anything is half done.
    if (auto ok = run(QStringLiteral("BEGIN IMMEDIATE")); !ok) return ok;
    Result<void> done;
    inTransaction_ = true;
    try {
        done = reading(work);
    } catch (...) {
        inTransaction_ = false;
        (void)run(QStringLiteral("ROLLBACK"));
        throw;
    }
    inTransaction_ = false;
    if (!done) {
        (void)run(QStringLiteral("ROLLBACK"));
        return done;
    }
    if (auto ok = run(QStringLiteral("COMMIT")); !ok) {
        (void)run(QStringLiteral("ROLLBACK"));
        return ok;
    }
    return isStillThere();
}

int64_t Library::auditEntries() const {
    int64_t count = 0;
    each(QStringLiteral("SELECT count(*) FROM audit"), {},
         [&](const QSqlQuery& row) { count = row.value(0).toLongLong(); });
    return count;
}

} // namespace deft
