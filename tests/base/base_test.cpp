// Files that are whole or old, JSON that says where it is wrong.
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "base/zip_file.h"

#include "support/no_room.h"
#include "support/unzipped.h"

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>
#include <unistd.h>

using namespace deft;
using namespace deft::test;

class BaseTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    std::filesystem::path at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    void writesAndReads() {
        const std::string content("line\n\0binary", 12);
        QVERIFY(writeFileAtomically(at("a"), content));
        QCOMPARE(readFile(at("a")).value(), content);
        QVERIFY(writeFileAtomically(at("a"), "shorter"));
        QCOMPARE(readFile(at("a")).value(), std::string("shorter"));
        QCOMPARE(QDir(dir_.path()).entryList(QDir::Files).size(), 1); // nothing half written is left beside it
    }

    /// What a zip holds is what was put in, and the same files make the same bytes.
    void zipThereAndBack() {
        const std::vector<ZipEntry> entries{
            {"review.json", "{}\n"}, {"stills/größe.jpg", std::string("a\0b", 3)}, {"empty", ""}};
        const std::string zip = zipOf(entries).value();
        QCOMPARE(zipOf(entries).value(), zip);
        const auto files = unzipped(zip);
        QCOMPARE(files.size(), entries.size());
        for (const ZipEntry& e : entries) QCOMPARE(files.at(e.name), e.content);
    }

    void missingFile() {
        QCOMPARE(readFile(at("nothing")).error().code, Errc::NotFound);
        QVERIFY(readFile(at("nothing")).error().detail.find("nothing") != std::string::npos);
    }

    /// A disk without room, stood in for by a limit on the size of files: the old content stays, the sentence says why.
    void fullDisk() {
        QVERIFY(writeFileAtomically(at("kept"), "old"));
        const NoRoom limit(1000);
        const auto to = writeFileAtomically(at("kept"), std::string(100000, 'x'));
        QCOMPARE(to.error().code, Errc::WriteFailed);
        QVERIFY(to.error().detail.find("nothing was changed") != std::string::npos);
        QCOMPARE(readFile(at("kept")).value(), std::string("old"));
    }

    void readOnlyFolder() {
        const auto folder = at("locked");
        std::filesystem::create_directory(folder);
        QVERIFY(writeFileAtomically(folder / "f", "old"));
        std::filesystem::permissions(folder, std::filesystem::perms::owner_read | std::filesystem::perms::owner_exec);
        if (geteuid() == 0) {
            std::filesystem::permissions(folder, std::filesystem::perms::owner_all);
            QSKIP("root may write everywhere");
        }
        QCOMPARE(writeFileAtomically(folder / "f", "new").error().code, Errc::WriteFailed);
        std::filesystem::permissions(folder, std::filesystem::perms::owner_all);
        QCOMPARE(readFile(folder / "f").value(), std::string("old"));
    }

    /// FIPS 180-4, examples of the standard: "abc" and the empty message.
    void sha256() {
        QVERIFY(writeFileAtomically(at("abc"), "abc"));
        QCOMPARE(sha256OfFile(at("abc")).value(),
                 std::string("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"));
        QVERIFY(writeFileAtomically(at("empty"), ""));
        QCOMPARE(sha256OfFile(at("empty")).value(),
                 std::string("e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855"));
    }

    void brokenJson() {
        QVERIFY(writeFileAtomically(at("bad.json"), "{\n \"a\": 1,\n \"b\": }\n"));
        const auto e = readJsonFile(at("bad.json"));
        QCOMPARE(e.error().code, Errc::BadFormat);
        QVERIFY2(e.error().detail.find("bad.json:3") != std::string::npos, e.error().detail.c_str());
    }

    void formatAndVersion() {
        const Json ok = {{"format", "deft-mirror-marks"}, {"version", 1}};
        QVERIFY(expectFormat(ok, "deft-mirror-marks", 1, "f"));
        QCOMPARE(expectFormat(ok, "deft-mirror-scene", 1, "f").error().code, Errc::BadFormat);
        QCOMPARE(expectFormat(Json{{"format", "deft-mirror-marks"}, {"version", 2}}, "deft-mirror-marks", 1, "f")
                     .error()
                     .code,
                 Errc::NewerVersion);
        QCOMPARE(expectFormat(Json::array(), "deft-mirror-marks", 1, "f").error().code, Errc::BadFormat);
        QCOMPARE(expectFormat(Json{{"format", "deft-mirror-marks"}, {"version", "one"}}, "deft-mirror-marks", 1, "f")
                     .error()
                     .code,
                 Errc::BadFormat);
    }

    /// Weekdays from the calendar: the first of January 2000 was a Saturday, the first of March 2028 is a Wednesday.
    void dates() {
        QCOMPARE(dayInWords(*parseDate("2000-01-01")), std::string("Saturday 1 January"));
        QCOMPARE(dayInWords(*parseDate("2028-02-29") + std::chrono::days(1)), std::string("Wednesday 1 March"));
        QCOMPARE(isoDate(*parseDate("2026-12-28") + std::chrono::days(7)), std::string("2027-01-04"));
        for (const char* no : {"", "2026-02-29", "2026-13-01", "2026-1-1", "2026-05-14x", "14.05.2026"})
            QVERIFY2(!parseDate(no), no);
    }

    void numbers() {
        QVERIFY(numberOrNull(std::nan("")).is_null());
        QCOMPARE(numberOrNull(2.5).get<double>(), 2.5);
        QCOMPARE(rounded(1.23456, 3), 1.235);
        QCOMPARE(rounded(-0.0004, 3), 0.0);
    }
};

QTEST_GUILESS_MAIN(BaseTest)
#include "base_test.moc"
