// SPDX-License-Identifier: GPL-3.0-or-later
// Whatever a coach does, the window answers the next key: no turn of its event loop takes long.
#include "support/coachs_turns.h"

using namespace deft::test;

class WatchdogTest : public QObject {
    Q_OBJECT
private slots:
    void turnsStayShort() {
        // 100 ms is where an answer stops feeling immediate (R. B. Miller, 1968, "Response time in man-computer
        // conversational transactions"); half of it is left to the display. Processor time, because another program's
        // work on the machine is no fault of the window.
        constexpr double kMost_ms = 50;
        const auto steps = CoachsTurns().run();
        QVERIFY(steps.size() >= 14);
        QStringList tooLong;
        for (const auto& s : steps) {
            qInfo("%-28s %6.1f ms busy, %6.1f ms away", qPrintable(s.what), s.busy_ms, s.away_ms);
            if (s.busy_ms > kMost_ms) tooLong << QStringLiteral("%1: %2 ms").arg(s.what).arg(s.busy_ms, 0, 'f', 0);
        }
        QVERIFY2(tooLong.isEmpty(), qPrintable(tooLong.join(QStringLiteral("; "))));
    }
};

QTEST_MAIN(WatchdogTest)
#include "watchdog_test.moc"
