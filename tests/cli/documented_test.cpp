// SPDX-License-Identifier: GPL-3.0-or-later
// Every command of docs/command-line.md, as it stands there and in its order; then what they have made, read by
// programs that are not ours.
#include "base/files.h"
#include "base/json.h"
#include "detection/keypoint_network.h"
#include "support/patience.h"

#include <QDir>
#include <QFileInfo>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;

class DocumentedTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    QStringList commands_;

    QByteArray out_, err_;
    int run(const QString& program, const QStringList& arguments) {
        QProcess p;
        p.setWorkingDirectory(dir_.path());
        auto environment = QProcessEnvironment::systemEnvironment();
        environment.insert(QStringLiteral("PATH"), QFileInfo(QStringLiteral(DEFT_PROGRAM)).path() + QLatin1Char(':') +
                                                       environment.value(QStringLiteral("PATH")));
        p.setProcessEnvironment(environment);
        p.start(program, arguments);
        if (!p.waitForFinished(kPatience_ms)) return -1;
        out_ = p.readAllStandardOutput(), err_ = p.readAllStandardError();
        return p.exitStatus() == QProcess::NormalExit ? p.exitCode() : -1;
    }
    std::string made(const char* file) const { return dir_.filePath(QString::fromLatin1(file)).toStdString(); }
    static bool hasNetwork() { return std::filesystem::exists(KeypointNetwork::usualPlace()); }

