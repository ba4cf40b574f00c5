// SPDX-License-Identifier: GPL-3.0-or-later
// Every call that changes a file is let fail, or is the last one before the program is killed: what the library has
// confirmed is there afterwards, whole, and what it has not is there whole or not at all.
#include "store/library.h"
#include "support/demo_review.h"
#include "support/patience.h"
#include "support/reopened.h"

#include <QCoreApplication>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>
#include <cerrno>
#include <iostream>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

namespace {

/// One of everything, each told once it is confirmed; what is refused is left.
int work(const fs::path& folder) {
    auto library = Library::open(folder);
    if (!library) return 1;
    const auto told = [](const char* what) { std::cout << what << std::endl; };
    const auto client = (*library)->addClient("Ruta Kalniņa", "puppeteer", {"osteoporosis"});
    if (!client) return 1;
    told("client");
    if ((*library)->recordConsent(*client, {"2026-03-12", "", {"coaching"}})) told("consent");
    Review review = demoReview();
    const auto clip = (*library)->addClip(*client, "2026-04-30", review.inputs);
    if (!clip) return 1;
    told("clip");
    review.inputs.words["well"] = "Well done.";
    if ((*library)->saveDraft(*clip, review.inputs)) told("draft");
    if (const auto filed = (*library)->file(*clip, review, "<p>page</p>", "letter")) {
        told("filed");
        if ((*library)->markMade(*filed)) told("made");
    }
    return 0;
}

} // namespace

class FailingDiskTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    int calls_ = 0;

    QByteArray run(const QString& folder, const QString& plan) {
        QProcess p;
        QProcessEnvironment e = QProcessEnvironment::systemEnvironment();
        e.insert(QStringLiteral("LD_PRELOAD"), QStringLiteral(DEFT_SHIM_LIBRARY));
        e.insert(QStringLiteral("DEFT_SHIM"), plan);
        e.insert(QStringLiteral("DEFT_SHIM_FOLDER"), folder);
        p.setProcessEnvironment(e);
        p.start(QCoreApplication::applicationFilePath(), {QStringLiteral("--work"), folder});
        p.waitForFinished(kPatience_ms);
        return p.readAllStandardOutput();
    }
    void verify(const QString& folder, const QByteArray& told, const QString& when) {
        const auto library = reopened(folder.toStdString());
        QVERIFY2(library.has_value(),
                 qPrintable(when + QLatin1Char(' ') + QString::fromStdString(library ? "" : library.error().detail())));
        QVERIFY2((*library)->damage().empty(), qPrintable(when));
        const auto clients = (*library)->clients();
        const auto clips = (*library)->clips();
        const auto has = [&](const char* what) { return told.contains(what); };
        QVERIFY2(!has("client") || clients.size() == 1, qPrintable(when));
        QVERIFY2(!has("consent") || clients.at(0).consent, qPrintable(when));
        QVERIFY2(!has("clip") || clips.size() == 1, qPrintable(when));
        QVERIFY2(!has("draft") || clips.at(0).draft.words.at("well") == "Well done.", qPrintable(when));
        QVERIFY2(!has("filed") || clips.at(0).filed, qPrintable(when));
        if (!clips.empty() && clips[0].filed) {
            const auto filed = (*library)->filed(clients.at(0).id, "bridge");
            QCOMPARE(filed.size(), size_t(1));
            QVERIFY(filed[0].readings.size() >= 8);
            QVERIFY(fs::exists((*library)->folder() / "answers" / ("answer-" + std::to_string(filed[0].id) + ".html")));
            QVERIFY(!has("made") || (*library)->unsent().empty());
        } else {
            QVERIFY(fs::is_empty((*library)->folder() / "answers")); // nothing half filed
        }
    }
    /// Every call in the long run, else some spread over all of them.
    std::vector<int> some(int most) const {
        std::vector<int> out;
        const int step = qEnvironmentVariableIsSet("DEFT_LONG") ? 1 : std::max(1, calls_ / most);
        for (int at = 1; at <= calls_; at += step) out.push_back(at);
        return out;
    }

private slots:
    void initTestCase() {
        const QString folder = dir_.filePath(QStringLiteral("count")), count = dir_.filePath(QStringLiteral("calls"));
        QCOMPARE(run(folder, QStringLiteral("count:") + count).count('\n'), 6);
        calls_ = QString::fromStdString(readFile(count.toStdString()).value()).toInt();
        qInfo("%d calls change a file", calls_);
        QVERIFY(calls_ > 20);
        verify(folder, "client consent clip draft filed made", QStringLiteral("untouched"));
    }
    void diskFull() {
        for (const int at : some(18)) {
            const QString folder = dir_.filePath(QStringLiteral("full-%1").arg(at));
            verify(folder, run(folder, QStringLiteral("fail:%1:%2").arg(ENOSPC).arg(at)),
                   QStringLiteral("full from call %1").arg(at));
        }
    }
    void diskFailing() {
        for (const int at : some(12)) {
            const QString folder = dir_.filePath(QStringLiteral("io-%1").arg(at));
            verify(folder, run(folder, QStringLiteral("fail:%1:%2").arg(EIO).arg(at)),
                   QStringLiteral("failing from call %1").arg(at));
        }
    }
    void killedAtACall() {
        for (const int at : some(18)) {
            const QString folder = dir_.filePath(QStringLiteral("killed-%1").arg(at));
            verify(folder, run(folder, QStringLiteral("kill:%1").arg(at)), QStringLiteral("killed at call %1").arg(at));
        }
    }
};

int main(int argc, char** argv) {
    const QCoreApplication application(argc, argv);
    if (argc == 3 && QByteArray(argv[1]) == "--work") return work(argv[2]);
    FailingDiskTest test;
    return QTest::qExec(&test, argc, argv);
}
#include "failing_disk_test.moc"
