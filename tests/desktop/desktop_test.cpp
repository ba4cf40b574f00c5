// SPDX-License-Identifier: GPL-3.0-or-later
// The installed program among others: what a file is, what the desktop's own tools say of our files, man pages and
// completion, one window on the session bus. The bus is one of this test.
#include "app/session/desktop_link.h"
#include "app/session/file_kind.h"
#include "base/files.h"
#include "base/zip_file.h"
#include "support/patience.h"

#include <QDBusConnection>
#include <QDir>
#include <QFileInfo>
#include <QMimeDatabase>
#include <QProcess>
#include <QRegularExpression>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <set>

using namespace deft;
using namespace deft::ui;

/// Stands in for the desktop's own.
class Notifications : public QObject {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Notifications")
public:
    QStringList told;
public slots:
    Q_SCRIPTABLE uint Notify(const QString&, uint, const QString&, const QString& summary, const QString& body,
                             const QStringList&, const QVariantMap&, int) {
        told << summary + QLatin1String(" / ") + body;
        return 1;
    }
};

class DesktopTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    QProcess bus_;
    const QString source_ = QStringLiteral(DEFT_SOURCE_DIR "/"), made_ = QStringLiteral(DEFT_DESKTOP_FOLDER "/");

    static QByteArray run(const QString& program, const QStringList& arguments, int expected = 0) {
        QProcess p;
        p.setProcessChannelMode(QProcess::MergedChannels);
        auto environment = QProcessEnvironment::systemEnvironment();
        environment.insert(QStringLiteral("LC_ALL"), QStringLiteral("C.UTF-8")); // what they say is looked for here
        p.setProcessEnvironment(environment);
        p.start(program, arguments);
        if (!p.waitForFinished(kPatience_ms)) return "did not end";
        const QByteArray out = p.readAll();
        return p.exitCode() == expected ? out : "exit " + QByteArray::number(p.exitCode()) + ": " + out;
    }
    QString written(const QString& name, const std::string& bytes) const {
        const QString at = dir_.filePath(name);
        (void)writeFileAtomically(at.toStdString(), bytes);
        return at;
    }
    /// Files of each kind under names that say nothing.
    std::vector<std::pair<QString, FileKind::Kind>> files() const {
        const auto review = R"({"format": "deft-mirror-review", "version": 1})";
        return {{dir_.path(), FileKind::Folder},
                {source_ + QStringLiteral("demo/clips/oisin-bridge-may.mp4"), FileKind::Film},
                {source_ + QStringLiteral("demo/clips/oisin-bridge-may.marks.json"), FileKind::Marks},
                {source_ + QStringLiteral("data/exercises/bridge.json"), FileKind::Exercise},
                {written(QStringLiteral("a.json"), review), FileKind::Review},
                {written(QStringLiteral("b.json"), R"({"version":1,"format":"deft-mirror-programme"})"),
                 FileKind::Programme},
                {written(QStringLiteral("c.json"), R"({"format":"deft-mirror-practice"})"), FileKind::PracticeNote},
                {written(QStringLiteral("d.deft-bundle.zip"),
                         zipOf({{"review.json", review}, {"marks.json", "{}"}}).value()),
                 FileKind::Bundle},
                {written(QStringLiteral("e.zip"), zipOf({{"x.txt", "x"}}).value()), FileKind::Other},
                {written(QStringLiteral("f.json"), R"({"format":"deft-mirror-parcel"})"), FileKind::Other},
                {written(QStringLiteral("g.txt"), "Prévu à l'aube, \t ümlaut\n"), FileKind::Other},
                {written(QStringLiteral("h.mp4"), ""), FileKind::Other}};
    }