private slots:
    void initTestCase() {
        QVERIFY(QDir(dir_.path()).mkpath(QStringLiteral("demo/scenes")) &&
                QDir(dir_.path()).mkdir(QStringLiteral("out")));
        for (const char* folder : {"demo/clips", "data"})
            QVERIFY(QFile::link(QStringLiteral(DEFT_SOURCE_DIR "/") + folder, dir_.filePath(folder)));
        Json scene = readJsonFile(DEFT_SOURCE_DIR "/demo/scenes/ruta-bridge-april.json").value();
        scene["film"]["duration_s"] = 1; // filming takes its time
        QVERIFY(writeFileAtomically(made("demo/scenes/ruta-bridge-april.json"), toText(scene)));
        const auto page = readFile(DEFT_SOURCE_DIR "/docs/command-line.md");
        QVERIFY(page);
        bool inside = false;
        for (const QString& line : QString::fromStdString(*page).split(QLatin1Char('\n')))
            if (line.startsWith(QLatin1String("```")))
                inside = line == QLatin1String("```sh");
            else if (inside)
                commands_ << line;
        QVERIFY(commands_.size() > 30);
    }

    /// Each does what the page says it does: it can be done, and what it names is there.
    void everyCommandRuns() {
        for (const QString& command : commands_) {
            if (!hasNetwork() && command.contains(QLatin1String("mp4 --out"))) continue; // faces cannot be covered
            if (!hasNetwork() && command.contains(QLatin1String("zip --out"))) continue;
            QVERIFY2(command.startsWith(QLatin1String("deft-mirror ")), qPrintable(command));
            QVERIFY2(run(QStringLiteral("sh"), {QStringLiteral("-c"), command}) == 0,
                     qPrintable(command + QLatin1Char('\n') + QString::fromUtf8(err_)));
            const QStringList words = command.split(QLatin1Char(' '));
            const qsizetype out = words.indexOf(QLatin1String("--out"));
            if (out > 0) QVERIFY2(QFileInfo::exists(dir_.filePath(words[out + 1])), qPrintable(command));
            if (command.contains(QLatin1String("--json")))
                QVERIFY2(parseJson(out_.toStdString(), "told"), qPrintable(command));
        }
        QVERIFY(readFile(made("out/brief.txt"))->find("Schmerz") != std::string::npos);
        QVERIFY(readFile(made("out/practice.html"))->find("<html lang=\"es\"") != std::string::npos);
        const Json programme = readJsonFile(made("out/programme.json")).value();
        QCOMPARE(programme["from"].get<std::string>(), std::string("2026-04-27"));
        QVERIFY(programme["items"].size() > 1);
    }

    /// The same command tells a program what it has done, or why it could not: here what it reads is not there.
    void everyCommandSpeaksJson() {
        static const QRegularExpression input(QStringLiteral("(?<!--out) (demo|data|out)/"));
        for (QString command : commands_) {
            if (command.contains(QLatin1String("season"))) continue; // the eight weeks take their time
            const bool reads = command.contains(input);
            command.replace(input, QStringLiteral(" nowhere/"));
            if (!command.contains(QLatin1String("--json"))) command += QLatin1String(" --json");
            QVERIFY2(run(QStringLiteral("sh"), {QStringLiteral("-c"), command}) == (reads ? 1 : 0),
                     qPrintable(command + QString::fromUtf8(err_)));
            const auto told = parseJson(out_.toStdString(), "told");
            QVERIFY2(told, qPrintable(command + QString::fromUtf8(out_)));
            if (!reads) continue;
            const auto member = [&](const char* name) {
                return QString::fromStdString(told->value(name, std::string()));
            };
            QCOMPARE(member("format"), QStringLiteral("deft-mirror-failed"));
            QCOMPARE(member("code"), QStringLiteral("not-found"));
            QVERIFY2(command.startsWith(QStringLiteral("deft-mirror ") + member("command")), qPrintable(command));
            QVERIFY(QString::fromUtf8(err_).contains(member("sentence"))); // for people, too
        }
    }

    void readByOthers_data() {
        QTest::addColumn<QStringList>("command");
        const QString reader = QStringLiteral(DEFT_TEST_DATA "/cli/outside.py"),
                      schemas = QStringLiteral(DEFT_SOURCE_DIR "/data/schemas/");
        for (const char* file : {"letter", "filming", "practice"})
            QTest::newRow(file) << QStringList{reader, "html", QStringLiteral("out/%1.html").arg(file)};
        QTest::newRow("mail") << QStringList{reader, "mail", "out/letter.eml"};
        for (const char* file : {"next-clip", "programme"})
            QTest::newRow((file + std::string(".ics")).c_str())
                << QStringList{reader, "calendar", QStringLiteral("out/%1.ics").arg(file)};
        QTest::newRow("marks") << QStringList{reader, "schema", "out/offered.json", schemas + "marks.schema.json"};
        QTest::newRow("programme") << QStringList{reader, "schema", "out/programme.json",
                                                  schemas + "programme.schema.json"};
        for (const char* file : {"letter", "sheet", "programme", "rep-sheet", "report"})
            QTest::newRow((file + std::string(".pdf")).c_str())
                << QStringList{"qpdf", "--check", QStringLiteral("out/%1.pdf").arg(file)};
        QTest::newRow("reply clip") << QStringList{"ffprobe", "-v", "error", "-count_frames", "out/reply.mp4"};
    }
    void readByOthers() {
        QFETCH(QStringList, command);
        if (command.last() == QLatin1String("out/reply.mp4") && !hasNetwork()) QSKIP("the network was not fetched");
        const QString program = command.takeFirst();
        const int code = run(program, command);
        QVERIFY2(code == 0 && err_.isEmpty(), qPrintable(QString::fromUtf8(err_ + out_)));
    }

    /// A screen reader finds headings and paragraphs on the pages that go to clients.
    void pagesAreTagged() {
        for (const char* file : {"out/letter.pdf", "out/sheet.pdf"}) {
            QCOMPARE(run(QStringLiteral("pdfinfo"), {QStringLiteral("-struct"), file}), 0);
            QVERIFY2(out_.contains("H1") && out_.contains("P (block)"), out_.constData());
        }
        QCOMPARE(run(QStringLiteral("pdftotext"), {"out/sheet.pdf", "-"}), 0);
        QVERIFY(QString::fromUtf8(out_).contains(QStringLiteral("Planche")) ||
                QString::fromUtf8(out_).contains(QStringLiteral("planche")));
    }

    /// HL7's own schema of FHIR R4, where it could be fetched.
    void fhir() {
        if (run(QStringLiteral(DEFT_SOURCE_DIR "/tools/standards/fetch"), {}) != 0) QSKIP("the registry is not there");
        const QString schema = QString::fromUtf8(out_).trimmed();
        const QString reader = QStringLiteral(DEFT_TEST_DATA "/cli/outside.py");
        QVERIFY2(run(reader, {"fhir", "out/april.fhir.json", schema}) == 0, err_.constData());
        // And it can find fault.
        Json bundle = readJsonFile(made("out/april.fhir.json")).value();
        bundle["entry"][0]["resource"]["shoe_size"] = 43;
        QVERIFY(writeFileAtomically(made("out/odd.fhir.json"), toText(bundle)));
        QCOMPARE(run(reader, {"fhir", "out/odd.fhir.json", schema}), 1);
    }
};

QTEST_GUILESS_MAIN(DocumentedTest)
#include "documented_test.moc"
