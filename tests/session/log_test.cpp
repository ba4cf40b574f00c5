// SPDX-License-Identifier: GPL-3.0-or-later
// What the program writes down of its own faults: enough to find them, nothing of anybody's.
#include "app/session/background_job.h"
#include "app/session/log.h"
#include "support/patience.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::ui;

class LogTest : public QObject {
    Q_OBJECT
    const QTemporaryDir state_;

    static QByteArray read(const std::string& suffix = {}) {
        QFile file(QString::fromStdString(logFile().string() + suffix));
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }

private slots:
    void initTestCase() {
        qputenv("XDG_STATE_HOME", state_.path().toUtf8());
        keepLog();
    }

    /// Work that throws is told to the coach with its words and the place of the log; the log has its kind alone.
    void brokenWork() {
        BackgroundJob job;
        Result<int> came = 0;
        job.run([](StopToken, const ProgressFn&) -> Result<int> { throw std::out_of_range("Wim's knee hurts"); },
                [&](Result<int> outcome) { came = std::move(outcome); });
        QVERIFY(QTest::qWaitFor([&] { return !came; }, kPatience_ms));
        QCOMPARE(came.error().code, Errc::Internal);
        QVERIFY(came.error().detail().find("Wim's knee hurts") != std::string::npos);
        QVERIFY(came.error().detail().find(logFile().string()) != std::string::npos);
        const QByteArray log = read();
        QVERIFY2(log.contains("work was broken off: std::out_of_range"), log.constData());
        QVERIFY(log.startsWith("20") && log.endsWith("\n")); // the time first, whole lines
        QVERIFY(!log.contains("Wim") && !log.contains("knee"));
    }

    /// It does not grow without end, and keeps what came before once.
    void rotates() {
        const QString line(1000, QLatin1Char('x'));
        for (int i = 0; i < 2 * kLogBytes / 1000 + 10; ++i) qCInfo(lcWork).noquote() << line;
        QVERIFY(read().size() <= kLogBytes && !read().isEmpty());
        QVERIFY(read(".1").size() <= kLogBytes && read(".1").size() > kLogBytes / 2);
        QVERIFY(!QFile::exists(QString::fromStdString(logFile().string() + ".2")));
    }

    /// A folder that cannot be written stops nothing.
    void noFolder() {
        qputenv("XDG_STATE_HOME", "/proc/none");
        qCCritical(lcWork) << "still here";
        QVERIFY(read().isEmpty());
    }
};

QTEST_GUILESS_MAIN(LogTest)
#include "log_test.moc"
