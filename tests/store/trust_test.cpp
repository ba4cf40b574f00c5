// SPDX-License-Identifier: GPL-3.0-or-later
// Whose is whose, what is damaged, where a library may be moved to, and who may read it.
#include "base/json.h"
#include "store/backup.h"
#include "store/intake.h"
#include "support/demo_review.h"
#include "support/no_room.h"

#include <QCoreApplication>
#include <QSqlDatabase>
#include <QSqlQuery>
#include <QTemporaryDir>
#include <QTest>
#include <random>
#include <sys/stat.h>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

class TrustTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    fs::path at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }

    static Parcel parcel(const std::string& client, const std::string& uid = {}) {
        Parcel p;
        p.client = client, p.clientUid = uid, p.exercise = "bridge", p.clip = "evening.mp4", p.sent = "2026-05-18";
        return p;
    }
    /// Each from a film of its own.
    static Result<int64_t> send(Library& library, const Parcel& p, const Sender& sender = {}) {
        static int film = 0;
        return takeIn(library, p, demoClip("ruta-bridge-april"), std::string(60, 'a') + std::to_string(1000 + ++film),
                      "2026-05-18", {}, sender);
    }
    /// A clip in the library's own folder, filed.
    static void fillIn(Library& library) {
        const auto client = library.addClient("Ruta Kalniņa", "puppeteer", {"osteoporosis"}).value();
        QVERIFY(library.recordConsent(client, {"2026-03-12", "", {"coaching"}}));
        ReviewInputs in = demoInputs();
        const fs::path film = library.folder() / "clips" / (in.clipSha256.substr(0, 16) + ".mp4");
        fs::copy_file(in.clipPath, film);
        in.clipPath = film.string();
        const auto clip = library.addClip(client, "2026-04-30", in).value();
        QVERIFY(library.file(clip, demoReview(in), "<p>page</p>", "letter"));
        QVERIFY(library.addClip(client, "2026-05-14", in));
    }
    /// Everything that a coach would see of it.
    static std::string seen(const Library& library) {
        Json all = Json::array();
        for (const Client& c : library.clients()) {
            all.push_back({c.name, c.role, c.flags, c.wants, c.consent ? toJson(*c.consent) : Json(nullptr)});
            for (const FiledReview& r : library.filed(c.id, "bridge"))
                all.push_back({r.date, r.step, r.answerText, r.readings.size(), toJson(std::vector{r.past})});
        }
        for (const Clip& c : library.clips()) all.push_back({c.received, c.filed, toJson(c.draft)});
        return toLine(all);
    }

