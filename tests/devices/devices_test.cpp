// SPDX-License-Identifier: GPL-3.0-or-later
// The inbox folder, the upload service and the phone that sends to it, and the mail drop.
#include "base/files.h"
#include "base/json.h"
#include "devices/inbox_folder.h"
#include "devices/mail_drop.h"
#include "devices/simulated_phone.h"
#include "devices/upload_service.h"
#include "store/intake.h"
#include "support/catalogue.h"
#include "support/no_room.h"
#include "support/numbered_clip.h"
#include "support/patience.h"
#include "support/wrong_entry.h"
#include "video/clip_reader.h"

#include <QHostAddress>
#include <QNetworkReply>
#include <QSignalSpy>
#include <QTcpSocket>
#include <QTemporaryDir>
#include <QTest>
#include <set>
#include <sys/stat.h>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

class DevicesTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    fs::path clip_;

    static Json good() {
        return Json::parse(
            R"({"format":"deft-mirror-parcel","version":1,"client":"Wim Dekker","client_id":"w-0","role":"stage manager",
            "clip":"evening.mp4","exercise":"side-plank","side":"left","sent":"2026-05-18","answer_by":"2026-05-20",
            "flags":["shoulder-restriction"],"note":{"pain":false,"words":"Shook at the end.","shaking":true,"felt":[],
            "red_flags":[],"signs":[]},"target":{"rung":"knees","sets":2,"hold_s":15,"days_per_week":3},
            "consent":{"given":"2026-05-18","until":"2026-11-18","scopes":["coaching"]}})");
    }
    static Parcel parcel() { return parseParcel(shipped(), good(), "p").value(); }
    fs::path folder(const char* name) const {
        const fs::path f = fs::path(dir_.path().toStdString()) / name;
        fs::create_directories(f);
        return f;
    }
    fs::path filledInbox(const char* name) {
        const fs::path inbox = folder(name);
        fs::copy_file(clip_, inbox / "evening.mp4");
        (void)writeFileAtomically(inbox / "evening.json", toText(good()));
        return inbox;
    }

    /// One call of the service, with a header of its own choice. @return status, and the reply's headers
    struct Called {
        int status = 0;
        QByteArray offset, place;
    };
    static Called call(quint16 port, const QByteArray& verb, const QString& path,
                       std::vector<std::pair<QByteArray, QByteArray>> headers, const QByteArray& body = {}) {
        QNetworkAccessManager net;
        QNetworkRequest r(QUrl(QStringLiteral("http://127.0.0.1:%1%2").arg(port).arg(path)));
        for (const auto& [name, value] : headers) r.setRawHeader(name, value);
        r.setHeader(QNetworkRequest::ContentTypeHeader, "application/offset+octet-stream");
        std::unique_ptr<QNetworkReply> reply(net.sendCustomRequest(r, verb, body));
        (void)QTest::qWaitFor([&] { return reply->isFinished(); }, kPatience_ms);
        return {reply->attribute(QNetworkRequest::HttpStatusCodeAttribute).toInt(), reply->rawHeader("Upload-Offset"),
                reply->rawHeader("Location")};
    }
    static QByteArray metadata(const Json& parcel) {
        return "parcel " + QByteArray::fromStdString(toText(parcel)).toBase64();
    }

