// SPDX-License-Identifier: GPL-3.0-or-later
// A day at the bench: a hundred clips opened, stepped through and left take no more memory than five did.
#include "support/driven_window.h"

#include <QFile>
#include <algorithm>

using namespace deft;
using namespace deft::test;

class MemoryTest : public DrivenWindow {
    Q_OBJECT

    /// MB that are resident, from the kernel's own page count.
    static double resident_MB() {
        QFile file(QStringLiteral("/proc/self/statm"));
        if (!file.open(QIODevice::ReadOnly)) return 0;
        constexpr double kPage_MB = 4096 / 1e6;
        return file.readAll().split(' ').value(1).toDouble() * kPage_MB;
    }
    /// Opened, looked through, answered in part, left.
    void look(qint64 clip) {
        window_->openClip(clip);
        QVERIFY(measured());
        for (int i = 0; i < 4; ++i) QTest::keyClick(&stage(), Qt::Key_Down);
        QVERIFY(pictureIsThere());
        window_->go(MainWindow::Compare);
        window_->go(MainWindow::Letter);
        QTest::qWait(20);
        window_->go(MainWindow::Queue);
    }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
        openWindow(QStringLiteral("demo"));
    }

    void aHundredClips() {
        std::vector<qint64> clips; // that are marked
        for (const Clip& c : window_->library().clips(0))
            if (!c.draft.marks.frames.empty()) clips.push_back(c.id);
        QVERIFY(clips.size() >= 2);
        std::vector<double> used_MB;
        for (int i = 1; i <= 100; ++i) {
            look(clips[size_t(i) % clips.size()]);
            used_MB.push_back(resident_MB());
        }
        // The middle of five: pictures of the last clip may still be on their way or not.
        const auto around = [&](int clip) {
            std::vector<double> five(used_MB.begin() + clip - 3, used_MB.begin() + clip + 2);
            std::sort(five.begin(), five.end());
            return five[2];
        };
        const double after5 = around(5), after50 = around(50), after100 = around(98);
        const QString told = QStringLiteral("%1 MB after 5, %2 after 50, %3 after 100")
                                 .arg(after5, 0, 'f', 0).arg(after50, 0, 'f', 0).arg(after100, 0, 'f', 0);
        qInfo("%s", qPrintable(told));
        QVERIFY2(after100 - after5 < 50, qPrintable(told));
    }
};

QTEST_MAIN(MemoryTest)
#include "memory_test.moc"