private slots:
    void initTestCase() {
        bus_.start(QStringLiteral("dbus-daemon"),
                   {QStringLiteral("--session"), QStringLiteral("--nofork"), QStringLiteral("--print-address")});
        QVERIFY(bus_.waitForReadyRead(kPatience_ms));
        qputenv("DBUS_SESSION_BUS_ADDRESS", bus_.readLine().trimmed());
        // The types as they are when installed, beside the system's own.
        const QString mime = dir_.filePath(QStringLiteral("share/mime"));
        QVERIFY(QDir().mkpath(mime + QStringLiteral("/packages")));
        QVERIFY(QFile::copy(source_ + QStringLiteral("desktop/org.deft_mirror.DeftMirror.xml"),
                            mime + QStringLiteral("/packages/deft.xml")));
        qputenv("XDG_DATA_DIRS", (dir_.filePath(QStringLiteral("share")) + QStringLiteral(":/usr/share")).toUtf8());
        QCOMPARE(run(QStringLiteral("update-mime-database"), {mime}), QByteArray());
    }
    void cleanupTestCase() {
        bus_.kill();
        bus_.waitForFinished();
    }

    void whatAFileIs() {
        for (const auto& [file, kind] : files()) {
            const auto found = kindOf(file.toStdString());
            QVERIFY2(found && found->kind == kind, qPrintable(file));
        }
        const auto missing = kindOf("/nowhere/at.all");
        QVERIFY(!missing && missing.error().code == Errc::NotFound);
    }

    /// The desktop tells our files by what stands in them, as the program does.
    void desktopTellsThemToo() {
        const QMimeDatabase types;
        for (const auto& [file, kind] : files()) {
            const QString ours =
                kind == FileKind::Marks          ? QStringLiteral("application/x-deft-mirror-marks+json")
                : kind == FileKind::Exercise     ? QStringLiteral("application/x-deft-mirror-exercise+json")
                : kind == FileKind::Review       ? QStringLiteral("application/x-deft-mirror-review+json")
                : kind == FileKind::Programme    ? QStringLiteral("application/x-deft-mirror-programme+json")
                : kind == FileKind::PracticeNote ? QStringLiteral("application/x-deft-mirror-practice+json")
                : kind == FileKind::Bundle       ? QStringLiteral("application/x-deft-mirror-bundle+zip")
                                                 : QString();
            // A zip is told by its name, as other kinds of zip are; the rest also under any other name.
            const auto how = kind == FileKind::Bundle ? QMimeDatabase::MatchDefault : QMimeDatabase::MatchContent;
            const QString found = types.mimeTypeForFile(file, how).name();
            if (ours.isEmpty())
                QVERIFY2(!found.contains(QLatin1String("deft-mirror")), qPrintable(file + QLatin1Char(' ') + found));
            else
                QVERIFY2(found == ours, qPrintable(file + QLatin1Char(' ') + found));
        }
        for (const char* name : {"x.marks.json", "x.review.json", "x.exercise.json", "x.programme.json",
                                 "x.practice.json", "practice-2026-12-01.json"})
            QVERIFY2(types.mimeTypeForFile(QString::fromLatin1(name), QMimeDatabase::MatchExtension)
                         .name()
                         .contains(QLatin1String("deft-mirror")),
                     name);
    }

    void toolsOfTheDesktopAgree() {
        QCOMPARE(run(QStringLiteral("desktop-file-validate"),
                     {source_ + QStringLiteral("desktop/org.deft_mirror.DeftMirror.desktop")}),
                 QByteArray());
        const QByteArray said =
            run(QStringLiteral("appstreamcli"), {QStringLiteral("validate"), QStringLiteral("--no-net"),
                                                 made_ + QStringLiteral("org.deft_mirror.DeftMirror.metainfo.xml")});
        QVERIFY2(said.contains("successful") && !said.contains("W:") && !said.contains("E:"), said.constData());
        // The types that the menu entry and the metainfo name are those that are defined.
        const QByteArray types =
            *readFile((source_ + QStringLiteral("desktop/org.deft_mirror.DeftMirror.xml")).toStdString())
                 .map([](const std::string& s) { return QByteArray::fromStdString(s); });
        for (const char* file :
             {"desktop/org.deft_mirror.DeftMirror.desktop", "desktop/org.deft_mirror.DeftMirror.metainfo.xml.in"}) {
            const auto text = QString::fromStdString(readFile(source_.toStdString() + file).value());
            static const QRegularExpression ours(QStringLiteral("application/x-deft-mirror-[a-z]+\\+[a-z]+"));
            int count = 0;
            for (auto found = ours.globalMatch(text); found.hasNext(); ++count)
                QVERIFY(types.contains("\"" + found.next().captured().toUtf8() + "\""));
            QCOMPARE(count, int(types.count("<mime-type ")));
        }
    }

    /// What the two programs are linked with is named there, with its licence.
    void noticeNamesWhatIsLinked() {
        const auto notice =
            QString::fromStdString(readFile((source_ + QStringLiteral("NOTICE")).toStdString()).value());
        const std::map<QString, QString> words = {{QStringLiteral("avcodec"), QStringLiteral("FFmpeg")},
                                                  {QStringLiteral("avformat"), QStringLiteral("FFmpeg")},
                                                  {QStringLiteral("avutil"), QStringLiteral("FFmpeg")},
                                                  {QStringLiteral("swscale"), QStringLiteral("FFmpeg")},
                                                  {QStringLiteral("opencv_core"), QStringLiteral("OpenCV")},
                                                  {QStringLiteral("opencv_dnn"), QStringLiteral("OpenCV")},
                                                  {QStringLiteral("opencv_imgproc"), QStringLiteral("OpenCV")},
                                                  {QStringLiteral("opencv_video"), QStringLiteral("OpenCV")},
                                                  {QStringLiteral("archive"), QStringLiteral("libarchive")},
                                                  {QStringLiteral("ical"), QStringLiteral("libical")},
                                                  {QStringLiteral("icui18n"), QStringLiteral("ICU")},
                                                  {QStringLiteral("icuuc"), QStringLiteral("ICU")},
                                                  {QStringLiteral("nettle"), QStringLiteral("Nettle")},
                                                  {QStringLiteral("vmime"), QStringLiteral("VMime")},
                                                  {QStringLiteral("qpdf"), QStringLiteral("qpdf")},
                                                  {QStringLiteral("avfilter"), QStringLiteral("FFmpeg")},
                                                  {QStringLiteral("ebur128"), QStringLiteral("libebur128")},
                                                  {QStringLiteral("hunspell-1.7"), QStringLiteral("Hunspell")},
                                                  {QStringLiteral("poppler-qt6"), QStringLiteral("Poppler")},
                                                  {QStringLiteral("cpp-httplib"), QStringLiteral("cpp-httplib")}};
        const QStringList runtime = {QStringLiteral("stdc++"), QStringLiteral("m"), QStringLiteral("gcc_s"),
                                     QStringLiteral("c"), QStringLiteral("pthread")};
        const QString program = QStringLiteral(DEFT_PROGRAM);
        for (const QString& file :
             {program, QFileInfo(program).dir().filePath(QStringLiteral("../libexec/deft-mirror/deft-mirror-full"))}) {
            static const QRegularExpression needed(QStringLiteral("NEEDED\\s+lib([^.\\s]+(?:\\.[^s][^.\\s]*)*)\\.so"));
            int count = 0;
            for (auto found = needed.globalMatch(
                     QString::fromLatin1(run(QStringLiteral("objdump"), {QStringLiteral("-p"), file})));
                 found.hasNext(); ++count) {
                const QString library = found.next().captured(1);
                if (runtime.contains(library)) continue;
                static const QRegularExpression qt(QStringLiteral("Qt 6 \\(([^)]*)\\)"));
                if (library.startsWith(QLatin1String("Qt6")))
                    QVERIFY2(qt.match(notice).captured(1).split(QStringLiteral(", ")).contains(library.mid(3)),
                             qPrintable(library));
                else
                    QVERIFY2(words.count(library) && notice.contains(words.at(library)), qPrintable(library));
            }
            QVERIFY(count > 3);
        }
    }

    /// Every page that the whole names is there, and the formatter has nothing to say against any.
    void manPages() {
        const QDir pages(made_ + QStringLiteral("described/man1"));
        const auto names = pages.entryList({QStringLiteral("*.1")});
        QVERIFY(names.size() > 20);
        for (const QString& page : names) {
            const QByteArray text =
                run(QStringLiteral("man"), {QStringLiteral("--warnings=w"), QStringLiteral("-l"), QStringLiteral("-P"),
                                            QStringLiteral("cat"), pages.filePath(page)});
            QVERIFY2(!text.contains("warning") && text.contains("SYNOPSIS") && text.contains("EXIT STATUS"),
                     qPrintable(page + QLatin1Char('\n') + QString::fromUtf8(text)));
            const auto source = QString::fromStdString(readFile(pages.filePath(page).toStdString()).value());
            static const QRegularExpression link(QStringLiteral("\\.BR (\\S+) \\(1\\)"));
            for (auto found = link.globalMatch(source); found.hasNext();)
                QVERIFY2(names.contains(found.next().captured(1).remove(QLatin1Char('\\')) + QStringLiteral(".1")),
                         qPrintable(page));
        }
    }

    /// README's list of the command line names every command and option there is, and none besides.
    void readmeKnowsTheCommandLine() {
        static const QRegularExpression option(QStringLiteral("--[a-z-]+"));
        const auto optionsIn = [&](QString text) {
            std::set<QString> found;
            for (auto m = option.globalMatch(text.remove(QLatin1Char('\\'))); m.hasNext();)
                found.insert(m.next().captured());
            for (const char* everywhere : {"--help", "--json", "--quiet", "--version"})
                found.erase(QString::fromLatin1(everywhere));
            return found;
        };
        const auto lines =
            QString::fromStdString(readFile((source_ + QStringLiteral("README.md")).toStdString()).value())
                .split(QLatin1Char('\n'));
        const QDir pages(made_ + QStringLiteral("described/man1"));
        std::map<QString, QString> said, listed; // by the first word after the program's name
        for (const QString& page : pages.entryList({QStringLiteral("*.1")}))
            said[page.chopped(2).section(QLatin1Char('-'), 2, 2)] +=
                QString::fromStdString(readFile(pages.filePath(page).toStdString()).value())
                    .section(QStringLiteral(".SH OPTIONS"), 1)
                    .section(QStringLiteral(".SH"), 0, 0);
        for (const QString& line : lines)
            if (line.startsWith(QLatin1String("deft-mirror "))) {
                const QString word = line.section(QLatin1Char(' '), 1, 1);
                listed[word.startsWith(QLatin1Char('[')) ? QString() : word] += line;
            }
        for (const auto& [command, text] : said) {
            QVERIFY2(listed.count(command), qPrintable(command));
            const auto there = optionsIn(text), told = optionsIn(listed.at(command));
            for (const QString& o : there) QVERIFY2(told.count(o), qPrintable(command + QLatin1String(" lacks ") + o));
            for (const QString& o : told) QVERIFY2(there.count(o), qPrintable(command + QLatin1String(" has no ") + o));
        }
        QCOMPARE(listed.size(), said.size());
    }

    void completion() {
        const auto offered = [&](const QString& words, int at) {
            const QString script =
                QStringLiteral("source '%1'; COMP_WORDS=(%2); COMP_CWORD=%3; _deft_mirror; echo \"${COMPREPLY[@]}\"")
                    .arg(made_ + QStringLiteral("described/deft-mirror.bash"), words)
                    .arg(at);
            return run(QStringLiteral("bash"), {QStringLiteral("-c"), script}).trimmed();
        };
        QCOMPARE(offered(QStringLiteral("deft-mirror pro"), 1), QByteArray("probe programme"));
        QCOMPARE(offered(QStringLiteral("deft-mirror programme ex"), 2), QByteArray("export"));
        QCOMPARE(offered(QStringLiteral("deft-mirror analyse --ma"), 2), QByteArray("--marks"));
        QVERIFY(!offered(QStringLiteral("deft-mirror d"), 1).contains("describe")); // for packages alone
    }

    /// A second start hands its files to the first and is over, whatever folder it stands in.
    void secondStartHandsOver() {
        QVERIFY(!DesktopLink::handOver({})); // nobody is there yet
        DesktopLink link;
        QVERIFY(link.take());
        const QSignalSpy wanted(&link, &DesktopLink::wanted);
        for (const QStringList& arguments :
             {QStringList{}, {QStringLiteral("open"), QStringLiteral("a b.mp4"), QStringLiteral("/ü.json")}}) {
            QProcess second;
            second.setWorkingDirectory(dir_.path());
            second.start(QStringLiteral(DEFT_PROGRAM), arguments);
            QTRY_COMPARE_WITH_TIMEOUT(second.state(), QProcess::NotRunning, kPatience_ms);
            QCOMPARE(second.exitCode(), 0);
        }
        QCOMPARE(wanted.count(), 2);
        QCOMPARE(wanted[0][0].toStringList(), QStringList());
        QCOMPARE(wanted[1][0].toStringList(),
                 (QStringList{dir_.filePath(QStringLiteral("a b.mp4")), QStringLiteral("/ü.json")}));
    }

    void painIsNotified() {
        DesktopLink::notify(QStringLiteral("nobody"), QStringLiteral("hears this")); // and nothing breaks
        Notifications desktop;
        auto bus = QDBusConnection::connectToBus(QString::fromUtf8(qgetenv("DBUS_SESSION_BUS_ADDRESS")),
                                                 QStringLiteral("desktop"));
        QVERIFY(bus.registerObject(QStringLiteral("/org/freedesktop/Notifications"), &desktop,
                                   QDBusConnection::ExportScriptableSlots));
        QVERIFY(bus.registerService(QStringLiteral("org.freedesktop.Notifications")));
        DesktopLink::notify(QStringLiteral("A clip"), QStringLiteral("came"));
        QTRY_COMPARE_WITH_TIMEOUT(desktop.told, QStringList{QStringLiteral("A clip / came")}, kPatience_ms);
        QDBusConnection::disconnectFromBus(QStringLiteral("desktop"));
    }
};

QTEST_GUILESS_MAIN(DesktopTest)
#include "desktop_test.moc"
