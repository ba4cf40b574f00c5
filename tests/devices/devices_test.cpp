// The inbox folder, the upload service and the phone that sends to it, and the mail drop.
#include "base/files.h"
#include "devices/inbox_folder.h"
#include "devices/mail_drop.h"
#include "devices/simulated_phone.h"
#include "devices/upload_service.h"
#include "store/intake.h"
#include "support/no_room.h"
#include "support/numbered_clip.h"
#include "support/wrong_entry.h"

#include <QNetworkReply>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

class DevicesTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    fs::path clip_;

    static Json good() {
        return Json::parse(R"({"format":"deft-mirror-parcel","version":1,"client":"Wim Dekker","role":"stage manager",
            "clip":"evening.mp4","exercise":"side-plank","side":"left","sent":"2026-05-18","answer_by":"2026-05-20",
            "flags":["shoulder-restriction"],"note":{"pain":false,"words":"Shook at the end.","shaking":true,"felt":[],
            "red_flags":[],"signs":[]},"target":{"rung":"knees","sets":2,"hold_s":15,"days_per_week":3},
            "consent":{"given":"2026-05-18","until":"2026-11-18","scopes":["coaching"]}})");
    }
    static Parcel parcel() { return parseParcel(good(), "p").value(); }
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

private slots:
    void initTestCase() {
        clip_ = fs::path(dir_.path().toStdString()) / "clip.mp4";
        QVERIFY(writeNumbered(clip_, evenTimes(40)));
    }

    void parcelThereAndBack() {
        const Parcel p = parcel();
        QCOMPARE(p.client, std::string("Wim Dekker"));
        QVERIFY(p.note.shaking && p.asked && *p.asked->hold_s == 15);
        QVERIFY(toJson(parseParcel(toJson(p), "p").value()) == toJson(p));
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
    void parcelWrong() { verifyWrongEntry(good(), parseParcel); }
    void unknownWords() {
        for (const auto& [at, value] : {std::pair{"/exercise", Json("juggling")},
                                        {"/consent/scopes", Json::array({"juggling"})},
                                        {"/flags", Json::array({"juggling"})},
                                        {"/note/red_flags", Json::array({"juggling"})}}) {
            Json j = good();
            j[Json::json_pointer(at)] = value;
            const auto p = parseParcel(j, "mine.json");
            QCOMPARE(p.error().code, Errc::NotFound);
            QVERIFY2(p.error().detail.find("juggling") != std::string::npos, p.error().detail.c_str());
        }
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
        const auto content = lookIntoInbox(inbox).value();
        QCOMPARE(content.ready.size(), size_t(1));
        QCOMPARE(content.refused.size(), size_t(2));
        QVERIFY(content.refused[1].why.find("later.mp4 has not come yet") != std::string::npos);
        QCOMPARE(content.loose, std::vector<fs::path>{inbox / "loose.MP4"});
        fs::remove_all(inbox);
        QCOMPARE(lookIntoInbox(inbox).error().code, Errc::NotReadable); // the device has gone
    }

    void clipsAreKept() {
        const fs::path inbox = filledInbox("keep"), home = folder("library-keep") / "clips";
        auto item = lookIntoInbox(inbox).value().ready.at(0);
        const KeptClip kept = keepClip(item, home).value();
        QCOMPARE(sha256OfFile(kept.path).value(), sha256OfFile(clip_).value());
        QVERIFY(fs::exists(inbox / "evening.mp4")); // until the library has it
        QCOMPARE(keepClip(item, home)->path, kept.path);
        clearFromInbox(item);
        QVERIFY(fs::is_empty(inbox) && fs::exists(kept.path));
    }

    void clipsThatAreNotKept() {
        const fs::path inbox = filledInbox("bad"), home = folder("library-bad") / "clips";
        auto item = lookIntoInbox(inbox).value().ready.at(0);
        item.parcel.sha256 = std::string(64, '0');
        QCOMPARE(keepClip(item, home).error().code, Errc::BadFormat); // half of it, or another
        item.parcel.sha256.clear();
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
        const auto item = lookIntoInbox(inbox).value().ready.at(0);
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
        QCOMPARE(c.draft.asked.rung, std::string("knees"));
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
            p.client = name, p.answerBy = by, p.note.pain = pain;
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
        auto service = std::make_unique<UploadService>(inbox);
        const quint16 port = service->listen();
        QVERIFY(port != 0);
        SimulatedPhone phone(QUrl(QStringLiteral("http://127.0.0.1:%1").arg(port)));
        QSignalSpy sent(&phone, &SimulatedPhone::sent), failed(&phone, &SimulatedPhone::failed);
        phone.breakLineAfter(256 * 1024);
        Parcel p = parcel();
        p.sha256 = sha256OfFile(big).value();
        phone.send(big, p);
        phone.send(clip_, parcel());
        QVERIFY(QTest::qWaitFor([&] { return phone.isIdle(); }, 20000));
        QCOMPARE(sent.size(), 2);
        QVERIFY2(failed.isEmpty(), failed.isEmpty() ? "" : qPrintable(failed[0][0].toString()));
        QVERIFY(phone.resumed() >= 1);
        const auto content = lookIntoInbox(inbox).value();
        QCOMPARE(content.ready.size(), size_t(2)); // both were called evening.mp4
        QVERIFY(content.refused.empty() && content.loose.empty());
        for (const auto& item : content.ready) QVERIFY(keepClip(item, folder("sent-home")));
        QVERIFY(fs::is_empty(inbox / ".uploads"));
    }

    /// What has come survives the service's restart; wrong pieces are refused and change nothing.
    void uploadsAreStrict() {
        const fs::path inbox = folder("strict");
        auto service = std::make_unique<UploadService>(inbox);
        quint16 port = service->listen();
        QNetworkAccessManager net;
        auto ask = [&](const QByteArray& verb, const QString& path,
                       std::vector<std::pair<QByteArray, QByteArray>> headers, const QByteArray& body = {}) {
            QNetworkRequest r(QUrl(QStringLiteral("http://127.0.0.1:%1%2").arg(port).arg(path)));
            for (const auto& [name, value] : headers) r.setRawHeader(name, value);
            r.setHeader(QNetworkRequest::ContentTypeHeader, "application/offset+octet-stream");
            auto* reply = net.sendCustomRequest(r, verb, body);
            (void)QTest::qWaitFor([&] { return reply->isFinished(); }, 5000);
            reply->deleteLater();
            return reply;
        };
        auto status = [](QNetworkReply* r) { return r->attribute(QNetworkRequest::HttpStatusCodeAttribute).toInt(); };
        const QByteArray metadata = "parcel " + QByteArray::fromStdString(toText(good())).toBase64();
        QCOMPARE(status(ask("POST", QStringLiteral("/uploads"), {{"Upload-Metadata", metadata}})), 400);
        QCOMPARE(status(ask("POST", QStringLiteral("/uploads"), {{"Upload-Length", "10"}})), 400);
        QCOMPARE(status(ask("POST", QStringLiteral("/uploads"),
                            {{"Upload-Length", "99999999999"}, {"Upload-Metadata", metadata}})),
                 413);
        auto* made = ask("POST", QStringLiteral("/uploads"), {{"Upload-Length", "10"}, {"Upload-Metadata", metadata}});
        QCOMPARE(status(made), 201);
        const QString place = QString::fromLatin1(made->rawHeader("Location"));
        QCOMPARE(status(ask("PATCH", place, {{"Upload-Offset", "0"}}, "01234")), 204);
        QCOMPARE(status(ask("PATCH", place, {{"Upload-Offset", "0"}}, "01234")), 409); // a piece sent twice
        QCOMPARE(status(ask("PATCH", place, {{"Upload-Offset", "5"}}, "5678901")), 413);
        service = std::make_unique<UploadService>(inbox);
        port = service->listen();
        auto* told = ask("HEAD", place, {});
        QCOMPARE(told->rawHeader("Upload-Offset"), QByteArray("5"));
        QCOMPARE(status(ask("PATCH", place, {{"Upload-Offset", "5"}}, "56789")), 204);
        // The sender may have missed the reply to its last piece: it can ask, and learns that all has come.
        QCOMPARE(ask("HEAD", place, {})->rawHeader("Upload-Offset"), QByteArray("10"));
        QCOMPARE(status(ask("HEAD", QStringLiteral("/uploads/nothing"), {})), 404);
        const auto content = lookIntoInbox(inbox).value();
        QCOMPARE(readFile(inbox / content.ready.at(0).parcel.clip).value(), std::string("0123456789"));
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
