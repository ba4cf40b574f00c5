// SPDX-License-Identifier: GPL-3.0-or-later
// Files that are whole or old, JSON that says where it is wrong.
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "base/numbers.h"
#include "base/parallel.h"
#include "base/zip_file.h"

#include "support/no_room.h"
#include "support/unzipped.h"

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>
#include <atomic>
#include <clocale>
#include <random>
#include <sys/stat.h>
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

    /// What is wrong with it is said, and nothing that stands in a text ends the program.
    void hostileText_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<QString>("told");
        const auto row = [](const char* name, const QString& text, const char* told) {
            QTest::newRow(name) << text << QString::fromLatin1(told);
        };
        row("cut off", QStringLiteral("{\n\"a\":\n[1"), "mine.json:3: is not valid JSON");
        row("a number that no double holds", QStringLiteral("{\"a\":1e999}"), "too large");
        row("a number beyond use", QStringLiteral("{\"a\":[0,{\"b\":-2e9}]}"), "/a/1/b: the number is too large");
        row("a whole number beyond a double", QStringLiteral("[9007199254740993]"), "/0: the number is too large");
        row("deep", QString(100000, QLatin1Char('[')), "nested deeper than 64");
        row("deep objects", QStringLiteral("{\"a\":").repeated(100000), "nested deeper than 64");
        row("no UTF-8", QStringLiteral("[\"\\ud800\"]"), "is not valid JSON");
        row("nothing", QString(), "is not valid JSON");
    }
    void hostileText() {
        QFETCH(QString, text);
        QFETCH(QString, told);
        const auto json = parseJson(text.toStdString(), "mine.json");
        QCOMPARE(json.error().code, Errc::BadFormat);
        QVERIFY2(json.error().detail().find(told.toStdString()) != std::string::npos, json.error().detail().c_str());
    }
    void textsThatAreFine() {
        QVERIFY(parseJson(std::string(64, '[') + std::string(64, ']'), "x"));
        QVERIFY(parseJson("\"" + std::string(1000, '[') + "\\\"[\"", "x")); // brackets of a string are none
        QCOMPARE(parseJson("[1e9, 9007199254740992, -0.5]", "x")->size(), size_t(3));
        QVERIFY(parseJson("\"\xff\"", "x").error().code == Errc::BadFormat);
        const Json latin = {{"clip", "caf\xe9.mp4"}}; // a file's name need not be UTF-8
        QVERIFY(toText(latin).find("caf\xef\xbf\xbd.mp4") != std::string::npos);
        QVERIFY(excerpt(Json(std::string(5000, 'x'))).size() < 200);
    }
    void largeText() {
        QFile file(QString::fromStdString(at("large.json").string()));
        QVERIFY(file.open(QIODevice::WriteOnly) && file.resize(qint64(kMostJsonBytes) + 1));
        QCOMPARE(readJsonFile(at("large.json")).error().code, Errc::BadFormat);
    }

    /// As the C library writes them, which rounds the number itself and not a product of it.
    void fixedRoundsTheNumberItself() {
        const std::string locale = std::setlocale(LC_NUMERIC, nullptr);
        std::setlocale(LC_NUMERIC, "C");
        std::mt19937 random(7);
        for (int i = 0; i < 200'000; ++i) {
            const int decimals = int(random() % 7);
            const double scale = std::pow(10.0, double(random() % 18) - 8), half = random() % 4 == 0 ? 0.5 : 0.1234567;
            const double value = (double(random()) - 2e9) * half * scale;
            char expected[64];
            std::snprintf(expected, sizeof expected, "%.*f", decimals, value);
            if (std::string(expected).find_first_of("123456789") == std::string::npos) continue; // "-0.00"
            QCOMPARE(fixed(value, decimals), std::string(expected));
        }
        std::setlocale(LC_NUMERIC, locale.c_str());
    }

    void allIsDoneInParallelAndTroublePassedOn() {
        std::vector<std::atomic<int>> times(1000);
        inParallel(times.size(), [&](size_t i) { ++times[i]; });
        QVERIFY(std::all_of(times.begin(), times.end(), [](const auto& n) { return n == 1; }));
        inParallel(0, [](size_t) { QFAIL("there was nothing to do"); });
        std::atomic<int> after = 0;
        QVERIFY_EXCEPTION_THROWN(inParallel(100000,
                                            [&](size_t i) {
                                                if (i == 3) throw std::runtime_error("here");
                                                ++after;
                                            }),
                                 std::runtime_error);
        QVERIFY2(after < 99999, "what had not begun was stopped");
    }

    /// The machine's locale must not change a number in a file: with a comma 12.5 would become 12.
    void numbersWithAComma() {
        const char* comma = std::setlocale(LC_NUMERIC, "de_DE.UTF-8");
        QVERIFY2(comma && std::localeconv()->decimal_point[0] == ',',
                 "de_DE.UTF-8 is made by the build (tests/CMakeLists.txt)");
        QCOMPARE(fixed(12.5, 2), std::string("12.50"));
        QCOMPARE(fixed(-0.0004, 3), std::string("0.000"));
        QCOMPARE(fixed(-1234567.25, 1), std::string("-1234567.2")); // half to even
        QCOMPARE(parseNumber("12.5").value(), 12.5);
        QVERIFY(!parseNumber("12,5") && !parseNumber("") && !parseNumber("1e999") && !parseNumber("nan") &&
                !parseNumber("1 "));
        std::setlocale(LC_NUMERIC, "C");
    }

    /// Pipes, devices and links: nothing waits for one, and none is replaced by a file.
    void whatIsNoFile() {
        QCOMPARE(::mkfifo(at("pipe").c_str(), 0600), 0);
        std::filesystem::create_symlink(at("elsewhere"), at("link"));
        QVERIFY(writeFileAtomically(at("elsewhere"), "kept"));
        QCOMPARE(readFile(at("pipe")).error().code, Errc::NotReadable);
        QCOMPARE(readFile("/dev/zero").error().code, Errc::NotReadable);
        QCOMPARE(sha256OfFile(at("pipe")).error().code, Errc::NotReadable);
        QCOMPARE(readFile(at("link")).value(), std::string("kept"));
        QCOMPARE(openOrdinaryFile(at("link"), false).error().code, Errc::NotReadable);
        for (const std::filesystem::path& to : {at("pipe"), at("link"), std::filesystem::path("/dev/null")})
            QCOMPARE(writeFileAtomically(to, "x").error().code, Errc::WriteFailed);
        QVERIFY(std::filesystem::is_symlink(at("link")) && std::filesystem::is_character_file("/dev/null"));
        QCOMPARE(readFile(at("elsewhere")).value(), std::string("kept"));
        QCOMPARE(std::filesystem::status(at("elsewhere")).permissions(),
                 std::filesystem::perms::owner_read | std::filesystem::perms::owner_write);
        for (const char* name : {"pipe", "link", "elsewhere"}) std::filesystem::remove(at(name));
    }

    void missingFile() {
        QCOMPARE(readFile(at("nothing")).error().code, Errc::NotFound);
        QVERIFY(readFile(at("nothing")).error().detail().find("nothing") != std::string::npos);
    }

    /// A disk without room, stood in for by a limit on the size of files: the old content stays, the sentence says why.
    void fullDisk() {
        QVERIFY(writeFileAtomically(at("kept"), "old"));
        const NoRoom limit(1000);
        const auto to = writeFileAtomically(at("kept"), std::string(100000, 'x'));
        QCOMPARE(to.error().code, Errc::WriteFailed);
        QVERIFY(to.error().detail().find("nothing was changed") != std::string::npos);
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
        QVERIFY2(e.error().detail().find("bad.json:3") != std::string::npos, e.error().detail().c_str());
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