private slots:
    /// Composed and decomposed accents, blanks and case: a reason to ask, never a second record and never a guess.
    void whoIsWho() {
        auto library = Library::open(at("who")).value();
        const auto first = send(*library, parcel("Ruta Kalni\u0146a")).value();
        const int64_t ruta = library->clip(first)->client;
        QVERIFY(library->setFlags(ruta, {"osteoporosis"}));
        for (const char* name :
             {"Ruta Kalnin\u0327a", " ruta  kalni\u0146a ", "RUTA KALNI\u0145A", "Ruta Kalni\u0146a"}) {
            const auto taken = send(*library, parcel(name));
            QVERIFY2(!taken, name);
            QCOMPARE(taken.error().code, Errc::Ambiguous);
        }
        QCOMPARE(library->clients().size(), size_t(1));
        // Said to be the same: one record, with all its flags.
        const auto same = send(*library, parcel("Ruta Kalnin\u0327a"), {true, ruta}).value();
        QCOMPARE(library->clip(same)->client, ruta);
        QCOMPARE(library->clip(same)->draft.flags, std::vector<std::string>{"osteoporosis"});
        // Said to be another: a namesake, without the other's flags.
        const auto other = send(*library, parcel("Ruta Kalni\u0146a"), {true, 0}).value();
        QVERIFY(library->clip(other)->client != ruta && library->clip(other)->draft.flags.empty());
        QCOMPARE(library->clientsLike("ruta kalni\u0146a").size(), size_t(2));
    }

    /// What carries an id is its client's, however the name is written, and is not asked about.
    void byId() {
        auto library = Library::open(at("id")).value();
        const auto first = send(*library, parcel("Wim Dekker", "w-1")).value();
        const int64_t wim = library->clip(first)->client;
        QCOMPARE(library->clip(send(*library, parcel("W. Dekker", "w-1")).value())->client, wim);
        QCOMPARE(send(*library, parcel("Wim Dekker", "w-2")).error().code, Errc::Ambiguous);
        const auto told = send(*library, parcel("Wim Dekker", "w-2"), {true, wim}).value();
        QCOMPARE(library->clip(told)->client, wim);
        QCOMPARE(library->clip(send(*library, parcel("Wim Dekker", "w-2")).value())->client, wim); // known from now on
    }

    void renamedAndMerged() {
        auto library = Library::open(at("merge")).value();
        const auto wim = library->addClient("Wim Dekker", "stage manager", {"hypertension"}, "w-1").value();
        const auto double_ = library->addClient("Willem Dekker", "", {"osteoporosis"}, "w-2").value();
        QVERIFY(library->recordConsent(double_, {"2026-05-01", "", {"coaching"}}));
        ReviewInputs in = demoInputs();
        in.client = "Willem Dekker";
        const auto clip = library->addClip(double_, "2026-05-01", in).value();
        QVERIFY(library->file(clip, demoReview(in), "<p>page</p>", "letter"));
        const auto waiting = library->addClip(double_, "2026-05-08", in).value();
        QVERIFY(library->rename(double_, "  Willem   de Dekker "));
        QCOMPARE(library->client(double_)->name, std::string("Willem de Dekker"));
        QCOMPARE(library->clip(waiting)->draft.client, std::string("Willem de Dekker"));
        QCOMPARE(library->clip(clip)->draft.client, std::string("Willem Dekker")); // as it was filed
        QCOMPARE(library->rename(wim, "  ").error().code, Errc::BadFormat);

        QVERIFY(library->merge(double_, wim));
        QCOMPARE(library->clients().size(), size_t(1));
        const Client one = library->clients()[0];
        QCOMPARE(one.name, std::string("Wim Dekker"));
        QCOMPARE(one.flags, (std::vector<std::string>{"hypertension", "osteoporosis"}));
        QVERIFY(one.consent && one.consent->covers("coaching"));
        QCOMPARE(library->filed(wim, "bridge").size(), size_t(1));
        QCOMPARE(library->clip(waiting)->draft.client, std::string("Wim Dekker"));
        QCOMPARE(library->clip(waiting)->draft.flags.size(), size_t(2)); // locked by either
        QCOMPARE(library->clientOf("w-2")->id, wim);                     // their phone still sends
        library.reset();
        QVERIFY(Library::open(at("merge")).value()->damage().empty());
    }

    /// A library that is copied or moved opens its own clips, and erasing there takes those and not the first one's.
    void copiedLibrary() {
        { fillIn(*Library::open(at("first")).value()); }
        fs::copy(at("first"), at("second"), fs::copy_options::recursive);
        auto second = Library::open(at("second")).value();
        for (const Clip& c : second->clips()) {
            QVERIFY(c.draft.clipPath.starts_with(at("second").string()));
            QVERIFY(fs::exists(c.draft.clipPath));
        }
        QVERIFY(second->erase(second->clients()[0].id, Erasing::Everything).has_value());
        QVERIFY(fs::is_empty(at("second") / "clips"));
        QVERIFY(!fs::is_empty(at("first") / "clips"));
        // And one that was written when paths were absolute.
        {
            QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("old"));
            db.setDatabaseName(QString::fromStdString((at("first") / "library.sqlite").string()));
            QVERIFY(db.open());
            QSqlQuery q(db);
            QVERIFY(q.exec(QStringLiteral("UPDATE clip SET draft = json_set(draft, '$.clip', '/somewhere/else/' || "
                                          "json_extract(draft, '$.clip'))")));
            for (const char* sql :
                 {"DROP TABLE visit", "DROP TABLE programme", "DROP TABLE practised", "DROP TABLE aside",
                  "DROP TABLE erasing", "DROP TABLE known_as", "DROP TABLE mail", "ALTER TABLE client DROP COLUMN uid",
                  "ALTER TABLE client DROP COLUMN language", "PRAGMA user_version = 3"})
                QVERIFY(q.exec(QString::fromLatin1(sql)));
            for (const char* table : {"client", "clip", "review", "reading", "answer", "consent", "coach"})
                QVERIFY(q.exec(QStringLiteral("ALTER TABLE %1 DROP COLUMN sum").arg(QString::fromLatin1(table))));
        }
        QSqlDatabase::removeDatabase(QStringLiteral("old"));
        auto first = Library::open(at("first")).value();
        for (const Clip& c : first->clips()) QVERIFY2(fs::exists(c.draft.clipPath), c.draft.clipPath.c_str());
    }

    /// A clip outside that has moved can be pointed to; another film is refused.
    void movedClip() {
        auto library = Library::open(at("moved")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        ReviewInputs in = demoInputs();
        fs::copy_file(in.clipPath, at("outside.mp4"));
        const std::string film = in.clipPath;
        in.clipPath = at("outside.mp4").string();
        const auto clip = library->addClip(client, "2026-05-01", in).value();
        fs::rename(at("outside.mp4"), at("elsewhere.mp4"));
        QCOMPARE(library->relocate(clip, demoClip("oisin-bridge-may")).error().code, Errc::BadFormat);
        QVERIFY(library->relocate(clip, at("elsewhere.mp4")));
        QCOMPARE(library->clip(clip)->draft.clipPath, at("elsewhere.mp4").string());
    }

    void correctedAndRemoved() {
        auto library = Library::open(at("correct")).value();
        fillIn(*library);
        const auto oisin = library->addClient("Oisín Gallagher", "rigger").value();
        const Clip waiting = library->clips()[0];
        QVERIFY(!waiting.filed && waiting.draft.history.size() == 1);
        ReviewInputs in = waiting.draft;
        in.side = "left";
        QVERIFY(library->correct(waiting.id, oisin, in));
        QCOMPARE(library->clip(waiting.id)->client, oisin);
        QVERIFY(library->clip(waiting.id)->draft.history.empty()); // Ruta's is not his
        const Clip filed = library->clips().back();
        QCOMPARE(library->correct(filed.id, oisin, filed.draft).error().code, Errc::Conflict);
        QCOMPARE(library->removeClip(filed.id).error().code, Errc::Conflict);
        QVERIFY(library->removeClip(waiting.id));
        QVERIFY(fs::exists(filed.draft.clipPath)); // the same film was answered
        QCOMPARE(library->clips().size(), size_t(1));
    }

    /// Of a hundred libraries with flipped bits none opens with something silently missing: it is refused, or says what
    /// is damaged, or nothing that a coach sees has changed.
    void flippedBits() {
        { fillIn(*Library::open(at("whole")).value()); }
        std::string before;
        {
            auto library = Library::open(at("whole")).value();
            before = seen(*library);
            fs::copy_file(at("whole") / "library.sqlite", at("plain.sqlite"));
        }
        const std::string bytes = readFile(at("plain.sqlite")).value();
        std::mt19937 random(5);
        int refused = 0, told = 0, harmless = 0;
        for (int k = 0; k < 100; ++k) {
            std::string damaged = bytes;
            const int bits = k % 3 == 0 ? 1 : k % 3 == 1 ? 8 : 64;
            for (int b = 0; b < bits; ++b) damaged[random() % damaged.size()] ^= char(1 << (random() % 8));
            for (const char* beside : {"library.sqlite-wal", "library.sqlite-shm"}) fs::remove(at("whole") / beside);
            QVERIFY(writeFileAtomically(at("whole") / "library.sqlite", damaged));
            std::vector<std::string> later;
            auto library = Library::open(at("whole"));
            if (!library) {
                ++refused;
                QVERIFY(!library.error().detail().empty());
                continue;
            }
            (*library)->onTrouble([&](const Message& sentence) { later.push_back(inEnglish(sentence)); });
            const std::string now = seen(**library);
            if (!(*library)->damage().empty() || !later.empty())
                ++told;
            else if (now == before)
                ++harmless;
            else
                QFAIL(qPrintable(QStringLiteral("silently changed at try %1").arg(k)));
        }
        QVERIFY2(refused + told > 40, qPrintable(QStringLiteral("%1 refused, %2 told").arg(refused).arg(told)));
    }

    /// What cannot be read is not nothing: no decision is made on it, nothing is written or removed, and the error says so.
    void unreadIsNotNothing_data() {
        QTest::addColumn<QString>("table");
        for (const char* table : {"client", "clip", "review"}) QTest::addRow("%s", table) << QString::fromLatin1(table);
    }
    void unreadIsNotNothing() {
        QFETCH(QString, table);
        auto library = Library::open(at(qPrintable("unread-" + table))).value();
        fillIn(*library);
        const int64_t client = library->clients()[0].id, waiting = library->clips()[0].id;
        const ReviewInputs draft = library->clip(waiting)->draft;
        const fs::path film = draft.clipPath;
        const std::string before = seen(*library);
        const int64_t audited = library->auditEntries();
        std::vector<std::string> told;
        library->onTrouble([&](const Message& sentence) { told.push_back(inEnglish(sentence)); });
        const auto rename = [&](const QString& from, const QString& to) {
            {
                QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("other"));
                db.setDatabaseName(QString::fromStdString((library->folder() / "library.sqlite").string()));
                QVERIFY(db.open());
                QVERIFY(QSqlQuery(db).exec(QStringLiteral("ALTER TABLE %1 RENAME TO %2").arg(from, to)));
            }
            QSqlDatabase::removeDatabase(QStringLiteral("other"));
        };
        rename(table, QStringLiteral("elsewhere"));
        QVERIFY(!library->addClip(client, "2026-05-21", draft));
        QVERIFY(!library->correct(waiting, client, draft));
        QVERIFY(!library->rename(client, "Somebody Else"));
        if (table != QStringLiteral("client")) QVERIFY(!library->removeClip(waiting)); // which reads no client
        QVERIFY(!library->whatErasingTakes(client, Erasing::Everything));
        const auto erased = library->erase(client, Erasing::Everything);
        QVERIFY(!erased && erased.error().detail().find("nothing was changed") != std::string::npos);
        QVERIFY(!send(*library, parcel("Ruta Kalniņa"), {true, client}));
        QVERIFY(fs::exists(film));
        told.clear();
        (void)library->clips(), (void)library->clients(), (void)library->filed(client, "bridge");
        QVERIFY(!told.empty() && told[0].find("could not be read") != std::string::npos); // where it is only shown
        rename(QStringLiteral("elsewhere"), table);
        QVERIFY(seen(*library) == before);
        QCOMPARE(library->auditEntries(), audited);
        QVERIFY(library->check()->empty());
        const auto folder = library->folder();
        library.reset();
        library = Library::open(folder).value(); // no erasure had been left to be ended
        QVERIFY(seen(*library) == before && fs::exists(film));
    }

    /// A draft that cannot be read is told and kept as it is.
    void draftThatCannotBeRead() {
        { fillIn(*Library::open(at("draft")).value()); }
        {
            QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("other"));
            db.setDatabaseName(QString::fromStdString((at("draft") / "library.sqlite").string()));
            QVERIFY(db.open());
            QVERIFY(QSqlQuery(db).exec(QStringLiteral("UPDATE clip SET draft = '{\"clip\":1e999}' WHERE id = 2")));
            QVERIFY(QSqlQuery(db).exec(QStringLiteral("UPDATE client SET flags = '[1'")));
        }
        QSqlDatabase::removeDatabase(QStringLiteral("other"));
        auto library = Library::open(at("draft")).value();
        QCOMPARE(library->damage().size(), size_t(2));
        std::vector<std::string> told;
        library->onTrouble([&](const Message& sentence) { told.push_back(inEnglish(sentence)); });
        QCOMPARE(library->clips().size(), size_t(1));
        QVERIFY(!told.empty() && told[0].find("clip 2") != std::string::npos);
        // Flags that cannot be read would lock nothing, so all of them do.
        QCOMPARE(library->clients()[0].flags.size(), shipped().safety().flags.size());
        QVERIFY(told.back().find("every flag counts") != std::string::npos);
    }

    void notNew() {
        { fillIn(*Library::open(at("emptied")).value()); }
        QVERIFY(writeFileAtomically(at("emptied") / "library.sqlite", ""));
        for (const char* beside : {"library.sqlite-wal", "library.sqlite-shm"}) fs::remove(at("emptied") / beside);
        const auto library = Library::open(at("emptied"));
        QCOMPARE(library.error().code, Errc::BadFormat);
        QVERIFY(library.error().detail().find("restore") != std::string::npos);
    }

    /// Not a byte of a newer version's file is changed.
    void newerIsUntouched() {
        { fillIn(*Library::open(at("newer")).value()); }
        const fs::path file = at("newer") / "library.sqlite";
        std::string bytes = readFile(file).value();
        bytes[63] = 99; // user version, big-endian at 60
        QVERIFY(writeFileAtomically(file, bytes));
        QCOMPARE(Library::open(at("newer")).error().code, Errc::NewerVersion);
        QCOMPARE(readFile(file).value(), bytes);
    }

    void locks() {
        { auto library = Library::open(at("lock")).value(); }
        for (const char* content : {"", "what is this\n", "999999\nsomebody\nelsewhere\n"}) {
            QVERIFY(writeFileAtomically(at("lock") / "in-use.lock", content));
            const auto refused = Library::open(at("lock"));
            if (refused) continue; // a process of that number does not run here
            QCOMPARE(refused.error().code, Errc::Conflict);
            QVERIFY2(refused.error().detail().find("--take-over") != std::string::npos,
                     refused.error().detail().c_str());
            QVERIFY(Library::open(at("lock"), InUse::TakeOver).has_value());
        }
        auto held = Library::open(at("lock")).value();
        QVERIFY(Library::open(at("lock")).error().detail().find(std::to_string(QCoreApplication::applicationPid())) !=
                std::string::npos);
    }

    void fullDiskAtStart() {
        { fillIn(*Library::open(at("full")).value()); }
        const NoRoom full(100);
        const auto library = Library::open(at("full"));
        if (library) {
            QVERIFY(!(*library)->addClient("Wim Dekker", ""));
            return;
        }
        QCOMPARE(library.error().code, Errc::WriteFailed);
    }

    /// A folder that goes while it is open: nothing is said to be saved.
    void folderThatGoes() {
        auto library = Library::open(at("goes")).value();
        fillIn(*library);
        const Clip waiting = library->clips()[0];
        fs::rename(at("goes"), at("gone"));
        const auto saved = library->saveDraft(waiting.id, waiting.draft);
        QCOMPARE(saved.error().code, Errc::WriteFailed);
        QVERIFY(saved.error().detail().find("gone") != std::string::npos);
        fs::rename(at("gone"), at("goes"));
        QVERIFY(library->saveDraft(waiting.id, waiting.draft));
    }

    /// Nobody else on the machine may read a client's videos or records.
    void onlyForTheUser() {
        const mode_t before = ::umask(022);
        auto library = Library::open(at("private")).value();
        fillIn(*library);
        library->cacheTracks(demoInputs(), demoTracks());
        ::umask(before);
        for (const auto& entry : fs::recursive_directory_iterator(at("private"))) {
            const auto open = fs::perms::group_all | fs::perms::others_all;
            const auto allowed = entry.status().permissions() & open;
            QVERIFY2(allowed == fs::perms::none || entry.path().parent_path().filename() == "clips",
                     entry.path().c_str());
        }
        QVERIFY((fs::status(at("private")).permissions() & (fs::perms::group_all | fs::perms::others_all)) ==
                fs::perms::none);
    }

    void asides() {
        {
            auto library = Library::open(at("aside")).value();
            QVERIFY(library->begin("measuring", "7"));
        } // died once: one more try
        {
            auto library = Library::open(at("aside")).value();
            QVERIFY(library->asides("measuring").empty());
            QVERIFY(library->begin("measuring", "7"));
            QVERIFY(library->begin("measuring", "8") && library->end("measuring", "8"));
            QVERIFY(library->putAside({"mail", "3", "the clip has gone"}));
            library->lookingAt(5);
        }
        auto library = Library::open(at("aside")).value();
        QCOMPARE(library->asides("measuring").size(), size_t(1));
        QCOMPARE(library->asides("measuring")[0].subject, std::string("7"));
        QCOMPARE(library->asides("picture")[0].subject, std::string("5"));
        QCOMPARE(library->asides("mail")[0].why, std::string("the clip has gone"));
        QVERIFY(library->end("measuring", "7") && library->asides("measuring").empty());
    }

    void backedUpAndRestored() {
        std::string before;
        {
            auto library = Library::open(at("mine")).value();
            fillIn(*library);
            before = seen(*library);
            const auto size = backupLibrary(*library, at("backup"));
            QVERIFY2(size.has_value(), size ? "" : size.error().detail().c_str());
            QVERIFY(size->files >= 3);
            QCOMPARE(backupLibrary(*library, at("backup")).error().code, Errc::Conflict); // there is one
        }
        fs::remove_all(at("mine"));
        QVERIFY(restoreLibrary(at("backup"), at("theirs")));
        auto library = Library::open(at("theirs")).value();
        QVERIFY(library->damage().empty());
        QString moved = QString::fromStdString(seen(*library));
        moved.replace(QString::fromStdString(at("theirs").string()), QString::fromStdString(at("mine").string()));
        QCOMPARE(moved, QString::fromStdString(before));
        for (const Clip& c : library->clips()) QVERIFY(fs::exists(c.draft.clipPath));
        // One flipped bit is found before anything is written.
        const fs::path film = *fs::directory_iterator(at("backup") / "clips");
        std::string bytes = readFile(film).value();
        bytes[bytes.size() / 2] ^= 1;
        QVERIFY(writeFileAtomically(film, bytes));
        QCOMPARE(restoreLibrary(at("backup"), at("none")).error().code, Errc::BadFormat);
        QVERIFY(!fs::exists(at("none")));
        Json list = readJsonFile(at("backup") / "backup.json").value();
        list["files"][0]["file"] = "../../escaped";
        QVERIFY(writeFileAtomically(at("backup") / "backup.json", toText(list)));
        QCOMPARE(restoreLibrary(at("backup"), at("none")).error().code, Errc::BadFormat);
    }
};

QTEST_GUILESS_MAIN(TrustTest)
#include "trust_test.moc"
