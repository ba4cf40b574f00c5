// SPDX-License-Identifier: GPL-3.0-or-later
// The command line as other tools use it: formats, exit codes, one sentence of trouble, the same bytes twice.
#include "base/files.h"
#include "base/json.h"
#include "detection/keypoint_network.h"
#include "support/numbered_clip.h"
#include "support/patience.h"
#include "support/table.h"
#include "video/clip_reader.h"

#include <QFileInfo>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>
#include <csignal>
#include <unistd.h>

using namespace deft;
using namespace deft::test;

namespace {

/// The same but for the last decimals of numbers.
bool isNearly(const Json& a, const Json& b) {
    if (a.is_number() && b.is_number()) return std::abs(a.get<double>() - b.get<double>()) < 0.005;
    if (a.type() != b.type() || a.size() != b.size()) return false;
    if (!a.is_structured()) return a == b;
    return std::equal(a.begin(), a.end(), b.begin(), isNearly);
}

} // namespace

class CliTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    QString at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)); }
    const QString clip_ = QStringLiteral(DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-april.mp4");
    const QString marks_ = QStringLiteral(DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-april.marks.json");

    struct Ran {
        int code;
        QByteArray out, err;
    };
    static Ran run(const QStringList& arguments) {
        QProcess p;
        QProcessEnvironment env = QProcessEnvironment::systemEnvironment();
        for (const char* gone : {"DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM"})
            env.remove(QString::fromLatin1(gone)); // no display at all
        p.setProcessEnvironment(env);
        p.start(QStringLiteral(DEFT_PROGRAM), arguments);
        p.waitForFinished(kPatience_ms);
        return {p.exitStatus() == QProcess::NormalExit ? p.exitCode() : -1, p.readAllStandardOutput(),
                p.readAllStandardError()};
    }
    /// Trouble is said in one sentence that names the program, on standard error only.
    static void verifyTrouble(const Ran& r, const char* about) {
        QCOMPARE(r.code, 1);
        QVERIFY(r.out.isEmpty());
        QVERIFY2(r.err.startsWith("deft-mirror: ") && r.err.endsWith(".\n") && r.err.count('\n') == 1 &&
                     r.err.contains(about),
                 r.err.constData());
    }

private slots:
    void initTestCase() {
        // A short piece of work for the tests that need a folder.
        QCOMPARE(run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--out", at("one"), "--quiet"}).code,
                 0);
    }

    void probe() {
        const Ran r = run({"probe", clip_, "--json"});
        QCOMPARE(r.code, 0);
        const Json j = Json::parse(r.out.toStdString());
        QCOMPARE(j["frames"].get<int>(), 525);
        QCOMPARE(j["time_s"].size(), size_t(525));
        NEAR(j["time_s"][30].get<double>(), 1.0, 1e-4);
        QVERIFY(run({"probe", clip_}).out.contains("525 frames"));
    }

    void sameInputSameBytes() {
        QCOMPARE(run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--out", at("two"), "--quiet"}).code,
                 0);
        for (const char* file : {"review.json", "series.csv", "tracks.csv"})
            QCOMPARE(readFile((at("one") + "/" + file).toStdString()).value(),
                     readFile((at("two") + "/" + file).toStdString()).value());
        const Json j = readJsonFile((at("one") + "/review.json").toStdString()).value();
        QCOMPARE(j["format"].get<std::string>(), std::string("deft-mirror-review"));
        QCOMPARE(j["reps"].size(), size_t(2));
    }

    /// The same markings twice differ by nothing, and every pair lies within its bands.
    void repeat() {
        namespace fs = std::filesystem;
        for (const char* marking : {"again/a", "again/b"})
            for (const char* name : {"x", "y", "z"}) {
                const fs::path to = at(marking).toStdString() + "/" + name;
                fs::create_directories(to.parent_path());
                fs::copy(at("one").toStdString(), to, fs::copy_options::recursive);
            }
        const Ran r = run({"repeat", at("again/a"), at("again/b"), "--json"});
        QCOMPARE(r.code, 0);
        const Json j = Json::parse(r.out.toStdString());
        QCOMPARE(j["format"].get<std::string>(), std::string("deft-mirror-repeatability"));
        QVERIFY(j["readings"].size() >= 5);
        for (const Json& reading : j["readings"]) {
            QCOMPARE(reading["clips"].get<int>(), 3);
            NEAR(reading["sem"].get<double>(), 0, 1e-9);
            NEAR(reading["explained_by_bands"].get<double>(), 1, 1e-9);
        }
        QVERIFY(run({"repeat", at("again/a"), at("again/b")}).out.contains("limits of agreement"));
        fs::remove_all(at("again/b/z").toStdString());
        verifyTrouble(run({"repeat", at("again/a"), at("again/b")}), "is not there");
        verifyTrouble(run({"repeat", at("nowhere"), at("again/b")}), "nowhere");
        QCOMPARE(run({"repeat", at("again/a")}).code, 2);
    }

    /// Is the clip usable, before anything is measured: what is said does not hang on the keypoint network alone.
    void checkBefore() {
        const Ran r = run({"check", clip_, "--exercise", "bridge", "--marks", marks_, "--json"});
        QCOMPARE(r.code, 0);
        const Json j = Json::parse(r.out.toStdString());
        QCOMPARE(j["format"].get<std::string>(), std::string("deft-mirror-check"));
        std::map<std::string, Json> by;
        for (const Json& c : j["check"]) by[c["id"]] = c;
        QCOMPARE(by.at("level")["verdict"].get<std::string>(), std::string("good"));
        QVERIFY(by.at("level")["value"].get<double>() != 0); // read off the mat line
        NEAR(by.at("frame-rate")["value"].get<double>(), 30, 0.5);
        for (const char* id : {"length", "light", "sharpness", "camera-still", "still-start"})
            QCOMPARE(by.at(id)["verdict"].get<std::string>(), std::string("good"));
        QVERIFY(run({"check", clip_}).out.contains("level: unknown"));
        verifyTrouble(run({"check", at("none.mp4")}), "none.mp4");
        verifyTrouble(run({"check", clip_, "--exercise", "handstand"}), "handstand");
    }

    /// Proposed marks are a marks file that says of itself that nobody has confirmed it, and so does what is measured.
    void proposedMarks() {
        const QString out = at("proposed.json");
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        verifyTrouble(run({"marks", clip_, "--exercise", "bridge", "--out", out}), "keypoint network");
        QVERIFY(!QFile::exists(out));
        const Ran r = run({"marks", clip_, "--exercise", "bridge", "--last", marks_, "--out", out});
        qunsetenv("DEFT_MIRROR_KEYPOINTS");
        QCOMPARE(r.code, 0);
        QVERIFY(r.err.contains("none is confirmed"));
        const Json j = readJsonFile(out.toStdString()).value(), known = readJsonFile(marks_.toStdString()).value();
        QCOMPARE(j["format"].get<std::string>(), std::string("deft-mirror-marks"));
        int stickers = 0;
        for (const auto& [name, p] : j["proposed"].items()) stickers += p["from"] == "sticker";
        QVERIFY2(stickers >= 6, qPrintable(QString::number(stickers)));
        for (const char* name : {"knee", "asis", "crest", "hip"}) {
            const Json &p = j["frames"][0]["points"][name], &q = known["frames"][0]["points"][name];
            NEAR(std::hypot(p[0].get<double>() - q[0].get<double>(), p[1].get<double>() - q[1].get<double>()), 0, 0.5);
        }
        const Ran measured = run({"analyse", clip_, "--exercise", "bridge", "--marks", out, "--out", at("unsure")});
        QCOMPARE(measured.code, 0);
        QVERIFY(measured.err.contains("nobody has confirmed"));
        auto confirmed = [&](const char* folder) {
            return readJsonFile((at(folder) + "/review.json").toStdString()).value()["marks_confirmed"].get<bool>();
        };
        QVERIFY(!confirmed("unsure"));
        QVERIFY(confirmed("one"));
    }

    /// The answer as pages and as mail: read back by other programs' rules.
    void answerAsPdf() {
        const QString pdf = at("answer.pdf"), words = at("answer.txt");
        QCOMPARE(run({"answer", at("one"), "--format", "pdf", "--out", pdf, "--quiet"}).code, 0);
        QCOMPARE(run({"answer", at("one"), "--format", "text", "--out", words, "--quiet"}).code, 0);
        QProcess reader;
        reader.start(QStringLiteral("pdftotext"), {QStringLiteral("-layout"), pdf, QStringLiteral("-")});
        QVERIFY(reader.waitForFinished(kPatience_ms));
        const QString read = QString::fromUtf8(reader.readAllStandardOutput()).simplified();
        // Every sentence of the plain answer stands on the pages, in order; the pages have headings between.
        qsizetype from = 0;
        const QString all = QString::fromStdString(readFile(words.toStdString()).value());
        for (const QString& sentence : all.split(QRegularExpression(QStringLiteral("\\n+|\\. ")), Qt::SkipEmptyParts)) {
            const qsizetype found = read.indexOf(sentence.left(60).simplified(), from);
            QVERIFY2(found >= 0, qPrintable(sentence + QStringLiteral(" | ") + read));
            from = found;
        }
        QProcess images;
        images.start(QStringLiteral("pdfimages"), {QStringLiteral("-list"), pdf});
        QVERIFY(images.waitForFinished(kPatience_ms));
        QVERIFY(images.readAllStandardOutput().count("image") >= 2); // best and worst of at least one fault
    }

    void answerAsMail() {
        const QString path = at("answer.eml");
        QCOMPARE(run({"answer", at("one"), "--format", "eml", "--out", path, "--quiet"}).code, 0);
        const QByteArray mail = QByteArray::fromStdString(readFile(path.toStdString()).value());
        for (const char* header :
             {"From:", "To:", "Subject:", "Date:", "Message-Id:", "MIME-Version: 1.0", "X-Unsent: 1"})
            QVERIFY2(mail.toLower().contains(QByteArray(header).toLower()), header); // names of fields have no case
        QVERIFY(mail.contains("text/plain") && mail.contains("text/html") && mail.contains("multipart/alternative"));
        const QRegularExpression part(QStringLiteral("Content-Type: image/jpeg"));
        const auto pictures = QString::fromLatin1(mail).count(part);
        QVERIFY(pictures >= 2);
        QCOMPARE(QString::fromLatin1(mail).count(QStringLiteral("Content-ID:"), Qt::CaseInsensitive), pictures);
        QVERIFY(!mail.contains("src=\"data:") && !mail.contains("src=3D\"data:"));
        for (const QByteArray& line : mail.split('\n')) QVERIFY(line.size() <= 998); // RFC 5322, 2.1.1
    }

    /// What goes out besides the letter: the day of the next clip, the clip in slow motion, the rep sheet, the bundle.
    void otherForms() {
        const auto answer = [&](const char* folder, const char* form, const char* out) {
            return run({"answer", at(folder), "--format", form, "--out", at(out), "--quiet"});
        };
        verifyTrouble(answer("one", "ics", "none.ics"), "no date");
        const QStringList with = {"--exercise",         "bridge", "--marks", marks_, "--tracks",
                                  at("one/tracks.csv"), "--quiet"};
        verifyTrouble(
            run(QStringList{"analyse", clip_, "--date", "1.12.2026"} + with + QStringList{"--out", at("dated")}),
            "a day is written as");
        const QStringList whose = {"--date", "2026-04-20", "--client", "Ruta Kalni\u0146a", "--coach", "Jonna"};
        QCOMPARE(run(QStringList{"analyse", clip_} + whose + with + QStringList{"--out", at("dated")}).code, 0);
        QCOMPARE(answer("dated", "text", "letter.txt").code, 0);
        const auto written = readFile(at("letter.txt").toStdString()).value();
        QVERIFY2(written.starts_with("Hello Ruta,") && written.find("Jonna") != std::string::npos, written.c_str());
        QCOMPARE(answer("dated", "ics", "next.ics").code, 0);
        const auto day = QString::fromStdString(readFile(at("next.ics").toStdString()).value());
        QVERIFY2(day.startsWith(QLatin1String("BEGIN:VCALENDAR")) &&
                     day.contains(QLatin1String("DTSTART;VALUE=DATE:20260427")),
                 qPrintable(day));
        QCOMPARE(answer("dated", "sheet", "sheet.png").code, 0);
        QVERIFY(QFileInfo(at("sheet.png")).size() > 20000);
        verifyTrouble(answer("dated", "sheet", "sheet.bmp"), "sheet.bmp");
        if (!std::filesystem::exists(KeypointNetwork::usualPlace())) QSKIP("the keypoint network has not been fetched");
        QCOMPARE(answer("dated", "mp4", "reply.mp4").code, 0);
        const auto reply = ClipReader::open(at("reply.mp4").toStdString());
        QVERIFY(reply && reply->info().width == 1280 && reply->info().duration_s > 3);
        const Ran zip = answer("dated", "zip", "review.zip");
        QVERIFY(zip.code == 0 && zip.err.contains("only if the client agreed"));
        QVERIFY(readFile(at("review.zip").toStdString()).value().starts_with("PK"));
    }

    void trackIsTheSameAsInAnalyse() {
        QCOMPARE(run({"track", clip_, "--marks", marks_, "--out", at("t.csv"), "--quiet"}).code, 0);
        QCOMPARE(readFile(at("t.csv").toStdString()).value(),
                 readFile((at("one") + "/tracks.csv").toStdString()).value());
    }

    /// With tracks nothing is followed: the same review, and without the clip the same judgement.
    void analyseFromTracks() {
        const QString tracks = at("one/tracks.csv");
        const auto reviewIn = [&](const char* folder) {
            return readJsonFile(at(folder).toStdString() + "/review.json").value();
        };
        const QStringList with = {"--exercise", "bridge", "--marks", marks_, "--tracks", tracks, "--quiet"};
        QCOMPARE(run(QStringList{"analyse", clip_} + with + QStringList{"--out", at("from-tracks")}).code, 0);
        QCOMPARE(readFile((at("from-tracks") + "/review.json").toStdString()).value(),
                 readFile((at("one") + "/review.json").toStdString()).value());
        QCOMPARE(run(QStringList{"analyse", at("gone.mp4")} + with + QStringList{"--out", at("without")}).code, 0);
        const Json one = reviewIn("one"), without = reviewIn("without");
        for (const char* part : {"reps", "holds", "faults", "setup", "decision", "cues"})
            QVERIFY2(isNearly(without.at(part), one.at(part)), part); // the table's times are rounded
        // It can be answered, too, and says what is missing.
        const Ran answer = run({"answer", at("without"), "--format", "text", "--out", at("without.txt"), "--quiet"});
        QCOMPARE(answer.code, 0);
        QVERIFY(answer.err.contains("without pictures"));
        QVERIFY(!readFile(at("without.txt").toStdString()).value().empty());
        // Half of the tracks do not belong to the clip.
        const std::string csv = readFile(tracks.toStdString()).value();
        QVERIFY(writeFileAtomically(at("half.csv").toStdString(), csv.substr(0, csv.find('\n', csv.size() / 2) + 1)));
        verifyTrouble(run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--tracks", at("half.csv"),
                           "--out", at("x"), "--quiet"}),
                      "do not belong together");
    }

    /// What was asked and is known of a client decides with what was measured.
    void asked() {
        const auto with = [&](const Json& members, const char* out) {
            Json file{{"format", "deft-mirror-asked"}, {"version", 1}};
            for (const auto& [key, value] : members.items()) file[key] = value;
            if (!writeFileAtomically(at("asked.json").toStdString(), toText(file))) return Ran{-1, {}, {}};
            return run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--tracks", at("one/tracks.csv"),
                        "--asked", at("asked.json"), "--out", at(out), "--quiet"});
        };
        const auto decisionIn = [&](const char* folder) {
            return readJsonFile(at(folder).toStdString() + "/review.json").value().at("decision");
        };
        QCOMPARE(with({{"rung", "both"}, {"target", {{"sets", 1}, {"reps", 2}, {"hold_s", 2.0}}}}, "easy").code, 0);
        QCOMPARE(readJsonFile(at("easy/review.json").toStdString()).value()["inputs"]["asked"]["hold_s"].get<double>(),
                 2.0);
        QCOMPARE(with({{"note", {{"pain", true}, {"felt", {"low-back"}}}}}, "pain").code, 0);
        QCOMPARE(decisionIn("pain")["step"].get<std::string>(), std::string("stop"));
        QCOMPARE(with({{"rung", "both"}}, "usual").code, 0);
        QVERIFY(decisionIn("usual")["target"]["sets"] == decisionIn("one")["target"]["sets"]);
        for (const auto& [members, about] : std::vector<std::pair<Json, const char*>>{
                 {{{"rungs", "both"}}, "/rungs: expected one of the members"},
                 {{{"rung", "flying"}}, "/rung: \"flying\" is not known"},
                 {{{"target", {{"hold", 3}}}}, "/target/hold: expected one of the members"},
                 {{{"target", {{"sets", "two"}}}}, "/target/sets: expected a whole number from 1 to 50, found \"two\""},
                 {{{"note", {{"felt", {"left-ear"}}}}}, "/note/felt: \"left-ear\" is not known"},
                 {{{"flags", {"tall"}}}, "/flags: \"tall\" is not known"},
                 {{{"history", {{{"date", "2026-05-01"}, {"cue", "x"}}}}},
                  "/history/0/cue: expected one of the members"}})
            verifyTrouble(with(members, "x"), about);
        QVERIFY(!QFile::exists(at("x")));
    }

    void answers() {
        QCOMPARE(run({"answer", at("one"), "--format", "html", "--out", at("a.html")}).code, 0);
        QCOMPARE(run({"answer", at("one"), "--format", "html", "--out", at("b.html")}).code, 0);
        const std::string html = readFile(at("a.html").toStdString()).value();
        QCOMPARE(html, readFile(at("b.html").toStdString()).value());
        QVERIFY(html.find("data:image/jpeg;base64,") != std::string::npos); // pictures without a display
        QCOMPARE(run({"answer", at("one"), "--format", "text", "--out", at("a.txt")}).code, 0);
        QVERIFY(readFile(at("a.txt").toStdString())->find("Stop if you feel pain") != std::string::npos);
    }

    /// One letter from several folders; one client's only.
    void visit() {
        QCOMPARE(run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--part", "0", "9.5", "--out",
                      at("part"), "--quiet"})
                     .code,
                 0);
        const Json part = readJsonFile(at("part").toStdString() + "/review.json").value();
        QCOMPARE(part["reps"].size(), size_t(1));
        QCOMPARE(part["clip"]["part"]["to_s"].get<double>(), 9.5);
        QCOMPARE(run({"visit", at("one"), at("part"), "--format", "text", "--out", at("visit.txt")}).code, 0);
        const std::string text = readFile(at("visit.txt").toStdString()).value();
        QVERIFY(text.find("two clips") != std::string::npos && text.find("4. ") == std::string::npos);
        // Several reviews on one page want their days, and one exercise.
        verifyTrouble(run({"report", at("one"), at("part"), "--out", at("no.pdf")}), "has no date");
        QCOMPARE(run({"report", at("one"), "--out", at("report.png")}).code, 0);
        QVERIFY(QFileInfo(at("report.png")).size() > 20000);
        verifyTrouble(run({"report", at("one"), "--out", at("report.gif")}), "report.gif");
        verifyTrouble(run({"programme", "propose", "--out", at("no.json")}), "name a client");
        QCOMPARE(run({"programme", "propose", "Ruta", "--review", at("one"), "--out", at("no.json")}).code, 2);
        Json other = part;
        other["inputs"]["client"] = "Somebody Else";
        QDir().mkpath(at("other"));
        QFile::copy(at("part") + "/tracks.csv", at("other") + "/tracks.csv");
        QVERIFY(writeFileAtomically(at("other").toStdString() + "/review.json", toText(other)));
        for (const QStringList& command :
             {QStringList{"visit", at("one"), at("other"), "--format", "text"},
              QStringList{"report", at("one"), at("other")},
              QStringList{"programme", "propose", "--review", at("one"), "--review", at("other")}})
            verifyTrouble(run(command + QStringList{"--out", at("no.txt")}), "another client");
        verifyTrouble(
            run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--part", "90", "95", "--out", at("no")}),
            "has no part");
    }

    /// Eight weeks of three members, and a library that is in order.
    void season() {
        QCOMPARE(run({"season", "--library", at("season")}).code, 0);
        const Ran checked = run({"library", "check", "--library", at("season")});
        QVERIFY2(checked.code == 0 && checked.out.contains("26 clips"), checked.err.constData());
        QCOMPARE(
            run({"programme", "propose", "Mirela Dumitru", "--library", at("season"), "--out", at("next.json")}).code,
            0);
    }

    void exercises() {
        QVERIFY(run({"exercises", "list"}).out.contains("bridge"));
        QVERIFY(run({"exercises", "show", "bridge"}).out.contains("chosen here"));
        QCOMPARE(Json::parse(run({"exercises", "show", "bridge", "--json"}).out.toStdString())["id"].get<std::string>(),
                 std::string("bridge"));
        QCOMPARE(run({"exercises", "validate", QStringLiteral(DEFT_SOURCE_DIR "/data/exercises/bridge.json")}).code, 0);
        for (const auto& [form, begins] :
             {std::pair{"pdf", "%PDF-"}, {"html", "<!DOCTYPE html>"}, {"text", "Hello,"}}) {
            QCOMPARE(run({"exercises", "sheet", "side-plank", "--format", form, "--out", at("sheet")}).code, 0);
            QVERIFY(readFile(at("sheet").toStdString())->starts_with(begins));
        }
        QVERIFY(run({"exercises", "sheet", "side-plank", "--format", "html", "--out", at("sheet")}).code == 0 &&
                readFile(at("sheet").toStdString())->find("data:image/png;base64,") != std::string::npos);
        const QStringList sheet{"exercises", "sheet", "leg-lower", "--format", "text", "--out", at("none"), "--rung"};
        verifyTrouble(run(sheet + QStringList{"three"}), "two-straight");
        verifyTrouble(run(sheet + QStringList{"two-straight", "--flag", "pregnancy"}), "during pregnancy");
        QVERIFY(!QFile::exists(at("none")));
        Json bad = readJsonFile(DEFT_SOURCE_DIR "/data/exercises/bridge.json").value();
        bad["faults"][0]["unit"] = "%";
        QVERIFY(writeFileAtomically(at("bad.json").toStdString(), toText(bad)));
        verifyTrouble(run({"exercises", "validate", at("bad.json")}), "/faults/0");
    }

    void decisions() {
        const Json rows = readJsonFile(DEFT_TEST_DATA "/judgement/decision_cases.json").value()["cases"];
        QVERIFY(writeFileAtomically(at("case.json").toStdString(), toText(rows[0]["case"])));
        const auto json = run({"decide", at("case.json"), "--json"});
        QCOMPARE(json.code, 0);
        const Json d = Json::parse(json.out.toStdString());
        for (const char* key : {"step", "because", "target", "arithmetic", "cues", "cautions"})
            QVERIFY2(d.contains(key), key);
        QCOMPARE(d["step"].get<std::string>(), rows[0]["expect"]["step"].get<std::string>());
        QVERIFY(run({"decide", at("case.json")}).out.startsWith("up\n"));
        Json bad = rows[0]["case"];
        bad["flags"] = {"pregnant"};
        QVERIFY(writeFileAtomically(at("case.json").toStdString(), toText(bad)));
        verifyTrouble(run({"decide", at("case.json")}), "after-birth"); // names the flags there are
        verifyTrouble(run({"decide", at("no-case.json")}), "no-case.json");
    }

    void trouble() {
        verifyTrouble(run({"probe", at("none.mp4")}), "none.mp4");
        QVERIFY(writeFileAtomically(at("text.mp4").toStdString(), "not a clip at all\n"));
        verifyTrouble(run({"probe", at("text.mp4")}), "text.mp4");
        verifyTrouble(run({"analyse", clip_, "--exercise", "brigde", "--marks", marks_, "--out", at("x")}), "brigde");
        verifyTrouble(run({"analyse", clip_, "--exercise", "bridge", "--marks", at("none.json"), "--out", at("x")}),
                      "none.json");
        verifyTrouble(run({"answer", at("nowhere"), "--format", "text", "--out", at("x.txt")}), "nowhere");
        verifyTrouble(run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--school", "pelvis=neutral",
                           "--out", at("x")}),
                      "--school");
        QVERIFY(writeNumbered(at("one.mp4").toStdString(), {0}));
        verifyTrouble(run({"track", at("one.mp4"), "--marks", marks_, "--out", at("x.csv")}),
                      "outside the picture"); // nor are the marks for it
        Json far = readJsonFile(marks_.toStdString()).value();
        far["frames"][0]["points"]["hip"] = {5000, 20};
        QVERIFY(writeFileAtomically(at("far.json").toStdString(), toText(far)));
        verifyTrouble(run({"track", clip_, "--marks", at("far.json"), "--out", at("x.csv")}), "hip");
        verifyTrouble(
            run({"track", clip_, "--marks", marks_, "--out", QStringLiteral("/proc/nowhere/x.csv"), "--quiet"}),
            "/proc/nowhere");
        QVERIFY(!QFile::exists(at("x")) && !QFile::exists(at("x.csv")) && !QFile::exists(at("x.txt")));
    }

    void wrongUse() {
        QCOMPARE(run({"probe"}).code, 2);
        QCOMPARE(run({"sing"}).code, 2);
        QCOMPARE(run({"answer", at("one"), "--format", "smoke", "--out", at("x")}).code, 2);
        QCOMPARE(run({"--help"}).code, 0);
        QVERIFY(run({"--version"}).out.contains("deft-mirror"));
    }

    /// The demo on a screen of the X server's own, as ./start opens it: it fills its library and stays open.
    void demoOpensOnAScreen() {
        QProcess p;
        QProcessEnvironment env = QProcessEnvironment::systemEnvironment();
        env.remove(QStringLiteral("QT_QPA_PLATFORM"));
        env.insert(QStringLiteral("XDG_CONFIG_HOME"), at("config"));
        p.setProcessEnvironment(env);
        p.setChildProcessModifier([] { ::setpgid(0, 0); }); // so that all that it starts can be ended with it
        p.start(QStringLiteral("xvfb-run"), {"-a", "-s", "-screen 0 1280x800x24", QStringLiteral(DEFT_PROGRAM),
                                             "--demo", "--library", at("demo-library")});
        QVERIFY(QTest::qWaitFor([&] { return QFile::exists(at("demo-library") + "/answers/answer-1.html"); },
                                kPatience_ms));
        QTest::qWait(1500);
        QVERIFY2(p.state() == QProcess::Running, p.readAllStandardError().constData());
        ::kill(-pid_t(p.processId()), SIGKILL);
        QVERIFY(p.waitForFinished(kPatience_ms));
    }

    /// Ctrl-C: it ends soon, says so, and no half-written file stays.
    void interrupted() {
        QProcess p;
        p.start(QStringLiteral(DEFT_PROGRAM),
                {"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--out", at("stopped")});
        // A busy machine may take its time until the program listens, which blocks the signal for its own thread.
        const auto listens = [&] {
            QFile status(QStringLiteral("/proc/%1/status").arg(p.processId()));
            if (!status.open(QIODevice::ReadOnly)) return false;
            const QByteArray all = status.readAll(), blocked = all.mid(all.indexOf("SigBlk:\t") + 8, 16);
            return ((blocked.toULongLong(nullptr, 16) >> (SIGINT - 1)) & 1) == 1;
        };
        QVERIFY(QTest::qWaitFor(listens, kPatience_ms));
        QTest::qWait(200);
        ::kill(pid_t(p.processId()), SIGINT);
        QVERIFY(p.waitForFinished(kPatience_ms));
        QCOMPARE(p.exitCode(), 1);
        QVERIFY(!QFile::exists(at("stopped") + "/review.json"));
    }

    void historyAndNeutralAreUsed() {
        Json history = {
            {"format", "deft-mirror-history"},
            {"version", 1},
            {"history",
             Json::array({{{"date", "2026-04-01"},
                           {"rung", "both"},
                           {"cues", {{{"fault", "heel-distance"}, {"rung", "set-up"}, {"worst", 70}, {"mdc", 2}}}},
                           {"faults", {"heel-distance"}}}})}};
        QVERIFY(writeFileAtomically(at("h.json").toStdString(), toText(history)));
        QVERIFY(writeFileAtomically(at("n.json").toStdString(), R"({"tilt_raw": 60, "u95": 1.5, "source": "coach"})"));
        QCOMPARE(run({"analyse", clip_, "--exercise", "bridge", "--marks", marks_, "--history", at("h.json"),
                      "--neutral", at("n.json"), "--school", "bridge=neutral-lift", "--out", at("h"), "--quiet"})
                     .code,
                 0);
        const Json j = readJsonFile((at("h") + "/review.json").toStdString()).value();
        QCOMPARE(j["neutral"]["source"].get<std::string>(), std::string("coach"));
        NEAR(j["neutral"]["tilt_raw"].get<double>(), 60, 1e-9);
        QCOMPARE(j["inputs"]["history"].size(), size_t(1));
    }
};

QTEST_GUILESS_MAIN(CliTest)
#include "cli_test.moc"