private slots:
    void initTestCase() {
        clip_ = fs::path(dir_.path().toStdString()) / "clip.mp4";
        QVERIFY(writeNumbered(clip_, evenTimes(40)));
    }

    void parcelThereAndBack() {
        const Parcel p = parcel();
        QCOMPARE(p.client, std::string("Wim Dekker"));
        QVERIFY(p.note.shaking && p.asked && *p.asked->hold_s == 15);
        QCOMPARE(toText(toJson(parseParcel(shipped(), toJson(p), "p").value())), toText(toJson(p)));
    }
    void parcelWrong_data() {
        wrongEntryColumns();
        QTest::newRow("nobody's") << "/client"
                                  << "\"\""
                                  << "/client";
        QTest::newRow("a path") << "/clip"
                                << "\"../library.sqlite\""
                                << "/clip";
        QTest::newRow("hidden") << "/clip"
                                << "\".uploads\""
                                << "/clip";
        QTest::newRow("third side") << "/side"
                                    << "\"up\""
                                    << "/side";
        QTest::newRow("a hold of years") << "/target/hold_s"
                                         << "1e9"
                                         << "/target/hold_s";
        QTest::newRow("consent of no day") << "/consent/given"
                                           << "\"2026-02-30\""
                                           << "/consent/given";
        QTest::newRow("consent to nothing named") << "/consent"
                                                  << "{\"given\":\"2026-05-18\"}"
                                                  << "/consent";
        QTest::newRow("pain perhaps") << "/note/pain"
                                      << "\"a bit\""
                                      << "/note/pain";
    }
    void parcelWrong() {
        verifyWrongEntry(good(),
                         [](const Json& j, const std::string& where) { return parseParcel(shipped(), j, where); });
    }
    void unknownWords() {
        for (const auto& [at, value] : {std::pair{"/exercise", Json("juggling")},
                                        {"/consent/scopes", Json::array({"juggling"})},
                                        {"/flags", Json::array({"juggling"})},
                                        {"/note/red_flags", Json::array({"juggling"})}}) {
            Json j = good();
            j[Json::json_pointer(at)] = value;
            const auto p = parseParcel(shipped(), j, "mine.json");
            QCOMPARE(p.error().code, Errc::NotFound);
            QVERIFY2(p.error().detail().find("juggling") != std::string::npos, p.error().detail().c_str());
        }
    }

    /// Several clips, or parts of one, in one note: a parcel for each, with what holds for all of them.
    void severalClips() {
        Json j = good();
        for (const char* key : {"clip", "exercise", "side", "target", "sha256"}) j.erase(key);
        j["clips"] = {{{"clip", "a.mp4"}, {"exercise", "bridge"}},
                      {{"clip", "b.mp4"},
                       {"exercise", "side-plank"},
                       {"side", "left"},
                       {"part", {{"from_s", 0}, {"to_s", 12.5}}}},
                      {{"clip", "b.mp4"},
                       {"exercise", "side-plank"},
                       {"side", "right"},
                       {"part", {{"from_s", 13}, {"to_s", 26}}}}};
        const auto parcels = parseParcels(shipped(), j, "visit.json").value();
        QCOMPARE(parcels.size(), size_t(3));
        for (const Parcel& p : parcels) QVERIFY(p.client == "Wim Dekker" && toJson(p.note) == toJson(parcel().note));
        QVERIFY(parcels[2].side == "right" && *parcels[2].part == (FilmPart{13, 26}) && !parcels[0].part);
        QCOMPARE(parseParcels(shipped(), good(), "p").value().size(), size_t(1));
        for (const auto& [at, wrong, told] : {std::tuple{"/clips", Json::array(), "/clips"},
                                              {"/clips/1/exercise", Json("juggling"), "/clips/1"},
                                              {"/clips/2/part/to_s", Json(2), "/clips/2: /part"},
                                              {"/clips/0/clip", Json("../a.mp4"), "/clips/0: /clip"}}) {
            Json bad = j;
            bad[Json::json_pointer(at)] = wrong;
            const auto refused = parseParcels(shipped(), bad, "visit.json");
            QVERIFY(!refused && refused.error().detail().find(told) != std::string::npos);
        }
    }
    /// What the parcel's JSON Schema refuses is refused on reading, and the schema lets through what is read.
    void parcelObeysItsSchema() {
        QVERIFY(shipped().obeysSchema("parcel", good(), "p"));
        Json j = good();
        j["note"]["felt"] = "everywhere";
        QVERIFY(!shipped().obeysSchema("parcel", j, "p"));
        QVERIFY(!parseParcels(shipped(), j, "p"));
    }

    /// A phone's folder, taken over once: films first, nothing is taken away there, nothing is written over.
    void aFolderTakenOver() {
        const fs::path from = filledInbox("phone"), to = folder("taken");
        fs::create_directories(to);
        (void)writeFileAtomically(from / "shopping.txt", "tape");
        const int files = takeOver(from, to).value();
        QVERIFY(files >= 2);
        QVERIFY(!fs::exists(to / "shopping.txt"));
        QCOMPARE(lookIntoInbox(shipped(), to)->ready.size(), lookIntoInbox(shipped(), from)->ready.size());
        QCOMPARE(takeOver(from, to).value(), 0); // it is there
        for (const auto& entry : fs::directory_iterator(to))
            if (entry.path().extension() == ".mp4") (void)writeFileAtomically(entry.path(), "another film");
        QCOMPARE(takeOver(from, to).error().code, Errc::Conflict);
        QCOMPARE(takeOver(from / "nowhere", to).error().code, Errc::NotReadable);
    }

    void inboxIsRead() {
        const fs::path inbox = filledInbox("read");
        (void)writeFileAtomically(inbox / "early.json", [] {
            Json j = good();
            j["clip"] = "later.mp4";
            return toText(j);
        }());
        (void)writeFileAtomically(inbox / "broken.json", "{");
        (void)writeFileAtomically(inbox / "shopping.txt", "tape");
        fs::copy_file(clip_, inbox / "loose.MP4");
        const auto content = lookIntoInbox(shipped(), inbox).value();
        QCOMPARE(content.ready.size(), size_t(1));
        QCOMPARE(content.refused.size(), size_t(2));
        QVERIFY(inEnglish(content.refused[1].why).find("later.mp4 has not come yet") != std::string::npos);
        QCOMPARE(content.loose, std::vector<fs::path>{inbox / "loose.MP4"});
        fs::remove_all(inbox);
        QCOMPARE(lookIntoInbox(shipped(), inbox).error().code, Errc::NotReadable); // the device has gone
    }

    void clipsAreKept() {
        const fs::path inbox = filledInbox("keep"), home = folder("library-keep") / "clips";
        auto item = lookIntoInbox(shipped(), inbox).value().ready.at(0);
        const KeptClip kept = keepClip(item, home).value();
        QCOMPARE(sha256OfFile(kept.path).value(), sha256OfFile(clip_).value());
        QVERIFY(fs::exists(inbox / "evening.mp4")); // until the library has it
        QCOMPARE(keepClip(item, home)->path, kept.path);
        clearFromInbox(item);
        QVERIFY(fs::is_empty(inbox) && fs::exists(kept.path));
    }

    void clipsThatAreNotKept() {
        const fs::path inbox = filledInbox("bad"), home = folder("library-bad") / "clips";
        auto item = lookIntoInbox(shipped(), inbox).value().ready.at(0);
        item.parcels[0].sha256 = std::string(64, '0');
        QCOMPARE(keepClip(item, home).error().code, Errc::BadFormat); // half of it, or another
        item.parcels[0].sha256.clear();
        {
            NoRoom full(1000);
            QCOMPARE(keepClip(item, home).error().code, Errc::WriteFailed);
        }
        fs::resize_file(inbox / "evening.mp4", 200);
        QVERIFY(!keepClip(item, home));
        fs::remove(inbox / "evening.mp4");
        QCOMPARE(keepClip(item, home).error().code, Errc::NotFound);
        QVERIFY(!fs::exists(home) || fs::is_empty(home));
        QVERIFY(fs::exists(item.note)); // the parcel still says what is missing
    }

    /// More than two gigabytes: sizes fit, and it can be stopped.
    void hugeClip() {
        if (!qEnvironmentVariableIsSet("DEFT_LONG")) QSKIP("part of ./check --long");
        const fs::path inbox = filledInbox("huge"), home = folder("library-huge") / "clips";
        {
            // An MP4 may end in a box of free space (ISO/IEC 14496-12); its length is told in 64 bits.
            QFile file(QString::fromStdString((inbox / "evening.mp4").string()));
            QVERIFY(file.open(QIODevice::Append));
            const qint64 box = (qint64(2) << 30) + 100;
            QDataStream out(&file);
            out << quint32(1);
            out.writeRawData("free", 4);
            out << quint64(box);
            file.resize(file.size() + box - 16);
        }
        const auto item = lookIntoInbox(shipped(), inbox).value().ready.at(0);
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(keepClip(item, home, stop.get_token()).error().code, Errc::Cancelled);
        QVERIFY(fs::is_empty(home));
        const KeptClip kept = keepClip(item, home).value();
        QVERIFY(fs::file_size(kept.path) > (uintmax_t(2) << 30));
        QVERIFY(ClipReader::open(kept.path.string())->info().frames() == 40);
    }

    void takenIntoTheLibrary() {
        auto library = Library::open(folder("library")).value();
        const std::string sha = sha256OfFile(clip_).value();
        const auto id = takeIn(*library, parcel(), clip_, sha, "2026-06-01", {{"stop-at", "shaking"}}).value();
        const Clip c = library->clip(id).value();
        QCOMPARE(c.draft.answerBy, std::string("2026-05-20"));
        QCOMPARE(c.draft.side, std::string("left"));
        QCOMPARE(c.draft.asked.version, std::string("knees"));
        QCOMPARE(c.draft.schools.at("stop-at"), std::string("shaking"));
        QCOMPARE(library->clients().at(0).flags, std::vector<std::string>{"shoulder-restriction"});
        QVERIFY(library->clients().at(0).consent == parcel().consent);
        QCOMPARE(takeIn(*library, parcel(), clip_, sha, "2026-06-01", {}).error().code, Errc::Conflict);
        // The same clip with another note is not dropped: it may be the pain that was not there before.
        Parcel again = parcel();
        again.note.pain = true;
        QCOMPARE(takeIn(*library, again, clip_, sha, "2026-06-01", {}).error().code, Errc::Unsupported);
        // Flags add up over parcels, in the clip and in the client's record.
        Parcel other = parcel();
        other.exercise = "bridge", other.side = "both", other.flags = {"osteoporosis"};
        const auto second = takeIn(*library, other, clip_, sha, "2026-06-01", {}).value();
        QCOMPARE(library->clip(second)->draft.flags,
                 (std::vector<std::string>{"shoulder-restriction", "osteoporosis"}));
        QCOMPARE(library->clients().at(0).flags.size(), size_t(2));
        // Urgent first, then what was promised soonest, then what has waited longest.
        auto with = [&](const char* name, const char* by, bool pain) {
            Parcel p = parcel();
            p.client = p.clientUid = name, p.answerBy = by, p.note.pain = pain;
            return takeIn(*library, p, clip_, sha, "2026-06-01", {}).value();
        };
        const int64_t never = with("A", "", false), soon = with("B", "2026-05-19", false), pain = with("C", "", true);
        std::vector<int64_t> order;
        for (const Clip& clip : library->clips()) order.push_back(clip.id);
        QCOMPARE(order, (std::vector<int64_t>{pain, soon, id, second, never}));
    }

    void sentInPieces() {
        const fs::path inbox = folder("uploads"), big = folder("phone") / "big.mp4";
        auto writer = ClipWriter::create(big,
                                         [] {
                                             WriterOptions o;
                                             o.width = 320, o.height = 240;
                                             return o;
                                         }())
                          .value();
        for (int i = 0; i < 30; ++i) { // noise does not compress: several pieces
            cv::Mat picture(240, 320, CV_8UC3);
            cv::randu(picture, 0, 255);
            QVERIFY(writer.add(picture, i / 30.0));
        }
        QVERIFY(writer.finish());
        QVERIFY(fs::file_size(big) > 600 * 1024);
        auto service = std::make_unique<UploadService>(shippedCatalogue(), inbox);
        const quint16 port = service->listen();
        QVERIFY(port != 0);
        SimulatedPhone phone(QUrl(QStringLiteral("http://127.0.0.1:%1").arg(port)));
        QSignalSpy sent(&phone, &SimulatedPhone::sent), failed(&phone, &SimulatedPhone::failed);
        phone.breakLineAfter(256 * 1024);
        Parcel p = parcel();
        p.sha256 = sha256OfFile(big).value();
        phone.send(big, p, service->tokenFor("w-1"));
        phone.send(clip_, parcel(), service->tokenFor("w-2"));
        QVERIFY(QTest::qWaitFor([&] { return phone.isIdle(); }, kPatience_ms));
        QCOMPARE(sent.size(), 2);
        QVERIFY2(failed.isEmpty(), failed.isEmpty() ? "" : qPrintable(failed[0][0].toString()));
        QVERIFY(phone.resumed() >= 1);
        const auto content = lookIntoInbox(shipped(), inbox).value();
        QCOMPARE(content.ready.size(), size_t(2)); // both were called evening.mp4
        QVERIFY(content.refused.empty() && content.loose.empty());
        std::set<std::string> whose;
        for (const auto& item : content.ready) {
            whose.insert(item.parcel().clientUid);
            QVERIFY(keepClip(item, folder("sent-home")));
        }
        QCOMPARE(whose, (std::set<std::string>{"w-1", "w-2"})); // as their tokens say
        QVERIFY(fs::is_empty(inbox / ".uploads"));
    }

    /// What has come survives the service's restart; wrong pieces are refused and change nothing.
    void uploadsAreStrict() {
        const fs::path inbox = folder("strict");
        const QByteArray film = QByteArray::fromStdString(readFile(clip_).value()),
                         whole = QByteArray::number(film.size());
        auto service = std::make_unique<UploadService>(shippedCatalogue(), inbox);
        quint16 port = service->listen();
        using Headers = std::vector<std::pair<QByteArray, QByteArray>>;
        const auto ask = [&](const QByteArray& verb, const QString& path, Headers headers,
                             const QByteArray& body = {}) {
            headers.emplace_back("Authorization", "Bearer " + QByteArray::fromStdString(service->tokenFor("w-1")));
            return call(port, verb, path, headers, body);
        };
        const QString uploads = QStringLiteral("/uploads");
        QCOMPARE(ask("POST", uploads, {{"Upload-Metadata", metadata(good())}}).status, 400);
        QCOMPARE(ask("POST", uploads, {{"Upload-Length", "10"}}).status, 400);
        QCOMPARE(ask("POST", uploads, {{"Upload-Length", "-10"}, {"Upload-Metadata", metadata(good())}}).status, 400);
        QCOMPARE(ask("POST", uploads, {{"Upload-Length", "99999999999"}, {"Upload-Metadata", metadata(good())}}).status,
                 413);
        const Called made = ask("POST", uploads, {{"Upload-Length", whole}, {"Upload-Metadata", metadata(good())}});
        QCOMPARE(made.status, 201);
        const QString place = QString::fromLatin1(made.place);
        QCOMPARE(ask("PATCH", place, {{"Upload-Offset", "0"}}, film.left(500)).status, 204);
        QCOMPARE(ask("PATCH", place, {{"Upload-Offset", "0"}}, film.left(500)).status, 409); // a piece sent twice
        QCOMPARE(ask("PATCH", place, {{"Upload-Offset", "500"}}, film).status, 413);
        service = std::make_unique<UploadService>(shippedCatalogue(), inbox);
        port = service->listen();
        QCOMPARE(ask("HEAD", place, {}).offset, QByteArray("500"));
        QCOMPARE(ask("PATCH", place, {{"Upload-Offset", "500"}}, film.mid(500)).status, 204);
        // The sender may have missed the reply to its last piece: it can ask, and learns that all has come.
        QCOMPARE(ask("HEAD", place, {}).offset, whole);
        for (const char* none : {"/uploads/nothing", "/uploads/../../etc/passwd", "/uploads/%00"})
            QVERIFY(ask("HEAD", QString::fromLatin1(none), {}).status >= 400);
        const auto content = lookIntoInbox(shipped(), inbox).value();
        QCOMPARE(readFile(inbox / content.ready.at(0).parcel().clip).value(), film.toStdString());
    }

    /// Who has no token, calls from a page or under another name, or sends what is no film, gets nothing done.
    void uploadsByStrangers() {
        const fs::path inbox = folder("strangers");
        UploadService service(shippedCatalogue(), inbox);
        const quint16 port = service.listen();
        const QByteArray mine = "Bearer " + QByteArray::fromStdString(service.tokenFor("w-1")),
                         theirs = "Bearer " + QByteArray::fromStdString(service.tokenFor("w-2"));
        const QString uploads = QStringLiteral("/uploads");
        using Headers = std::vector<std::pair<QByteArray, QByteArray>>;
        const auto make = [&](const Json& parcel, Headers more) {
            more.emplace_back("Upload-Length", "64"), more.emplace_back("Upload-Metadata", metadata(parcel));
            return call(port, "POST", uploads, more);
        };
        QCOMPARE(make(good(), {}).status, 403);
        QCOMPARE(make(good(), {{"Authorization", "Bearer guess"}}).status, 403);
        QCOMPARE(make(good(), {{"Authorization", mine}, {"Origin", "http://puppets.example"}}).status, 403);
        QCOMPARE(make(good(), {{"Authorization", mine}, {"Host", "puppets.example"}}).status, 403);
        for (const std::string& clip :
             {std::string("note.json"), std::string("run.sh"), std::string("film"), std::string("a\0.mp4", 6),
              std::string("../up.mp4"), std::string("c:\\x.mp4")}) {
            Json j = good();
            j["clip"] = clip;
            QVERIFY2(make(j, {{"Authorization", mine}}).status >= 400, clip.c_str());
        }
        Json path = good();
        path["exercise"] = "../../library";
        QCOMPARE(make(path, {{"Authorization", mine}}).status, 400);
        QCOMPARE(make(Json::parse("[1]"), {{"Authorization", mine}}).status, 400);
        // Nobody goes on with, or asks about, what is another's; what is no film does not come into the inbox.
        const Called made = make(good(), {{"Authorization", mine}});
        QCOMPARE(made.status, 201);
        const QString place = QString::fromLatin1(made.place);
        QCOMPARE(call(port, "HEAD", place, {{"Authorization", theirs}}).status, 404);
        QCOMPARE(call(port, "PATCH", place, {{"Authorization", theirs}, {"Upload-Offset", "0"}}, "x").status, 404);
        QCOMPARE(
            call(port, "PATCH", place, {{"Authorization", mine}, {"Upload-Offset", "0"}}, QByteArray(64, 'x')).status,
            415);
        QVERIFY(fs::is_empty(inbox / ".uploads"));
        const auto content = lookIntoInbox(shipped(), inbox).value();
        QVERIFY(content.ready.empty() && content.refused.empty() && content.loose.empty());
        QCOMPARE(fs::status(inbox / ".uploads").permissions(), fs::perms::owner_all);
    }

    /// Unfinished uploads have a limit in all, and go when nobody goes on with them.
    void uploadsThatStay() {
        const fs::path inbox = folder("stay");
        const Json j = good();
        QString place;
        {
            UploadService service(shippedCatalogue(), inbox);
            const quint16 port = service.listen();
            const QByteArray mine = "Bearer " + QByteArray::fromStdString(service.tokenFor("w-1"));
            const auto make = [&](int64_t length) {
                return call(port, "POST", QStringLiteral("/uploads"),
                            {{"Authorization", mine},
                             {"Upload-Length", QByteArray::number(length)},
                             {"Upload-Metadata", metadata(j)}});
            };
            place = QString::fromLatin1(make(1000).place);
            QVERIFY(!place.isEmpty());
            int made = 0;
            while (made < 5 && make(UploadService::kLargest).status == 201) ++made;
            QVERIFY2(made <= 2, "more than the limit was let in");
        }
        for (const auto& entry : fs::directory_iterator(inbox / ".uploads"))
            fs::last_write_time(entry, fs::file_time_type::clock::now() - std::chrono::hours(24 * 8));
        const UploadService again(shippedCatalogue(), inbox);
        QVERIFY(fs::is_empty(inbox / ".uploads"));
    }

    /// A large film goes to the disk as it comes: the service's memory does not grow with it.
    void uploadsAreStreamed() {
        const fs::path inbox = folder("streamed");
        UploadService service(shippedCatalogue(), inbox);
        const quint16 port = service.listen();
        const QByteArray mine = "Bearer " + QByteArray::fromStdString(service.tokenFor("w-1"));
        constexpr qint64 kSize = qint64(192) << 20;
        const Called made = call(port, "POST", QStringLiteral("/uploads"),
                                 {{"Authorization", mine},
                                  {"Upload-Length", QByteArray::number(kSize)},
                                  {"Upload-Metadata", metadata(good())}});
        QCOMPARE(made.status, 201);
        QTcpSocket line;
        line.connectToHost(QHostAddress::LocalHost, port);
        QVERIFY(line.waitForConnected(5000));
        line.write("PATCH " + made.place + " HTTP/1.1\r\nHost: 127.0.0.1:" + QByteArray::number(port) +
                   "\r\nAuthorization: " + mine + "\r\nUpload-Offset: 0\r\nContent-Length: " +
                   QByteArray::number(kSize) + "\r\nContent-Type: application/offset+octet-stream\r\n\r\n");
        const QByteArray piece(1 << 20, 'x');
        const auto resident = [] {
            QFile file(QStringLiteral("/proc/self/statm"));
            return file.open(QIODevice::ReadOnly) ? file.readAll().split(' ').value(1).toLongLong() * 4096 : 0;
        };
        const qint64 before = resident();
        for (qint64 sent = 0; sent < kSize; sent += piece.size()) {
            line.write(piece);
            while (line.bytesToWrite() > 0) QVERIFY(line.waitForBytesWritten(10000));
        }
        QVERIFY(line.waitForReadyRead(30000));
        QVERIFY(line.readAll().startsWith("HTTP/1.1 415")); // it was no film
        QVERIFY2(resident() - before < kSize / 4, qPrintable(QString::number(resident() - before)));
    }

    /// Links, pipes and folders in the inbox are no clips and are not followed.
    void whatIsNoClipInTheInbox() {
        const fs::path inbox = filledInbox("links");
        fs::remove(inbox / "evening.mp4");
        fs::create_symlink(clip_, inbox / "evening.mp4");
        fs::create_symlink(clip_, inbox / "loose.mp4");
        fs::create_symlink(clip_, inbox / "note.json");
        QCOMPARE(::mkfifo((inbox / "pipe.mp4").c_str(), 0600), 0);
        const auto content = lookIntoInbox(shipped(), inbox).value();
        QVERIFY(content.ready.empty() && content.loose.empty());
        QCOMPARE(content.refused.size(), size_t(1));
        QVERIFY(inEnglish(content.refused[0].why).find("link") != std::string::npos);
        InboxContent::Item item{inbox / "evening.json", {parcel()}};
        QCOMPARE(keepClip(item, folder("links-home")).error().code, Errc::NotReadable);
    }

    void mailIsDropped() {
        const fs::path drop = folder("mail");
        const fs::path first = dropMail(drop, "answer-7", "Subject: one\r\n\r\n").value();
        const fs::path second = dropMail(drop, "answer-7", "Subject: two\r\n\r\n").value();
        QVERIFY(first != second);
        QCOMPARE(readFile(first).value(), std::string("Subject: one\r\n\r\n"));
        QCOMPARE(dropMail(first, "answer-8", "x").error().code, Errc::WriteFailed); // a folder under a file
    }
};

QTEST_GUILESS_MAIN(DevicesTest)
#include "devices_test.moc"
